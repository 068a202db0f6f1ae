import { numberSetting, oneSetting } from '../../games/setting.ts';
import { gridIn } from '../grid.ts';
import { largeIn, sizeFor, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { tiled } from '../tiles.ts';

interface Frames {
  readonly frame: 'ten' | 'place';
  readonly places: number;
  readonly count: number;
}

const placeNames = ['ones', 'tens', 'hundreds', 'thousands', 'ten thousands'] as const;

export const frames: Sheet<Frames> = {
  id: 'frames',
  name: 'Frames to lay into',
  says: 'Ten frames for counters, or place frames for digit cards.',
  family: 'make',
  seeded: false,
  settings: [
    oneSetting('frame', 'Frame', [
      ['ten', 'ten frame'],
      ['place', 'place frame'],
    ]),
    numberSetting('places', 'Places of a place frame', 2, 5),
    numberSetting('count', 'Frames', 1, 12),
  ],
  choices: { frame: 'ten', places: 3, count: 4 },
  title: ({ frame, count }) => `${frame === 'ten' ? 'Ten frames' : 'Place frames'}, ${count}`,
  pages: ({ frame, places, count }, _seed, room) =>
    frame === 'ten'
      ? tiled(room, {
          ...{ width: room.width, height: 62, count },
          draw: (_nth, area) =>
            gridIn(
              { left: area.left + 30, top: area.top + 4, width: area.width - 60, height: 54 },
              5,
              Array<string>(10).fill(''),
            ),
        })
      : tiled(room, {
          ...{ width: room.width, height: 80, count },
          draw: (_nth, area) => {
            const width = (area.width - 12) / places;
            return Array.from({ length: places }, (_, at): Piece[] => {
              const left = area.left + 6 + at * width;
              const name = placeNames[places - 1 - at] ?? '';
              return [
                { kind: 'box', left, top: area.top + 6, width, height: 68 },
                { kind: 'line', x1: left, x2: left + width, y1: area.top + 16, y2: area.top + 16 },
                {
                  kind: 'text',
                  x: left + width / 2,
                  y: area.top + 13,
                  size: sizeFor(name, width - 4, 5, false),
                  text: name,
                  middle: true,
                },
              ];
            }).flat();
          },
        }),
};

interface SignCards {
  readonly copies: number;
}
const signs = ['+', '\u2212', '\u00d7', '\u00f7', '=', '<', '>'] as const;

export const signCards: Sheet<SignCards> = {
  id: 'sign-cards',
  name: 'Sign cards',
  says: 'To lay a whole line with number cards.',
  family: 'make',
  seeded: false,
  settings: [numberSetting('copies', 'Of each', 1, 8)],
  choices: { copies: 2 },
  title: ({ copies }) => `Sign cards, ${copies} of each`,
  pages: ({ copies }, _seed, room) => {
    const cards = signs.flatMap((sign) => Array<string>(copies).fill(sign));
    return tiled(room, {
      ...{ width: 45, height: 60, count: cards.length },
      draw: (nth, area) => [largeIn(area, cards[nth] as string, 34)],
    });
  },
};
