import { countText } from '@veldrift/core';
import type { ReviewPage } from '@veldrift/wire';
import type { LocalReview } from './localReview.ts';

/** What limits what can be concluded from this minute. */
export function Flags({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { play, answers } = page;
  const uncalibrated = answers.filter((one) => !one.calibrated).length;
  const voided = answers.filter((one) => one.voided).length;
  const flags = [
    ...(play.endReason === 'closed'
      ? [
          'It was interrupted for more than ten minutes and closed; the count is scaled to the time used, and no decision hangs on it.',
        ]
      : []),
    ...(play.endReason === 'tutor' && !play.calm
      ? ['It was ended before its time; the count is scaled to the time used, and no decision hangs on it.']
      : []),
    ...(play.calm ? ['The table was turned calm; no decision hangs on this minute.'] : []),
    ...(play.interrupted && play.endReason === 'time'
      ? ['It was interrupted and taken up again on the time left.']
      : []),
    ...(uncalibrated > 0
      ? [`${countText(uncalibrated, 'answer')} without calibration: a default overhead was taken off.`]
      : []),
    ...(voided > 0 ? [`${countText(voided, 'answer')} whose time was void: kept, but untimed.`] : []),
    ...(play.clockCorrected
      ? ['The device\u2019s clock was wrong; dates were set right by the server\u2019s.']
      : []),
  ];
  if (flags.length === 0) return null;
  return (
    <ul className="flags">
      {flags.map((flag) => (
        <li key={flag} className="notch">
          {flag}
        </li>
      ))}
    </ul>
  );
}
