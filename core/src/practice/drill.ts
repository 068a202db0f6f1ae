import { answerOf, factKey, parseFactKey, type FactKey } from '../facts/fact.ts';
import { hasTurnaround, type Operation } from '../facts/operation.ts';
import type { AnswerClass } from '../recall/answerClass.ts';

/** Which order a drill deals in. */
export const drillSequences = ['withdraw', 'oneNew'] as const;
export type DrillSequence = (typeof drillSequences)[number];

/** A fact that a drill may deal, as it stood when the drill began. */
export interface DrillFact {
  readonly fact: FactKey;
  /** Recalled, kept or secure. */
  readonly known: boolean;
  /** Of the set that the pupil is on. */
  readonly ofSet: boolean;
  /** Answers on it with evidence. */
  readonly evidence: number;
  /** Whether any answer to it is on record, with evidence or without. Plans kept before this was told say nothing. */
  readonly asked?: boolean;
  /** Known, and its review date has come. */
  readonly due: boolean;
}

/** The numbers a drill goes by. Defaults: common practice, as far as it agrees. */
export interface DrillRules {
  /** Share of prompts on facts not known that is aimed at, and the most it may be. */
  readonly newShare: number;
  readonly newShareMost: number;
  /** Errors on new facts after which no new one is dealt that day. */
  readonly newErrors: number;
  /** Facts that may be in the loop of those to return. */
  readonly loopMost: number;
  /** Others between one return and the next. */
  readonly gaps: readonly number[];
  /** Recalled so many times running, a fact leaves the loop. */
  readonly outAfter: number;
  /** One new among known: how many known come between at the last. */
  readonly knownPerNew: number;
}

export const defaultDrillRules: DrillRules = {
  newShare: 0.2,
  newShareMost: 0.3,
  newErrors: 3,
  loopMost: 3,
  gaps: [1, 2, 4, 8],
  outAfter: 3,
  knownPerNew: 4,
};
/** The published form of one new among known: nine known, 54 prompts a new fact. */
export const publishedKnownPerNew = 9;

/** What a drill deals: plain data, so that it can be stored and taken up again. */
export interface DrillPlan {
  readonly sequence: DrillSequence;
  readonly facts: readonly DrillFact[];
  readonly rules: DrillRules;
  /** Prompts in all. */
  readonly most: number;
  readonly seed: number;
  /** New errors made earlier the same day. */
  readonly newErrorsToday: number;
  /** A third card is taken to each sum or product while it stays in range; null: two numbers. Its middle result is said. */
  readonly chain: { readonly ranks: number } | null;
  /** The fixed number, where there is one: then two facts side by side may share it. */
  readonly fixed: number | null;
  /** Cards stacked in an order of their own: what is not a return comes in this order. Null: dealt on screen. */
  readonly order: readonly FactKey[] | null;
  /** Which place the prompt hides. */
  readonly hidden: 'result' | 'right';
}

/** A drill without anything special about it: withdraw and return, dealt on screen, the result hidden. */
export const plainDrill = (
  given: Pick<DrillPlan, 'facts' | 'most' | 'seed'> & Partial<DrillPlan>,
): DrillPlan => ({
  sequence: 'withdraw',
  rules: defaultDrillRules,
  newErrorsToday: 0,
  chain: null,
  fixed: null,
  order: null,
  hidden: 'result',
  ...given,
});

/** Why a fact is dealt. */
export type DealtRole = 'new' | 'known' | 'due' | 'easy' | 'return' | 'chain';

export interface DealtPrompt {
  readonly fact: FactKey;
  readonly role: DealtRole;
  /** For the tutor, in words. */
  readonly why: string;
  /** The numbers of a chain of three, and which of its two facts this is; null outside chains. */
  readonly chain: { readonly cards: readonly [number, number, number]; readonly part: 0 | 1 } | null;
}

/** An answer as a drill sees it: what it was dealt on is known from before. */
export interface DrillAnswer {
  readonly fact: FactKey;
  readonly class: AnswerClass;
}

/** Whether an answer was recalled; undefined: no evidence either way, and the prompt decides nothing. */
export function drillEvidence(name: AnswerClass, timed: boolean): boolean | undefined {
  if (name === 'recalled') return true;
  if (name === 'right') return timed ? undefined : true;
  return name === 'noEvidence' ? undefined : false;
}

/** Highest card of each step of Quick pairs. */
export const pairRanks = [5, 10, 12, 13] as const;
/** The cards turned beside a fixed number: 0 to 12. */
export const turnedCards: readonly number[] = Array.from({ length: 13 }, (_, n) => n);

/**
 * The facts of a fixed number beside each turned card. For − and ÷ they are built so that answers are whole:
 * turned + fixed − fixed, turned × fixed ÷ fixed. Throws RangeError for ÷ by 0.
 */
export function fixedNumberFacts(operation: Operation, fixed: number, turned = turnedCards): FactKey[] {
  if (operation === 'div' && fixed === 0) throw new RangeError('Nothing can be divided by 0.');
  return turned.map((card) => factKey(fixedFact(operation, fixed, card)));
}

function fixedFact(operation: Operation, fixed: number, card: number) {
  switch (operation) {
    case 'add':
    case 'mul':
      return { operation, left: fixed, right: card };
    case 'sub':
      return { operation, left: fixed + card, right: fixed };
    case 'div':
      return { operation, left: fixed * card, right: fixed };
  }
}

/** The facts of two cards from 1 (÷, − : whole answers only) to `ranks`. */
export function pairFacts(operation: Operation, ranks: number): FactKey[] {
  const cards = Array.from({ length: ranks }, (_, n) => n + 1);
  return cards.flatMap((left) =>
    cards
      .filter(
        (right) => hasTurnaround(operation) || (left >= right && (operation === 'sub' || left % right === 0)),
      )
      .map((right) => factKey({ operation, left, right })),
  );
}

/** The second fact of a chain: the middle result and the third card. */
export function chainSecond(first: FactKey, card: number): FactKey {
  const fact = parseFactKey(first);
  return factKey({ operation: fact.operation, left: answerOf(fact), right: card });
}
