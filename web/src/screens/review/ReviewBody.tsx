import Button from '@mui/material/Button';
import {
  aimPerMinute,
  answerWayNames,
  classifyAnswer,
  isCaptureWay,
  isMinute,
  countText,
  isRight,
  leastCheckMs,
  numberText,
  purposeNames,
  type AnswerClass,
} from '@veldrift/core';
import { findSet } from '../../app/book.ts';
import { policyOf, type KeptAnswer, type ReviewPage } from '@veldrift/wire';
import { Suspense } from 'react';
import { Link } from 'react-router';
import { dateTimeText, msText, rateText } from '../../app/format.ts';
import { page } from '../../app/page.tsx';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { aimWords } from '../../parts/aimWords.ts';
import { Figure } from '../../parts/Figure.tsx';
import { CeilingBehind, ceilingAnswers } from '../../parts/MeasuredNumbers.tsx';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { DecisionPanel } from '../../parts/DecisionPanel.tsx';
import { Loading } from '../../parts/states.tsx';
import { NextPart } from './NextPart.tsx';
import { LookBackSays } from './LookBackSays.tsx';
import { PlacingPanel } from './PlacingPanel.tsx';
import { FactsMet } from './FactsMet.tsx';
import { Flags } from './Flags.tsx';
import type { LocalReview } from './localReview.ts';
import { SkillsMet } from './SkillsMet.tsx';
import { SlipsRead } from './SlipsRead.tsx';
import './review.css';
import { isolated } from '../../app/isolated.ts';

const GameSays = page(() => import('./GameSays.tsx').then((m) => m.GameSays), { fromTable: true });

/** One minute: what happened by fact, slips read, the rate with its aim, the decision to take. Every number opens. */
export function ReviewBody({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { me } = useSession();
  const { play, pupil, answers } = page;
  const way = isCaptureWay(play.way) ? play.way : pupil.capture;
  const measuring = measuringFor(pupil, me, way);
  const ceiling = page.proposal ? page.proposal.ceiling : measuring.ceiling;
  const policy = policyOf(pupil);
  const aim = aimPerMinute(ceiling, policy.aimPerMinute);
  const right = answers.filter((one) => isRight(one.judgement));
  const wrong = answers.filter((one) => !isRight(one.judgement));
  const timed = right.filter((one) => classifyAnswer(one).correctedMs !== null);
  const factsMet = new Set(answers.map((one) => one.fact)).size;
  const { summary } = play;
  const used = `${numberText(summary.usedMs / 1000)} s`;
  return (
    <>
      <div className="work-head">
        <div>
          <h1>
            {isolated(pupil.name)}: {purposeNames[play.purpose].toLowerCase()}
          </h1>
          <p className="quiet">
            {play.title || findSet(play.setId)?.name}, {answerWayNames[play.way]},{' '}
            {dateTimeText(play.startedAt)}.
          </p>
        </div>
        <div className="actions">
          <NextPart key={pupil.id} pupil={pupil} />
          <Button variant="outlined" component={Link} to={`/table/new/${pupil.id}`}>
            Begin another
          </Button>
          <Button variant="outlined" component={Link} to={`/pupils/${pupil.id}`}>
            {isolated(pupil.name)}&rsquo;s page
          </Button>
        </div>
      </div>
      <Flags page={page} />
      <div className="review">
        <section aria-labelledby="rate">
          <h2 id="rate">{isMinute(play.purpose) ? 'The minute' : 'What happened'}</h2>
          <div className="figures">
            {!isMinute(play.purpose) ? (
              <TurnFigures page={page} right={right} wrong={wrong} timed={timed} />
            ) : summary.rightPerMinute === null ? (
              <p>
                Ended after {used}: under {leastCheckMs / 1000} s says nothing of a minute, so there is no
                rate and it is no check. Its {countText(answers.length, 'answer')}{' '}
                {answers.length === 1 ? 'is' : 'are'} kept.
              </p>
            ) : play.calm ? (
              <p>Turned calm: nothing was counted after that.</p>
            ) : (
              <>
                <Figure
                  value={rateText(summary.rightPerMinute)}
                  unit="right a minute"
                  title="Right answers a minute"
                  how={`${summary.right} right answers in ${used}, scaled to a minute: ${summary.right} × 60 ÷ ${numberText(summary.usedMs / 1000)} = ${rateText(summary.rightPerMinute)}.`}
                  answers={right}
                />
                <Figure
                  value={numberText(aim.perMinute)}
                  unit={aim.binds ? 'the aim, held by the ceiling' : 'the aim'}
                  title="The aim of a minute"
                  how={aimWords(policy.aimPerMinute, ceiling, aim.perMinute, way)}
                />
                {ceiling !== null && (
                  <Figure
                    value={numberText(ceiling.perMinute)}
                    unit="the ceiling"
                    title="The ceiling"
                    how={<CeilingBehind pupil={pupil} way={way} ceiling={ceiling} />}
                    {...ceilingAnswers(pupil.id, ceiling)}
                  />
                )}
                <Figure
                  value={String(summary.wrong)}
                  unit="wrong"
                  title="Wrong answers"
                  how={`Wrong, given up or not answered. ${policy.wrongAllowed} or fewer are asked to move on.`}
                  answers={wrong}
                />
                <Figure
                  value={msText(summary.medianMs)}
                  unit="median time"
                  title="Median time of right answers"
                  how="The middle one of the right answers that have a time, each less the measured overhead. Never a mean: one long thought would drown the rest."
                  answers={timed}
                />
                {summary.digitsPerMinute !== null && (
                  <Figure
                    value={rateText(summary.digitsPerMinute)}
                    unit="digits right a minute"
                    title="Digits correct per minute"
                    how="Digits in the right place, aligned from the ones, scaled to a minute. Comparable only roughly with written sheets: a keypad is not a pencil."
                    answers={answers}
                  />
                )}
              </>
            )}
          </div>
          <ClassCounts answers={answers} />
          <SlipsRead page={page} />
        </section>
        <section aria-labelledby="facts-met">
          <h2 id="facts-met">
            Facts met{' '}
            <Explained
              title="Facts met"
              how="Different facts among the answers of this minute; 7 + 6 and 6 + 7 are two."
              answers={answers}
              label={`${factsMet} facts: show what is behind it`}
              className="linkish quiet numeral"
            >
              {factsMet}
            </Explained>
          </h2>
          <FactsMet page={page} />
          <SkillsMet answers={page.skills} />
        </section>
        <section aria-label="Decision" className="review-decision">
          {play.purpose === 'placement' ? (
            <PlacingPanel page={page} />
          ) : play.purpose === 'retention' ? (
            <LookBackSays page={page} />
          ) : play.purpose === 'game' ? (
            <Suspense fallback={<Loading what="the game" />}>
              <GameSays page={page} />
            </Suspense>
          ) : page.decision ? (
            <div className="decision">
              <h2>On record</h2>
              <p>
                {page.decision.by} {page.decision.outcome === 'accepted' ? 'accepted' : 'decided otherwise'}:{' '}
                {page.decision.toSetId === page.decision.setId ? 'stay on' : 'go on to'}{' '}
                <strong>{findSet(page.decision.toSetId)?.name}</strong>.
                {page.decision.otherReason && ` \u201c${page.decision.otherReason}\u201d`}
              </p>
            </div>
          ) : page.proposal ? (
            play.purpose === 'check' ||
            play.purpose === 'mixed' ||
            page.proposal.decision.verdict === 'advance' ? (
              <DecisionPanel pupil={pupil} proposal={page.proposal} playId={play.id} />
            ) : (
              <p className="quiet">
                This decides nothing by itself. The decision on {findSet(pupil.setId)?.name} stands on the
                pupil&rsquo;s page.
              </p>
            )
          ) : (
            <p className="state-box">
              The answers are kept on this device. What the school says is worked out when they have reached
              the server.
            </p>
          )}
        </section>
      </div>
    </>
  );
}

/** What a play turn by turn comes to: no rate, since no time was set. */
function TurnFigures({
  page,
  right,
  wrong,
  timed,
}: {
  readonly page: ReviewPage | LocalReview;
  readonly right: readonly KeptAnswer[];
  readonly wrong: readonly KeptAnswer[];
  readonly timed: readonly KeptAnswer[];
}) {
  const { play, skills } = page;
  const rightSkills = skills.filter((one) => one.right);
  const wrongSkills = skills.filter((one) => !one.right);
  return (
    <>
      <Figure
        value={String(right.length + rightSkills.length + play.tally)}
        unit={play.tally > 0 ? `right, ${play.tally} of them counted` : 'right'}
        title="Right answers"
        how={
          play.tally > 0
            ? `${play.tally} instant right answers of the loose pack were counted, not by fact; the others are below.`
            : 'Right answers, quick or worked out.'
        }
        answers={[...right, ...rightSkills]}
      />
      <Figure
        value={String(wrong.length + wrongSkills.length)}
        unit="wrong"
        title="Wrong answers"
        how="Wrong, given up or not answered."
        answers={[...wrong, ...wrongSkills]}
      />
      <Figure
        value={msText(play.summary.medianMs)}
        unit="median time"
        title="Median time of right answers"
        how="The middle one of the right answers that have a time, each less the measured overhead."
        answers={timed}
      />
      <Figure
        value={numberText(play.practiceMs / 60_000)}
        unit="minutes"
        title="Time"
        how="The time between one thing that happened and the next, each counted at most a minute: what stands still is not practice. It counts towards the minutes of the week."
      />
    </>
  );
}

const classWords: readonly { readonly name: AnswerClass; readonly says: string; readonly how: string }[] = [
  {
    name: 'recalled',
    says: 'recalled',
    how: 'Right, within the recall limit after the overhead is taken off, and no counting seen.',
  },
  {
    name: 'workedOut',
    says: 'worked out',
    how: 'Right, but slower than the limit, or with fingers, counting on, or from a ten or a double seen.',
  },
  { name: 'missed', says: 'missed', how: 'Wrong, given up or not answered.' },
  {
    name: 'noEvidence',
    says: 'in doubt',
    how: 'Right, but within one spread of the limit, guessed, or put right by the child: no evidence either way.',
  },
  {
    name: 'right',
    says: 'right without a time',
    how: 'Right, but untimed, or with a time that does not count.',
  },
];

function ClassCounts({ answers }: { readonly answers: readonly KeptAnswer[] }) {
  return (
    <p className="class-counts">
      {classWords.map(({ name, says, how }) => {
        const own = answers.filter((one) => classifyAnswer(one).class === name);
        return own.length === 0 ? null : (
          <Explained key={name} title={`${own.length} ${says}`} how={how} answers={own}>
            {own.length} {says}
          </Explained>
        );
      })}
    </p>
  );
}
