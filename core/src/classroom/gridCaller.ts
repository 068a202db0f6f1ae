import { answerOf } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { numberSetting, oneSetting, operationsSetting, type Setting } from '../games/setting.ts';
import {
  callText,
  factsFor,
  makeCard,
  squareText,
  type GridCall,
  type GridRules,
  type GridSquare,
} from '../games/shelf/boards/gridCards.ts';
import { linesOfBoard } from '../games/shelf/boards/lineBoard.ts';
import { createRandom, mixSeed, shuffled } from '../random/random.ts';

/** Cards for a class: so many, of one kind. */
export interface ClassGrid extends GridRules {
  readonly cards: number;
}

/** The most cards that are made at once. */
export const mostGridCards = 36;

export const gridSettings: readonly Setting[] = [
  numberSetting('cards', 'Cards', 1, mostGridCards),
  oneSetting('side', 'Squares', [
    [3, '3 by 3'],
    [4, '4 by 4'],
    [5, '5 by 5'],
  ]),
  operationsSetting('operations', operations),
  numberSetting('largest', 'Numbers to', 4, 12),
  oneSetting('form', 'On the card stand', [
    ['answers', 'answers; facts are called'],
    ['facts', 'facts; answers are called'],
    ['mixed', 'both'],
  ]),
];

export const gridAtFirst: ClassGrid = {
  ...{ cards: 6, side: 3, operations: ['mul'], largest: 10, form: 'answers' },
};

/** So many cards, no two of which hold the same. Throws RangeError with a sentence where there are too few facts for that. */
export function classCards(choices: ClassGrid, seed: number): GridSquare[][] {
  const cards: GridSquare[][] = [];
  const seen = new Set<string>();
  for (let nth = 0; cards.length < choices.cards; nth += 1) {
    if (nth > 50 * choices.cards)
      throw new RangeError('There are too few facts for so many cards that differ: allow larger numbers.');
    const card = makeCard(choices, createRandom(mixSeed(seed, nth)));
    if (card.length < choices.side ** 2)
      throw new RangeError('There are too few facts for a card of that size: allow larger numbers.');
    const key = card.map(squareText).sort().join();
    if (seen.has(key)) continue;
    seen.add(key);
    cards.push(card);
  }
  return cards;
}

/**
 * What is called, in an order by chance, until nothing is left: where answers are called, each once; of cards with both, a fact
 * or its answer by turns.
 */
export function classCalls({ form, ...rules }: ClassGrid, seed: number): GridCall[] {
  const facts = shuffled(factsFor({ form, ...rules }), createRandom(mixSeed(seed, -1)));
  const called = new Set<string>();
  return facts.flatMap((fact, nth) => {
    const answers = form === 'facts' || (form === 'mixed' && nth % 2 === 1);
    const call: GridCall = { fact, calls: answers ? 'answer' : 'fact' };
    const key = callText(call);
    return called.has(key) ? [] : (called.add(key), [call]);
  });
}

/** What a claim to have a line comes to. */
export interface GridClaim {
  readonly squares: readonly string[];
  /** Squares that fit a call so far, by their places. */
  readonly covered: readonly number[];
  /** The first full line, as its places; null: there is none. */
  readonly line: readonly number[] | null;
  /** Of the line nearest to being full: what stands there and was not called; empty where there is a line. */
  readonly wanting: readonly string[];
}

/** Looks at a card after so many calls. Throws RangeError where there is no such card. */
export function claimOf(card: readonly GridSquare[] | undefined, calls: readonly GridCall[]): GridClaim {
  if (!card) throw new RangeError('There is no such card.');
  const answers = new Set(calls.map(({ fact }) => answerOf(fact)));
  const covered = card.flatMap((square, at) => (answers.has(answerOf(square.fact)) ? [at] : []));
  const missing = (line: readonly number[]) => line.filter((at) => !covered.includes(at));
  const lines = linesOfBoard(Math.sqrt(card.length));
  const nearest = lines.reduce((best, line) => (missing(line).length < missing(best).length ? line : best));
  const open = missing(nearest);
  return {
    squares: card.map(squareText),
    covered,
    line: open.length === 0 ? nearest : null,
    wanting: open.map((at) => squareText(card[at] as GridSquare)),
  };
}

/** Which cards have a line after so many calls, by their places. */
export const withLine = (cards: readonly (readonly GridSquare[])[], calls: readonly GridCall[]): number[] =>
  cards.flatMap((card, at) => (claimOf(card, calls).line ? [at] : []));

export { callText, squareText, type GridCall, type GridSquare };
