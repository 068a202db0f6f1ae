import { cardsById, type Recipe } from '../../../materials/pack.ts';
import { askChange, signedText } from '../../askFact.ts';
import type { Step, TurnState } from '../../bodies/turns.ts';
import type { Play } from '../../game.ts';
import { seatsIn } from '../../playGame.ts';
import { scoreOf } from '../../scoring.ts';
import { say, sentences, type Sentence } from '../../tell/sentence.ts';
import { rounds } from './upAndDownWords.ts';

export interface UpDownRules {
  readonly recipe: Recipe;
  /** Cards of a turn. */
  readonly cards: number;
  readonly start: number;
  /** The total stands on the table while it is worked out. */
  readonly shown: boolean;
  /** Totals go below 0. */
  readonly below: boolean;
  /** Two cards are tens and ones of one number, in the colour of the first. */
  readonly twoDigits: boolean;
}

export interface UpDownLies {
  readonly pile: readonly number[];
  readonly gone: readonly number[];
  /** Cards of this turn, and how many numbers of them are still to be counted. */
  readonly turned: readonly number[];
  readonly left: number;
  readonly totals: readonly number[];
  readonly turns: number;
}

export type UpDownState = TurnState & UpDownLies;

export const cardsOf = ({ rules }: Play<UpDownRules>, ids: readonly number[]) => cardsById(rules.recipe, ids);

/** The numbers of a turn's cards, red ones below 0. */
export function numbersOf(play: Play<UpDownRules>, turned: readonly number[]): number[] {
  const worths = cardsOf(play, turned).map((card) => card.worth);
  if (!play.rules.twoDigits) return worths;
  const [tens = 0, ones = 0] = worths;
  return [10 * tens + Math.sign(tens) * Math.abs(ones)];
}

/** Asks the next number of the turn that counts; after the last the next player turns. */
export function count(
  play: Play<UpDownRules>,
  state: UpDownState,
  from: number,
  lies: Partial<UpDownLies>,
  says: Sentence,
): Step<UpDownLies> {
  const numbers = numbersOf(play, state.turned);
  const total = state.totals[scoreOf(play, state.turn)] as number;
  const skipped: Sentence[] = [];
  for (let left = from; left > 0; left -= 1) {
    const number = numbers.at(-left) as number;
    if (play.rules.below || total + number >= 0) {
      const asked = askChange(state.turn, total, number, play.rules.shown);
      return { ...lies, left, says: sentences(says, skipped), next: { ask: [asked] } };
    }
    skipped.push(say('belowNothing', { number: signedText(number) }));
  }
  const seats = seatsIn(play, state).length;
  // Real cards lie in the printed order: none are shuffled in again, and nobody has a turn more than the others.
  const isOut = state.turns % seats === 0 && state.pile.length < seats * play.rules.cards;
  const over =
    state.turns >= rounds * seats ? say('turnsPlayed', { turns: rounds }) : isOut ? say('packOut') : null;
  return {
    ...lies,
    left: 0,
    says: sentences(says, skipped),
    next: over ? { over } : 'pass',
  };
}
