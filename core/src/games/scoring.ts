import type { Play } from './game.ts';
import { say, type Sentence } from './tell/sentence.ts';

/** One entry for each seat against one another; one for all where they play together. */
export const scoreCount = (play: Pick<Play<unknown>, 'against' | 'seats'>): number =>
  play.against ? play.seats : 1;

/** The entry that a seat's gains and losses go to. */
export const scoreOf = (play: Pick<Play<unknown>, 'against'>, seat: number): number =>
  play.against ? seat : 0;

/** Points with one more for whoever said it; nobody: as they were. */
export function onePointTo(
  play: Pick<Play<unknown>, 'against'>,
  points: readonly number[],
  by: number | null,
): readonly number[] {
  const own = by === null ? null : scoreOf(play, by);
  return points.map((count, at) => (at === own ? count + 1 : count));
}

/** What each seat has, as the game's scores: their sum where they play together. */
export const scoresFrom = (
  play: Pick<Play<unknown>, 'against'>,
  bySeat: readonly number[],
): readonly number[] => (play.against ? bySeat : [bySeat.reduce((sum, one) => sum + one, 0)]);

/** How many squares each seat has marked. */
export const marksBySeat = (
  play: Pick<Play<unknown>, 'seats'>,
  marks: readonly (number | null)[],
): number[] => Array.from({ length: play.seats }, (_, seat) => marks.filter((mark) => mark === seat).length);

/** Totals with the names they stand under; `together` where everyone shares one. */
export const namedTotals = (
  play: Pick<Play<unknown>, 'against'>,
  totals: readonly number[],
  together: Sentence,
): { readonly name: Sentence; readonly value: number }[] =>
  totals.map((value, seat) => ({ name: play.against ? say('seat', { seat }) : together, value }));
