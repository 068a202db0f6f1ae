import { packOf } from '../../../materials/pack.ts';
import { shuffled } from '../../../random/random.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import { emptyScene, type Game, type Play } from '../../game.ts';
import { chanceOf, nextSeat } from '../../playGame.ts';
import { scoresFrom } from '../../scoring.ts';
import { oneSetting } from '../../setting.ts';
import { say, sentences, type Sentence } from '../../tell/sentence.ts';
import {
  afterCard,
  askAfter,
  copiesOfSpecial,
  faceOf,
  lampRecipe,
  lampSpecials,
  lampSpecialTexts,
  lampTop,
  worthOf,
  type LampCard,
  type LampSpecial,
  type LampTotal,
} from './lampCards.ts';

export interface LampRules {
  readonly specials: readonly LampSpecial[];
  /** How the total is kept. */
  readonly total: 'beads' | 'written' | 'head';
}

const openCards = 3;

interface Lies extends LampTotal {
  readonly pile: readonly LampCard[];
  readonly gone: readonly LampCard[];
  /** Tens whose lamp is lit, and by whom carried off. */
  readonly lit: readonly number[];
  readonly carried: readonly (readonly number[])[];
}
export type LampState = ChoosingState & Lies;

const words = (specials: number, total: LampRules['total'] = 'beads'): LampRules => ({
  specials: lampSpecials.slice(0, specials),
  total,
});

export const lamps: Game<LampRules, ChoosingState & Lies> = {
  id: 'lamps',
  name: 'Lamps',
  family: 'totals',
  told: {
    aim: 'Land on tens: light their lamps, then carry them off.',
    turn: [
      'Choose one of three open cards, add it to the total that all share and say the new one.',
      'Land on a ten: its lamp is lit. Land on a lit ten again: carry the lamp off.',
      'Up to 100 in the first round; in the second take away, down from 100.',
    ],
    ends: 'When the total is down at 0 and a lamp has been carried off; else up once more.',
    example: 'The total is 34. A 6 makes 40: the lamp of 40 is lit.',
  },
  seats: { least: 1, most: 4 },
  minutes: 12,
  steps: [
    { name: 'On the bead frame', rules: words(0) },
    {
      name: 'Rest joins',
      example: 'The total is 34. A 6 makes 40: the lamp of 40 is lit. After rest the next player sits out.',
      rules: words(1),
    },
    {
      name: 'Ten off joins',
      example: 'The total is 50. Ten off makes 40: the lamp of 40 is lit.',
      rules: words(2),
    },
    {
      name: 'Up to ten joins',
      example: 'The total is 34. Up to ten makes 40: the lamp of 40 is lit.',
      rules: words(3),
    },
    {
      name: 'Twice joins',
      example: 'A 3 made 37. Twice adds it again and makes 40: the lamp of 40 is lit.',
      rules: words(4),
    },
    {
      name: 'What is missing joins',
      example: 'The total is 60. What is missing to 100 is 40: the lamp of 40 is lit.',
      rules: words(5),
    },
    { name: 'The total is written by the child', rules: words(5, 'written') },
    { name: 'In the head', rules: words(5, 'head') },
  ],
  settings: [
    oneSetting(
      'specials',
      'Special cards',
      Array.from({ length: lampSpecials.length + 1 }, (_, count) => [
        lampSpecials.slice(0, count),
        count === 0
          ? 'none'
          : lampSpecials
              .slice(0, count)
              .map((one) => lampSpecialTexts[one].name.toLowerCase())
              .join(', '),
      ]),
    ),
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
  ...choosing<LampRules, Lies>({
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
      const { total } = afterCard(state, at) as { readonly total: number };
      const ten = total !== state.total && total % 10 === 0 && total > 0 ? total : null;
      const lights = ten !== null && !state.lit.includes(ten);
      const carries = ten !== null && !lights && !state.carried.some((tens) => tens.includes(ten));
      const carried = carries
        ? state.carried.map((tens, seat) => (seat === by ? [...tens, ten] : tens))
        : state.carried;
      // Down at 0 with no lamp carried off yet it goes up again: nobody goes home without one.
      const home = total === 0 && state.down;
      const isOver = home && carried.some((tens) => tens.length > 0);
      const down = total === lampTop || (state.down && !home);
      const card = state.open[at] as LampCard;
      const rest = card.kind === 'special' && card.special === 'rest';
      const next = nextSeat(play, state, state.turn);
      const lies = {
        ...gone(play, state, at),
        total,
        last: worthOf(card) ?? state.last,
        down,
        lit: lights ? [...state.lit, ten] : state.lit,
        carried,
      };
      return {
        ...playable(lies),
        ...(rest ? { turn: next } : {}),
        says: sentences(
          toldOf(card, state.total, total),
          lights ? say('lampLit', { ten }) : carries ? say('lampCarried', { ten, seat: by }) : [],
          home && !isOver ? say('upAgain') : [],
        ),
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
    if (state.asking) return null;
    const worth = (at: number) => {
      const after = afterCard(state, at)?.total ?? -1;
      if (after % 10 !== 0 || after <= 0) return 0;
      return state.lit.includes(after) ? 2 : 1;
    };
    const [best] = [...state.open.keys()]
      .filter((at) => afterCard(state, at))
      .sort((a, b) => worth(b) - worth(a));
    if (best === undefined || worth(best) === 0) return null;
    const { total } = afterCard(state, best) as { readonly total: number };
    const told = toldOf(state.open[best] as LampCard, state.total, total);
    const why = say(worth(best) === 2 ? 'lampToCarry' : 'lampToLight');
    return {
      says: [told, why],
      worked: [told],
      move: { kind: 'choose', seat: state.turn, key: String(best) },
    };
  },
};

/** What a card made of the total. */
function toldOf(card: LampCard, from: number, to: number): Sentence {
  if (card.kind === 'number') return say('lampNumber', { worth: worthOf(card) as number, from, to });
  return card.special === 'rest' ? say('lampRest') : say('lampSpecial', { card: nameOf(card), from, to });
}

const nameOf = (card: LampCard): string =>
  card.kind === 'number' ? String(worthOf(card)) : lampSpecialTexts[card.special].name;

function layOut(play: Play<LampRules>) {
  const cards: LampCard[] = [
    ...packOf(lampRecipe).map(({ id }): LampCard => ({ kind: 'number', id })),
    ...play.rules.specials.flatMap((special) =>
      Array.from({ length: copiesOfSpecial }, (_, copy): LampCard => ({ kind: 'special', special, copy })),
    ),
  ];
  const shuffledCards = shuffled(cards, chanceOf(play, { draws: 0 }));
  // From 0 most special cards cannot be played: the first to lie open are numbers.
  const open: readonly LampCard[] = shuffledCards
    .filter((card) => card.kind === 'number')
    .slice(0, openCards);
  return {
    draws: 1,
    pile: shuffledCards.filter((card) => !open.includes(card)),
    open,
    gone: [] as readonly LampCard[],
    total: 0,
    last: 0,
    down: false,
    lit: [],
    carried: Array.from({ length: play.seats }, () => []),
  };
}

/** The card at a place is gone, another opens; where the pile is out, what is gone is shuffled for a new one. */
function gone(play: Play<LampRules>, state: LampState, at: number) {
  const card = state.open[at] as LampCard;
  const again = state.pile.length === 0;
  const pile = again ? shuffled(state.gone, chanceOf(play, state)) : state.pile;
  const [drawn, ...rest] = pile;
  return {
    pile: rest,
    open: state.open.flatMap((one, place) => (place !== at ? [one] : drawn ? [drawn] : [])),
    gone: again ? [card] : [...state.gone, card],
    draws: state.draws + (again ? 1 : 0),
  };
}

/**
 * Open cards of which none can be played go under the pile and new ones open; where none of the pile can either, what is gone
 * comes back under it. An ace can always be played, so Lamps never stands still.
 */
function playable<T extends Lies>(lies: T): T {
  const opened = (all: readonly LampCard[], left: readonly LampCard[]): T | undefined => {
    for (let from = 0; from < all.length; from += openCards) {
      const now = {
        ...lies,
        open: all.slice(from, from + openCards),
        pile: [...all.slice(from + openCards), ...all.slice(0, from)],
        gone: left,
      };
      if (now.open.some((_, at) => afterCard(now, at))) return now;
    }
    return undefined;
  };
  const { open, pile, gone: away } = lies;
  return opened([...open, ...pile], away) ?? opened([...open, ...pile, ...away], []) ?? lies;
}
