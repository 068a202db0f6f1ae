import { classifyAnswer, judgeRetention } from '@veldrift/core';
import { findSet } from '../../app/book.ts';
import { policyOf, type ReviewPage } from '@veldrift/wire';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { Explained } from '../../parts/AnswersBehind.tsx';
import type { LocalReview } from './localReview.ts';

/** What a look back at a set passed says: held, or to be reviewed. */
export function LookBackSays({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { pupil, play } = page;
  const found = judgeRetention(
    page.answers.map((one) => ({ id: one.id, fact: one.fact, class: classifyAnswer(one).class })),
    policyOf(pupil),
  );
  const name = findSet(play.setId)?.name ?? play.setId;
  const says = {
    stay: `${name} has held`,
    review: `Review ${name}`,
    notEnough: `Not enough to say of ${name}`,
  }[found.verdict as string];
  return (
    <section className="decision" aria-labelledby="look-title">
      <h2 id="look-title">{says ?? name}</h2>
      <ul className="reasons">
        {[...found.reasons, ...found.missing].map((reason) => (
          <li key={reason.text}>
            <Explained title={reason.text} how="The answers of this look back." answers={page.answers}>
              {reason.text}
            </Explained>
          </li>
        ))}
      </ul>
      {found.wouldSettle !== '' && (
        <p>
          <strong>Would settle it:</strong> {found.wouldSettle}
        </p>
      )}
      {found.verdict === 'review' && (
        <div className="actions">
          <Button variant="contained" component={Link} to={`/table/new/${pupil.id}?what=drill`}>
            To a drill
          </Button>
        </div>
      )}
    </section>
  );
}
