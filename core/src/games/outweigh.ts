import type { Operation } from '../facts/operation.ts';
import { resultOf } from '../materials/deckOdds.ts';
import { numberRecipe, packOf, shuffledIds, type Card, type Recipe } from '../materials/pack.ts';
import { shuffled } from '../random/random.ts';
import { compareFractions } from '../numbers/fraction.ts';
import { askCards, askLarger } from './askFact.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import {
  emptyScene,
  type Game,
  type GameState,
  type Move,
  type Need,
  type Play,
  type SceneCard,
  type Asking,
} from './game.ts';
import { anyOwnPacks, packInPlay, packOfSeat } from './ownPacks.ts';
import { chanceOf, seatsIn } from './playGame.ts';
import { freshState } from './rolled.ts';
import { numberSetting, oneSetting, packSetting, yesNo } from './setting.ts';

/** Rules of Outweigh at a step. */
export interface OutweighRules {
  readonly recipe: Recipe;
  /** Cards turned at once. */
  readonly cards: number;
  /** What is said; null: one card each, and which is larger. */
  readonly operation: Operation | null;
  readonly smaller: boolean;
}

export interface OutweighState extends GameState {
  /** Face down, from the top: each seat's own stack. */
  readonly stacks: readonly (readonly number[])[];
  /** Turned by each seat this turn. */
  readonly turned: readonly (readonly number[])[];
  /** Lying under, for whoever wins. */
  readonly stake: readonly number[];
  readonly won: readonly (readonly number[])[];
  readonly asking: Asking | null;
  /** Seats whose fact is still to be said this turn. */
  readonly toSay: readonly number[];
}

const layDown = 3;

const recipe = (most: number) => numberRecipe(1, most);
const first: OutweighRules = { recipe: recipe(10), cards: 1, operation: null, smaller: false };

export const outweigh: Game<OutweighRules, OutweighState> = {
  id: 'outweigh',
  name: 'Outweigh',
  family: 'compare',
  told: {
    aim: 'Take the most cards by turning the larger result.',
    turn: [
      'One after the other turns their cards and says the whole fact at once. Alone, say the pack’s too.',
      'The larger result takes all the cards that lie there.',
      'Alike: each lays three face down and turns again; the larger takes everything.',
    ],
    ends: 'When the pack or the time is out. Cards left in a tie with too few to lay are shared.',
    example:
      '7 and 6 against 9 and 3: “seven and six is thirteen”, “nine and three is twelve”. Thirteen takes four cards.',
  },
  seats: { least: 1, most: 4 },
  minutes: 10,
  steps: [
    {
      name: 'One card, the larger',
      example: '7 against 4: “seven is larger”, and takes both cards.',
      rules: first,
    },
    {
      name: 'Sums to 5 and 5',
      example:
        '4 and 5 against 3 and 2: “four and five is nine”, “three and two is five”. Nine takes four cards.',
      rules: { ...first, recipe: recipe(5), cards: 2, operation: 'add' },
    },
    { name: 'Sums to 10 and 10', rules: { ...first, cards: 2, operation: 'add' } },
    {
      name: 'Differences',
      example:
        '9 and 3 against 7 and 6: “nine take away three is six”, “seven take away six is one”. Six takes four cards.',
      rules: { ...first, cards: 2, operation: 'sub' },
    },
    {
      name: 'Products',
      example:
        '7 and 6 against 9 and 3: “seven times six is forty-two”, “nine times three is twenty-seven”. Forty-two takes four cards.',
      rules: { ...first, cards: 2, operation: 'mul' },
    },
    {
      name: 'Quotients, larger by smaller',
      example:
        '8 and 2 against 9 and 3: “eight divided by two is four”, “nine divided by three is three”. Four takes four cards.',
      rules: { ...first, cards: 2, operation: 'div' },
    },
    {
      name: 'Products, the smaller takes',
      example:
        '7 and 6 against 9 and 3: “seven times six is forty-two”, “nine times three is twenty-seven”. Twenty-seven takes four cards.',
      rules: { ...first, cards: 2, operation: 'mul', smaller: true },
    },
    {
      name: 'Three cards',
      example:
        '7, 6 and 2 against 9, 3 and 1: “seven and six and two is fifteen”, “nine and three and one is thirteen”. Fifteen takes six cards.',
      rules: { ...first, cards: 3, operation: 'add' },
    },
  ],
  settings: [
    packSetting(1),
    numberSetting('cards', 'Cards turned', 1, 4),
    oneSetting('operation', 'Operation', [
      [null, 'none: cards are only compared'],
      ['add', 'addition'],
      ['sub', 'subtraction'],
      ['mul', 'multiplication'],
      ['div', 'division'],
    ]),
    yesNo('smaller', 'The smaller takes'),
  ],
  ownPacks: anyOwnPacks,
  order: (play) =>
    outweigh.setUp(play).stacks.map((stack, seat) => ({
      name: `Stack of ${handName(play, seat).replace(/^[ST]/, (one) => one.toLowerCase())}, from the top`,
      seat: seatRow(play, seat),
      cards: faces(play, stack),
    })),
  operations: ({ operation }) => (operation === null ? [] : [operation]),
  materials: (rules) => ({ pack: rules.recipe, dice: [], others: [] }),

  setUp: (play) => {
    const { packs } = play;
    if (packs) {
      // Each seat shuffles its own pack; the shortest says how many cards each plays with.
      const own = Array.from({ length: handsOf(play) }, (_, seat) =>
        shuffledIds(packOfSeat(play, seat), chanceOf(play, { draws: seat })),
      );
      const least = Math.min(...own.map((ids) => ids.length));
      return {
        ...freshState,
        draws: handsOf(play),
        says: 'Each has a pack of their own.',
        stacks: own.map((ids) => ids.slice(0, least)),
        turned: none(handsOf(play)),
        stake: [],
        won: none(handsOf(play)),
        asking: null,
        toSay: [],
      };
    }
    const ids = shuffledIds(packOf(play.rules.recipe), chanceOf(play, { draws: 0 }));
    const each = Math.floor(ids.length / handsOf(play));
    return {
      ...freshState,
      draws: 1,
      says: 'The pack is dealt out.',
      stacks: Array.from({ length: handsOf(play) }, (_, seat) => ids.slice(seat * each, (seat + 1) * each)),
      turned: none(handsOf(play)),
      // What cannot be dealt evenly goes to the first winner.
      stake: ids.slice(each * handsOf(play)),
      won: none(handsOf(play)),
      asking: null,
      toSay: [],
    };
  },

  need: (_play, state): Need =>
    state.asking
      ? { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) }
      : { kind: 'go', says: 'Turn the cards.' },

  act: (play, state, move) => (move.kind === 'said' ? said(play, state, move) : turn(play, state)),
  // Its cards stay in the game for whoever wins next.
  leaves: (play, state, seat) => {
    const stake = [...state.stake, ...(state.stacks[seat] ?? []), ...(state.turned[seat] ?? [])];
    const empty = (piles: readonly (readonly number[])[]) =>
      piles.map((pile, at) => (at === seat ? [] : pile));
    const gone = { ...state, stake, stacks: empty(state.stacks), turned: empty(state.turned) };
    const toSay = state.toSay.filter((one) => one !== seat);
    if (seatsIn(play, gone).length === 1)
      return { ...gone, over: 'One seat is left.', asking: null, toSay: [] };
    return state.asking?.asked.seat === seat ? afterSaid(play, { ...gone, toSay }) : { ...gone, toSay };
  },

  shake: (_play, state, random) => ({
    ...state,
    stacks: state.stacks.map((stack) => shuffled(stack, random)),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    rows: Array.from({ length: handsOf(play) }, (_, seat) => ({
      name: handName(play, seat),
      seat: seatRow(play, seat),
      // Turned when its seat is to say it: who sees their cards while another speaks has begun before the clock.
      cards: faces(play, state.turned[seat] ?? []).map((card) =>
        state.toSay.includes(seat) ? { ...card, rank: null, worth: null } : card,
      ),
    })),
    totals: state.won.map((cards, seat) => ({ name: handName(play, seat), value: cards.length })),
  }),
  scores: (play, state) => state.won.slice(0, play.seats).map((cards) => cards.length),
  best: () => null,
};

/** Alone, the pack has a hand of its own, whose facts the player says too. */
const handsOf = (play: Pick<Play<unknown>, 'seats'>): number => Math.max(2, play.seats);
const handsIn = (play: Play<unknown>, state: OutweighState): number[] =>
  play.seats === 1 ? [0, 1] : seatsIn(play, state);
const seatOf = (play: Pick<Play<unknown>, 'seats'>, hand: number): number => Math.min(hand, play.seats - 1);
const seatRow = (play: Pick<Play<unknown>, 'seats'>, hand: number): number | null =>
  hand < play.seats ? hand : null;
const handName = (play: Pick<Play<unknown>, 'seats'>, hand: number): string =>
  hand < play.seats ? `Seat ${hand + 1}` : 'The pack';

const none = (seats: number): readonly number[][] => Array.from({ length: seats }, () => []);

function cardsOf(play: Play<OutweighRules>, ids: readonly number[]): Card[] {
  const pack = packInPlay(play, handsOf(play));
  return ids.map((id) => pack[id] as Card);
}

const faces = (play: Play<OutweighRules>, ids: readonly number[]): SceneCard[] =>
  cardsOf(play, ids).map(({ id, rank, colour, worth }) => ({ id, rank, colour, worth }));

const worths = (play: Play<OutweighRules>, ids: readonly number[]) =>
  cardsOf(play, ids).map((card) => card.worth);

/** Everyone turns; or, where stacks are too low for it, it is over. */
function turn(play: Play<OutweighRules>, state: OutweighState): OutweighState {
  const { cards, operation } = play.rules;
  const seats = handsIn(play, state);
  if (seats.some((seat) => (state.stacks[seat] as readonly number[]).length < cards))
    return finish(play, state);
  const turned = state.stacks.map((stack, seat) => (state.out.includes(seat) ? [] : stack.slice(0, cards)));
  const stacks = state.stacks.map((stack, seat) => (state.out.includes(seat) ? stack : stack.slice(cards)));
  const next = { ...state, turned, stacks };
  if (operation === null) {
    const numbers = seats.map((seat) => worths(play, turned[seat] ?? [])[0] as number);
    return { ...next, asking: ask(askLarger(state.turn, numbers, play.rules.smaller)), says: 'Turned.' };
  }
  return { ...afterSaid(play, { ...next, toSay: seats }), says: 'Turned.' };
}

/** Asks the next seat for its fact; when all have said theirs, the turn is settled. */
function afterSaid(play: Play<OutweighRules>, state: OutweighState): OutweighState {
  const [seat, ...toSay] = state.toSay;
  const { operation } = play.rules;
  if (seat === undefined || operation === null) return settle(play, { ...state, asking: null });
  return {
    ...state,
    toSay,
    turn: seatOf(play, seat),
    asking: ask(askCards(seatOf(play, seat), operation, worths(play, state.turned[seat] ?? []))),
  };
}

function said(
  play: Play<OutweighRules>,
  state: OutweighState,
  move: Move & { readonly kind: 'said' },
): OutweighState {
  const asking = state.asking as Asking;
  const found = answerAsking(play, state, asking, move);
  if (found.kind === 'again') return { ...state, asking: found.asking, turn: found.asking.asked.seat };
  return { ...afterSaid(play, state), says: asking.asked.whole };
}

/** The larger (or smaller) result takes what lies there; alike, each lays three down and turns again. */
function settle(play: Play<OutweighRules>, state: OutweighState): OutweighState {
  const operation = play.rules.operation ?? 'add';
  const results = handsIn(play, state).map((seat) => ({
    seat,
    value: resultOf(worths(play, state.turned[seat] ?? []), operation),
  }));
  const sorted = [...results].sort(
    (a, b) => (play.rules.smaller ? 1 : -1) * compareFractions(a.value, b.value),
  );
  const [best, second] = sorted;
  const lying = [...state.stake, ...state.turned.flat()];
  const cleared = { ...state, turned: none(handsOf(play)), asking: null, toSay: [] };
  if (best && second && compareFractions(best.value, second.value) !== 0) {
    const won = state.won.map((cards, seat) => (seat === best.seat ? [...cards, ...lying] : cards));
    return end(play, {
      ...cleared,
      stake: [],
      won,
      turn: seatOf(play, best.seat),
      says: `${handName(play, best.seat)} takes ${lying.length} cards.`,
    });
  }
  const seats = handsIn(play, state);
  const enough = seats.every(
    (seat) => (state.stacks[seat] as readonly number[]).length >= layDown + play.rules.cards,
  );
  if (!enough) return finish(play, { ...cleared, stake: lying, says: 'Alike, and too few cards to lay.' });
  return {
    ...cleared,
    stake: [
      ...lying,
      ...seats.flatMap((seat) => (state.stacks[seat] as readonly number[]).slice(0, layDown)),
    ],
    stacks: state.stacks.map((stack, seat) => (seats.includes(seat) ? stack.slice(layDown) : stack)),
    says: 'Alike: three face down, and turn again.',
  };
}

/** Over when a seat cannot turn any more. */
function end(play: Play<OutweighRules>, state: OutweighState): OutweighState {
  const able = handsIn(play, state).every(
    (seat) => (state.stacks[seat] as readonly number[]).length >= play.rules.cards,
  );
  return able ? state : finish(play, state);
}

/** The cards that still lie there are shared, one each in turn; the rest of the stacks stay with their seats. */
function finish(play: Play<OutweighRules>, state: OutweighState): OutweighState {
  const seats = handsIn(play, state);
  const share = (seat: number) => state.stake.filter((_, at) => seats[at % seats.length] === seat);
  const won = state.won.map((cards, seat) => [...cards, ...(state.stacks[seat] ?? []), ...share(seat)]);
  return {
    ...state,
    won,
    stacks: none(handsOf(play)),
    stake: [],
    asking: null,
    toSay: [],
    over: 'The pack is out.',
  };
}
