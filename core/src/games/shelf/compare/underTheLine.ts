import { factKey } from '../../../facts/fact.ts';
import { factOr, skillItem } from '../../../facts/item.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import type { Option } from '../../bodies/choosing.ts';
import { inRounds, type RoundState } from '../../bodies/rounds.ts';
import type { Game } from '../../game.ts';
import type { Asked, Claimed } from '../../need.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  keyOf,
  layouts,
  nearestOf,
  offLine,
  settleRound,
  valueText,
  wholeOf,
  type LineRules,
} from './twoNumbers.ts';
import { rounds, underTheLineWords } from './underTheLineWords.ts';

const recipe = numberRecipe(1, 9);

export const underTheLine: Game<LineRules, RoundState> = {
  id: 'under-the-line',
  version: 2,
  family: 'compare',
  seats: { least: 1, most: 4 },
  minutes: 12,
  ...inWords(underTheLineWords, [
    { line: 110, kind: 'under', frame: true },
    { line: 110, kind: 'under', frame: false },
    { line: 150, kind: 'under', frame: false },
    { line: 30, kind: 'difference', frame: false },
  ]),
  settings: [
    numberSetting('line', 'The line', 20, 190),
    oneSetting('kind', 'Asked for', [
      ['under', 'a sum under the line'],
      ['difference', 'a difference near the line'],
    ]),
    yesNo('frame', 'With a place frame'),
  ],
  ownPacks: [5, 6, 7, 8, 9],
  aidAt: ({ frame }) => (frame ? 'placeFrame' : null),
  operations: ({ kind }) => [kind === 'under' ? 'add' : 'sub'],
  materials: ({ frame }) => ({
    pack: recipe,
    dice: [],
    others: frame ? ['a place frame for each player'] : [],
  }),
  ...inRounds<LineRules>({
    recipe,
    rounds,
    handSize: () => 4,
    by: () => ({ kind: 'places', numbers: 2, placesEach: 2 }),
    called: ({ rules }) => rules.line,
    asksWhich: (rules, seat) => say('layUnder', { seat, ...rules }),
    options: optionsOf,
    laidUnsaid: say('nothingFitsSaid'),
    settle: settleRound,
    best: (rules, digits) => {
      const best = nearestOf(rules, digits);
      if (!best) return { key: 'none', says: say('nothingStays', rules), worked: [] };
      const whole = wholeOf(rules, best);
      return {
        key: keyOf(best),
        says: say('fromLine', { whole, off: offLine(rules, best) }),
        worked: [whole],
      };
    },
    mindsCards: (cards) => {
      if (cards.some(({ worth }) => worth < 1 || worth > 9))
        throw new RangeError('Tens and ones are laid with cards from 1 to 9.');
    },
  }),
};

function optionsOf(rules: LineRules, digits: readonly number[], seat: number): Option[] {
  const { kind, line } = rules;
  const best = nearestOf(rules, digits);
  const laid = layouts(digits).map((one): Option => {
    const { shown, value, operation } = valueText(rules, one);
    const { left, right } = one;
    const item = factOr(factKey({ operation, left, right }), `line:${operation}`);
    const whole = wholeOf(rules, one);
    const asked: Asked = { seat, item, shown, answer: value, whole, untimed: true };
    const says = say('asWritten', { text: shown });
    return { key: keyOf(one), says, numbers: [left, right], asks: () => [asked] };
  });
  if (kind !== 'under') return laid;
  // Nothing fits: true, or a claim that does not hold.
  const shown = say('orLessFrom', { line, numbers: digits });
  const answer = best ? wholeOf(rules, best) : '';
  const said: Claimed = { item: skillItem('make'), shown, answer, given: say('nothing') };
  const holds = best ? { claim: said } : { judged: said };
  return [...laid, { key: 'none', says: say('nothingFits', { line }), ...holds }];
}
