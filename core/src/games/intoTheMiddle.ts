import { numberRecipe, packOf, shuffledIds, type Card, type Recipe } from '../materials/pack.ts';
import { checkLine, worked } from '../numbers/checkLine.ts';
import { allChoices, sizeOf } from '../numbers/choice.ts';
import { expressionText, numbersIn, type Expression, type Sign } from '../numbers/expression.ts';
import { reach } from '../numbers/reach.ts';
import { emptyScene, type Game, type GameState, type Move, type Play } from './game.ts';
import { chanceOf, nextSeat, seatsIn } from './playGame.ts';
import { freshState } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { numberSetting, packSetting, signsSetting } from './setting.ts';

export interface MiddleRules {
  readonly recipe: Recipe;
  /** Cards around the target, 4 to 7. */
  readonly around: number;
  readonly signs: readonly Sign[];
  /** The most cards of a line; the fewest are two. */
  readonly most: number;
}

export interface MiddleState extends GameState {
  readonly pile: readonly number[];
  readonly around: readonly number[];
  readonly target: number;
  readonly gone: readonly number[];
  readonly won: readonly (readonly number[])[];
  /** Seats that passed on this target. */
  readonly passed: readonly number[];
}

const least = 2;
const rules = (over: Partial<MiddleRules> = {}): MiddleRules => ({
  recipe: numberRecipe(1, 10),
  around: 5,
  signs: ['+', '-'],
  most: 2,
  ...over,
});

export const intoTheMiddle: Game<MiddleRules, MiddleState> = {
  id: 'into-the-middle',
  name: 'Into the middle',
  family: 'make',
  told: {
    aim: 'Make the card in the middle from the cards around it, and win those you use.',
    turn: [
      'Look at the cards around the middle. Two or more of them make its number.',
      'Say or write the line. Each card once, no step below 0, no fractions.',
      'The cards used are yours and are replaced. Who sees none may pass.',
    ],
    ends: 'When the pack is out.',
    example: 'In the middle lies 9; around it 2, 4, 7, 8 and 3. 8 + 4 − 3 makes it and wins three cards.',
  },
  seats: { least: 1, most: 4 },
  minutes: 12,
  steps: [
    {
      name: 'Two cards, + and −',
      example: 'In the middle lies 9; around it 2, 4, 7, 8 and 3. 7 + 2 makes it and wins two cards.',
      rules: rules(),
    },
    { name: 'More cards, + and −', rules: rules({ most: 5 }) },
    {
      name: 'All four signs',
      example: 'In the middle lies 9; around it 2, 4, 7, 8 and 3. 8 ÷ 4 + 7 makes it and wins three cards.',
      rules: rules({ most: 5, signs: ['+', '-', '*', '/'] }),
    },
    {
      name: 'Six cards around',
      example:
        'In the middle lies 9; around it 2, 4, 7, 8, 3 and 5. 8 ÷ 4 + 7 makes it and wins three cards.',
      rules: rules({ most: 6, around: 6, signs: ['+', '-', '*', '/'] }),
    },
  ],
  settings: [
    packSetting(1),
    numberSetting('around', 'Cards around the middle', 4, 7),
    numberSetting('most', 'The most cards of a line', 2, 7),
    signsSetting(),
  ],
  order: (play) => {
    const { around, target, pile } = intoTheMiddle.setUp(play);
    return [
      { name: 'Around the middle', seat: null, cards: around.map((id) => cardOf(play, id)) },
      { name: 'The middle', seat: null, cards: [cardOf(play, target)] },
      { name: 'The pile, from the top', seat: null, cards: pile.map((id) => cardOf(play, id)) },
    ];
  },
  operations: ({ signs }) => (signs.length > 2 ? ['add', 'sub', 'mul', 'div'] : ['add', 'sub']),
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  setUp: (play) => {
    const ids = shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));
    const { around } = play.rules;
    return {
      ...freshState,
      draws: 1,
      around: ids.slice(0, around),
      target: ids[around] as number,
      pile: ids.slice(around + 1),
      gone: [],
      won: Array.from({ length: play.seats }, () => []),
      passed: [],
    };
  },
  need: (play, state) =>
    lineNow(play, state)
      ? {
          kind: 'line',
          seat: state.turn,
          says: `Make ${worthOf(play, state.target)}.`,
          ask: {
            numbers: worths(play, state),
            target: worthOf(play, state.target),
            signs: play.rules.signs,
            least,
            most: play.rules.most,
          },
          mayPass: true,
        }
      : {
          kind: 'go',
          says: `Nothing here makes ${worthOf(play, state.target)}: another card for the middle.`,
        },
  act,
  scene: (play, state) => ({
    ...emptyScene,
    rows: [
      { name: 'The middle', seat: null, cards: [cardOf(play, state.target)] },
      { name: 'Around it', seat: null, cards: state.around.map((id) => cardOf(play, id)) },
    ],
    totals: state.won.map((cards, seat) => ({ name: `Seat ${seat + 1}`, value: cards.length })),
    target: worthOf(play, state.target),
  }),
  scores: (play, state) => {
    const counts = state.won.map((cards) => cards.length);
    return scoresFrom(play, counts);
  },
  best: (play, state) => {
    const line = longestLine(play, state);
    if (!line) return { says: `Nothing here makes ${worthOf(play, state.target)}.`, worked: [], move: null };
    return {
      says: `${expressionText(line)} wins ${numbersIn(line).length} cards.`,
      worked: worked(line),
      move: { kind: 'line', seat: state.turn, text: expressionText(line, false) },
    };
  },
};

const cardOf = (play: Play<MiddleRules>, id: number) => packOf(play.rules.recipe)[id] as Card;
const worthOf = (play: Play<MiddleRules>, id: number) => cardOf(play, id).worth;
const worths = (play: Play<MiddleRules>, state: MiddleState) => state.around.map((id) => worthOf(play, id));

/** Lines found before: what lies there is asked after many times before it changes. */
const found = new Map<string, Expression | null>();

/** A line of exactly so many of the numbers; undefined: proved that there is none. */
function lineOf(
  numbers: readonly number[],
  target: number,
  signs: readonly Sign[],
  size: number,
): Expression | undefined {
  const key = `${[...numbers].sort((a, b) => a - b).join()} ${target} ${signs.join('')} ${size}`;
  let line = found.get(key);
  if (line === undefined) {
    if (found.size > 2000) found.clear();
    line = null;
    for (const choice of allChoices(numbers.length)) {
      if (sizeOf(choice) !== size) continue;
      const chosen = numbers.filter((_, at) => (choice >> at) & 1);
      line = reach({ numbers: chosen, signs, from: target, to: target, least: size }).lineFor(target) ?? null;
      if (line) break;
    }
    found.set(key, line);
  }
  return line ?? undefined;
}

/** A line that wins the fewest cards, or the most; undefined: proved that there is none. */
function lineNow(play: Play<MiddleRules>, state: MiddleState, longest = false): Expression | undefined {
  const numbers = worths(play, state);
  const { signs, most } = play.rules;
  const sizes = Array.from(
    { length: Math.max(0, Math.min(most, numbers.length) - least + 1) },
    (_, at) => least + at,
  );
  for (const size of longest ? sizes.reverse() : sizes) {
    const line = lineOf(numbers, worthOf(play, state.target), signs, size);
    if (line) return line;
  }
  return undefined;
}

/** A line that wins the most cards. */
export const longestLine = (play: Play<MiddleRules>, state: MiddleState): Expression | undefined =>
  lineNow(play, state, true);

function act(play: Play<MiddleRules>, state: MiddleState, move: Move): MiddleState {
  switch (move.kind) {
    case 'line': {
      const line = checkLine(move.text, {
        numbers: worths(play, state),
        target: worthOf(play, state.target),
        signs: play.rules.signs,
        least,
      });
      // Not true, or not what lies in the middle: told, kept as missed, and there is another try.
      if (!line.right) return { ...state, says: line.sentence };
      const left = [...state.around];
      const used = line.used.map(
        (worth) =>
          left.splice(
            left.findIndex((id) => worthOf(play, id) === worth),
            1,
          )[0] as number,
      );
      const won = state.won.map((cards, seat) => (seat === state.turn ? [...cards, ...used] : cards));
      return nextTarget(play, {
        ...state,
        around: left,
        won,
        says: `${line.shown.join(', ')}. Seat ${state.turn + 1} wins ${used.length}.`,
      });
    }
    case 'pass': {
      const passed = [...state.passed, move.seat];
      const line = lineNow(play, state);
      const all = seatsIn(play, state).every((seat) => passed.includes(seat));
      const on = {
        ...state,
        passed,
        turn: nextSeat(play, state, state.turn),
        says: `Seat ${move.seat + 1} passes.`,
      };
      // What was there is shown when nobody saw it.
      return all
        ? nextTarget(play, { ...on, says: line ? `${expressionText(line)} was there.` : on.says })
        : on;
    }
    case 'go':
      return nextTarget(play, { ...state, says: 'Another card for the middle.' });
    case 'calm':
    case 'choose':
    case 'claim':
    case 'leave':
    case 'roll':
    case 'said':
    case 'signal':
    case 'stop':
      return state;
  }
}

/** A new card in the middle, and the cards around made up again. */
function nextTarget(play: Play<MiddleRules>, state: MiddleState): MiddleState {
  const missing = play.rules.around - state.around.length;
  const around = [...state.around, ...state.pile.slice(0, missing)];
  const pile = state.pile.slice(missing);
  const [target, ...rest] = pile;
  const gone = [...state.gone, state.target];
  const turn = state.passed.length > 0 ? state.turn : nextSeat(play, state, state.turn);
  if (target === undefined) return { ...state, around, pile, passed: [], turn, over: 'The pack is out.' };
  return { ...state, around, pile: rest, target, gone, passed: [], turn };
}
