import { askCards } from '../../askFact.ts';
import type { Play } from '../../game.ts';

export interface InStepRules {
  /** The number whose table is put in order. */
  readonly table: number;
  /** Times one to times this. */
  readonly times: number;
  /** The fact that comes next is named. */
  readonly named: boolean;
  readonly order: 'up' | 'down' | 'middle';
}
export interface InStepLies {
  /** How many times the number each tile is, as they lie. */
  readonly tiles: readonly number[];
  /** Who laid each, in step; null: it was shown, nobody's. */
  readonly laid: readonly (number | null)[];
}
type P = Play<InStepRules>;

/** How many times the number comes, in step. */
export function stepsOf({ rules: { times, order } }: P): number[] {
  const up = Array.from({ length: times }, (_, at) => at + 1);
  if (order === 'up') return up;
  if (order === 'down') return [...up].reverse();
  const middle = Math.floor(times / 2);
  return [...up.slice(middle), ...up.slice(0, middle).reverse()];
}
export const placeOf = (play: P, one: number) => stepsOf(play).indexOf(one);
export const nextOf = (play: P, { laid }: InStepLies) => stepsOf(play)[laid.length] ?? 0;
/**
 * How the next is asked for: by the number beside it in the table and on which side of that it lies; null: none lies there yet.
 * From the middle it goes down again from the number it began at, and where it begins nobody can know.
 */
export function nextTold(play: P, seat: number, state: InStepLies) {
  const { table, order, named } = play.rules;
  const next = nextOf(play, state);
  const laid = stepsOf(play).slice(0, state.laid.length);
  const up = laid.length === 0 ? order !== 'down' : laid.includes(next - 1);
  const beside = laid.length === 0 ? null : (up ? next - 1 : next + 1) * table;
  const tells = named || (order === 'middle' && laid.length === 0);
  return { seat, fact: tells ? askedOf(play, seat, next).shown : null, beside, up };
}

/** A fact of the table; what it makes lay open among the others. */
export const askedOf = ({ rules: { table } }: P, seat: number, times: number) => ({
  ...askCards(seat, 'mul', [times, table]),
  untimed: true as const,
});
