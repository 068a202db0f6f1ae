import { allRolls, type DieSides } from '../../../materials/dice.ts';
import type { Sign } from '../../../numbers/expression.ts';
import { reach } from '../../../numbers/reach.ts';
import { askMade, notMade, type Making } from '../../askMade.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import { emptyScene, type Game, type Play } from '../../game.ts';
import { nothingHidden } from '../../rolled.ts';
import { marksBySeat, scoreCount, scoreOf, scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, signsSetting } from '../../setting.ts';
import { operationOfSign } from '../../signOperation.ts';
import { say } from '../../tell/sentence.ts';

export interface CoverRules {
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** Squares of the board: the smallest numbers that the dice make. */
  readonly squares: number;
}

interface Lies {
  /** By square: the seat that covered it, or null. */
  readonly covered: readonly (number | null)[];
  readonly spares: readonly number[];
  readonly roll: readonly number[] | null;
}

const sparesEach = 3;
const across = 6;
const pass = 'pass';
const rules = (signs: readonly Sign[], squares: number, dice: readonly DieSides[] = [6, 6]): CoverRules => ({
  dice,
  signs,
  squares,
});

export const coverTheBoard: Game<CoverRules, ChoosingState & Lies> = {
  id: 'cover-the-board',
  name: 'Cover the board',
  family: 'make',
  told: {
    aim: 'Cover the most numbers.',
    turn: [
      'Roll, choose the sign, say the fact and cover its number.',
      'With three dice every die is used.',
      'Nothing to cover: a spare is gone.',
    ],
    ends: `When a player’s ${sparesEach} spares are gone, or every number is covered.`,
    example: 'A 6 and a 2 cover 8 by adding, 4 by taking away, 12 by multiplying.',
  },
  seats: { least: 1, most: 4 },
  minutes: 10,
  steps: [
    {
      name: 'Adding and taking away',
      example: 'A 6 and a 2 cover 8 by adding, 4 by taking away.',
      rules: rules(['+', '-'], 12),
    },
    { name: 'Multiplying joins', rules: rules(['+', '-', '*'], 18) },
    {
      name: 'Three dice, all signs',
      example: 'A 6, a 2 and a 3 cover 11 by adding all three, 36 by multiplying, 4 as 6 × 2 ÷ 3.',
      rules: rules(['+', '-', '*', '/'], 36, [6, 6, 6]),
    },
  ],
  settings: [
    oneSetting('dice', 'Dice', [
      [[6, 6], 'two six-sided'],
      [[10, 10], 'two ten-sided'],
      [[12, 12], 'two twelve-sided'],
      [[6, 6, 6], 'three six-sided'],
    ]),
    signsSetting(),
    numberSetting('squares', 'Squares of the board', 6, 36),
  ],
  operations: ({ signs }) => signs.map((sign) => operationOfSign[sign]),
  materials: (one) => ({
    pack: null,
    dice: one.dice,
    others: ['the board', 'counters in a colour for each player'],
  }),
  ...choosing<CoverRules, Lies>({
    lay: (play) => ({
      covered: boardNumbers(play.rules).map(() => null),
      spares: Array<number>(scoreCount(play)).fill(sparesEach),
      roll: null,
    }),
    opens: (play, { roll }) =>
      roll ? { kind: 'go', says: say('nothingOfRoll', { roll }) } : { kind: 'roll', dice: play.rules.dice },
    opened: (play, state, shown) =>
      state.roll
        ? spend(play, state)
        : {
            roll: shown,
            says: say('rollAnd', { roll: shown }),
            ...(canCover(play, { ...state, roll: shown }) ? {} : { next: 'again' }),
          },
    asksWhich: (_play, { roll }) => say('whichNumber', { roll: roll ?? [] }),
    options: (play, state) => [
      ...boardNumbers(play.rules).flatMap((number, at) =>
        state.covered[at] === null ? [squareOf(play, state, number, at)] : [],
      ),
      { key: pass, says: say('nothingToCover') },
    ],
    none: (play, state) => spend(play, state),
    fails: (_play, { roll }, { key }) => ({
      says: say('notFromRoll', { number: Number(key.split(' ')[1]), roll: roll ?? [] }),
      next: 'choose',
    }),
    takes: (play, state, { key }, { by, whole }) => {
      if (key === pass) return spend(play, state);
      const at = Number(key.split(' ')[0]);
      const covered = state.covered.map((one, nth) => (nth === at ? by : one));
      const over = covered.includes(null) ? undefined : say('allCovered');
      return { covered, roll: null, says: say('whole', { whole }), next: over ? { over } : 'pass' };
    },
    unsaid: (_play, _state, _option, whole) => ({ roll: null, says: say('whole', { whole }), next: 'pass' }),
  }),
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: {
      name: say('theBoard'),
      across,
      squares: boardNumbers(play.rules).map((number, at) => {
        const seat = state.covered[at] ?? null;
        return { text: String(number), mark: seat === null ? null : { seat, held: true } };
      }),
    },
    totals: state.spares.map((value, seat) => ({
      name: play.against ? say('sparesOf', { seat }) : say('spares'),
      value,
    })),
  }),
  scores: (play, state) => scoresFrom(play, marksBySeat(play, state.covered)),
  best: (play, state) => {
    if (state.roll === null || state.asking) return null;
    const best = bestOf(play, state);
    if (!best) return { says: say('nothingLeftOf', { roll: state.roll }), worked: [], move: null };
    return {
      says: say('fewRolls', { whole: best.whole }),
      worked: [best.whole],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const makingOf = ({ rules: { dice, signs } }: Play<CoverRules>, roll: readonly number[]): Making => ({
  numbers: roll,
  signs,
  // Every die is used.
  least: dice.length,
});

/** A square that may be chosen: what is said for it, or the claim that does not hold. */
function squareOf(
  play: Play<CoverRules>,
  { roll, turn }: ChoosingState & Lies,
  number: number,
  at: number,
): Option {
  const making = makingOf(play, roll ?? []);
  const asked = askMade(turn, making, number);
  return {
    key: `${at} ${number}`,
    says: say('square', { text: String(number) }),
    at: { square: at },
    veiled: true,
    ...(asked ? { asks: () => [asked] } : { claim: notMade(making, number) }),
  };
}

/** The number that the fewest rolls make, of those that can be covered. */
function bestOf(play: Play<CoverRules>, state: ChoosingState & Lies) {
  const { numbers, ways } = boardOf(play.rules);
  return numbers
    .flatMap((number, at) => {
      const asked =
        state.covered[at] === null
          ? askMade(state.turn, makingOf(play, state.roll ?? []), number)
          : undefined;
      return asked ? [{ key: `${at} ${number}`, whole: asked.whole, ways: ways.get(number) ?? 0 }] : [];
    })
    .sort((a, b) => a.ways - b.ways)[0];
}

const canCover = (play: Play<CoverRules>, state: ChoosingState & Lies) => bestOf(play, state) !== undefined;

/** A spare is gone; with the last of them it is over. */
function spend(play: Play<CoverRules>, state: ChoosingState & Lies) {
  const own = scoreOf(play, state.turn);
  const spares = state.spares.map((count, at) => (at === own ? count - 1 : count));
  const best = bestOf(play, state);
  return {
    spares,
    roll: null,
    says: best ? say('spareThere', { whole: best.whole }) : say('spareGone'),
    next: spares[own] === 0 ? { over: say('sparesGone') } : ('pass' as const),
  };
}

const boards = new Map<
  string,
  { readonly numbers: readonly number[]; readonly ways: ReadonlyMap<number, number> }
>();

/** Every number the dice make above 0, the smallest so many, each by every die; and how many rolls make each. */
function boardOf(one: CoverRules) {
  const key = JSON.stringify(one);
  const known = boards.get(key);
  if (known) return known;
  const ways = new Map<number, number>();
  for (const roll of allRolls(one.dice))
    for (const value of reach({ numbers: roll, signs: one.signs, from: 1, to: 999, least: roll.length })
      .values)
      ways.set(value, (ways.get(value) ?? 0) + 1);
  const numbers = [...ways.keys()].sort((a, b) => a - b).slice(0, one.squares);
  const made = { numbers, ways };
  boards.set(key, made);
  return made;
}
/** The numbers of the board, ascending. */
export const boardNumbers = (one: CoverRules): readonly number[] => boardOf(one).numbers;
