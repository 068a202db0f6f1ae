import { factListText, findSet, schoolNames, type School } from '@veldrift/core';
import type { KeptDecision, PupilPage } from '@veldrift/wire';
import { api } from '../../app/api.ts';
import { dateText } from '../../app/format.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';

/** Decisions on record, newest first, each with its reasons, its policy and the answers it rests on. */
export function Decisions({ page }: { readonly page: PupilPage }) {
  return (
    <section aria-labelledby="decisions-title">
      <h2 id="decisions-title">Decisions</h2>
      {page.decisions.length === 0 && (
        <p className="quiet">None yet. The first is taken on a review or here, above.</p>
      )}
      <ol className="record">
        {page.decisions.map((decision) => (
          <li key={decision.id}>
            <p>
              <strong>{headline(decision)}</strong>{' '}
              <span className="quiet">
                {dateText(decision.at)}, {decision.by}
              </span>
            </p>
            {decision.outcome === 'otherwise' && (
              <p style={{ overflowWrap: 'anywhere' }}>
                Decided otherwise: &ldquo;{decision.otherReason}&rdquo;
              </p>
            )}
            <p>
              <Explained
                title={`What ${schoolNames[decision.school as School] ?? decision.school} said`}
                how={<Policy decision={decision} />}
                answers={{
                  key: ['decisionAnswers', decision.id],
                  fetch: () => api.answersOfDecision(page.pupil.id, decision.id),
                }}
              >
                {decision.reasons[0] ?? decision.missing[0] ?? 'No reason was given.'}
              </Explained>
            </p>
            {decision.strays.length > 0 && (
              <p className="quiet">Carried along: {factListText(decision.strays)}.</p>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

function headline(decision: KeptDecision): string {
  const to = findSet(decision.toSetId)?.name ?? decision.toSetId;
  return decision.toSetId === decision.setId ? `Stay on ${to}` : `${findSet(decision.setId)?.name} → ${to}`;
}

function Policy({ decision }: { readonly decision: KeptDecision }) {
  const { policy } = decision;
  return (
    <>
      {[...decision.reasons, ...decision.missing].map((reason) => (
        <p key={reason}>{reason}</p>
      ))}
      <p className="quiet">
        Policy in force: {policy.aimPerMinute} right a minute, at most {policy.wrongAllowed} wrong,{' '}
        {Math.round((policy.shareRecalled ?? 0) * 100)} in 100 facts recalled, at most {policy.shortAllowed}{' '}
        short. It rests on {decision.answerIds.length} answers and {decision.checkIds.length} checks.
      </p>
    </>
  );
}
