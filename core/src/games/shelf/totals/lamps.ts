import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game } from '../../game.ts';
import { emptyScene } from '../../scene.ts';
import { nextSeat } from '../../playGame.ts';
import { scoresFrom } from '../../scoring.ts';
import { oneSetting } from '../../setting.ts';
import { say } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import {
  specialsUpTo,
  afterCard,
  askAfter,
  copiesOfSpecial,
  faceOf,
  lampRecipe,
  lampSpecials,
  lampSpecialTexts,
  lampTop,
  type LampCard,
  nameOf,
} from './lampCards.ts';
import { landing, bestOpen, type LampRules, type LampLies, layOut, gone, playable } from './lampPile.ts';
import { lampsWords } from './lampsWords.ts';

export type LampState = ChoosingState & LampLies;

const words = (specials: number, total: LampRules['total'] = 'beads'): LampRules => ({
  specials: lampSpecials.slice(0, specials),
  total,
});

export const lamps: Game<LampRules, ChoosingState & LampLies> = {
  id: 'lamps',
  version: 2,
  family: 'totals',
  seats: { least: 1, most: 4 },
  minutes: 12,
  ...inWords(lampsWords, [
    words(0),
    words(1),
    words(2),
    words(3),
    words(4),
    words(5),
    words(5, 'written'),
    words(5, 'head'),
  ]),
  settings: [
    oneSetting('specials', 'Special cards', [0, 1, 2, 3, 4, 5].map(specialsUpTo)),
    oneSetting('total', 'The total', [
      ['beads', 'on the bead frame'],
      ['written', 'written by the child'],
      ['head', 'in the head'],
    ]),
  ],
  order: (play) => {
    const { open, pile } = layOut(play);
    return [
      { name: say('open'), seat: null, cards: open.map(faceOf) },
      { name: say('pileFromTop'), seat: null, cards: pile.map(faceOf) },
    ];
  },
  aidAt: ({ total }) => (total === 'beads' ? 'beadFrame' : null),
  operations: () => ['add', 'sub'],
  materials: ({ specials }) => ({
    pack: lampRecipe,
    dice: [],
    others: [
      'ten lamps, for 10 to 100',
      ...specials.map((one) => `${copiesOfSpecial} cards “${lampSpecialTexts[one].name}”`),
    ],
  }),
  ...choosing<LampRules, LampLies>({
    lay: layOut,
    asksWhich: (play, { total }) =>
      play.rules.total === 'beads' ? say('totalWhichCard', { total }) : say('whichCard'),
    options: (play, state) =>
      state.open.flatMap((card, at): Option[] => {
        const after = afterCard(state, at);
        if (!after) return [];
        return [
          {
            key: String(at),
            says: say('lampCard', { card: nameOf(card) }),
            at: { card: card.kind === 'number' ? card.id : 1000 + at },
            asks: () => askAfter(play.rules.total !== 'beads', state.turn, state, at) ?? [],
          },
        ];
      }),
    // `play` sees to it that some open card can be played.
    none: (_play, state) => ({ says: state.says, next: { over: say('noOpenCard') } }),
    takes: (play, state, { key }, { by }) => {
      const at = Number(key);
      const { isOver, says, ...landed } = landing(state, at, by);
      const card = state.open[at] as LampCard;
      const rests = card.kind === 'special' && card.special === 'rest';
      return {
        ...playable({ ...gone(play, state, at), ...landed }),
        ...(rests ? { turn: nextSeat(play, state, state.turn) } : {}),
        says,
        next: isOver ? { over: say('downAtNothing') } : 'pass',
      };
    },
    // Nobody could say it: the card is gone, and the total stays.
    unsaid: (play, state, { key }, whole) => ({
      ...playable({ ...state, ...gone(play, state, Number(key)) }),
      says: say('whole', { whole }),
      next: 'pass',
    }),
  }),
  scene: (play, state) => ({
    ...emptyScene,
    rows: [{ name: say('open'), seat: null, cards: state.open.map((card, at) => faceOf(card, at)) }],
    board: {
      name: say('lamps'),
      across: 10,
      squares: Array.from({ length: 10 }, (_, at) => {
        const ten = 10 * (at + 1);
        const by = state.carried.findIndex((tens) => tens.includes(ten));
        const lit = state.lit.includes(ten) ? { seat: null, held: false } : null;
        return { text: String(ten), mark: by >= 0 ? { seat: by, held: true } : lit };
      }),
    },
    totals: [
      { name: say('total'), value: state.total, ...(play.rules.total === 'beads' ? {} : { veiled: true }) },
    ],
    target: state.down ? 0 : lampTop,
  }),
  scores: (play, state) =>
    scoresFrom(
      play,
      state.carried.map((tens) => tens.length),
    ),
  best: (_play, state) => {
    const best = state.asking ? undefined : bestOpen(state);
    if (!best) return null;
    return {
      says: [best.told, say(best.carries ? 'lampToCarry' : 'lampToLight')],
      worked: [best.told],
      move: { kind: 'choose', seat: state.turn, key: String(best.at) },
    };
  },
};
