import { numberRecipe } from '../../../materials/pack.ts';
import { choosing } from '../../bodies/choosing.ts';
import { dealHands } from '../../bodies/dealing.ts';
import type { Game, Play } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { faceDown } from '../../faceDown.ts';
import { anyOwnPacks } from '../../ownPacks.ts';
import { scoresFrom } from '../../scoring.ts';
import { operationSetting, packSetting, yesNo } from '../../setting.ts';
import { say, type Text } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import type { TrueRules } from './layings.ts';
import { out, askFor, drawn } from './trueHands.ts';
import { trueLinesWords } from './trueLinesWords.ts';
import { cardOf, optionsOf, type TrueLies, type TrueState, faceOf, best } from './trueOptions.ts';

const handSize = 7;
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
  version: 3,
  family: 'partners',
  seats: { least: 1, most: 4 },
  minutes: 15,
  ...inWords(trueLinesWords, [
    rules(10, { open: true, wild: false }),
    rules(10, { open: true }),
    rules(10),
    rules(13),
    rules(10, { signed: true, wild: false }),
    rules(13, { operation: 'sub' }),
    rules(12, { operation: 'mul' }),
  ]),
  settings: [
    packSetting(1),
    operationSetting('operation', ['add', 'sub', 'mul']),
    yesNo('open', 'Hands lie open'),
  ],
  ownPacks: anyOwnPacks,
  order: (play) => {
    const { hands, board, pile } = laidOut(play);
    const faces = (ids: readonly number[]) => ids.map((id) => cardOf(play, id));
    return [
      ...hands.map((ids, seat) => ({ name: say('handOf', { seat }), seat, cards: faces(ids) })),
      { name: say('openOnBoard'), seat: null, cards: faces(board) },
      { name: say('pileFromTop'), seat: null, cards: faces(pile) },
    ];
  },
  operations: ({ operation }) => [operation],
  materials: ({ recipe }) => ({ pack: recipe, dice: [], others: [] }),
  ...choosing<TrueRules, TrueLies>({
    lay: (play) => ({
      ...laidOut(play),
      laid: Array<number>(play.seats).fill(0),
      passed: 0,
      winner: null,
      given: null,
    }),
    asksWhich: (_play, { turn }) => say('trueLine', { seat: turn }),
    by: () => ({ kind: 'cards', least: 3, most: 3, done: say('layTheLine'), hint: say('pickThree') }),
    options: optionsOf,
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    takes: (play, state, { cards, request }, { by, whole }) => {
      if (request) return askFor(play, state, request.seat, request.worth);
      if (!cards) return drawn(play, state);
      if (play.against && by !== state.turn) return backToHand(whole);
      const hands = state.hands.map((ids) => ids.filter((id) => !cards.includes(id)));
      const own = cards.filter((id) => !state.board.includes(id));
      const laid = state.laid.map((count, seat) => (seat === state.turn ? count + own.length : count));
      const on = {
        hands,
        board: [...state.board, ...own],
        laid,
        passed: 0,
        given: null,
        says: say('whole', { whole }),
      };
      return hands[state.turn]?.length === 0 ? out(on, state.turn) : { ...on, next: 'pass' };
    },
    unsaid: (_play, _state, _option, whole) => backToHand(whole),
    fails: (_play, _state, { claim }) => ({
      given: null,
      says: say('noTrueLine', { claimed: claim?.given ?? '' }),
      next: 'pass',
    }),
  }),
  scene: (play, state, from) => ({
    ...emptyScene,
    rows: [
      { name: say('theBoard'), seat: null, cards: state.board.map((id) => faceOf(play, id)), across: 10 },
      ...state.hands.map((hand, seat) => ({
        name: say('seat', { seat }),
        seat,
        cards: hand.map((id) =>
          play.rules.open || seat === (from ?? state.turn) ? faceOf(play, id) : faceDown({ id }),
        ),
      })),
    ],
    totals: state.hands.map((hand, seat) => ({ name: say('leftWith', { seat }), value: hand.length })),
  }),
  scores: (play, state) => scoresFrom(play, state.laid),
  best,
};

/** Seven cards each, and one open on the board so that two may join it. */
function laidOut(play: Play<TrueRules>) {
  const { open: board, ...dealt } = dealHands(play, handSize, 1);
  return { ...dealt, board };
}

const backToHand = (whole: Text) =>
  ({ given: null, says: say('backToHand', { whole }), next: 'pass' }) as const;
