import type { DieSides } from '../../../materials/dice.ts';
import type { Sign } from '../../../numbers/expression.ts';
import type { Reach } from '../../../numbers/reach.ts';
import { madeUpTo } from '../../askMade.ts';
import type { ChoosingState, Option } from '../../bodies/choosing.ts';
import type { Play } from '../../game.ts';
import { nextSeat, seatsIn } from '../../playGame.ts';
import { say } from '../../tell/sentence.ts';
import { toMake } from './toMake.ts';

export interface SweepRules {
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** Numbers from 1 to this. */
  readonly top: number;
  readonly rounds: number;
}

/** Every number that a roll makes, with its lines. */
export const reachOf = ({ signs, top }: SweepRules, roll: readonly number[]): Reach =>
  madeUpTo({ numbers: roll, signs, least: 1 }, top);

export interface SweepLies {
  /** By number less one: the seat that marked it. */
  readonly marks: readonly (number | null)[];
  readonly roll: readonly number[] | null;
  /** Seats that have swept this roll. */
  readonly swept: readonly number[];
  readonly rollsDone: number;
  readonly rerolled: readonly number[];
}

interface ToMark {
  readonly given: SweepRules;
  readonly turn: number;
  readonly options: readonly Option[];
}
/** What each number on the board takes, by the roll as it lies there: the same after every mark. */
const allToMark = new WeakMap<readonly number[], ToMark[]>();

/** Every number still to be marked: its line is said first; one that no line makes is claimed all the same. */
export function toMark(
  { rules: given }: Play<SweepRules>,
  { marks, roll, turn }: ChoosingState & SweepLies,
): Option[] {
  const making = { numbers: roll ?? [], signs: given.signs, least: 1 };
  const known = (roll && allToMark.get(roll)) ?? [];
  if (roll) allToMark.set(roll, known);
  const all = known.find((one) => one.given === given && one.turn === turn)?.options;
  if (all) return all.filter((_, square) => marks[square] === null);
  const found = reachOf(given, making.numbers);
  const options = marks.map((_, square) => {
    const number = square + 1;
    return toMake({ key: String(number), square, number }, turn, making, found.has(number));
  });
  known.push({ given, turn, options });
  return options.filter((_, square) => marks[square] === null);
}

/** A seat has swept: the next one sweeps what was missed, and after the last comes another roll. */
export function sweptBy(play: Play<SweepRules>, state: ChoosingState & SweepLies) {
  const swept = [...state.swept, state.turn];
  const turn = nextSeat(play, state, state.turn);
  if (seatsIn(play, state).some((seat) => !swept.includes(seat)) && !swept.includes(turn))
    return { swept, turn, says: say('sweepsNow', { seat: turn }), next: 'choose' as const };
  const rollsDone = state.rollsDone + 1;
  const over = rollsDone >= play.rules.rounds * seatsIn(play, state).length;
  const on = { swept: [], roll: null, rollsDone, turn, says: say('nextRoll') };
  return {
    ...on,
    next: over ? { over: say('roundsPlayed', { rounds: play.rules.rounds }) } : ('again' as const),
  };
}
