import Button from '@mui/material/Button';
import { classifyAnswer, factListText, judgeRetention } from '@veldrift/core';
import { policyOf, type ReviewPage } from '@veldrift/wire';
import { Link } from 'react-router';
import { findSet } from '../../app/book.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import type { LocalReview } from './localReview.ts';
import { TutorsWord } from './TutorsWord.tsx';

/** What a look back at a set passed says: held, or to be reviewed; the tutor takes it or decides otherwise. */
export function LookBackSays({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { pupil, play } = page;
  const set = findSet(play.setId);
  const found = judgeRetention(
    page.answers.map((one) => ({ id: one.id, fact: one.fact, class: classifyAnswer(one).class })),
    policyOf(pupil),
    set?.practises.length,
  );
  const name = set?.name ?? play.setId;
  const on = findSet(pupil.setId)?.name ?? pupil.setId;
  const says = {
    stay: `Held: ${name}`,
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
      {found.strays.length > 0 && found.verdict !== 'notEnough' && (
        <p>Carried along in the drills: {factListText(found.strays)}.</p>
      )}
      {found.verdict !== 'notEnough' && (
        <TutorsWord
          page={page}
          of="lookBacks"
          accept={
            found.verdict === 'review' ? `Accept: review, and go on with ${on}` : `Accept: go on with ${on}`
          }
          toSetId={pupil.setId}
        />
      )}
      {found.verdict === 'review' && (
        <div className="actions">
          <Button variant="outlined" component={Link} to={`/table/new/${pupil.id}?what=drill`}>
            To a drill
          </Button>
        </div>
      )}
    </section>
  );
}
