import { factKey } from '../facts/fact.ts';
import { factOr } from '../facts/item.ts';
import { numberRecipe, shuffledIds, type Card } from '../materials/pack.ts';
import { twoNumberLayouts, type UnderLine } from '../numbers/underLine.ts';
import { answerAsking, ask, askingSays } from './asking.ts';
import { emptyScene, type Asking, type Choice, type Game, type Move, type Play } from './game.ts';
import { nothingFits } from './nothingFits.ts';
import { ownOf, packedWith, packInPlay } from './ownPacks.ts';
import { chanceOf, seatsIn } from './playGame.ts';
import { freshState } from './rolled.ts';
import { namedScores, scoreCount } from './scoring.ts';
import { numberSetting, oneSetting, yesNo } from './setting.ts';
import type { LineRules, LineState } from './lineState.ts';

const rounds = 5;
const handSize = 4;
const recipe = numberRecipe(1, 9);
/** The cards in play, each at its id. */
const cardsOf = (play: Play<LineRules>): readonly Card[] => packInPlay(packedWith(play, recipe));
const none = 'none';

export const underTheLine: Game<LineRules, LineState> = {
  id: 'under-the-line',
  name: 'Under the line',
  family: 'compare',
  told: {
    aim: 'Lay two 2-digit numbers with a sum as near the line as can be, and not over it.',
    turn: [
      'Everyone gets four cards and lays them as two numbers of tens and ones.',
      'Say the sum. The nearest under the line takes the point; equally near, each takes one.',
      'Nothing fits under the line: say so. If that is true, new cards are dealt.',
    ],
    ends: `After ${rounds} rounds.`,
    example: 'The line is 110 and there lie 2, 5, 6 and 4: 56 + 42 = 98 is good, 65 + 42 = 107 is better.',
  },
  seats: { least: 1, most: 4 },
  minutes: 12,
  steps: [
    { name: 'Under 110, with a place frame', rules: { line: 110, kind: 'under', frame: true } },
    { name: 'Under 110, in the head', rules: { line: 110, kind: 'under', frame: false } },
    {
      name: 'Under 150',
      example: 'The line is 150 and there lie 7, 5, 6 and 4: 76 + 45 = 121 is good, 75 + 64 = 139 is better.',
      rules: { line: 150, kind: 'under', frame: false },
    },
    {
      name: 'A difference near 30',
      example:
        'The difference is to come near 30 and there lie 2, 5, 6 and 4: 65 − 42 = 23 is good, 54 − 26 = 28 is better.',
      rules: { line: 30, kind: 'difference', frame: false },
    },
  ],
  settings: [
    numberSetting('line', 'The line', 20, 190),
    oneSetting('kind', 'Asked for', [
      ['under', 'a sum under the line'],
      ['difference', 'a difference near the line'],
    ]),
    yesNo('frame', 'With a place frame'),
  ],
  ownPacks: [5, 6, 7, 8, 9],
  order: (play) => {
    const cards = cardsOf(play);
    const faces = (ids: readonly number[]) => ids.map((id) => cards[id] as Card);
    return play.packs
      ? Array.from({ length: play.seats }, (_, seat) => ({
          name: `Pack of seat ${seat + 1}, from the top, four a round`,
          seat,
          cards: faces(ownOf(packedWith(play, recipe), shuffledPile(play), seat)),
        }))
      : [{ name: 'From the top, four to each seat in turn', seat: null, cards: faces(shuffledPile(play)) }];
  },
  aidAt: ({ frame }) => (frame ? 'placeFrame' : null),
  operations: ({ kind }) => [kind === 'under' ? 'add' : 'sub'],
  materials: ({ frame }) => ({
    pack: recipe,
    dice: [],
    others: frame ? ['a place frame for each player'] : [],
  }),
  setUp: (play) =>
    deal(play, {
      ...freshState,
      pile: shuffledPile(play),
      draws: 1,
      gone: [],
      hands: [],
      laid: [],
      asking: null,
      round: 0,
      points: Array<number>(scoreCount(play)).fill(0),
    }),
  need: (play, state) => {
    if (state.asking) return { kind: 'say', asked: state.asking.asked, says: askingSays(state.asking) };
    const seat = toLay(play, state);
    if (seat === undefined) return { kind: 'go', says: 'Deal the next round.' };
    const goal =
      play.rules.kind === 'under' ? `under ${play.rules.line}` : `with a difference near ${play.rules.line}`;
    return {
      kind: 'choose',
      seat,
      says: `Seat ${seat + 1}: two numbers ${goal}.`,
      choices: choicesOf(play, state, seat),
      by: 'places',
    };
  },
  act,
  leaves: (play, state, seat) => {
    const rest = state.asking?.asked.seat === seat ? { ...state, asking: null } : state;
    return toLay(play, rest) === undefined && rest.asking === null ? settle(play, rest) : rest;
  },
  scene: (play, state) => ({
    ...emptyScene,
    rows: state.hands.map((hand, seat) => ({
      name: `Seat ${seat + 1}`,
      seat,
      cards: hand.map((id) => cardsOf(play)[id] as Card),
    })),
    totals: namedScores(play, state.points, 'Together'),
    target: play.rules.line,
  }),
  scores: (_play, state) => state.points,
  best: (play, state) => {
    const seat = toLay(play, state);
    if (state.asking || seat === undefined) return null;
    const best = bestLayout(play, worthsOf(play, state, seat));
    if (!best)
      return {
        says: `Nothing these cards can be laid to stays under ${play.rules.line}.`,
        worked: [],
        move: { kind: 'choose', seat, key: none },
      };
    const off = Math.abs(play.rules.line - valueOf(play.rules, best));
    return {
      says: `${wholeOf(play.rules, best)}, ${off} from the line.`,
      worked: [wholeOf(play.rules, best)],
      move: { kind: 'choose', seat, key: keyOf(best) },
    };
  },
};

/** Throws RangeError for a pack of one's own whose cards are no tens and ones. */
function shuffledPile(play: Play<LineRules>): number[] {
  const cards = cardsOf(play);
  if (cards.some(({ worth }) => worth < 1 || worth > 9))
    throw new RangeError('Tens and ones are laid with cards from 1 to 9.');
  return shuffledIds(cards, chanceOf(play, { draws: 0 }));
}

function worthsOf(play: Play<LineRules>, state: LineState, seat: number): number[] {
  const cards = cardsOf(play);
  return (state.hands[seat] ?? []).map((id) => (cards[id] as Card).worth);
}
const keyOf = ({ left, right }: UnderLine) => `${left},${right}`;
const valueOf = ({ kind }: LineRules, { left, right, sum }: UnderLine) =>
  kind === 'under' ? sum : left - right;
const signOf = ({ kind }: LineRules) => (kind === 'under' ? '+' : '−');
const wholeOf = (rules: LineRules, one: UnderLine) =>
  `${one.left} ${signOf(rules)} ${one.right} = ${valueOf(rules, one)}`;

/** The layout nearest to the line that counts; undefined: none does. */
function bestLayout(play: Play<LineRules>, digits: readonly number[]): UnderLine | undefined {
  const { line, kind } = play.rules;
  return twoNumberLayouts(digits)
    .filter((one) => kind === 'difference' || one.sum <= line)
    .sort(
      (a, b) =>
        Math.abs(line - valueOf(play.rules, a)) - Math.abs(line - valueOf(play.rules, b)) || b.left - a.left,
    )[0];
}

/** The first seat still to lay; undefined when all have. */
const toLay = (play: Play<LineRules>, state: LineState) =>
  seatsIn(play, state).find((seat) => state.laid[seat] === null);

function choicesOf(play: Play<LineRules>, state: LineState, seat: number): Choice[] {
  const digits = worthsOf(play, state, seat);
  const best = bestLayout(play, digits);
  const layouts = twoNumberLayouts(digits).map((one) => ({
    key: keyOf(one),
    says: `${one.left} ${signOf(play.rules)} ${one.right}`,
  }));
  return play.rules.kind === 'under'
    ? [...layouts, nothingFits(play.rules.line, digits, best && wholeOf(play.rules, best))]
    : layouts;
}

/** Four cards to each seat, from its own pack where it has one; too few left: those played before are shuffled in again. */
function deal(play: Play<LineRules>, state: LineState): LineState {
  const seats = seatsIn(play, state);
  const packed = packedWith(play, recipe);
  const cards = cardsOf(play);
  const gone = [...state.gone, ...state.hands.flat()];
  const again = play.packs
    ? seats.some((seat) => ownOf(packed, state.pile, seat).length < handSize)
    : state.pile.length < handSize * seats.length;
  const fresh = again
    ? [
        ...state.pile,
        ...shuffledIds(
          gone.map((id) => cards[id] as Card),
          chanceOf(play, state),
        ),
      ]
    : state.pile;
  const hands = Array.from({ length: play.seats }, (_, seat) => {
    const at = seats.indexOf(seat);
    if (at < 0) return [];
    return play.packs
      ? ownOf(packed, fresh, seat).slice(0, handSize)
      : fresh.slice(handSize * at, handSize * (at + 1));
  });
  const dealt = new Set(hands.flat());
  return {
    ...state,
    draws: state.draws + 1,
    pile: fresh.filter((id) => !dealt.has(id)),
    gone: again ? [] : gone,
    hands,
    laid: Array<null>(play.seats).fill(null),
    round: state.round + 1,
    says: `Round ${state.round + 1}.`,
  };
}

function act(play: Play<LineRules>, state: LineState, move: Move): LineState {
  switch (move.kind) {
    case 'go':
      return state.round >= rounds ? { ...state, over: `${rounds} rounds are played.` } : deal(play, state);
    case 'choose': {
      const chosen =
        move.key === none
          ? none
          : twoNumberLayouts(worthsOf(play, state, move.seat)).find((one) => keyOf(one) === move.key);
      const laid = state.laid.map((one, seat) => (seat === move.seat ? (chosen ?? null) : one));
      const next: LineState = { ...state, laid, turn: move.seat };
      if (chosen === none || chosen === undefined)
        return afterLaid(play, { ...next, says: 'Nothing fits, it is said.' });
      const { left, right } = chosen;
      const value = String(valueOf(play.rules, chosen));
      const operation = play.rules.kind === 'under' ? 'add' : 'sub';
      return {
        ...next,
        asking: ask({
          seat: move.seat,
          item: factOr(factKey({ operation, left, right }), `line:${operation}`),
          shown: `${left} ${signOf(play.rules)} ${right}`,
          answer: value,
          whole: wholeOf(play.rules, chosen),
          untimed: true,
        }),
      };
    }
    case 'said': {
      const asking = state.asking as Asking;
      const found = answerAsking(play, state, asking, move);
      if (found.kind === 'again') return { ...state, asking: found.asking };
      return afterLaid(play, { ...state, asking: null, says: `${asking.asked.whole}.` });
    }
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

const afterLaid = (play: Play<LineRules>, state: LineState) =>
  toLay(play, state) === undefined ? settle(play, state) : state;

/** Points of a round: nearest to the line; equally near, each. Together: one for each seat that found the best there was. */
function settle(play: Play<LineRules>, state: LineState): LineState {
  const { line, kind } = play.rules;
  const seats = seatsIn(play, state);
  const off = (seat: number) => {
    const laid = state.laid[seat];
    if (!laid || laid === none || (kind === 'under' && laid.sum > line)) return Infinity;
    return Math.abs(line - valueOf(play.rules, laid));
  };
  const least = Math.min(...seats.map(off));
  const truly = seats.filter(
    (seat) => state.laid[seat] === none && !bestLayout(play, worthsOf(play, state, seat)),
  );
  const missed = seats.find((seat) => state.laid[seat] === none && !truly.includes(seat));
  const found = seats.filter((seat) => {
    const best = bestLayout(play, worthsOf(play, state, seat));
    return best ? off(seat) === Math.abs(line - valueOf(play.rules, best)) : state.laid[seat] === none;
  });
  const points = play.against
    ? state.points.map((count, seat) =>
        least < Infinity && off(seat) === least && seats.includes(seat) ? count + 1 : count,
      )
    : [(state.points[0] ?? 0) + found.length];
  const best = missed === undefined ? undefined : bestLayout(play, worthsOf(play, state, missed));
  const says = best
    ? `${wholeOf(play.rules, best)} was there.`
    : truly.length > 0
      ? `True: nothing fits under ${line}.`
      : least < Infinity
        ? `${least} from the line is nearest.`
        : 'Nobody stayed under the line.';
  return { ...state, points, says };
}
