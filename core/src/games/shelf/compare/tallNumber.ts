import { skillItem } from '../../../facts/item.ts';
import { numberRecipe } from '../../../materials/pack.ts';
import { layNumber } from '../../../numbers/layNumber.ts';
import { bestLaid, offGoal, type NumberGoal } from '../../../numbers/numberGoal.ts';
import { askReading } from '../../askFact.ts';
import { inRounds, type RoundState } from '../../bodies/rounds.ts';
import type { Game } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { numberSetting, oneSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { rounds, tallNumberWords } from './tallNumberWords.ts';

export interface TallRules {
  /** Cards of a number, 2 to 5. */
  readonly places: number;
  readonly goal: NumberGoal['goal'];
  /** Laid into headed columns. */
  readonly frame: boolean;
}

const recipe = numberRecipe(0, 9);
export const tallNumber: Game<TallRules, RoundState> = {
  id: 'tall-number',
  version: 1,
  family: 'compare',
  seats: { least: 1, most: 4 },
  minutes: 10,
  ...inWords(tallNumberWords, [
    { places: 2, goal: 'largest', frame: true },
    { places: 3, goal: 'largest', frame: true },
    { places: 3, goal: 'largest', frame: false },
    { places: 4, goal: 'largest', frame: false },
    { places: 5, goal: 'largest', frame: false },
    { places: 4, goal: 'smallest', frame: false },
    { places: 3, goal: 'nearest', frame: false },
  ]),
  settings: [
    numberSetting('places', 'Cards of a number', 2, 5),
    oneSetting('goal', 'Asked for', [
      ['largest', 'the largest'],
      ['smallest', 'the smallest'],
      ['nearest', 'the nearest to a called number'],
    ]),
    yesNo('frame', 'With a place frame'),
  ],
  aidAt: ({ frame }) => (frame ? 'placeFrame' : null),
  operations: () => [],
  materials: ({ frame }) => ({
    pack: recipe,
    dice: [],
    others: frame ? ['a place frame for each player'] : [],
  }),
  ...inRounds<TallRules>({
    recipe,
    rounds,
    handSize: ({ places }) => places,
    // A number with as many places, called for the whole round.
    called: ({ rules: { goal, places }, seed }, round) =>
      goal === 'nearest'
        ? chanceOf({ seed: seed + 1 }, { draws: round }).int(10 ** (places - 1), 10 ** places - 1)
        : null,
    by: ({ places }) => ({ kind: 'places', numbers: 1, placesEach: places }),
    asksWhich: ({ goal }, seat, called) => say('layNumber', { seat, goal, called }),
    options: ({ goal, places }, digits, seat, called) => {
      const best = bestLaid({ goal, called }, digits);
      const asked = { item: skillItem(`place:${places}`), shown: say('numberOf', { goal, digits, called }) };
      return layNumber(digits).map((number) => {
        const said = { ...asked, answer: String(best), given: String(number) };
        const holds = offGoal({ goal, called }, number) === offGoal({ goal, called }, best);
        return {
          key: String(number),
          says: say('asWritten', { text: String(number) }),
          numbers: [number],
          ...(holds ? { judged: said } : { claim: said }),
          asks: () => [askReading(seat, number)],
        };
      });
    },
    laidUnsaid: say('laid'),
    settle: ({ goal }, laid, called) => {
      const off = (number: number) => offGoal({ goal, called }, number);
      const round = laid.map((one) => ({ ...one, off: one.key === null ? Infinity : off(Number(one.key)) }));
      const least = Math.min(...round.map((one) => one.off));
      const nearest = round.filter((one) => one.off === least);
      const found = round.filter((one) => one.off === off(bestLaid({ goal, called }, one.digits)));
      const says = say('isGoal', { number: Number(nearest[0]?.key), goal, called });
      return { nearest: nearest.map(({ seat }) => seat), found: found.map(({ seat }) => seat), says };
    },
    best: ({ goal }, digits, called) => {
      const number = bestLaid({ goal, called }, digits);
      return { key: String(number), says: say('isGoal', { number, goal, called }), worked: [] };
    },
  }),
};
