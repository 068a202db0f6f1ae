import { operationNames, type Operation } from '../facts/operation.ts';
import type { DieSides } from '../materials/dice.ts';
import { numberRecipe, packOf, shuffledIds, type Card, type Recipe } from '../materials/pack.ts';
import { shuffled } from '../random/random.ts';
import { askCards } from './askFact.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import {
  emptyScene,
  type Game,
  type GameState,
  type Move,
  type Play,
  type Told,
  type Asking,
} from './game.ts';
import { chanceOf, seatsIn } from './playGame.ts';
import { freshState, rolled } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { numberSetting, oneSetting, operationsSetting, packSetting } from './setting.ts';

/** Rules of First voice and of Turnabout at a step. */
export interface FirstVoiceRules {
  /** Cards turned together; null: dice are rolled. */
  readonly recipe: Recipe | null;
  readonly dice: readonly DieSides[];
  readonly cards: number;
  /** The operation; the first of several where a signal changes it. */
  readonly operations: readonly Operation[];
  /** Who gives the signal; null: there is none. */
  readonly signal: 'table' | 'child' | null;
}

export interface FirstVoiceState extends GameState {
  /** Cards still to be turned, from the top; empty with dice. */
  readonly pile: readonly number[];
  /** What lies open now: worths. */
  readonly open: readonly number[];
  readonly openIds: readonly number[];
  /** What is won with the next right fact, besides what is open: cards, or rolls. */
  readonly lying: number;
  readonly rolls: number;
  readonly won: readonly number[];
  readonly operation: Operation;
  readonly asking: Asking | null;
  readonly claiming: boolean;
}

/** Rolls of a game with dice. */
export const rollsPlayed = 20;
/** Between two signals, ms, at random. */
export const signalAfterMs = [20_000, 40_000] as const;

const cards = (most: number, over: Partial<FirstVoiceRules> = {}): FirstVoiceRules => ({
  recipe: numberRecipe(1, most),
  dice: [],
  cards: 2,
  operations: ['add'],
  signal: null,
  ...over,
});
const dice = (sides: DieSides, over: Partial<FirstVoiceRules> = {}): FirstVoiceRules => ({
  ...cards(10),
  recipe: null,
  dice: [sides, sides],
  ...over,
});

const told: Told = {
  aim: 'Be the first to say the whole fact, and take what lies there.',
  turn: [
    'Two cards, or two dice, are turned together, by a player or by someone who does not play.',
    'Whoever says the whole fact first, and rightly, takes them.',
    'Nobody, or no agreement: they lie there for the next winner.',
  ],
  ends: `When the pack is out, or after ${rollsPlayed} rolls.`,
  example: 'A 6 and an 8: “six and eight is fourteen”. The first to have said it takes both cards.',
};

function make(
  id: string,
  name: string,
  words: Told,
  steps: Game<FirstVoiceRules, FirstVoiceState>['steps'],
): Game<FirstVoiceRules, FirstVoiceState> {
  return {
    id,
    name,
    family: 'first',
    told: words,
    seats: { least: 1, most: 4 },
    minutes: 8,
    steps,
    settings: [
      packSetting(1),
      ...(id === 'turnabout'
        ? [
            operationsSetting('operations', ['add', 'sub', 'mul']),
            oneSetting('signal', 'The signal comes', [
              ['table', 'from the table'],
              ['child', 'from a child'],
            ]),
          ]
        : [
            numberSetting('cards', 'Cards turned', 2, 3),
            oneSetting(
              'operations',
              'Operation',
              (['add', 'sub', 'mul'] as const).map((one) => [[one], operationNames[one].toLowerCase()]),
            ),
          ]),
    ],
    order: ({ rules, seed }) =>
      rules.recipe
        ? [
            {
              name: 'From the top',
              seat: null,
              cards: cardsOf(
                rules.recipe,
                shuffledIds(packOf(rules.recipe), chanceOf({ seed }, { draws: 0 })),
              ),
            },
          ]
        : [],
    operations: ({ operations }) => operations,
    materials: (rules) => ({ pack: rules.recipe, dice: rules.dice, others: [] }),
    setUp: (play) => {
      const { recipe, operations } = play.rules;
      return {
        ...freshState,
        draws: 1,
        pile: recipe ? shuffledIds(packOf(recipe), chanceOf(play, { draws: 0 })) : [],
        open: [],
        openIds: [],
        lying: 0,
        rolls: 0,
        won: Array<number>(play.seats).fill(0),
        operation: operations[0] as Operation,
        asking: null,
        claiming: false,
      };
    },
    need: (play, state) => {
      if (state.asking) return { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) };
      if (state.claiming) {
        const { item, shown, answer, whole } = askedNow(state, 0);
        return {
          kind: 'claim',
          seats: seatsIn(play, state),
          asked: { item, shown, answer, whole },
          says: 'Who was first?',
        };
      }
      return play.rules.recipe
        ? { kind: 'go', says: 'Turn the cards.' }
        : { kind: 'roll', seat: state.turn, dice: play.rules.dice, says: 'Roll the dice.' };
    },
    act,
    leaves: (play, state) =>
      state.asking && state.out.includes(state.asking.asked.seat) ? letLie(play, state) : state,
    shake: (_play, state, random) => ({ ...state, pile: shuffled(state.pile, random) }),
    scene: (play, state) => ({
      ...emptyScene,
      rows: play.rules.recipe
        ? [{ name: 'Open', seat: null, cards: cardsOf(play.rules.recipe, state.openIds) }]
        : [],
      dice: play.rules.recipe ? [] : state.open,
      totals: state.won.map((value, seat) => ({ name: `Seat ${seat + 1}`, value })),
    }),
    scores: (play, state) => scoresFrom(play, state.won),
    best: () => null,
  };
}

const cardsOf = (recipe: Recipe, ids: readonly number[]): Card[] => {
  const pack = packOf(recipe);
  return ids.map((id) => pack[id] as Card);
};

const askedNow = (state: FirstVoiceState, seat: number) => askCards(seat, state.operation, state.open);

function act(play: Play<FirstVoiceRules>, state: FirstVoiceState, move: Move): FirstVoiceState {
  switch (move.kind) {
    case 'go':
    case 'roll':
      return turned(play, state, move);
    case 'signal':
      return { ...state, operation: move.operation, says: 'Everyone freezes: another sign from now on.' };
    case 'claim':
      if (move.seat === null) return letLie(play, state);
      return { ...state, claiming: false, turn: move.seat, asking: ask(askedNow(state, move.seat)) };
    case 'said': {
      const asking = state.asking as Asking;
      const found = answerAsking(play, state, asking, move);
      if (found.kind === 'again') return { ...state, asking: found.asking, turn: found.asking.asked.seat };
      if (found.kind === 'shown') return letLie(play, state, `${asking.asked.whole}. `);
      const taken = state.lying + countOpen(play, state);
      const won = state.won.map((count, seat) => (seat === found.by ? count + taken : count));
      return ended(play, {
        ...state,
        won,
        lying: 0,
        open: [],
        openIds: [],
        asking: null,
        turn: found.by,
        says: `${asking.asked.whole}. Seat ${found.by + 1} takes ${taken}.`,
      });
    }
    case 'calm':
    case 'choose':
    case 'leave':
    case 'line':
    case 'pass':
    case 'stop':
      return state;
  }
}

const countOpen = (play: Play<FirstVoiceRules>, state: FirstVoiceState) =>
  play.rules.recipe ? state.openIds.length : 1;

function turned(play: Play<FirstVoiceRules>, state: FirstVoiceState, move: Move): FirstVoiceState {
  const { recipe } = play.rules;
  const ids = recipe ? state.pile.slice(0, play.rules.cards) : [];
  const shown = recipe ? [] : rolled(play, state, move, play.rules.dice);
  const next: FirstVoiceState = {
    ...state,
    pile: state.pile.slice(ids.length),
    openIds: ids,
    open: recipe ? cardsOf(recipe, ids).map((card) => card.worth) : shown,
    rolls: state.rolls + (recipe ? 0 : 1),
    draws: state.draws + 1,
    says: 'Turned.',
  };
  // Alone there is nobody to be first against.
  const seats = seatsIn(play, state);
  return seats.length === 1
    ? { ...next, asking: ask(askedNow(next, seats[0] as number)), turn: seats[0] as number }
    : { ...next, claiming: true };
}

/** What is open stays for the next winner; `shown` is the whole fact where nobody could say it. */
function letLie(play: Play<FirstVoiceRules>, state: FirstVoiceState, shown = ''): FirstVoiceState {
  return ended(play, {
    ...state,
    lying: state.lying + countOpen(play, state),
    open: [],
    openIds: [],
    asking: null,
    claiming: false,
    says: `${shown}It lies there for the next.`,
  });
}

function ended(play: Play<FirstVoiceRules>, state: FirstVoiceState): FirstVoiceState {
  if (!play.rules.recipe)
    return state.rolls < rollsPlayed ? state : { ...state, over: 'All rolls are played.' };
  if (state.pile.length >= play.rules.cards) return state;
  // Too few left to turn: they lie there with the rest.
  return { ...state, lying: state.lying + state.pile.length, pile: [], over: 'The pack is out.' };
}

export const firstVoice = make('first-voice', 'First voice', told, [
  {
    name: 'Dice, sums',
    example: 'A 6 and a 5: “six and five is eleven”. The first to have said it wins the roll.',
    rules: dice(6),
  },
  { name: 'Cards to 10, sums', rules: cards(10) },
  {
    name: 'Ten-sided dice, sums',
    example: 'A 6 and an 8: “six and eight is fourteen”. The first to have said it wins the roll.',
    rules: dice(10),
  },
  {
    name: 'Differences',
    example: 'An 8 and a 6: “eight take away six is two”. The first to have said it takes both cards.',
    rules: cards(10, { operations: ['sub'] }),
  },
  {
    name: 'Products',
    example: 'A 6 and an 8: “six times eight is forty-eight”. The first to have said it takes both cards.',
    rules: cards(10, { operations: ['mul'] }),
  },
  {
    name: 'Three cards, sums',
    example:
      'A 6, an 8 and a 3: “six and eight and three is seventeen”. The first to have said it takes all three.',
    rules: cards(10, { cards: 3 }),
  },
]);

export const turnabout = make(
  'turnabout',
  'Turnabout',
  {
    ...told,
    aim: 'First voice, and at a signal the sign changes.',
    turn: [...told.turn, 'At the signal everyone freezes; from now on another sign holds.'],
    example: 'A 6 and an 8 after the signal for −: “eight take away six is two”.',
  },
  [
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
);

/** When the next signal comes, ms from the last, and which operation it is for: another than now. */
export function nextSignal(
  play: Play<FirstVoiceRules>,
  state: FirstVoiceState,
): { readonly afterMs: number; readonly operation: Operation } | null {
  const others = play.rules.operations.filter((one) => one !== state.operation);
  if (play.rules.signal === null || others.length === 0) return null;
  const random = chanceOf({ seed: play.seed + 1 }, state);
  return {
    afterMs: random.int(...signalAfterMs),
    operation: others[random.int(0, others.length - 1)] as Operation,
  };
}
