import { answerOf, factText } from '../../facts/fact.ts';
import { operations, type Operation } from '../../facts/operation.ts';
import { factsFor, makeCard, squareText, type GridRules } from '../../games/shelf/boards/gridCards.ts';
import { numberSetting, oneSetting, operationsSetting, yesNo } from '../../games/setting.ts';
import { createRandom, mixSeed, shuffled } from '../../random/random.ts';
import { gridIn } from '../grid.ts';
import type { Area } from '../paper.ts';
import { largeIn, sizeFor, type Page } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { tiled } from '../tiles.ts';

interface GridCallCards extends GridRules {
  readonly cards: number;
  readonly side: 3 | 4 | 5;
  readonly calls: boolean;
  readonly operations: readonly Operation[];
}

/** So many cards, no two of which hold the same. Throws RangeError where there are too few facts for that. */
export function differentCards(choices: GridCallCards, seed: number): string[][] {
  const cards: string[][] = [];
  const seen = new Set<string>();
  for (let nth = 0; cards.length < choices.cards; nth += 1) {
    if (nth > 50 * choices.cards)
      throw new RangeError('There are too few facts for so many cards that differ: allow larger numbers.');
    const texts = makeCard(choices, createRandom(mixSeed(seed, nth))).map(squareText);
    if (texts.length < choices.side ** 2)
      throw new RangeError('There are too few facts for a card of that size: allow larger numbers.');
    const key = [...texts].sort().join();
    if (seen.has(key)) continue;
    seen.add(key);
    cards.push(texts);
  }
  return cards;
}

/** What may be called, each with what it is on a card, in an order by chance. */
export function callsOf(choices: GridCallCards, seed: number): string[] {
  const facts = shuffled(factsFor(choices), createRandom(mixSeed(seed, -1)));
  return facts.map((fact) => `${factText(fact)} = ${answerOf(fact)}`);
}

function callSheet(choices: GridCallCards, seed: number, room: Area): Page {
  const calls = callsOf(choices, seed);
  const across = calls.length > 160 ? 8 : 5;
  const [width, height] = [room.width / across, Math.min(8, room.height / Math.ceil(calls.length / across))];
  return calls.map((text, nth) => ({
    kind: 'text',
    x: room.left + (nth % across) * width,
    y: room.top + (Math.floor(nth / across) + 0.75) * height,
    ...{ size: Math.min(height * 0.62, sizeFor('12 + 12 = 144', width, 4)), text },
    numeral: true,
  }));
}

export const gridCallCards: Sheet<GridCallCards> = {
  id: 'grid-call',
  name: 'Grid call cards',
  says: 'A card for each child, all different; the caller reads out the other side of each fact.',
  family: 'table',
  seeded: true,
  settings: [
    numberSetting('cards', 'Cards', 1, 36),
    oneSetting('side', 'Squares', [
      [3, '3 by 3'],
      [4, '4 by 4'],
      [5, '5 by 5'],
    ]),
    operationsSetting('operations', operations),
    numberSetting('largest', 'Numbers to', 4, 12),
    yesNo('calls', 'With a sheet for the caller'),
    oneSetting('form', 'On the card stand', [
      ['answers', 'answers; facts are called'],
      ['facts', 'facts; answers are called'],
      ['mixed', 'both'],
    ]),
  ],
  choices: { cards: 6, side: 3, calls: true, operations: ['mul'], largest: 10, form: 'answers' },
  title: ({ cards, side }) => `Grid call, ${cards} cards of ${side} by ${side}`,
  pages: (choices, seed, room) => {
    const cards = differentCards(choices, seed);
    const sheet = choices.calls ? [callSheet(choices, seed, room)] : [];
    const made = tiled(room, {
      ...{ width: room.width / 2, height: room.height / 3, count: cards.length },
      draw: (nth, area) => [
        largeIn({ ...area, height: 12 }, String(nth + 1), 5),
        ...gridIn(
          { left: area.left + 4, top: area.top + 11, width: area.width - 8, height: area.height - 15 },
          choices.side,
          cards[nth] as string[],
        ),
      ],
    });
    return [...made, ...sheet];
  },
};
