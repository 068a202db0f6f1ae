import type { FactKey } from '../facts/fact.ts';
import { headStarts } from '../games/claims.ts';
import { raceTakes } from './claimRace.ts';
import type { Exposure } from './exposure.ts';

/** A child at a race: what it knows, and how long it takes. */
export interface MatchSeat {
  readonly known: ReadonlySet<FactKey>;
  /** Usual times on facts, ms. */
  readonly timesMs: Readonly<Record<FactKey, number>>;
  /** On facts whose own time is not known, ms; null: not known either. */
  readonly usualMs: number | null;
}

/** What a race comes to. */
export interface Match {
  /** The chance of each to take a round. */
  readonly takes: readonly number[];
  /** The chance of each to have taken the most rounds in the end. */
  readonly wins: readonly number[];
  readonly tie: number;
}

/** Taken where nothing else is known: common practice, no study. Right on known and on other facts; the spread of times; a time, ms. */
const assumed = { known: 0.95, other: 0.8, sigma: 0.35, unknownMs: 3000 } as const;
/** Parts in which times are counted: those here all vary alike, so that few do. */
const parts = 400;

/** The most rounds that are reckoned. */
export const mostRounds = 60;

/**
 * Who wins a race of so many rounds off a pack or dice, each child at its own times and as sure of a fact as it knows it; levelled,
 * with the head starts that the table gives on each fact. Rounds are taken as independent; a round nobody takes goes to nobody.
 * Throws RangeError for other than 2 to 4 seats, or too many rounds.
 */
export function matchOf(
  { facts }: Pick<Exposure, 'facts'>,
  seats: readonly MatchSeat[],
  rounds: number,
  levelled: boolean,
): Match {
  if (seats.length < 2 || seats.length > 4) throw new RangeError('seats should be 2 to 4.');
  if (!Number.isInteger(rounds) || rounds < 1 || rounds > mostRounds)
    throw new RangeError(`rounds should be 1 to ${mostRounds}.`);
  const takes = seats.map(() => 0);
  let all = 0;
  for (const [fact, { top, bottom }] of facts) {
    const share = top / bottom;
    const known = seats.map((seat) => seat.timesMs[fact] ?? seat.usualMs);
    const racers = seats.map((seat, at) => ({
      medianMs: known[at] ?? meanOf(known) ?? assumed.unknownMs,
      sigma: assumed.sigma,
      right: seat.known.has(fact) ? assumed.known : assumed.other,
    }));
    raceTakes(racers, levelled ? headStarts(known) : [], parts).forEach((one, at) => {
      takes[at] = (takes[at] as number) + share * one;
    });
    all += share;
  }
  const each = takes.map((one) => (all === 0 ? 0 : one / all));
  return { takes: each, ...winsOf(each, rounds) };
}

function meanOf(times: readonly (number | null)[]): number | null {
  const known = times.filter((one) => one !== null);
  return known.length === 0 ? null : known.reduce((sum, one) => sum + one, 0) / known.length;
}

/** The chance of each to have the most after so many rounds, each taken by one of them or by nobody: by every way they can fall. */
export function winsOf(takes: readonly number[], rounds: number): Pick<Match, 'wins' | 'tie'> {
  const nobody = Math.max(0, 1 - takes.reduce((sum, one) => sum + one, 0));
  const wins = takes.map(() => 0);
  let tie = 0;
  const counts = takes.map(() => 0);
  /** Seat by seat: how many of the rounds left it takes; `ways`: the chance of what fell before, ways to choose included. */
  const fall = (seat: number, left: number, ways: number) => {
    if (ways === 0) return;
    if (seat === takes.length) {
      const chance = ways * nobody ** left;
      const most = Math.max(...counts);
      if (counts.filter((one) => one === most).length > 1) tie += chance;
      else wins[counts.indexOf(most)] = (wins[counts.indexOf(most)] as number) + chance;
      return;
    }
    let own = ways;
    for (let count = 0; count <= left; count += 1) {
      counts[seat] = count;
      fall(seat + 1, left - count, own);
      own *= ((left - count) / (count + 1)) * (takes[seat] as number);
    }
    counts[seat] = 0;
  };
  fall(0, rounds, 1);
  return { wins, tie };
}
