import { dayOf, readTurns } from '@veldrift/core';
import { deviceDb, isTurns } from '../../app/deviceDb.ts';
import { allPlays } from '../../app/playStore.ts';

/** Errors on new facts that a pupil made in drills on this device today: where the next drill goes on counting. */
export async function newErrorsToday(pupilId: string, now: string, timeZone: string): Promise<number> {
  const today = dayOf(now, timeZone);
  const plays = await allPlays(await deviceDb());
  const counts = plays.flatMap((play) =>
    isTurns(play) &&
    play.pupilId === pupilId &&
    play.plan.kind === 'drill' &&
    dayOf(play.startedAt, timeZone) === today
      ? [readTurns(play.plan, play.state).drill?.newErrors ?? 0]
      : [],
  );
  // Each drill went on from the count of those before it.
  return Math.max(0, ...counts);
}
