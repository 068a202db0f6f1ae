import { numberSetting, yesNo } from '../../games/setting.ts';
import { numerals, numeralStrokes, numeralWide } from '../../numerals/numeralStrokes.ts';
import { arrowHead, lengthBetween, type Place, type Stroke } from '../../numerals/stroke.ts';
import type { Area } from '../paper.ts';
import type { Page, Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';

interface NumeralsToTrace {
  readonly from: number;
  readonly to: number;
  /** Of a numeral, mm. */
  readonly height: number;
  /** How many rows of each. */
  readonly rows: number;
  /** After those to trace one place is left empty, to write from memory. */
  readonly empty: boolean;
}

/** How far apart the dots of a way lie, mm. */
const dotsApart = 2.4;
/** Between two rows and two numerals, of the height. */
const gap = 0.3;

/** One numeral to trace: dots along its way, where each stroke begins, by number where there are two, and which way it goes first. */
function toTrace(strokes: readonly Stroke[], left: number, top: number, height: number): Piece[] {
  const on = ({ x, y }: Place) => ({ x: left + x * height, y: top + y * height });
  return strokes.flatMap((stroke, nth): Piece[] => {
    const begin = stroke[0] as Place;
    const dots: Piece[] = [{ kind: 'dot', ...on(begin), radius: 1.5 }];
    let last = begin;
    for (const [at, place] of stroke.entries()) {
      if (at < stroke.length - 1 && lengthBetween(last, place) * height < dotsApart) continue;
      dots.push({ kind: 'dot', ...on(place), radius: 0.45 });
      last = place;
    }
    const number: Piece[] =
      strokes.length > 1
        ? [
            {
              kind: 'text',
              x: on(begin).x - 3.4,
              y: on(begin).y + 2,
              size: 4,
              text: String(nth + 1),
              middle: true,
              numeral: true,
            },
          ]
        : [];
    const [one, tip, other] = arrowHead(stroke, Math.min(4 / height, 0.1));
    const head = [one, other].map((end): Piece => {
      const [{ x: x1, y: y1 }, { x: x2, y: y2 }] = [on(tip), on(end)];
      return { kind: 'line', x1, y1, x2, y2 };
    });
    return [...dots, ...number, ...head];
  });
}

export const numeralsToTrace: Sheet<NumeralsToTrace> = {
  id: 'numerals',
  name: 'Numerals to trace',
  says: 'The way of each numeral from the top, in dots, with where it begins.',
  family: 'make',
  seeded: false,
  settings: [
    numberSetting('from', 'From', 0, 9),
    numberSetting('to', 'To', 0, 9),
    numberSetting('height', 'Height in mm', 20, 80),
    numberSetting('rows', 'Rows of each', 1, 4),
    yesNo('empty', 'The last place of a row empty'),
  ],
  choices: { from: 0, to: 9, height: 40, rows: 1, empty: true },
  title: ({ from, to }) => `Numerals to trace, ${Math.min(from, to)} to ${Math.max(from, to)}`,
  pages: (choices, _seed, room) => {
    const { height, rows, empty } = choices;
    const [from, to] = [Math.min(choices.from, choices.to), Math.max(choices.from, choices.to)];
    const each = numerals.filter((one) => from <= one && one <= to);
    const lines = each.flatMap((one) => Array.from({ length: rows }, () => one));
    const step = height * (1 + gap);
    const perPage = Math.max(1, Math.floor((room.height + height * gap) / step));
    const across = Math.max(1, Math.floor((room.width - 8) / (height * (numeralWide + gap))));
    const pages: Page[] = [];
    for (let first = 0; first < lines.length; first += perPage)
      pages.push(
        lines.slice(first, first + perPage).flatMap((numeral, row) => {
          const top = room.top + 2.5 + row * step;
          const guides = guidesOf(room, top, height - 3);
          // Room at the left for the number of a stroke.
          const left = (nth: number) => room.left + 6 + nth * height * (numeralWide + gap);
          const traced = empty && across > 1 ? across - 1 : across;
          return [
            ...guides,
            ...Array.from({ length: traced }, (_, nth) =>
              toTrace(numeralStrokes(numeral), left(nth), top, height - 3),
            ).flat(),
          ];
        }),
      );
    return pages;
  },
};

/** The lines between which it is written: above, below, and where its middle is. */
function guidesOf(room: Area, top: number, height: number): Piece[] {
  return [0, 0.5, 1].map((share) => ({
    kind: 'line',
    x1: room.left,
    x2: room.left + room.width,
    y1: top + share * height,
    y2: top + share * height,
    ...(share === 0.5 ? { cut: true as const } : {}),
  }));
}
