import { numberSetting, oneSetting } from '../../games/setting.ts';
import { gridIn } from '../grid.ts';
import type { Sheet } from '../sheet.ts';

interface HundredSquare {
  readonly first: 0 | 1;
  readonly to: number;
  readonly filled: 'all' | 'tens' | 'none';
}

export const hundredSquare: Sheet<HundredSquare> = {
  id: 'hundred-square',
  name: 'Hundred square',
  says: 'To sweep, to count along, or to fill in.',
  family: 'table',
  seeded: false,
  settings: [
    oneSetting('first', 'Begins with', [
      [1, '1'],
      [0, '0'],
    ]),
    numberSetting('to', 'Up to', 10, 120),
    oneSetting('filled', 'Numbers', [
      ['all', 'all there'],
      ['tens', 'those ending in 0 or 5'],
      ['none', 'to be filled in'],
    ]),
  ],
  choices: { first: 1, to: 100, filled: 'all' },
  title: ({ first, to }) => `Numbers ${first} to ${to}`,
  pages: ({ first, to, filled }, _seed, room) => {
    const numbers = Array.from({ length: to - first + 1 }, (_, at) => first + at);
    const shown = (number: number) => filled === 'all' || (filled === 'tens' && number % 5 === 0);
    return [
      gridIn(
        room,
        10,
        numbers.map((number) => (shown(number) ? String(number) : '')),
      ),
    ];
  },
};
