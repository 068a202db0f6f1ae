import { answerOf, type Fact } from '../../../facts/fact.ts';
import { factsInRange } from '../../../facts/range.ts';
import type { ChoosingState } from '../../bodies/choosing.ts';
import type { Play } from '../../game.ts';
import { chanceOf, nextSeat } from '../../playGame.ts';

export interface OddRules {
  /** The tables of the two kinds; null: odd numbers and even ones. */
  readonly first: number | null;
  readonly second: number;
  /** The largest sum of odd and even. */
  readonly most: number;
}
export interface NumbersLie {
  /** What lies on each square; null: it is free. */
  readonly numbers: readonly (number | null)[];
  /** Whose kind each number is of that was said by its own; null: nobody's. */
  readonly marks: readonly (number | null)[];
  /** The fact of this turn, and how many were asked. */
  readonly fact: Fact;
  readonly nth: number;
  readonly winner: number | null;
}
type State = ChoosingState & NumbersLie;
type P = Play<OddRules>;
/** The largest of two numbers that are added or multiplied. */
export const largest = 10;

/** The kind of this turn, 0 or 1: each seat's own; where one plays alone or both together, by turns. */
export const kindOf = (play: P, { nth, turn }: Pick<State, 'nth' | 'turn'>) =>
  play.against ? turn : nth % 2;

/** Numbers that are nobody's close their lines for both. */
export const closed = ({ numbers, marks }: State) =>
  numbers.map((number, at) => (number !== null && marks[at] === null ? -1 : (marks[at] ?? null)));

/** A fact of the kind at turn. */
export function drawn(play: P, state: Pick<State, 'nth' | 'turn' | 'draws'>): Fact {
  const { first, second, most } = play.rules;
  const kind = kindOf(play, state);
  const table = kind === 0 ? first : second;
  const facts = factsInRange(first === null ? 'add' : 'mul', largest).filter((fact) => {
    if (Math.min(fact.left, fact.right) < 1) return false;
    if (first === null) return answerOf(fact) <= most && answerOf(fact) % 2 === (kind === 0 ? 1 : 0);
    return fact.right === table && fact.left > 1;
  });
  return facts[chanceOf(play, state).int(0, facts.length - 1)] as Fact;
}

/** The next turn's fact: it is of the seat that comes. */
export function anew(play: P, state: State) {
  const nth = state.nth + 1;
  const turn = nextSeat(play, state, state.turn);
  return { nth, draws: state.draws + 1, fact: drawn(play, { nth, turn, draws: state.draws }) };
}
