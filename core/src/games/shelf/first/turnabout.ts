import { askCards } from '../../askFact.ts';
import { firstToSay, type FirstToSayRules, type FirstToSayState } from '../../bodies/firstToSay.ts';
import type { Game } from '../../game.ts';
import { oneSetting, operationsSetting, packSetting } from '../../setting.ts';
import { cards } from './firstVoice.ts';
import { toldOfFirst } from './firstVoiceWords.ts';

export const turnabout: Game<FirstToSayRules, FirstToSayState> = {
  id: 'turnabout',
  name: 'Turnabout',
  version: 2,
  family: 'first',
  told: {
    ...toldOfFirst,
    aim: 'First voice, and at a signal the sign changes.',
    turn: [
      ...toldOfFirst.turn.slice(0, 2),
      'At the signal everyone freezes; from now on another sign holds.',
    ],
    example: 'A 6 and an 8 after the signal for −: “eight take away six is two”.',
  },
  seats: { least: 1, most: 4 },
  minutes: 8,
  steps: [
    { name: 'Sums and differences', rules: cards(10, { operations: ['add', 'sub'], signal: 'table' }) },
    {
      name: 'Sums, differences, products',
      rules: cards(10, { operations: ['add', 'sub', 'mul'], signal: 'table' }),
    },
    {
      name: 'A child gives the signal',
      rules: cards(10, { operations: ['add', 'sub', 'mul'], signal: 'child' }),
    },
  ],
  settings: [
    packSetting(1),
    operationsSetting('operations', ['add', 'sub', 'mul']),
    oneSetting('signal', 'The signal comes', [
      ['table', 'from the table'],
      ['child', 'from a child'],
    ]),
  ],
  ...firstToSay({ asks: askCards }),
};
