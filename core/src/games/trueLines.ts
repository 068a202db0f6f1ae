import { factKey, tryParseFactKey } from '../facts/fact.ts';
import { numberRecipe, packOf, shuffledIds, type Card } from '../materials/pack.ts';
import { signedText } from './askFact.ts';
import { layings, lineText, type Laying } from './layings.ts';
import { emptyScene, type BestMove, type Choice, type Game, type Move, type Play } from './game.ts';
import { anyOwnPacks, ownOf, packInPlay, packOfSeat } from './ownPacks.ts';
import { chanceOf, nextSeat, seatsIn } from './playGame.ts';
import { freshState } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { operationSetting, packSetting, yesNo } from './setting.ts';
import type { TrueRules, TrueState } from './trueState.ts';

const handSize = 7;
const draw = 'draw';
const rules = (
  most: number,
  over: Partial<TrueRules> & { wild?: boolean; signed?: boolean } = {},
): TrueRules => {
  const { wild = true, signed = false, ...rest } = over;
  const plain = numberRecipe(1, most, { signed });
  return {
    recipe: wild ? { ...plain, worths: { ...plain.worths, joker: 0 }, wild } : plain,
    operation: 'add',
    open: false,
    ...rest,
  };
};

export const trueLines: Game<TrueRules, TrueState> = {
  id: 'true-lines',
  name: 'True lines',
  family: 'partners',
  told: {
    aim: 'Be the first to have laid all your cards in true lines.',
    turn: [
      'Lay three cards that make a true line, such as 3 + 4 = 7.',
      'Or lay two, with one that lies on the board already.',
      'Or ask another player for the third: if they have it, lay the line; if not, draw a card.',
    ],
    ends: 'When a hand is empty, or nobody can go on.',
    example: 'On the board lies a 9. You lay 2 and 7: 2 + 7 = 9. A joker is any number the line needs.',
  },
  seats: { least: 1, most: 4 },
  minutes: 15,
  steps: [
    {
      name: 'To 10, open hands',
      example: 'On the board lies a 9. You lay 2 and 7: 2 + 7 = 9.',
      rules: rules(10, { open: true, wild: false }),
    },
    { name: 'A wild card joins', rules: rules(10, { open: true }) },
    { name: 'Hands closed', rules: rules(10) },
    {
      name: 'To 13',
      example: 'On the board lies a king. You lay 4 and 9: 4 + 9 = 13. A joker is any number the line needs.',
      rules: rules(13),
    },
    {
      name: 'Black adds, red takes away',
      example:
        'On the board lies a black 5. You lay a black 7 and a red 2: seven with two taken away is five.',
      rules: rules(10, { signed: true, wild: false }),
    },
    {
      name: 'Lines that take away',
      example:
        'On the board lies a 9. You lay a queen and a 3: 12 − 3 = 9. A joker is any number the line needs.',
      rules: rules(13, { operation: 'sub' }),
    },
    {
      name: 'Products',
      example: 'On the board lies a 6. You lay 2 and 3: 2 × 3 = 6. A joker is any number the line needs.',
      rules: rules(12, { operation: 'mul' }),
    },
  ],
  settings: [
    packSetting(1),
    operationSetting('operation', ['add', 'sub', 'mul']),
    yesNo('open', 'Hands lie open'),
  ],
  ownPacks: anyOwnPacks,
  order: (play) => {
    const { hands, board, pile } = trueLines.setUp(play);
    return [
      ...hands.map((ids, seat) => ({
        name: `Hand of seat ${seat + 1}`,
        seat,
        cards: ids.map((id) => cardOf(play, id)),
      })),
      { name: 'Open on the board', seat: null, cards: board.map((id) => cardOf(play, id)) },
      { name: 'The pile, from the top', seat: null, cards: pile.map((id) => cardOf(play, id)) },
    ];
  },
  operations: ({ operation }) => [operation],
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  setUp: (play) => {
    const { packs } = play;
    if (packs) {
      // Each seat is dealt from its own pack, and draws from it; the first card on the board is of the first.
      const own = Array.from({ length: play.seats }, (_, seat) =>
        shuffledIds(packOfSeat(play, seat), chanceOf(play, { draws: seat })),
      );
      const rest = own.map((ids) => ids.slice(handSize));
      return {
        ...freshState,
        draws: play.seats,
        hands: own.map((ids) => ids.slice(0, handSize)),
        board: (rest[0] ?? []).slice(0, 1),
        pile: rest.flatMap((ids, seat) => (seat === 0 ? ids.slice(1) : ids)),
        laid: Array<number>(play.seats).fill(0),
        passed: 0,
        winner: null,
      };
    }
    const ids = shuffledIds(packOf(play.rules.recipe), chanceOf(play, freshState));
    const hands = Array.from({ length: play.seats }, (_, seat) =>
      ids.slice(seat * handSize, (seat + 1) * handSize),
    );
    const dealt = handSize * play.seats;
    // One card lies open from the start, so that two may join it.
    return {
      ...freshState,
      draws: 1,
      hands,
      board: ids.slice(dealt, dealt + 1),
      pile: ids.slice(dealt + 1),
      laid: Array<number>(play.seats).fill(0),
      passed: 0,
      winner: null,
    };
  },
  need: (play, state) => ({
    kind: 'choose',
    seat: state.turn,
    says: `Seat ${state.turn + 1}: a true line?`,
    choices: choicesOf(play, state),
    by: 'cards',
  }),
  act,
  scene: (play, state) => ({
    ...emptyScene,
    rows: [
      { name: 'The board', seat: null, cards: state.board.map((id) => faceOf(play, id)), across: 10 },
      ...state.hands.map((hand, seat) => ({
        name: `Seat ${seat + 1}`,
        seat,
        cards: hand.map((id) =>
          play.rules.open || seat === state.turn
            ? faceOf(play, id)
            : { ...faceOf(play, id), rank: null, worth: null },
        ),
      })),
    ],
    totals: state.hands.map((hand, seat) => ({ name: `Left with seat ${seat + 1}`, value: hand.length })),
  }),
  scores: (play, state) => scoresFrom(play, state.laid),
  best,
};

const cardOf = (play: Play<TrueRules>, id: number) => packInPlay(play)[id] as Card;
const faceOf = (play: Play<TrueRules>, id: number) => {
  const { rank, colour, worth } = cardOf(play, id);
  return {
    id,
    rank,
    colour,
    worth: rank === 'joker' ? null : worth,
    ...(rank === 'joker' ? { says: 'any' } : {}),
  };
};

const keyOf = ({ ids }: Laying) => `lay ${ids.join(' ')}`;

function choicesOf(play: Play<TrueRules>, state: TrueState): Choice[] {
  const { operation } = play.rules;
  const lay = layings(play, state, state.turn).map((one): Choice => {
    const [left, right] = one.numbers;
    const key = left >= 0 && right >= 0 ? factKey({ operation, left, right }) : '';
    return {
      key: keyOf(one),
      veiled: true,
      says: `Lay ${lineText(operation, one.numbers)}${one.own === 2 ? ' with the board' : ''}`,
      ...(tryParseFactKey(key) ? { fact: key } : {}),
    };
  });
  return [
    ...lay,
    ...asks(play, state),
    { key: draw, says: ownOf(play, state.pile, state.turn).length > 0 ? 'Draw a card' : 'Pass' },
  ];
}

/** What may be asked of another seat: numbers that would make a line of three with two of one's own. */
function asks(play: Play<TrueRules>, state: TrueState): Choice[] {
  const others = seatsIn(play, state).filter((seat) => seat !== state.turn);
  if (others.length === 0) return [];
  const wanted = new Set(packInPlay(play).flatMap((card) => (card.rank === 'joker' ? [] : [card.worth])));
  const useful = [...wanted].filter((worth) =>
    layings(play, { ...state, board: [] }, state.turn, [{ id: -1, worth, own: true }]).some((one) =>
      one.ids.includes(-1),
    ),
  );
  return others.flatMap((seat) =>
    useful.map((worth) => ({
      key: `ask ${seat} ${worth}`,
      veiled: true as const,
      says: `Ask seat ${seat + 1} for ${signedText(worth)}`,
    })),
  );
}

function best(play: Play<TrueRules>, state: TrueState): BestMove | null {
  const [found] = layings(play, state, state.turn).sort((a, b) => b.own - a.own);
  if (!found)
    return {
      says: 'No line can be laid from this hand.',
      worked: [],
      move: { kind: 'choose', seat: state.turn, key: draw },
    };
  const text = lineText(play.rules.operation, found.numbers);
  return {
    says: `${text} lays ${found.own} cards.`,
    worked: [text],
    move: { kind: 'choose', seat: state.turn, key: keyOf(found) },
  };
}

function act(play: Play<TrueRules>, state: TrueState, move: Move): TrueState {
  if (move.kind !== 'choose') return state;
  const [what, ...rest] = move.key.split(' ');
  if (what === 'lay') return layDown(play, state, rest.map(Number));
  if (what === 'ask') return askFor(play, state, Number(rest[0]), Number(rest[1]));
  return drawn(play, {
    ...state,
    says:
      ownOf(play, state.pile, state.turn).length > 0
        ? `Seat ${state.turn + 1} draws.`
        : `Seat ${state.turn + 1} passes.`,
  });
}

function layDown(play: Play<TrueRules>, state: TrueState, ids: readonly number[]): TrueState {
  const hand = state.hands[state.turn] as readonly number[];
  const own = ids.filter((id) => hand.includes(id));
  const found = layings(play, state, state.turn).find((one) => one.ids.join() === ids.join());
  const hands = state.hands.map((cards, seat) =>
    seat === state.turn ? cards.filter((id) => !own.includes(id)) : cards,
  );
  const text = found ? lineText(play.rules.operation, found.numbers) : '';
  const next: TrueState = {
    ...state,
    hands,
    board: [...state.board, ...own],
    laid: state.laid.map((count, seat) => (seat === state.turn ? count + own.length : count)),
    passed: 0,
    says: `${text}.`,
  };
  if ((hands[state.turn] as readonly number[]).length === 0)
    return { ...next, winner: state.turn, over: `Seat ${state.turn + 1} is out.` };
  return { ...next, turn: nextSeat(play, state, state.turn) };
}

/** The card asked for is given and its line laid; where it is not there, the asker draws. */
function askFor(play: Play<TrueRules>, state: TrueState, seat: number, worth: number): TrueState {
  const given = (state.hands[seat] ?? []).find(
    (id) => cardOf(play, id).rank !== 'joker' && cardOf(play, id).worth === worth,
  );
  if (given === undefined)
    return drawn(play, { ...state, says: `Seat ${seat + 1} has no ${signedText(worth)}.` });
  const hands = state.hands.map((cards, at) =>
    at === seat ? cards.filter((id) => id !== given) : at === state.turn ? [...cards, given] : cards,
  );
  const got = { ...state, hands };
  const line = layings(play, { ...got, board: [] }, state.turn).find((one) => one.ids.includes(given));
  if (!line) return drawn(play, { ...got, says: `Seat ${seat + 1} gives a ${signedText(worth)}.` });
  const next = layDown(play, got, line.ids);
  // A hand that gave its last card is out as well.
  if (next.over === null && (next.hands[seat] as readonly number[]).length === 0)
    return { ...next, winner: seat, over: `Seat ${seat + 1} is out.` };
  return next;
}

function drawn(play: Play<TrueRules>, state: TrueState): TrueState {
  const [card] = ownOf(play, state.pile, state.turn);
  const pile = state.pile.filter((id) => id !== card);
  const turn = nextSeat(play, state, state.turn);
  if (card !== undefined)
    return {
      ...state,
      pile,
      hands: state.hands.map((cards, seat) => (seat === state.turn ? [...cards, card] : cards)),
      passed: 0,
      turn,
    };
  const passed = state.passed + 1;
  const on = { ...state, passed, turn };
  return passed >= seatsIn(play, state).length ? { ...on, over: 'Nobody can go on.' } : on;
}
