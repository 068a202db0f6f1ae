import { factKey } from '../../../facts/fact.ts';
import { factOr } from '../../../facts/item.ts';
import { cardsById, numberRecipe, packOf, type Recipe } from '../../../materials/pack.ts';
import { roadPoints, type RoadNumber } from '../../../numbers/bestRoad.ts';
import {
  expressionText,
  numbersIn,
  numeral,
  valueOf,
  type Expression,
  type Sign,
} from '../../../numbers/expression.ts';
import { shuffled } from '../../../random/random.ts';
import { operationOfSign } from '../../signOperation.ts';
import { dealAgain, type Round } from '../../bodies/dealing.ts';
import type { TurnState } from '../../bodies/turns.ts';
import type { Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { chanceOf } from '../../playGame.ts';
import type { SceneCard } from '../../scene.ts';

export interface RoadRules {
  readonly recipe: Recipe;
  /** Numbers of each. */
  readonly numbers: number;
  /** The largest target. */
  readonly most: 50 | 100 | 999;
  readonly signs: readonly Sign[];
}

/** Two numbers that were joined, and what that comes to. */
export interface Joined {
  readonly used: readonly number[];
  readonly worth: number;
  /** "6 × 5 = 30". */
  readonly whole: string;
}

export interface RoadLies extends Omit<Round, 'out'> {
  readonly round: number;
  /** What is to be come near to; null: still to be turned. */
  readonly target: number | null;
  /** Whose road it is; null: nobody's yet. */
  readonly walker: number | null;
  /** The numbers the seat at turn may still join. */
  readonly has: readonly RoadNumber[];
  /** What it wrote, in order. */
  readonly lines: readonly string[];
  /** What is being said of two numbers. */
  readonly joining: Joined | null;
  /** Seats that have stopped this round. */
  readonly stopped: readonly number[];
  readonly points: readonly number[];
}
export type RoadState = TurnState & RoadLies;
type P = Play<RoadRules>;

/** Digit cards 0 to 9, four of each; the first of a target is none that would make it too large, nor a 0. */
const digitPack = packOf(numberRecipe(0, 9));

/** The digit cards of a round's target, in the order in which they are laid. */
export function targetCards({ rules: { most }, seed }: Pick<P, 'seed' | 'rules'>, round: number) {
  const cards = shuffled([...digitPack], chanceOf({ seed: seed + 1 }, { draws: round }));
  const first = cards.findIndex(({ worth }) => worth > 0 && (most !== 50 || worth < 5));
  const rest = cards.filter((_, at) => at !== first);
  const laid = [cards[first], ...rest].slice(0, most === 999 ? 3 : 2);
  return laid.flatMap((card) => (card ? [card] : []));
}

export const targetOf = (play: P, round: number): number =>
  Number(
    targetCards(play, round)
      .map(({ worth }) => worth)
      .join(''),
  );

/** New numbers for everyone, and no target yet. */
export const dealtRound = (play: P, state: Round & { readonly round: number }) => ({
  ...dealAgain(play, state, play.rules.numbers),
  ...{ round: state.round + 1, target: null, walker: null, stopped: [], has: [], lines: [], joining: null },
});

/** What a seat has to begin its road with. */
export const dealtTo = (play: P, { hands }: Pick<RoadLies, 'hands'>, seat: number): RoadNumber[] => {
  const cards = packOf(play.rules.recipe);
  return (hands[seat] ?? []).map((id) => ({ worth: cards[id]?.worth ?? 0, of: 1 }));
};

/** The numbers after two of them were joined. */
export function joined(has: readonly RoadNumber[], { used, worth }: Joined): RoadNumber[] {
  const left = [...has];
  let of = 0;
  // Of numbers alike the one made of most is used first: none is better left.
  for (const one of used) {
    const alike = left.filter((other) => other.worth === one);
    const most = alike.reduce((a, b) => (b.of > a.of ? b : a));
    left.splice(left.indexOf(most), 1);
    of += most.of;
  }
  return [...left, { worth, of }];
}

/** Where a road ends: the number worth most, of those worth alike the one made of most. */
export const endOf = (has: readonly RoadNumber[], target: number): RoadNumber & { readonly points: number } =>
  has
    .map((one) => ({ ...one, points: roadPoints(target, one) }))
    .reduce((a, b) => (b.points > a.points || (b.points === a.points && b.of > a.of) ? b : a));

/** What is to be said of a line of two numbers, as it was laid. */
export function askLine(seat: number, line: Expression): Asked & Pick<Joined, 'whole'> {
  const [left = 0, right = 0] = numbersIn(line);
  const sign = line.kind === 'step' && line.sign !== '^' ? line.sign : '+';
  const operation = operationOfSign[sign];
  const [shown, answer] = [expressionText(line), numeral(valueOf(line), false)];
  return {
    seat,
    item: factOr(factKey({ operation, left, right }), operation === 'div' ? 'quot:rem' : `line:${operation}`),
    ...{ shown, answer, whole: `${shown} = ${answer}` },
    // Its numbers lay open, and it was thought out before it was asked.
    untimed: true,
  };
}

/** What a seat still has: on its own road the cards it has not joined, and what it made, each on a card of its own. */
export function cardsLeft(play: P, { hands, walker, has }: RoadState, seat: number): readonly SceneCard[] {
  const cards = cardsById(play.rules.recipe, hands[seat] ?? []);
  if (seat !== walker) return cards;
  const dealt = has.filter(({ of }) => of === 1).map(({ worth }) => worth);
  const unused = cards.filter(({ worth }) => {
    const at = dealt.indexOf(worth);
    if (at >= 0) dealt.splice(at, 1);
    return at >= 0;
  });
  const made = has.filter(({ of }) => of > 1);
  const blank = { rank: null, colour: 'black', worth: null } as const;
  return [
    ...unused,
    ...made.map(({ worth, of }, nth) => ({ ...blank, id: 1000 * of + nth, says: String(worth) })),
  ];
}
