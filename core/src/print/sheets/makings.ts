import { displaySigns, operations } from '../../facts/operation.ts';
import { numberSetting, oneSetting, yesNo } from '../../games/setting.ts';
import { largeIn, sizeFor, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { tiled } from '../tiles.ts';

interface Hands {
  readonly numbered: boolean;
}

/** The outline of a left hand from the wrist round to the wrist, mm in a box of 92 by 125; fingers as round pegs. */
const handBox = { width: 92, height: 125 } as const;
/** Fingers from the little one: their left edge, and how high they reach. */
const fingers = [
  { left: 6, top: 36 },
  { left: 23, top: 14 },
  { left: 40, top: 6 },
  { left: 57, top: 15 },
] as const;
const fingerWide = 15;

type Point = readonly [x: number, y: number];
const tipOf = (left: number, top: number): Point[] =>
  Array.from({ length: 9 }, (_, at): Point => {
    const turn = Math.PI * (1 + at / 8);
    const radius = fingerWide / 2;
    return [left + radius + radius * Math.cos(turn), top + radius + radius * Math.sin(turn)];
  });
const leftHand: readonly Point[] = [
  [18, 125],
  [12, 92],
  ...fingers.flatMap(({ left, top }): Point[] => [[left, 68], ...tipOf(left, top), [left + fingerWide, 68]]),
  [73, 78],
  [78, 54],
  [82, 49],
  [87, 49],
  [91, 54],
  [90, 62],
  [80, 104],
  [74, 125],
  [18, 125],
];
/** Where the number of each finger stands, from the little one to the thumb. */
const fingerNumbers: readonly Point[] = [
  ...fingers.map(({ left, top }): Point => [left + fingerWide / 2, top + 18]),
  [84, 66],
];

/** A pair of hands to cut out, for nine-times fingers and for counting on. */
export const hands: Sheet<Hands> = {
  id: 'hands',
  name: 'A pair of hands',
  says: 'To cut out: fingers from 1 to 10 that fold down.',
  family: 'make',
  seeded: false,
  settings: [yesNo('numbered', 'Fingers numbered')],
  choices: { numbered: true },
  title: () => 'A pair of hands',
  pages: ({ numbered }, _seed, room) => {
    const gap = room.width - 2 * handBox.width;
    const side = (mirrored: boolean) => {
      const left = room.left + (mirrored ? handBox.width + gap : 0);
      const on = ([x, y]: Point): Point => [left + (mirrored ? handBox.width - x : x), room.top + y];
      const outline = leftHand.map(on);
      const lines = outline.slice(1).map(([x2, y2], at): Piece => {
        const [x1, y1] = outline[at] as Point;
        return { kind: 'line', x1, y1, x2, y2, cut: true };
      });
      const numbers = fingerNumbers.map((point, at): Piece => {
        const [x, y] = on(point);
        const text = String(mirrored ? 10 - at : at + 1);
        return { kind: 'text', x, y, size: 8, text, middle: true, bold: true, numeral: true };
      });
      return [...lines, ...(numbered ? numbers : [])];
    };
    return [[...side(false), ...side(true)]];
  },
};

interface Caps {
  readonly table: number;
  readonly to: number;
  readonly facts: boolean;
}

/** The multiples of a table as round labels for the caps of bottles, to be laid in order. */
export const caps: Sheet<Caps> = {
  id: 'caps',
  name: 'Caps for a table',
  says: 'The multiples as round labels for bottle caps, to be laid in order.',
  family: 'make',
  seeded: false,
  settings: [
    numberSetting('table', 'Table of', 2, 12),
    numberSetting('to', 'To times', 5, 12),
    yesNo('facts', 'With the fact above'),
  ],
  choices: { table: 3, to: 10, facts: false },
  title: ({ table, to }) => `Caps for the table of ${table}, to ${to} times`,
  pages: ({ table, to, facts }, _seed, room) =>
    tiled(room, {
      ...{ width: 34, height: 34, count: to },
      draw: (nth, { left, top, width, height }) => {
        const [x, y] = [left + width / 2, top + height / 2];
        const fact = `${nth + 1} \u00d7 ${table}`;
        return [
          { kind: 'dot', x, y, radius: 14, hollow: true },
          largeIn(
            { left: x - 12, top: y - 9 + (facts ? 3 : 0), width: 24, height: 18 },
            String((nth + 1) * table),
            12,
          ),
          ...(facts
            ? [{ kind: 'text', x, y: y - 6, size: 3.6, text: fact, middle: true, numeral: true } as const]
            : []),
        ];
      },
    }),
};

interface Cups {
  readonly sign: string;
  readonly from: number;
  readonly to: number;
}
const glueMm = 12;

/** Two strips for the rims of two cups, one put into the other: each turn of one makes another fact. */
export const cups: Sheet<Cups> = {
  id: 'cups',
  name: 'Turning cups',
  says: 'Two strips for the rims of two cups, one in the other: each turn makes a fact.',
  family: 'make',
  seeded: false,
  settings: [
    oneSetting(
      'sign',
      'Sign',
      operations.map((one) => [displaySigns[one], displaySigns[one]] as const),
    ),
    numberSetting('from', 'From', 0, 12),
    numberSetting('to', 'To', 0, 12),
  ],
  choices: { sign: '\u00d7', from: 0, to: 10 },
  title: ({ sign, from, to }) => `Turning cups, ${sign}, ${Math.min(from, to)} to ${Math.max(from, to)}`,
  pages: ({ sign, from, to }, _seed, room) => {
    const [low, high] = [Math.min(from, to), Math.max(from, to)];
    const numbers = Array.from({ length: high - low + 1 }, (_, at) => low + at);
    const strip = (top: number, before: string) => {
      const width = (room.width - glueMm) / numbers.length;
      return [
        ...numbers.flatMap((number, at): Piece[] => {
          const area = { left: room.left + at * width, top, width, height: 26 };
          return [{ kind: 'box', ...area }, largeIn(area, `${before}${number}`, 12)];
        }),
        { kind: 'box', left: room.left + room.width - glueMm, top, width: glueMm, height: 26 } as const,
        {
          kind: 'text',
          x: room.left + room.width - glueMm / 2,
          y: top + 14,
          size: sizeFor('glue', glueMm - 2, 4, false),
          text: 'glue',
          middle: true,
        } as const,
      ];
    };
    return [[...strip(room.top, ''), ...strip(room.top + 34, `${sign} `)]];
  },
};
