import { displaySigns, operations, type Operation } from '../../facts/operation.ts';
import { oneSetting, yesNo } from '../../games/setting.ts';
import { largeIn, sizeFor, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';

interface WordMap {
  readonly operation: Operation;
  readonly words: boolean;
}

/** What is often said where a sign is meant; common practice of teaching stories, no study. */
export const wordsForSign: Readonly<Record<Operation, readonly string[]>> = {
  add: ['and', 'altogether', 'more come', 'in all', 'put together', 'plus'],
  sub: ['are left', 'fewer', 'how many more', 'take away', 'less', 'the difference'],
  mul: ['each', 'times', 'times as many', 'rows of', 'bags of', 'double'],
  div: ['shared', 'how many bags', 'each gets', 'equal parts', 'half of', 'split'],
};
/** Places around the sign: those after the words stay empty for the child's own. */
const around = 8;
const caution = 'One word alone does not tell: read the whole story.';

/** A sign in the middle, and what is said for it around it. */
export const wordMap: Sheet<WordMap> = {
  id: 'word-map',
  name: 'Word map of a sign',
  says: 'What is said for a sign, with room for the child\u2019s own words.',
  family: 'make',
  seeded: false,
  settings: [
    oneSetting(
      'operation',
      'Sign',
      operations.map((one) => [one, displaySigns[one]] as const),
    ),
    yesNo('words', 'With words to begin with'),
  ],
  choices: { operation: 'add', words: true },
  title: ({ operation }) => `Word map of ${displaySigns[operation]}`,
  pages: ({ operation, words }, _seed, room) => {
    const [width, height] = [room.width / 3, 74];
    const cell = (at: number) => ({
      left: room.left + (at % 3) * width,
      top: room.top + Math.floor(at / 3) * height,
      ...{ width, height },
    });
    const inset = (at: number, by: number) => {
      const { left, top } = cell(at);
      return { left: left + by, top: top + by, width: width - 2 * by, height: height - 2 * by };
    };
    const places = Array.from({ length: around + 1 }, (_, at) => at).filter((at) => at !== 4);
    const middle = { x: room.left + 1.5 * width, y: room.top + 1.5 * height };
    const boxes = places.flatMap((at, nth): Piece[] => {
      const box = inset(at, 8);
      const text = words ? (wordsForSign[operation][nth] ?? '') : '';
      const centre = { x: box.left + box.width / 2, y: box.top + box.height / 2 };
      return [
        { kind: 'box', ...box },
        ...joins(centre, middle, box.width / 2, box.height / 2),
        ...(text === ''
          ? []
          : [
              {
                kind: 'text',
                x: centre.x,
                y: centre.y + 2.5,
                size: sizeFor(text, box.width - 6, 9, false),
                text,
                middle: true,
              } as const,
            ]),
      ];
    });
    return [
      [
        ...boxes,
        { kind: 'box', ...inset(4, 8) },
        largeIn(inset(4, 8), displaySigns[operation], 44),
        {
          kind: 'text',
          x: middle.x,
          y: room.top + 3 * height + 10,
          size: sizeFor(caution, room.width, 6, false),
          text: caution,
          middle: true,
        },
      ],
    ];
  },
};

/** A line between the edges of two boxes of one size, by their middles. */
function joins(
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
  halfWide: number,
  halfHigh: number,
): Piece[] {
  const [across, down] = [to.x - from.x, to.y - from.y];
  const share = Math.min(
    across === 0 ? Infinity : halfWide / Math.abs(across),
    down === 0 ? Infinity : halfHigh / Math.abs(down),
  );
  return [
    {
      kind: 'line',
      x1: from.x + across * share,
      y1: from.y + down * share,
      x2: to.x - across * share,
      y2: to.y - down * share,
    },
  ];
}
