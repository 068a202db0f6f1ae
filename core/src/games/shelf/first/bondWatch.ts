import { factKey, factText } from '../../../facts/fact.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { askCards } from '../../askFact.ts';
import { watching, type WatchRules, type WatchState } from '../../bodies/watching.ts';
import type { Game } from '../../game.ts';
import { oneSetting, packSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { bondWatchWords } from './bondWatchWords.ts';

export interface BondWatchRules extends WatchRules {
  readonly total: number;
}

const rules = (total: number, most: number): BondWatchRules => ({
  recipe: numberRecipe(1, most),
  turned: 1,
  total,
});

export const bondWatch: Game<BondWatchRules, WatchState> = {
  id: 'bond-watch',
  version: 1,
  family: 'first',
  seats: { least: 1, most: 4 },
  minutes: 6,
  // Cards that pair with none are not dealt.
  ...inWords(bondWatchWords, [rules(5, 4), rules(10, 9), rules(12, 11), rules(20, 13)]),
  settings: [
    packSetting(1),
    oneSetting(
      'total',
      'Total',
      [5, 6, 7, 8, 9, 10, 11, 12, 15, 20].map((one) => [one, String(one)] as const),
    ),
  ],
  operations: () => ['add'],
  ...watching<BondWatchRules>({
    prompt: ({ total }) => say('makesQuestion', { total }),
    asks: (_rules, seat, two) => askCards(seat, 'add', two),
    misses: ({ total }, [a = 0, b = 0]) => {
      const fact = { operation: 'add', left: a, right: b } as const;
      return a + b === total
        ? undefined
        : {
            item: { kind: 'fact', key: factKey(fact) },
            shown: factText(fact),
            answer: String(a + b),
            given: String(total),
          };
    },
  }),
};
