import type { Step } from '../../bodies/turns.ts';
import type { Play } from '../../game.ts';
import { say, sentences, type Sentence, type Words } from '../../tell/sentence.ts';
import type { TurnClock } from '../../turnClock.ts';
import { rounds } from './longRoadWords.ts';
import {
  dealtRound,
  dealtTo,
  endOf,
  joined,
  type RoadLies,
  type RoadRules,
  type RoadState,
} from './roadNumbers.ts';

type P = Play<RoadRules>;

/** The number that two come to lies there, and the road goes on; with one number left it ends. */
export function joins(play: P, state: RoadState): Step<RoadLies> {
  const { joining } = state;
  if (!joining) throw new Error('Nothing is being joined.');
  const on = {
    ...{ has: joined(state.has, joining), lines: [...state.lines, joining.whole], joining: null },
    says: say('whole', { whole: joining.whole }),
  };
  return on.has.length > 1 ? { ...on, next: 'line' } : stops(play, { ...state, ...on }, [on.says]);
}

/** The road of the seat at turn ends, for what it is worth. */
export function stops(play: P, state: RoadState, before: readonly Sentence[]): Step<RoadLies> {
  const { target, turn } = state;
  const end = endOf(state.has, target ?? 0);
  const points = state.points.map((one, seat) => (seat === turn ? one + end.points : one));
  const says = sentences(before, say('roadEnds', { seat: turn, target: target ?? 0, ...end }));
  return { points, ...onward(play, { ...state, stopped: [...state.stopped, turn] }, says) };
}

/** The next one begins its own road, or it is the next target's turn. */
export function onward(play: P, state: RoadState, says: Words): Step<RoadLies> {
  const { stopped } = state;
  const next = walkerAfter(play, state);
  const on = { stopped, lines: [], joining: null, says };
  if (next !== undefined)
    return { ...on, turn: next, walker: next, has: dealtTo(play, state, next), next: 'line' };
  if (state.round >= rounds) return { ...on, walker: null, next: { over: say('roundsPlayed', { rounds }) } };
  return { ...on, ...dealtRound(play, state), next: 'again' };
}

/** Who goes next of those who have not yet; another begins each round. */
const walkerAfter = (play: P, { round, stopped, out }: RoadState): number | undefined =>
  [...Array(play.seats).keys()]
    .map((on) => (round - 1 + on) % play.seats)
    .find((seat) => !stopped.includes(seat) && !out.includes(seat));

/** Seconds for a road by the round, where a clock is wanted: less each time. */
const roadSeconds = [120, 90, 60] as const;

/** A clock for the road of a seat. */
export function roadClock(round: number, walker: number | null): TurnClock {
  const seconds = roadSeconds[Math.min(round, roadSeconds.length) - 1] ?? roadSeconds[0];
  return {
    turn: `${round} ${walker}`,
    parts: [{ says: say('onTheRoad'), ms: 1000 * seconds }],
    ...{ begins: say('againstClock', { seconds }), over: say('timeOver') },
  };
}
