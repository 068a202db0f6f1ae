import { numberSetting, yesNo } from '../../games/setting.ts';
import { largeIn, pipsIn } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { tiled } from '../tiles.ts';

interface NumberCards {
  readonly from: number;
  readonly to: number;
  readonly copies: number;
  readonly pips: boolean;
}

const rangeOf = ({ from, to }: NumberCards) => [Math.min(from, to), Math.max(from, to)] as const;
/** The most pips that are counted at a glance from a card. */
const mostPips = 20;

export const numberCards: Sheet<NumberCards> = {
  id: 'number-cards',
  name: 'Number cards',
  says: 'For any game with a pack, with pips to see how many.',
  family: 'cut',
  seeded: false,
  settings: [
    numberSetting('from', 'From', 0, 100),
    numberSetting('to', 'To', 0, 100),
    numberSetting('copies', 'Of each', 1, 8),
    yesNo('pips', 'With pips, to 20'),
  ],
  choices: { from: 0, to: 10, copies: 4, pips: true },
  title: (choices) => `Number cards ${rangeOf(choices).join(' to ')}, ${choices.copies} of each`,
  pages: (choices, _seed, room) => {
    const [from, to] = rangeOf(choices);
    const numbers = Array.from({ length: to - from + 1 }, (_, at) => from + at);
    const cards = numbers.flatMap((number) => Array<number>(choices.copies).fill(number));
    return tiled(room, {
      ...{ width: 60, height: 84, count: cards.length },
      draw: (nth, area) => {
        const number = cards[nth] as number;
        if (!choices.pips || number > mostPips) return [largeIn(area, String(number), 40)];
        return [
          largeIn({ ...area, height: area.height * 0.45 }, String(number), 30),
          ...pipsIn(
            {
              left: area.left + 8,
              top: area.top + area.height * 0.45,
              width: 44,
              height: area.height * 0.45,
            },
            number,
            'ten',
          ),
        ];
      },
    });
  },
};
