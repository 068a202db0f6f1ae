import { packOf } from '../materials/pack.ts';
import { shuffled } from '../random/random.ts';
import { emptyScene, type Choice, type Game, type GameState, type Move, type Play } from './game.ts';
import {
  afterCard,
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
import { chanceOf, nextSeat } from './playGame.ts';
import { freshState } from './rolled.ts';
import { scoresFrom } from './scoring.ts';
import { oneSetting } from './setting.ts';
import { tell } from './tell/sentence.ts';

export interface LampRules {
  readonly specials: readonly LampSpecial[];
  /** How the total is kept. */
  readonly total: 'beads' | 'written' | 'head';
}

const openCards = 3;

export interface LampState extends GameState, LampTotal {
  readonly pile: readonly LampCard[];
  readonly gone: readonly LampCard[];
  /** Tens whose lamp is lit, and by whom carried off. */
  readonly lit: readonly number[];
  readonly carried: readonly (readonly number[])[];
}

const words = (specials: number, total: LampRules['total'] = 'beads'): LampRules => ({
  specials: lampSpecials.slice(0, specials),
  total,
});

export const lamps: Game<LampRules, LampState> = {
  id: 'lamps',
  name: 'Lamps',
  family: 'totals',
  told: {
    aim: 'Land on tens: light their lamps, then carry them off.',
    turn: [
      'Choose one of three open cards and add it to the total that all share.',
      'Land on a ten: its lamp is lit. Land on a lit ten again: carry the lamp off.',
      'Up to 100 in the first round; in the second take away, down from 100.',
    ],
    ends: 'When the total is down at 0, or no card can be played.',
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
    const { open, pile } = lamps.setUp(play);
    return [
      { name: 'Open', seat: null, cards: open.map(faceOf) },
      { name: 'The pile, from the top', seat: null, cards: pile.map(faceOf) },
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
  setUp: (play) => {
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
      ...freshState,
      draws: 1,
      pile: shuffledCards.filter((card) => !open.includes(card)),
      open,
      gone: [],
      total: 0,
      last: 0,
      down: false,
      lit: [],
      carried: Array.from({ length: play.seats }, () => []),
    };
  },
  need: (play, state) => ({
    kind: 'choose',
    seat: state.turn,
    says: play.rules.total === 'beads' ? `The total is ${state.total}. Which card?` : 'Which card?',
    choices: choicesOf(state),
  }),
  act,
  scene: (play, state) => ({
    ...emptyScene,
    rows: [{ name: 'Open', seat: null, cards: state.open.map((card, at) => faceOf(card, at)) }],
    board: {
      name: 'Lamps',
      across: 10,
      squares: Array.from({ length: 10 }, (_, at) => {
        const ten = 10 * (at + 1);
        const by = state.carried.findIndex((tens) => tens.includes(ten));
        return {
          text: String(ten),
          mark:
            by >= 0 ? { seat: by, held: true } : state.lit.includes(ten) ? { seat: null, held: false } : null,
        };
      }),
    },
    totals: [
      { name: 'Total', value: state.total, ...(play.rules.total === 'beads' ? {} : { veiled: true }) },
    ],
    target: state.down ? 0 : lampTop,
  }),
  scores: (play, state) => {
    const counts = state.carried.map((tens) => tens.length);
    return scoresFrom(play, counts);
  },
  best: (_play, state) => {
    const choices = choicesOf(state);
    const worth = ({ key }: Choice) => {
      const after = afterCard(state, Number(key))?.total ?? -1;
      const ten = after % 10 === 0 && after > 0;
      return ten ? (state.lit.includes(after) ? 2 : 1) : 0;
    };
    const [best] = [...choices].sort((a, b) => worth(b) - worth(a));
    if (!best || worth(best) === 0) return null;
    return {
      says:
        worth(best) === 2
          ? `${tell(best.says)}: a lit lamp to carry off.`
          : `${tell(best.says)}: a lamp is lit.`,
      worked: [best.says],
      move: { kind: 'choose', seat: state.turn, key: best.key },
    };
  },
};

function choicesOf(state: LampState): Choice[] {
  return state.open.flatMap((card, at) => {
    const after = afterCard(state, at);
    if (!after) return [];
    const id = card.kind === 'number' ? card.id : 1000 + at;
    return [
      {
        key: String(at),
        says: after.says,
        at: { card: id },
        ...(after.fact === undefined ? {} : { fact: after.fact }),
      },
    ];
  });
}

function act(play: Play<LampRules>, state: LampState, move: Move): LampState {
  if (move.kind !== 'choose') return state;
  const at = Number(move.key);
  const card = state.open[at] as LampCard;
  const after = afterCard(state, at) as { readonly total: number; readonly says: string };
  const [drawn, ...pile] = state.pile;
  const open = state.open.flatMap((one, place) => (place !== at ? [one] : drawn ? [drawn] : []));
  const ten = after.total !== state.total && after.total % 10 === 0 && after.total > 0 ? after.total : null;
  const carriedOff =
    ten !== null && state.lit.includes(ten) && !state.carried.some((tens) => tens.includes(ten));
  const lit = ten !== null && !state.lit.includes(ten) ? [...state.lit, ten] : state.lit;
  const carried = carriedOff
    ? state.carried.map((tens, seat) => (seat === state.turn ? [...tens, ten] : tens))
    : state.carried;
  const down = state.down || after.total === lampTop;
  const rest = card.kind === 'special' && card.special === 'rest';
  const first = nextSeat(play, state, state.turn);
  const says = [
    after.says,
    carriedOff
      ? `seat ${state.turn + 1} carries the lamp of ${ten} off`
      : lit !== state.lit
        ? `the lamp of ${ten} is lit`
        : '',
  ]
    .filter(Boolean)
    .join('; ');
  const next: LampState = {
    ...state,
    pile,
    open,
    gone: [...state.gone, card],
    total: after.total,
    last: worthOf(card) ?? state.last,
    down,
    lit,
    carried,
    turn: rest ? nextSeat(play, state, first) : first,
    says: `${says}.`,
  };
  if (after.total === 0 && state.down) return { ...next, over: 'The total is down at 0.' };
  return choicesOf(next).length > 0
    ? next
    : { ...next, over: open.length === 0 ? 'The pack is out.' : 'No open card can be played.' };
}
