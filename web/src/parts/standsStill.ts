import { countText, resumeWithinMs, timeLeftMs } from '@veldrift/core';
import type { PlayRow } from '../app/deviceDb.ts';
import { timeText } from '../app/format.ts';

/** "minute stands still, 34 seconds left; goes on until 10:12", of a paused minute. */
export function standsStill({ state }: PlayRow): string {
  const left = state.calm
    ? 'calm, untimed'
    : `${countText(Math.ceil(timeLeftMs(state) / 1000), 'second')} left`;
  const until = state.pausedAt ? timeText(Date.parse(state.pausedAt) + resumeWithinMs) : '';
  return `minute stands still, ${left}; goes on until ${until}`;
}
