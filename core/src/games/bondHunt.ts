import type { Operation } from '../facts/operation.ts';
import { numberRecipe, packOf, type Card, type Recipe } from '../materials/pack.ts';
import { shuffled } from '../random/random.ts';
import { askCards } from './askFact.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import {
  emptyScene,
  type Choice,
  type Game,
  type GameState,
  type Move,
  type Need,
  type Play,
  type Asking,
} from './game.ts';
import { chanceOf, nextSeat } from './playGame.ts';
import { freshState } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { numberSetting, oneSetting, operationSetting, packSetting } from './setting.ts';
import { tell } from './tell/sentence.ts';

export interface BondRules {
  readonly recipe: Recipe;
  readonly total: number;
  readonly operation: Operation & ('add' | 'mul');
  /** Cards laid out. */
  readonly cards: number;
  /** The most cards turned to make the total. */
  readonly most: 2 | 3;
}

export interface BondState extends GameState {
  /** Places from the first row on: the id of the card there; null: it was taken. */
  readonly places: readonly (number | null)[];
  /** Places turned this turn, in order. */
  readonly open: readonly number[];
  readonly taken: readonly (readonly number[])[];
  readonly asking: Asking | null;
  /** What was turned makes nothing, and is to be turned back. */
  readonly turnBack: boolean;
}

const across = 4;
const rules = (total: number, cards: number, over: Partial<BondRules> = {}): BondRules => ({
  recipe: numberRecipe(1, Math.min(10, total - 1)),
  total,
  operation: 'add',
  cards,
  most: 2,
  ...over,
});

export const bondHunt: Game<BondRules, BondState> = {
  id: 'bond-hunt',
  name: 'Bond hunt',
  family: 'partners',
  told: {
    aim: 'Find the cards that make the total, and keep them.',
    turn: [
      'Turn two cards that lie face down.',
      'Say what they make. Is it the total, keep them and turn again.',
      'If not, everyone looks; they are turned back, and the next player turns.',
    ],
    ends: 'When no cards are left that make the total.',
    example: 'The total is 10. A 4, then a 6: “four and six is ten”. Both are kept.',
  },
  seats: { least: 1, most: 4 },
  minutes: 8,
  steps: [
    {
      name: 'To 5, twelve cards',
      example: 'The total is 5. A 4, then an ace: “four and one is five”. Both are kept.',
      rules: rules(5, 12),
    },
    { name: 'To 10, twelve cards', rules: rules(10, 12) },
    { name: 'To 10, sixteen cards', rules: rules(10, 16) },
    {
      name: 'To 20, sixteen cards',
      example: 'The total is 20. A 9, then a jack: “nine and eleven is twenty”. Both are kept.',
      rules: rules(20, 16, { recipe: numberRecipe(7, 13) }),
    },
    {
      name: 'To 20, twenty cards',
      example: 'The total is 20. A 9, then a jack: “nine and eleven is twenty”. Both are kept.',
      rules: rules(20, 20, { recipe: numberRecipe(7, 13) }),
    },
    {
      name: 'To 10, two or three cards',
      example: 'The total is 10. A 4, an ace, then a 5: “four and one and five is ten”. All three are kept.',
      rules: rules(10, 16, { most: 3 }),
    },
    {
      name: 'Products of 24',
      example: 'The product is 24. A 4, then a 6: “four times six is twenty-four”. Both are kept.',
      rules: rules(24, 12, { operation: 'mul', recipe: numberRecipe(2, 12) }),
    },
  ],
  settings: [
    packSetting(1),
    numberSetting('total', 'Total', 3, 144),
    operationSetting('operation', ['add', 'mul']),
    oneSetting('cards', 'Cards', [
      [8, '8'],
      [12, '12'],
      [16, '16'],
      [20, '20'],
    ]),
    oneSetting('most', 'Cards that make it', [
      [2, 'two'],
      [3, 'two or three'],
    ]),
  ],
  order: (play) => [
    {
      name: `Face down in rows of ${across}, from the left`,
      seat: null,
      across,
      cards: bondHunt.setUp(play).places.flatMap((id) => (id === null ? [] : [cardOf(play, id)])),
    },
  ],
  operations: ({ operation }) => [operation],
  materials: ({ recipe, total, cards }) => ({
    pack: recipe,
    dice: [],
    others: [`${cards} cards that make ${total} in pairs, face down in rows of ${across}`],
  }),
  setUp: (play) => ({
    ...freshState,
    draws: 1,
    places: dealt(play),
    open: [],
    taken: Array.from({ length: play.seats }, () => []),
    asking: null,
    turnBack: false,
  }),
  need: (play, state): Need => {
    if (state.asking) return { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) };
    if (state.turnBack) return { kind: 'go', says: 'Everyone looks. Turn them back.' };
    return {
      kind: 'choose',
      seat: state.turn,
      says: state.open.length === 0 ? `Turn a card; the total is ${play.rules.total}.` : 'Turn another.',
      choices: closedPlaces(state),
    };
  },
  act,
  scene: (play, state) => ({
    ...emptyScene,
    rows: [
      {
        name: 'The cards',
        seat: null,
        across,
        cards: state.places.flatMap((id, at) => {
          if (id === null) return [];
          const card = cardOf(play, id);
          const up = state.open.includes(at);
          return [
            { id: at, rank: up ? card.rank : null, colour: card.colour, worth: up ? card.worth : null },
          ];
        }),
      },
    ],
    totals: state.taken.map((cards, seat) => ({ name: `Seat ${seat + 1}`, value: cards.length })),
    target: play.rules.total,
  }),
  scores: (play, state) => {
    const counts = state.taken.map((cards) => cards.length);
    return scoresFrom(play, counts);
  },
  // What lies face down is not given away.
  best: () => null,
};

const cardOf = (play: Play<BondRules>, id: number) => packOf(play.rules.recipe)[id] as Card;
const make = ({ operation }: BondRules, worths: readonly number[]) =>
  worths.reduce((a, b) => (operation === 'mul' ? a * b : a + b));

/** Cards in random places, laid out in pairs that make the total: one that could never be paired is not dealt. */
function dealt(play: Play<BondRules>): number[] {
  const { recipe, total, cards, operation } = play.rules;
  const random = chanceOf(play, { draws: 0 });
  const left = shuffled(packOf(recipe), random);
  const out: number[] = [];
  while (out.length + 2 <= cards) {
    const first = left.find((card) => left.some((other) => other !== card && fits(card, other)));
    if (!first) break;
    const second = left.find((other) => other !== first && fits(first, other)) as Card;
    for (const card of [first, second]) left.splice(left.indexOf(card), 1);
    out.push(first.id, second.id);
  }
  return shuffled(out, random);

  function fits(a: Card, b: Card): boolean {
    return (operation === 'mul' ? a.worth * b.worth : a.worth + b.worth) === total;
  }
}

function closedPlaces(state: BondState): Choice[] {
  return state.places.flatMap((id, at) =>
    id === null || state.open.includes(at)
      ? []
      : [
          {
            key: String(at),
            says: `Row ${Math.floor(at / across) + 1}, card ${(at % across) + 1}`,
            at: { card: at },
          },
        ],
  );
}

const worthsAt = (play: Play<BondRules>, state: BondState, places: readonly number[]) =>
  places.map((at) => cardOf(play, state.places[at] as number).worth);

/** Whether some of the cards that are left still make the total. */
export function bondLeft(play: Play<BondRules>, state: BondState): boolean {
  const worths = worthsAt(
    play,
    state,
    [...state.places.keys()].filter((at) => state.places[at] !== null),
  );
  const { total, most } = play.rules;
  return worths.some((a, i) =>
    worths.some(
      (b, j) =>
        j > i &&
        (make(play.rules, [a, b]) === total ||
          (most === 3 && worths.some((c, k) => k > j && make(play.rules, [a, b, c]) === total))),
    ),
  );
}

function act(play: Play<BondRules>, state: BondState, move: Move): BondState {
  switch (move.kind) {
    case 'choose': {
      const open = [...state.open, Number(move.key)];
      const next = { ...state, open, says: `A ${worthsAt(play, state, open).at(-1)}.` };
      if (open.length < 2) return next;
      const worths = worthsAt(play, state, open);
      const made = make(play.rules, worths);
      const more = open.length < play.rules.most && made < play.rules.total && closedPlaces(next).length > 0;
      return more ? next : { ...next, asking: ask(askCards(state.turn, play.rules.operation, worths)) };
    }
    case 'said': {
      const asking = state.asking as Asking;
      const found = answerAsking(play, state, asking, move);
      if (found.kind === 'again') return { ...state, asking: found.asking };
      const says = `${asking.asked.whole}.`;
      const makes = make(play.rules, worthsAt(play, state, state.open)) === play.rules.total;
      // Whoever said the whole fact of a find keeps it.
      if (makes && found.kind === 'said') return keep(play, { ...state, asking: null, says }, found.by);
      return { ...state, asking: null, turnBack: true, says };
    }
    case 'go':
      return {
        ...state,
        open: [],
        turnBack: false,
        turn: nextSeat(play, state, state.turn),
        says: 'Turned back.',
      };
    case 'calm':
    case 'claim':
    case 'leave':
    case 'line':
    case 'pass':
    case 'roll':
    case 'signal':
    case 'stop':
      return state;
  }
}

function keep(play: Play<BondRules>, state: BondState, by: number): BondState {
  const ids = state.open.map((at) => state.places[at] as number);
  const next = {
    ...state,
    places: state.places.map((id, at) => (state.open.includes(at) ? null : id)),
    taken: state.taken.map((cards, seat) => (seat === by ? [...cards, ...ids] : cards)),
    open: [],
    turn: by,
    says: `${tell(state.says)} Seat ${by + 1} keeps them.`,
  };
  if (bondLeft(play, next)) return next;
  return {
    ...next,
    over: next.places.some((id) => id !== null)
      ? `Nothing that is left makes ${play.rules.total}.`
      : 'All are found.',
  };
}
