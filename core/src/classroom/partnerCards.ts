import { answerOf, factText, type Fact } from '../facts/fact.ts';
import { operations, type Operation } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { numberSetting, oneSetting, operationsSetting, type Setting } from '../games/setting.ts';
import { storyKinds } from '../games/shelf/talk/signStories.ts';
import { say, type Sentence } from '../games/tell/sentence.ts';
import { createRandom, mixSeed, shuffled, type RandomSource } from '../random/random.ts';

/** What stands on the two cards of a pair. */
export const partnerKinds = ['pips', 'answers', 'struckOut', 'sameAnswer', 'stories'] as const;
export type PartnerKind = (typeof partnerKinds)[number];

export interface PartnerRules {
  readonly kind: PartnerKind;
  readonly operations: readonly Operation[];
  readonly largest: number;
}

/** What is seen on a card. */
export type PartnerFace =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'pips'; readonly count: number }
  /** So many dots in tens, some of them struck out. */
  | { readonly kind: 'struck'; readonly of: number; readonly taken: number }
  | { readonly kind: 'story'; readonly says: Sentence };

export interface PartnerCard {
  /** Printed small in its corner; partners do not have numbers that tell of one another. */
  readonly number: number;
  /** Alike on the two cards that belong together. */
  readonly pair: number;
  readonly face: PartnerFace;
}

/** The most children of a class, and so the most cards. */
export const largestClass = 40;

export const partnerSettings: readonly Setting[] = [
  oneSetting('kind', 'Two cards of a pair', [
    ['pips', 'dots and their number'],
    ['answers', 'a fact and its answer'],
    ['struckOut', 'dots struck out, and the subtraction'],
    ['sameAnswer', 'two facts with one answer'],
    ['stories', 'a story and its fact'],
  ]),
  operationsSetting('operations', operations),
  numberSetting('largest', 'Numbers up to', 5, 20),
];

export const partnerRulesAtFirst: PartnerRules = { kind: 'answers', operations: ['mul'], largest: 10 };

/**
 * Cards for a class, two to a pair, by their numbers 1, 2, 3 …; each fits its own partner and no other card. For an odd class one
 * card fewer than children. Throws RangeError with a sentence where the numbers are too few for so many.
 */
export function partnerCards(rules: PartnerRules, children: number, seed: number): PartnerCard[] {
  if (!Number.isInteger(children) || children < 2 || children > largestClass)
    throw new RangeError(`A class for this is of 2 to ${largestClass} children.`);
  const pairs = Math.floor(children / 2);
  const random = createRandom(mixSeed(seed, 1));
  const faces = pairFaces(rules, random).slice(0, pairs);
  if (faces.length < pairs)
    throw new RangeError(
      `There are ${faces.length} pairs with these numbers, and ${pairs} are needed: allow larger numbers or more operations.`,
    );
  const cards = faces.flatMap((two, pair) => two.map((face) => ({ pair, face })));
  return shuffled(cards, random).map((card, at) => ({ ...card, number: at + 1 }));
}

type TwoFaces = readonly [PartnerFace, PartnerFace];
const text = (written: string): PartnerFace => ({ kind: 'text', text: written });

/** All pairs there are, in an order by chance: no face fits two of them. */
function pairFaces(rules: PartnerRules, random: RandomSource): TwoFaces[] {
  const { kind, largest } = rules;
  switch (kind) {
    case 'pips':
      return shuffled(upTo(largest), random).map((count) => [{ kind: 'pips', count }, text(String(count))]);
    case 'struckOut':
      return shuffled(
        upTo(largest).flatMap((of) => upTo(of - 1).map((taken) => ({ of, taken }))),
        random,
      ).map(({ of, taken }) => [{ kind: 'struck', of, taken }, text(`${of} \u2212 ${taken}`)]);
    case 'answers':
      return oneOfEach(shuffled(factsOf(rules), random), answerOf).map((fact) => [
        text(factText(fact)),
        text(String(answerOf(fact))),
      ]);
    case 'sameAnswer':
      return twoOfEach(shuffled(factsOf(rules), random)).map(([one, other]) => [
        text(factText(one)),
        text(factText(other)),
      ]);
    case 'stories': {
      // A story fits the fact it tells: no other card has its two numbers, nor the same three by another sign.
      const told = shuffled(factsOf(rules), random).filter(
        (fact) => fact.left !== fact.right && answerOf(fact) > 1,
      );
      const apart = oneOfEach(told, ({ left, right }) => inOrder([left, right]));
      const facts = oneOfEach(apart, (fact) => inOrder([fact.left, fact.right, answerOf(fact)]));
      return facts.map((fact) => [storyFor(fact, random), text(factText(fact))]);
    }
  }
}

const inOrder = (numbers: readonly number[]): string => [...numbers].sort((a, b) => a - b).join();

const upTo = (most: number): number[] => Array.from({ length: Math.max(0, most) }, (_, at) => at + 1);

/** Facts that take a thought. */
const factsOf = ({ operations: own, largest }: PartnerRules): Fact[] =>
  own.flatMap((operation) =>
    factsInRange(operation, largest).filter(
      (fact) => Math.min(fact.left, fact.right) > 1 && answerOf(fact) > 0,
    ),
  );

/** The first with each key. */
function oneOfEach<K>(facts: readonly Fact[], keyOf: (fact: Fact) => K): Fact[] {
  const seen = new Set<K>();
  return facts.filter((fact) => {
    const key = keyOf(fact);
    return seen.has(key) ? false : seen.add(key);
  });
}

/** Two facts of each answer that has two which are more than each other turned round, or that has only those. */
function twoOfEach(facts: readonly Fact[]): (readonly [Fact, Fact])[] {
  return oneOfEach(facts, answerOf).flatMap((one) => {
    const others = facts.filter((fact) => answerOf(fact) === answerOf(one) && fact !== one);
    const other =
      others.find(({ operation, left }) => operation !== one.operation || left !== one.right) ?? others[0];
    return other ? [[one, other] as const] : [];
  });
}

/** A story that tells a fact, by one of the kinds that ask for its sign. */
function storyFor({ operation, left, right }: Fact, random: RandomSource): PartnerFace {
  const kinds = (Object.keys(storyKinds) as (keyof typeof storyKinds)[]).filter(
    (kind) => storyKinds[kind].operation === operation && !storyKinds[kind].alike,
  );
  const kind = kinds[random.int(0, kinds.length - 1)] ?? 'altogether';
  return { kind: 'story', says: say('signStory', { kind, a: left, b: right }) };
}
