import type { Operation } from '../../../facts/operation.ts';
import { allRolls, type DieSides } from '../../../materials/dice.ts';
import { createRandom, shuffled } from '../../../random/random.ts';
import { askCards } from '../../askFact.ts';
import type { Step, TurnState } from '../../bodies/turns.ts';
import type { Play } from '../../game.ts';
import type { Choice } from '../../need.ts';
import { say, sentences } from '../../tell/sentence.ts';

export const across = 6;

export interface HoldRules {
  readonly dice: readonly DieSides[];
  readonly operation: Operation;
}

/** A square of the board: whose counter lies there, and whether two hold it for good. */
export interface HeldSquare {
  readonly total: number;
  readonly seat: number | null;
  readonly held: boolean;
}

export const totalOf = (play: Play<HoldRules>, roll: readonly number[]) =>
  Number(askCards(0, play.rules.operation, roll).answer);

/** Every total the dice make, some twice: the likeliest are there twice until the board is full. */
export function boardOf(rules: HoldRules, seed: number): number[] {
  const counts = new Map<number, number>();
  for (const roll of allRolls(rules.dice)) {
    const total = Number(askCards(0, rules.operation, roll).answer);
    counts.set(total, (counts.get(total) ?? 0) + 1);
  }
  const totals = [...counts.keys()].sort((a, b) => a - b);
  const size = Math.ceil((totals.length + 3) / across) * across;
  const twice = [...counts]
    .sort((a, b) => b[1] - a[1] || a[0] - b[0])
    .slice(0, Math.min(totals.length, size - totals.length));
  return shuffled([...totals, ...twice.map(([total]) => total)], createRandom(seed));
}

export interface HoldLies {
  readonly squares: readonly HeldSquare[];
  /** Counters still in hand. */
  readonly counters: readonly number[];
  readonly roll: readonly number[] | null;
}

export type HoldState = TurnState & HoldLies;

export function choicesOf(play: Play<HoldRules>, { roll, squares }: HoldLies): Choice[] {
  const wanted = totalOf(play, roll ?? []);
  return squares.flatMap(({ total, held, seat: beside }, at) =>
    total === wanted && !held
      ? [{ key: String(at), says: say('placeHere', { total, beside }), at: { square: at } }]
      : [],
  );
}

export function place(state: HoldState, at: number): Step<HoldLies> {
  const { total, seat: there } = state.squares[at] as HeldSquare;
  const seat = state.turn;
  const mine = there === seat;
  const squares = state.squares.map((one, nth) => (nth === at ? { total, seat, held: mine } : one));
  const counters = state.counters.map((count, one) =>
    one === seat ? count - 1 : one === there ? count + 1 : count,
  );
  const says = sentences(
    mine
      ? say('holds', { seat, total })
      : there === null
        ? say('counterOn', { total })
        : say('goesBack', { seat: there, total }),
  );
  const laid = { squares, counters, roll: null, says };
  if (counters[seat] === 0) return { ...laid, next: { over: say('countersOut', { seat }) } };
  return { ...laid, next: squares.every((one) => one.held) ? { over: say('allHeld') } : 'pass' };
}
