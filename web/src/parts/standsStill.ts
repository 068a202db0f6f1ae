import { countText, purposeNames, resumeWithinMs, timeLeftMs } from '@veldrift/core';
import { isGame, isTurns, type PlayRow } from '../app/deviceDb.ts';
import { timeText } from '../app/format.ts';
import { turnsResumeWithinMs } from '../live/openMinutes.ts';

/** "minute stands still, 34 seconds left; goes on until 10:12", of a play that is paused. */
export function standsStill(row: PlayRow): string {
  const until = (withinMs: number) =>
    row.state.pausedAt ? timeText(Date.parse(row.state.pausedAt) + withinMs) : '';
  if (isGame(row)) return `game of ${row.title} stands still after ${countText(row.moves.length, 'move')}`;
  if (isTurns(row)) {
    const given = row.state.answers.length - row.earlier;
    return `${purposeNames[row.purpose].toLowerCase()} stands still after ${countText(given, 'answer')}; goes on until ${until(turnsResumeWithinMs)}`;
  }
  const left = row.state.calm
    ? 'calm, untimed'
    : `${countText(Math.ceil(timeLeftMs(row.state) / 1000), 'second')} left`;
  return `minute stands still, ${left}; goes on until ${until(resumeWithinMs)}`;
}
