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

/** Every number still to be marked: its line is said first; one that no line makes is claimed all the same. */
export function toMark(
  { rules: given }: Play<SweepRules>,
  { marks, roll, turn }: ChoosingState & SweepLies,
): Option[] {
  const making = { numbers: roll ?? [], signs: given.signs, least: 1 };
  const found = reachOf(given, making.numbers);
  return marks.flatMap((mark, square) => {
    const number = square + 1;
    return mark === null
      ? [toMake({ key: String(number), square, number }, turn, making, found.has(number))]
      : [];
  });
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
