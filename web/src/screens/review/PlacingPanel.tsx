import type { ReviewPage } from '@veldrift/wire';
import { findSet } from '../../app/book.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import type { LocalReview } from './localReview.ts';
import { TutorsWord } from './TutorsWord.tsx';

/** What a placement found: the set to begin with, why, what else it may be; the tutor takes it or decides otherwise. */
export function PlacingPanel({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { play, placing } = page;
  if (!placing) {
    return (
      <p className="state-box">
        Nothing is known yet: no answer gave evidence. The placement can go on at this visit or another.
      </p>
    );
  }
  const { decision, toSetId } = placing;
  const answers = [...page.earlierAnswers, ...page.answers];
  const name = findSet(toSetId)?.name ?? toSetId;
  return (
    <section className="decision" aria-labelledby="placing-title">
      <h2 id="placing-title">Begin with {name}</h2>
      <ul className="reasons">
        {decision.reasons.map((reason) => (
          <li key={reason.text}>
            <Explained
              title={reason.text}
              how="The answers of the placement, in both visits if it was split."
              answers={answers}
            >
              {reason.text}
            </Explained>
          </li>
        ))}
      </ul>
      {decision.wouldSettle !== '' && (
        <p>
          <strong>Would narrow it:</strong> {decision.wouldSettle}
        </p>
      )}
      {play.endReason !== 'time' && (
        <p className="notch">It was stopped before its end and may go on within 14 days.</p>
      )}
      <TutorsWord page={page} of="placements" accept={`Accept: begin with ${name}`} toSetId={toSetId} />
    </section>
  );
}
