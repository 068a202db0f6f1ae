import { numberSetting, oneSetting, yesNo } from '../../games/setting.ts';
import { laidOut, numberAt } from '../../games/shelf/boards/trailSquares.ts';
import { gridHeight, gridIn } from '../grid.ts';
import type { Area } from '../paper.ts';
import { wordsIn, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';

interface NumberTrails {
  readonly first: number;
  readonly step: number;
  readonly squares: 20 | 30 | 40;
  readonly turning: boolean;
  readonly shown: 'blank' | 'begun' | 'some' | 'all';
  /** A second trail below, to compare with, goes on by this; 0: there is none. */
  readonly other: number;
}

/** Which squares of a trail are filled in, by what is to be found. */
const isShown = (shown: NumberTrails['shown'], square: number): boolean => {
  switch (shown) {
    case 'blank':
      return false;
    case 'begun':
      return square <= 3;
    case 'some':
      // Far enough apart that the rule is found and not read off.
      return square % 4 === 0;
    case 'all':
      return true;
  }
};

function trailIn(choices: NumberTrails, step: number, area: Area): Piece[] {
  const rules = { ...choices, step };
  const texts = laidOut(rules).map((square) =>
    isShown(choices.shown, square) ? String(numberAt(rules, square)) : '',
  );
  const line = choices.shown === 'all' ? 'The rule:' : 'The rule that I have found:';
  const { pieces, below } = wordsIn(line, { left: area.left, top: area.top, width: area.width, size: 5 });
  const ruled: Piece = {
    kind: 'line',
    x1: area.left + 75,
    x2: area.left + area.width,
    y1: area.top + 6,
    y2: area.top + 6,
  };
  return [...pieces, ruled, ...gridIn({ ...area, top: below + 3, height: area.height - 14 }, 10, texts)];
}

/** Trails of squares in rows of ten, to be numbered by a rule, compared, and played on with any game of counters and dice. */
export const numberTrails: Sheet<NumberTrails> = {
  id: 'number-trails',
  name: 'Number trails',
  says: 'To be filled by a rule; two below one another to compare; some numbers alone, to find the rule.',
  family: 'table',
  seeded: false,
  settings: [
    numberSetting('first', 'On the first square', 0, 100),
    numberSetting('step', 'Goes on by', 1, 12),
    oneSetting('squares', 'Squares', [
      [20, '20'],
      [30, '30'],
      [40, '40'],
    ]),
    yesNo('turning', 'Every other row turns back'),
    oneSetting('shown', 'Filled in', [
      ['blank', 'nothing'],
      ['begun', 'the first three'],
      ['some', 'every fourth, to find the rule'],
      ['all', 'everything'],
    ]),
    numberSetting('other', 'A second trail goes on by (0: none)', 0, 12),
  ],
  choices: { first: 3, step: 3, squares: 30, turning: false, shown: 'begun', other: 0 },
  title: ({ first, step, shown }) =>
    shown === 'some' ? 'Number trail, find the rule' : `Number trail from ${first} by ${step}`,
  pages: (choices, _seed, room) => {
    const height = gridHeight(room, 10, choices.squares) + 16;
    const two = choices.other > 0 && 2 * height + 8 <= room.height;
    const first = { ...room, height };
    const second = { ...first, top: room.top + height + 8 };
    if (choices.other === 0) return [trailIn(choices, choices.step, first)];
    const below = trailIn(choices, choices.other, two ? second : first);
    return two
      ? [[...trailIn(choices, choices.step, first), ...below]]
      : [trailIn(choices, choices.step, first), below];
  },
};
