import { classifyAnswer, countText, isCaptureWay, isMinute, leastCorrectedMs } from '@veldrift/core';
import { Explained } from '../../parts/AnswersBehind.tsx';
import type { ReviewPage } from '@veldrift/wire';
import type { LocalReview } from './localReview.ts';

/** What limits what can be concluded from this minute. */
export function Flags({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { play, answers } = page;
  const scaled =
    play.summary.rightPerMinute === null ? 'there is no rate' : 'the count is scaled to the time used';
  const sentences = [
    ...(play.endReason === 'closed' && isMinute(play.purpose)
      ? [`It was interrupted for more than ten minutes and closed; ${scaled}, and no decision hangs on it.`]
      : []),
    ...(play.endReason === 'tutor' && !play.calm && isMinute(play.purpose)
      ? [`It was ended before its time; ${scaled}, and no decision hangs on it.`]
      : []),
    ...(play.calm ? ['The table was turned calm; no decision hangs on it.'] : []),
    ...(play.interrupted && play.endReason === 'time'
      ? ['It was interrupted and taken up again on the time left.']
      : []),
    ...(play.clockCorrected
      ? ['The device\u2019s clock was wrong; dates were set right by the server\u2019s.']
      : []),
  ];
  const counted = [
    {
      of: answers.filter((one) => !one.calibrated && isCaptureWay(one.way)),
      says: 'without calibration: an assumed or provisional overhead was taken off.',
      how: 'The time the keypad or the judging itself takes was not measured, or has changed since, so an assumed one was subtracted, or one from the first answers that needed no thought. Calibrating takes half a minute.',
    },
    {
      of: answers.filter((one) => one.voided),
      says: 'whose time does not count: kept, but untimed.',
      how: 'A pause, a hidden page, an interruption, an undo or a gap of more than 100 ms between frames spoils the time, not the answer.',
    },
    {
      of: answers.filter((one) => classifyAnswer(one).tooQuick),
      says: `sooner than can be: less than ${leastCorrectedMs} ms is left when the overhead is taken off. Measure it again.`,
      how: 'The overhead taken off is nearly as long as the whole time was, so it is too long for this child or this tutor. A right answer so timed is no evidence. Measure the overhead again: it takes half a minute.',
    },
  ].filter(({ of }) => of.length > 0);
  if (sentences.length + counted.length === 0) return null;
  return (
    <ul className="flags">
      {sentences.map((flag) => (
        <li key={flag} className="notch">
          {flag}
        </li>
      ))}
      {counted.map(({ of, says, how }) => (
        <li key={says} className="notch">
          <span>
            <Explained title={`${countText(of.length, 'answer')} ${says}`} how={how} answers={of}>
              {countText(of.length, 'answer')}
            </Explained>{' '}
            {says}
          </span>
        </li>
      ))}
    </ul>
  );
}
