import {
  largestClass,
  partnerCards,
  partnerRulesAtFirst,
  partnerSettings,
  type PartnerFace,
  type PartnerRules,
} from '../../classroom/partnerCards.ts';
import { numberSetting, yesNo } from '../../games/setting.ts';
import { tell } from '../../games/tell/sentence.ts';
import type { Area } from '../paper.ts';
import { largeIn, pipsIn, wordsIn, type Page, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { tiled } from '../tiles.ts';

interface PartnerSheet extends PartnerRules {
  readonly children: number;
  /** With a list of which belong together. */
  readonly key: boolean;
}

/** Millimetres of a card. */
const card = { width: 62, height: 50 } as const;

function faceIn(area: Area, face: PartnerFace): Piece[] {
  const inner = { left: area.left + 6, top: area.top + 10, width: area.width - 12, height: area.height - 16 };
  switch (face.kind) {
    case 'text':
      return [largeIn(inner, face.text, 22)];
    case 'pips':
      return pipsIn(inner, face.count, 'ten');
    case 'struck': {
      const dots = pipsIn(inner, face.of, 'ten').filter((one) => one.kind === 'dot' && !one.hollow);
      // The last ones are struck out.
      const lines = dots.slice(face.of - face.taken).flatMap((one): Piece[] => {
        if (one.kind !== 'dot') return [];
        const reach = one.radius * 1.5;
        return [{ kind: 'line', x1: one.x - reach, y1: one.y + reach, x2: one.x + reach, y2: one.y - reach }];
      });
      return [...dots, ...lines];
    }
    case 'story':
      return wordsIn(tell(face.says), { ...inner, size: 4.6 }).pieces;
  }
}

/** Which numbers belong together, for whoever looks on. */
function keyPage(pairs: readonly (readonly number[])[], room: Area): Page {
  return [
    ...wordsIn('Which cards belong together', { ...room, size: 6, bold: true }).pieces,
    ...pairs.map((two, nth): Piece => ({
      kind: 'text',
      x: room.left + (nth % 4) * (room.width / 4),
      y: room.top + 22 + Math.floor(nth / 4) * 10,
      ...{ size: 6, text: two.join(' and '), numeral: true },
    })),
  ];
}

export const partnerCardsSheet: Sheet<PartnerSheet> = {
  id: 'partner-cards',
  name: 'Partner cards for a class',
  says: 'One card each; every child looks for the one whose card belongs to theirs.',
  family: 'cut',
  seeded: true,
  settings: [
    ...partnerSettings,
    numberSetting('children', 'Children', 2, largestClass),
    yesNo('key', 'With a list of which belong together'),
  ],
  choices: { ...partnerRulesAtFirst, children: 24, key: true },
  title: ({ children }) => `Partner cards, ${children - (children % 2)}`,
  pages: (choices, seed, room) => {
    const cards = partnerCards(choices, choices.children, seed);
    const made = tiled(room, {
      ...{ ...card, count: cards.length },
      draw: (nth, area) => {
        const { number, face } = cards[nth] as (typeof cards)[number];
        return [
          { kind: 'text', x: area.left + 4, y: area.top + 7, size: 4.5, text: String(number), numeral: true },
          ...faceIn(area, face),
        ];
      },
    });
    const pairs = Array.from({ length: cards.length / 2 }, (_, pair) =>
      cards.filter((one) => one.pair === pair).map(({ number }) => number),
    ).sort(([a = 0], [b = 0]) => a - b);
    return choices.key ? [...made, keyPage(pairs, room)] : made;
  },
};
