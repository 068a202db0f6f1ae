import type { DieSides } from '../../../materials/dice.ts';
import { bestGroups } from '../../../numbers/groupsOf.ts';
import { choosing, type ChoosingState } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { seatsIn } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { namedTotals, scoreCount, scoreOf } from '../../scoring.ts';
import { numberSetting, oneSetting } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { type HandfulRules, group, groupsOfDice, lineOf, noMore, sameDice } from './handfulDice.ts';
import { handfulWords, rounds } from './handfulWords.ts';

export interface LaidOut {
  /** Dice still there, each what it shows. */
  readonly dice: readonly number[];
  /** Dice taken out so far. */
  readonly taken: readonly number[];
  readonly rolls: number;
}
export type HandfulState = ChoosingState & LaidOut;

export const handful: Game<HandfulRules, HandfulState> = {
  id: 'handful',
  version: 1,
  family: 'partners',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(handfulWords, [
    { sides: 6, count: 10, most: 2 },
    { sides: 6, count: 10, most: 5 },
    { sides: 10, count: 10, most: 5 },
  ]),
  settings: [
    oneSetting('sides', 'Dice', [
      [6, 'six-sided'],
      [10, 'ten-sided, 0 to 9'],
    ]),
    numberSetting('count', 'How many', 6, 12),
    numberSetting('most', 'The most dice of a group', 2, 5),
  ],
  operations: () => ['add'],
  materials: ({ sides, count }) => ({ pack: null, dice: Array<DieSides>(count).fill(sides), others: [] }),
  ...choosing<HandfulRules, LaidOut>({
    lay: (play) => ({ dice: [], taken: Array<number>(scoreCount(play)).fill(0), rolls: 0 }),
    opens: ({ rules: { sides, count } }) => ({ kind: 'roll', dice: Array<DieSides>(count).fill(sides) }),
    opened: (_play, { rolls }, dice) => ({ dice, rolls: rolls + 1, says: say('rolled') }),
    asksWhich: (_play, { turn }) => say('whatMakesTen', { seat: turn }),
    by: ({ most }) => ({ kind: 'cards', least: 2, most, done: say('makesTen'), hint: say('pickForTen') }),
    options: (play, { dice, turn }) => [
      ...groupsOfDice(dice, play.rules.most).map((places) => group(turn, dice, places)),
      noMore(play.rules, dice),
    ],
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (play, state, { cards, claim }) =>
      cards
        ? { says: say('notTen', { shown: claim?.shown ?? '' }), next: 'choose' }
        : rolled(play, state, say('wasThere', { whole: claim?.answer ?? '' })),
    takes: (play, state, { cards }, { by, whole }) => {
      if (!cards) return rolled(play, state, say('trulyNoMore'));
      const own = scoreOf(play, by);
      const taken = state.taken.map((count, at) => (at === own ? count + cards.length : count));
      const dice = state.dice.filter((_, at) => !cards.includes(at));
      const lies = { dice, taken };
      return dice.length < 2
        ? { ...lies, ...rolled(play, state, say('whole', { whole })) }
        : { ...lies, says: say('whole', { whole }), next: 'choose' };
    },
    unsaid: (_play, _state, _option, whole) => ({ says: say('whole', { whole }), next: 'choose' }),
  }),
  shake: nothingHidden,
  scene: (play, { dice, turn, taken }) => ({
    ...emptyScene,
    rows: [
      {
        name: say('seat', { seat: turn }),
        seat: turn,
        dice: play.rules.sides,
        // A die lies open and has no rank.
        cards: dice.map((worth, id) => ({ id, rank: 'A', colour: 'black', worth })),
      },
    ],
    totals: namedTotals(play, taken, say('together')),
    target: null,
  }),
  scores: (_play, { taken }) => taken,
  best: (play, { stage, dice, turn }) => {
    if (stage !== 'choose') return null;
    const groups = bestGroups(dice, { total: 10, least: 2, most: play.rules.most });
    const told = groups.map((places) => lineOf(dice, places));
    const first = groups[0]?.map((at) => dice[at] as number);
    // Named by the first of like dice, as it is among the choices.
    const key = groupsOfDice(dice, play.rules.most).find(
      (places) =>
        first &&
        sameDice(
          places.map((at) => dice[at] as number),
          first,
        ),
    );
    return {
      says: told.length > 0 ? say('canBeOut', { count: groups.flat().length }) : say('trulyNoMore'),
      worked: told,
      move: { kind: 'choose', seat: turn, key: key?.join(' ') ?? 'none' },
    };
  },
};

/** A roll is done with: the next player's, until everyone has had so many. */
function rolled(play: Play<HandfulRules>, state: HandfulState, says: Sentence) {
  const over = state.rolls >= rounds * seatsIn(play, state).length;
  return { says, next: over ? { over: say('allRolled') } : ('pass' as const) };
}
