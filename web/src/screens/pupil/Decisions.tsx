import { countText, factListText, schoolNames, type School } from '@veldrift/core';
import { findGame } from '@veldrift/core/games';
import { findSet } from '../../app/book.ts';
import type { KeptDecision, PupilPage } from '@veldrift/wire';
import { api } from '../../app/api.ts';
import { dateText } from '../../app/format.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { Reasons } from '../../parts/Reasons.tsx';

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
            {decision.outcome === 'otherwise' && decision.otherReason !== '' && (
              <p style={{ overflowWrap: 'anywhere' }}>
                Decided otherwise: &ldquo;{decision.otherReason}&rdquo;
              </p>
            )}
            <Reasons
              reasons={[...decision.reasons, ...decision.missing].slice(0, 1)}
              school={decision.school}
              answers={answersOf(page.pupil.id, decision.id)}
            />
            <Explained title={saidBy(decision)} how={<Record decision={decision} pupilId={page.pupil.id} />}>
              all that it rests on
            </Explained>
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
  if (decision.about === 'placement') return `Placed on ${to}${decision.undone ? ', taken back' : ''}`;
  if (decision.about === 'undo') return `Placement taken back: on ${to} again`;
  if (decision.about === 'form') return `Changed in the form: ${formChange(decision, to)}`;
  if (decision.about === 'retention')
    return `${decision.verdict === 'review' ? 'To review' : 'Held'}: ${findSet(decision.setId)?.name}; on with ${to}`;
  if (decision.about === 'step' && decision.game) {
    const game = findGame(decision.game.id);
    const step = game?.steps[decision.game.toStep]?.name ?? `step ${decision.game.toStep + 1}`;
    return `${game?.name ?? decision.game.id}: ${decision.game.toStep === decision.game.step ? 'stay at' : 'now'} \u201c${step}\u201d`;
  }
  return decision.toSetId === decision.setId ? `Stay on ${to}` : `${findSet(decision.setId)?.name} → ${to}`;
}

function formChange(decision: KeptDecision, to: string): string {
  const name = (school: string) => schoolNames[school as School] ?? school;
  return [
    ...(decision.toSetId === decision.setId
      ? []
      : [`${findSet(decision.setId)?.name ?? decision.setId} \u2192 ${to}`]),
    ...(decision.toSchool === null || decision.toSchool === decision.school
      ? []
      : [`school ${name(decision.school)} \u2192 ${name(decision.toSchool)}`]),
  ].join(', ');
}

function saidBy({ about, school }: KeptDecision): string {
  if (about === 'undo' || about === 'placement') return 'What the placement said';
  if (about === 'retention') return 'What the look back said';
  if (about === 'step') return 'What the rules of steps said';
  return `What ${schoolNames[school as School] ?? school} said`;
}

function answersOf(pupilId: string, decisionId: string) {
  return {
    key: ['decisionAnswers', decisionId],
    fetch: (of: 'facts' | 'checks') => api.answersOfDecision(pupilId, decisionId, of),
  };
}

/** Everything kept with a decision: its sentences, the policy in force, what it rests on. */
function Record({ decision, pupilId }: { readonly decision: KeptDecision; readonly pupilId: string }) {
  const { policy } = decision;
  return (
    <div className="record-whole">
      <Reasons
        reasons={[...decision.reasons, ...decision.missing]}
        school={decision.school}
        answers={answersOf(pupilId, decision.id)}
      />
      <p className="quiet">
        Policy in force: {policy.aimPerMinute} right a minute, at most {policy.wrongAllowed} wrong,{' '}
        {Math.round((policy.shareRecalled ?? 0) * 100)} in 100 facts recalled, at most {policy.shortAllowed}{' '}
        short. It rests on {countText(decision.answerIds.length, 'answer')} to the facts of the set and{' '}
        {countText(decision.checkIds.length, 'check')}; each sentence opens its own.
      </p>
    </div>
  );
}
