import { packOf } from '../../../materials/pack.ts';
import { shuffled } from '../../../random/random.ts';
import type { GameState, Play } from '../../game.ts';
import { chanceOf } from '../../playGame.ts';
import { say, sentences, type Sentence } from '../../tell/sentence.ts';
import {
  lampTop,
  toldOf,
  worthOf,
  afterCard,
  copiesOfSpecial,
  lampRecipe,
  type LampCard,
  type LampSpecial,
  type LampTotal,
} from './lampCards.ts';

export const openCards = 3;

export interface LampRules {
  readonly specials: readonly LampSpecial[];
  /** How the total is kept. */
  readonly total: 'beads' | 'written' | 'head';
}

export interface LampLies extends LampTotal {
  readonly pile: readonly LampCard[];
  readonly gone: readonly LampCard[];
  /** Tens whose lamp is lit, and by whom carried off. */
  readonly lit: readonly number[];
  readonly carried: readonly (readonly number[])[];
}

export function layOut(play: Play<LampRules>) {
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
export function gone(play: Play<LampRules>, state: LampLies & Pick<GameState, 'draws'>, at: number) {
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
export function playable<T extends LampLies>(lies: T): T {
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

/** What the open card at a place does to the total and the lamps; `by`: who said it. */
export function landing(state: LampLies, at: number, by: number) {
  const card = state.open[at] as LampCard;
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
  return {
    total,
    last: worthOf(card) ?? state.last,
    down: total === lampTop || (state.down && !home),
    lit: lights ? [...state.lit, ten] : state.lit,
    carried,
    isOver,
    says: sentences(
      toldOf(card, state.total, total),
      lights ? say('lampLit', { ten }) : carries ? say('lampCarried', { ten, seat: by }) : [],
      home && !isOver ? say('upAgain') : [],
    ),
  };
}

/** The open card that carries a lamp off, else one that lights one; undefined: none does. */
export function bestOpen(
  state: LampLies,
): { readonly at: number; readonly carries: boolean; readonly told: Sentence } | undefined {
  const landed = [...state.open.keys()].flatMap((at) => {
    const total = afterCard(state, at)?.total;
    if (total === undefined || total % 10 !== 0 || total <= 0) return [];
    const told = toldOf(state.open[at] as LampCard, state.total, total);
    return [{ at, carries: state.lit.includes(total), told }];
  });
  return landed.find((one) => one.carries) ?? landed[0];
}
