import { skillItem } from '../../../facts/item.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { watching, type WatchRules, type WatchState } from '../../bodies/watching.ts';
import type { Game } from '../../game.ts';
import { oneSetting, packSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { doublesWatchWords } from './doublesWatchWords.ts';

export interface DoublesRules extends WatchRules {
  /** Two alike are doubled, or multiplied by themselves. */
  readonly operation: 'add' | 'mul';
}

const rules = (most: number, operation: DoublesRules['operation'] = 'add'): DoublesRules => ({
  recipe: numberRecipe(1, most),
  turned: 2,
  operation,
});

export const doublesWatch: Game<DoublesRules, WatchState> = {
  id: 'doubles-watch',
  version: 1,
  family: 'first',
  seats: { least: 1, most: 4 },
  minutes: 6,
  ...inWords(doublesWatchWords, [rules(5), rules(10), rules(12), rules(10, 'mul')]),
  settings: [
    packSetting(1),
    oneSetting('operation', 'Two alike are', [
      ['add', 'doubled'],
      ['mul', 'squared'],
    ]),
  ],
  operations: ({ operation }) => [operation],
  ...watching<DoublesRules>({
    prompt: () => say('alikeQuestion'),
    asks: ({ operation }, seat, two) => askCards(seat, operation, two),
    misses: (_rules, [a = 0, b = 0]) =>
      a === b
        ? undefined
        : {
            item: skillItem('cmp'),
            shown: say('largerOf', { numbers: [a, b] }),
            answer: String(Math.max(a, b)),
            given: say('alikeAnswer'),
          },
  }),
};
