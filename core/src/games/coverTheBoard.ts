import type { FactKey } from '../facts/fact.ts';
import { allRolls, type DieSides } from '../materials/dice.ts';
import { expressionText, numbersIn, type Expression, type Sign } from '../numbers/expression.ts';
import { reach } from '../numbers/reach.ts';
import { emptyScene, type Choice, type Game, type GameState, type Move, type Play } from './game.ts';
import { factsOfLine, nextSeat } from './playGame.ts';
import { freshState, nothingHidden, rolled } from './rolled.ts';
import { operationOfSign } from './signOperation.ts';
import { marksBySeat, scoreCount, scoreOf, scoresFrom } from './scoring.ts';
import { numberSetting, oneSetting, signsSetting } from './setting.ts';
import { tell } from './tell/sentence.ts';

export interface CoverRules {
  readonly dice: readonly DieSides[];
  readonly signs: readonly Sign[];
  /** Squares of the board: the smallest numbers that the dice make. */
  readonly squares: number;
}

export interface CoverState extends GameState {
  /** By square: the seat that covered it, or null. */
  readonly covered: readonly (number | null)[];
  readonly spares: readonly number[];
  readonly roll: readonly number[] | null;
}

export const sparesEach = 3;
const across = 6;
const pass = 'pass';
const rules = (signs: readonly Sign[], squares: number, dice: readonly DieSides[] = [6, 6]): CoverRules => ({
  dice,
  signs,
  squares,
});

export const coverTheBoard: Game<CoverRules, CoverState> = {
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
  setUp: (play) => ({
    ...freshState,
    covered: boardNumbers(play.rules).map(() => null),
    spares: Array<number>(scoreCount(play)).fill(sparesEach),
    roll: null,
  }),
  need: (play, state) => {
    if (state.roll === null)
      return { kind: 'roll', seat: state.turn, dice: play.rules.dice, says: 'Roll the dice.' };
    const choices = choicesOf(play, state);
    return choices.length === 0
      ? { kind: 'go', says: `Nothing that ${rollText(state.roll)} make is left: a spare is gone.` }
      : {
          kind: 'choose',
          seat: state.turn,
          says: `${rollText(state.roll)}: which number?`,
          choices: [...choices, { key: pass, says: 'Nothing to cover' }],
        };
  },
  act,
  shake: nothingHidden,
  scene: (play, state) => ({
    ...emptyScene,
    dice: state.roll ?? [],
    board: {
      name: 'The board',
      across,
      squares: boardNumbers(play.rules).map((number, at) => {
        const seat = state.covered[at] ?? null;
        return { text: String(number), mark: seat === null ? null : { seat, held: true } };
      }),
    },
    totals: state.spares.map((value, seat) => ({
      name: play.against ? `Spares of seat ${seat + 1}` : 'Spares',
      value,
    })),
  }),
  scores: (play, state) => scoresFrom(play, marksBySeat(play, state.covered)),
  best: (play, state) => {
    if (state.roll === null) return null;
    const choices = choicesOf(play, state);
    // The number that the fewest rolls make.
    const ways = waysByNumber(play.rules);
    const rank = (one: Choice) => ways.get(boardNumbers(play.rules)[Number(one.key)] as number) ?? 0;
    const [best] = [...choices].sort((a, b) => rank(a) - rank(b));
    if (!best) return { says: `Nothing that ${rollText(state.roll)} make is left.`, worked: [], move: null };
    return {
      says: `${tell(best.says)}: few rolls make it.`,
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

const rollText = (roll: readonly number[]) =>
  roll.length === 2 ? roll.join(' and ') : `${roll.slice(0, -1).join(', ')} and ${roll.at(-1)}`;

/** Lines by value that use every die. */
function linesOfRoll(one: CoverRules, roll: readonly number[]): Map<number, Expression> {
  const all = reach({ numbers: roll, signs: one.signs, from: 0, to: 999, least: roll.length });
  return new Map(all.values.map((value) => [value, all.lineFor(value) as Expression]));
}

const boards = new Map<
  string,
  { readonly numbers: readonly number[]; readonly ways: ReadonlyMap<number, number> }
>();

/** Every number the dice make above 0, the smallest so many; and how many rolls make each. */
function boardOf(one: CoverRules) {
  const key = JSON.stringify(one);
  const known = boards.get(key);
  if (known) return known;
  const ways = new Map<number, number>();
  for (const roll of allRolls(one.dice))
    for (const value of linesOfRoll(one, roll).keys()) ways.set(value, (ways.get(value) ?? 0) + 1);
  const numbers = [...ways.keys()]
    .filter((value) => value > 0)
    .sort((a, b) => a - b)
    .slice(0, one.squares);
  const made = { numbers, ways };
  boards.set(key, made);
  return made;
}
/** The numbers of the board, ascending. */
export const boardNumbers = (one: CoverRules): readonly number[] => boardOf(one).numbers;
const waysByNumber = (one: CoverRules) => boardOf(one).ways;

function choicesOf(play: Play<CoverRules>, state: CoverState): Choice[] {
  const lines = linesOfRoll(play.rules, state.roll ?? []);
  return boardNumbers(play.rules).flatMap((number, at) => {
    const line = lines.get(number);
    if (!line || state.covered[at] !== null) return [];
    const [fact] = factsOfLine(line) as readonly FactKey[];
    return [
      {
        key: String(at),
        says: `${expressionText(line)} = ${number}`,
        at: { square: at },
        veiled: true as const,
        ...(numbersIn(line).length === 2 && fact !== undefined ? { fact } : {}),
      },
    ];
  });
}

function act(play: Play<CoverRules>, state: CoverState, move: Move): CoverState {
  if (move.kind === 'roll') {
    const roll = rolled(play, state, move, play.rules.dice);
    return { ...state, roll, draws: state.draws + 1, says: `${rollText(roll)}.` };
  }
  const choices = choicesOf(play, state);
  const chosen = move.kind === 'choose' ? choices.find((one) => one.key === move.key) : undefined;
  const on = { ...state, roll: null, turn: nextSeat(play, state, state.turn) };
  if (!chosen) {
    const own = scoreOf(play, state.turn);
    const spares = state.spares.map((count, at) => (at === own ? count - 1 : count));
    const says = choices[0]
      ? `A spare is gone; ${tell(choices[0].says)} was there.`
      : 'Nothing is left of that: a spare is gone.';
    const over = spares[own] === 0 ? 'The spares are gone.' : null;
    return { ...on, spares, says, over };
  }
  const covered = state.covered.map((by, at) => (at === Number(chosen.key) ? state.turn : by));
  return {
    ...on,
    covered,
    says: `${tell(chosen.says)}.`,
    over: covered.every((by) => by !== null) ? 'Every number is covered.' : null,
  };
}
