import { numberRecipe } from '../../../materials/pack.ts';
import { choosing, type Option } from '../../bodies/choosing.ts';
import { faceDown } from '../../faceDown.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { scoresFrom } from '../../scoring.ts';
import { numberSetting, oneSetting, packSetting, yesNo } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { askForPartnerWords } from './askForPartnerWords.ts';
import {
  askPartner,
  cardOf,
  dealt,
  drawn,
  ended,
  faceOf,
  hasPartner,
  others,
  pairing,
  partnerOf,
  type AskLies,
  type AskState,
  type PartnerAskRules,
} from './askHands.ts';

const rules = (total: number, over: Partial<PartnerAskRules> = {}): PartnerAskRules => ({
  recipe: numberRecipe(1, Math.min(13, total - 1)),
  total,
  operation: 'add',
  open: true,
  ...over,
});

export const askForPartner: Game<PartnerAskRules, AskState> = {
  id: 'ask-for-partner',
  version: 1,
  family: 'partners',
  seats: { least: 2, most: 4 },
  minutes: 10,
  ...inWords(askForPartnerWords, [
    rules(10),
    rules(10, { open: false }),
    rules(20, { open: false }),
    rules(24, { operation: 'mul', open: false }),
    rules(36, { operation: 'mul', open: false }),
  ]),
  settings: [
    packSetting(1),
    numberSetting('total', 'What two make', 3, 144),
    oneSetting('operation', 'Made by', [
      ['add', 'adding'],
      ['mul', 'multiplying'],
    ]),
    yesNo('open', 'Hands lie open'),
  ],
  operations: ({ operation }) => (operation === 'add' ? ['add', 'sub'] : ['mul', 'div']),
  materials: (own) => ({ pack: pairing(own), dice: [], others: [] }),
  order: (play) => [
    { name: say('fromTheTop'), seat: null, cards: dealt(play).pile.map((id) => cardOf(play, id)) },
  ],
  ...choosing<PartnerAskRules, AskLies>({
    lay: (play) => {
      const { draws, hands, pile } = dealt(play);
      return { draws, hands, pile, won: hands.map(() => []) };
    },
    // Whoever has no card draws one, or sits out.
    opens: (_play, { hands, pile, turn }) => {
      if (hands[turn]?.length) return { kind: 'none', next: 'choose' };
      return pile.length > 0 ? { kind: 'go', says: say('drawCard') } : { kind: 'none', next: 'pass' };
    },
    opened: (play, state) => drawn(play, state),
    asksWhich: (_play, { turn }) => say('askWhich', { seat: turn }),
    options: (play, { hands, turn }) =>
      (hands[turn] ?? []).map((id): Option => {
        const { worth } = cardOf(play, id);
        return {
          key: String(id),
          says: say('asWritten', { text: String(worth) }),
          at: { card: id },
          asks: () => [askPartner(play.rules, turn, worth)],
        };
      }),
    none: (play, state) => drawn(play, state),
    takes: (play, state, { key }, { by, whole }) => {
      // Whoever takes it over has not asked with a card of theirs.
      if (play.against && by !== state.turn) return { says: say('whole', { whole }), next: 'pass' };
      const id = Number(key);
      const wanted = partnerOf(play.rules, cardOf(play, id).worth);
      const holds = (seat: number) =>
        state.hands[seat]?.find((one) => one !== id && cardOf(play, one).worth === wanted);
      // One's own hand first, then the others in turn.
      const seats = [state.turn, ...others(play, state)];
      const from = seats.find((seat) => holds(seat) !== undefined);
      if (from === undefined) return drawn(play, state);
      const pair = [id, holds(from) as number];
      const hands = state.hands.map((hand) => hand.filter((one) => !pair.includes(one)));
      const won = state.won.map((cards, seat) => (seat === state.turn ? [...cards, ...pair] : cards));
      const says =
        from === state.turn ? say('pairsOwn', { seat: from }) : say('givesPartner', { seat: from });
      return ended(play, { ...state, hands, won }) ?? { hands, won, says, next: 'again' };
    },
    unsaid: (_play, _state, _option, whole) => ({ says: say('whole', { whole }), next: 'pass' }),
    leaves: (play, state, seat) => {
      // What it held goes under the pile.
      const pile = [...state.pile, ...(state.hands[seat] ?? [])];
      const hands = state.hands.map((hand, at) => (at === seat ? [] : hand));
      return {
        ...(ended(play, { ...state, hands, pile }) ?? { says: state.says, next: 'again' }),
        hands,
        pile,
      };
    },
  }),
  scene: (play, state, from) => ({
    ...emptyScene,
    rows: state.hands.map((hand, seat) => ({
      name: say('handOf', { seat }),
      seat,
      cards: hand.map((id) =>
        play.rules.open || seat === (from ?? state.turn) ? faceOf(play, id) : faceDown({ id }),
      ),
    })),
    totals: state.won.map((cards, seat) => ({
      name: say('seat', { seat }),
      value: cards.length,
      pile: true,
    })),
    target: play.rules.total,
  }),
  scores: (play, state) =>
    scoresFrom(
      play,
      state.won.map((cards) => cards.length),
    ),
  best: (play, state) => {
    if (state.asking) return null;
    const held = state.hands.flat();
    const id = state.hands[state.turn]?.find((one) => hasPartner(play, one, held));
    if (id === undefined) return { says: say('nobodyHolds'), worked: [], move: null };
    const { whole } = askPartner(play.rules, state.turn, cardOf(play, id).worth);
    return {
      says: say('whole', { whole }),
      worked: [],
      move: { kind: 'choose', seat: state.turn, key: String(id) },
    };
  },
};
