import { answerOf, factText, parseFactKey, type FactKey } from '../../facts/fact.ts';
import { isOnMap } from '../../facts/item.ts';
import { oneSetting } from '../../games/setting.ts';
import type { Sheet } from '../sheet.ts';
import { foldedCards, plainCards } from './cardFaces.ts';

interface SetCards {
  /** As they are to be drawn: a fact that comes twice is there twice. */
  readonly facts: readonly FactKey[];
  readonly form: 'slips' | 'squares' | 'labels' | 'folded';
}

/** Millimetres; labels by what is commonly sold on a sheet of 24. */
const sizes = {
  slips: { width: 47, height: 32 },
  squares: { width: 30, height: 30 },
  labels: { width: 62, height: 33 },
} as const;

/** Cards of facts that a screen gives: those of a child's set, known and new. */
export const setCards: Sheet<SetCards> = {
  id: 'set-cards',
  name: 'Cards of a child\u2019s set',
  says: 'To be drawn before a move: slips, squares or labels of the facts that a drill of the set would deal.',
  family: 'cut',
  seeded: false,
  settings: [
    oneSetting('form', 'Cards', [
      ['slips', 'slips'],
      ['squares', 'small squares'],
      ['labels', 'labels'],
      ['folded', 'fact and answer, to be folded'],
    ]),
  ],
  choices: { facts: [], form: 'slips' },
  title: ({ facts }) => `Cards of a set, ${facts.length}`,
  pages: ({ facts, form }, _seed, room) => {
    const known = facts.filter(isOnMap).map(parseFactKey);
    if (known.length === 0)
      throw new RangeError('There are no facts here: open this sheet from a drill of a child\u2019s set.');
    return form === 'folded'
      ? foldedCards(
          room,
          known.map((fact) => [factText(fact), String(answerOf(fact))] as const),
        )
      : plainCards(room, known.map(factText), sizes[form]);
  },
};
