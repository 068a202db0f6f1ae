import type { DieSides } from '../../../materials/dice.ts';
import { turnsOf, type TurnState } from '../../bodies/turns.ts';
import type { Game, Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { seatsIn } from '../../playGame.ts';
import { nothingHidden } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { diceSetting, someSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { ontoTenWords, rolls } from './ontoTenWords.ts';
import { askLine, blankLine, type RollLine } from './rollLines.ts';

export interface OntoTenRules {
  readonly die: DieSides;
  readonly lines: readonly RollLine[];
}
export interface LinesLie {
  readonly roll: number | null;
  /** Lines that lie whole, in order; how many of them lay before this roll. */
  readonly whole: readonly string[];
  readonly before: number;
  readonly rolls: number;
  readonly points: readonly number[];
}
type State = TurnState & LinesLie;
const all: readonly RollLine[] = ['onto', 'double', 'from'];

export const ontoTen: Game<OntoTenRules, State> = {
  id: 'onto-ten',
  version: 1,
  family: 'talk',
  seats: { least: 1, most: 4 },
  minutes: 5,
  ...inWords(ontoTenWords, [
    { die: 6, lines: ['onto'] },
    { die: 6, lines: ['onto', 'double'] },
    { die: 6, lines: all },
    { die: 10, lines: all },
  ]),
  settings: [
    diceSetting('die', 1),
    someSetting('lines', 'Lines of a roll', [
      ['onto', 'onto ten'],
      ['double', 'its double'],
      ['from', 'from a hundred'],
    ]),
  ],
  operations: () => ['add'],
  materials: ({ die }) => ({
    pack: null,
    dice: [die],
    others: ['number cards and sign cards for the lines'],
  }),
  ...turnsOf<OntoTenRules, LinesLie>({
    lay: (play) => ({
      ...{ roll: null, whole: [], before: 0, rolls: 0 },
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    opens: (play) => ({ kind: 'roll', dice: [play.rules.die] }),
    opened: (play, state, [roll = 1]) => {
      const [first, ...others] = linesOf(play).map((line) => askLine(state.turn, line, roll));
      return {
        ...{ roll, before: state.whole.length, rolls: state.rolls + 1 },
        says: say('aCard', { worth: roll }),
        next: { ask: [first as Asked, ...others] },
      };
    },
    said: (play, state, { by, asked, left: [first, ...others] }) => {
      const change = {
        points: onePointTo(play, state.points, by),
        // Said by nobody it is shown, and lies there all the same.
        whole: [...state.whole, asked.whole as string],
        says: say('whole', { whole: asked.whole }),
      };
      if (first) return { ...change, next: { ask: [first, ...others] } };
      return state.rolls < rolls * seatsIn(play, state).length
        ? { ...change, next: 'pass' }
        : { ...change, next: { over: say('turnsPlayed', { turns: rolls }) } };
    },
  }),
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll === null ? [] : [state.roll],
    board: { name: say('linesOfRoll'), across: 1, squares: slipsOf(play, state) },
    totals: namedTotals(play, state.points, say('linesSaid')),
  }),
  scores: (_play, { points }) => points,
  best: () => null,
};

/** In the order in which they are told, however they were chosen. */
const linesOf = ({ rules: { lines } }: Play<OntoTenRules>) => all.filter((one) => lines.includes(one));

/** Slips that lie on the table. */
const slips = 4;

/** The lines laid last, and what is still open of this roll. */
function slipsOf(play: Play<OntoTenRules>, { roll, whole, before, turn }: State) {
  const open = linesOf(play)
    .slice(whole.length - before)
    .map((line) => `${roll === null ? blankLine(line) : askLine(turn, line, roll).shown} = \u25a1`);
  const lies = [...whole, ...open].slice(-slips);
  return Array.from({ length: slips }, (_, at) => ({ text: lies[at] ?? '', mark: null }));
}
