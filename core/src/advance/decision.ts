import type { FactKey } from '../facts/fact.ts';
import type { Ceiling } from '../recall/ceiling.ts';
import type { ClassedAnswer } from '../recall/factState.ts';
import type { TimedFold } from '../recall/timedState.ts';
import type { UntimedFold } from '../recall/untimedState.ts';
import type { School, Policy } from './policy.ts';

export const verdicts = [
  'advance',
  'stay',
  'stepBack',
  'review',
  'recalibrate',
  'notEnough',
  'place',
] as const;
export type Verdict = (typeof verdicts)[number];

/** What a sentence of a decision rests on: the states of facts, the latest checks, or the ceiling measured. */
export type Ground = 'facts' | 'checks' | 'ceiling';

/** A sentence with its numbers, and what it rests on, so that the answers behind it can be opened. */
export interface Reason {
  readonly text: string;
  readonly restsOn: Ground;
}

/** What may be done at once to settle a decision, without waiting for the week's check. */
export type Offer =
  | {
      /** A minute that confirms. */
      readonly kind: 'minute';
      /** The day of the last such minute, `2026-11-24`, on which it is not given again; null: none was given. */
      readonly afterDay: string | null;
    }
  | {
      /** To look whether these facts are counted, and mark what is seen. */
      readonly kind: 'watch';
      readonly facts: readonly FactKey[];
    };

/** Whether a minute that confirms may be given on a day, `2026-11-24`. */
export function isMinuteOffered(offer: Offer | null | undefined, today: string): boolean {
  return offer?.kind === 'minute' && (offer.afterDay === null || offer.afterDay < today);
}

/** The facts to watch, where looking would settle whether they are counted. */
export function watchedFacts(offer: Offer | null | undefined): readonly FactKey[] {
  return offer?.kind === 'watch' ? offer.facts : [];
}

/** How likely it is that four fifths or more of a set are recalled. */
export interface SetChance {
  readonly chance: number;
  /** The facts on which answers would tell most, at most three. */
  readonly tell: readonly FactKey[];
}

/** What a school says, with why. The tutor accepts or decides otherwise; the tool never moves a child by itself. */
export interface Decision {
  readonly about: 'set' | 'step' | 'aid' | 'clock';
  readonly verdict: Verdict;
  readonly reasons: readonly Reason[];
  /** What the evidence lacks. */
  readonly missing: readonly Reason[];
  /** The drill or check that would settle it; empty when settled. */
  readonly wouldSettle: string;
  /** What may be offered at once, on the same visit; null or left out: nothing. */
  readonly offer?: Offer | null;
  /** How likely it is that the set is done; null where no answer tells; left out where no clock is wanted. */
  readonly chance?: SetChance | null;
  /** Facts still short that are carried along on moving on. */
  readonly strays: readonly FactKey[];
  /** Ids of the answers that the states it rests on look back over, where they have ids. */
  readonly answerIds: readonly string[];
  /** Ids of the checks it rests on, where they have ids. */
  readonly checkIds: readonly string[];
}

/** A finished check as a school sees it. */
export interface CheckResult {
  readonly id?: string;
  /** When it ended, ISO 8601. */
  readonly at: string;
  readonly right: number;
  readonly wrong: number;
  /** Time used, ms; 60,000 when left out. */
  readonly usedMs?: number;
  /** False when it was interrupted and closed, cut short or turned calm: nothing hangs on it. True when left out. */
  readonly counts?: boolean;
  /** Digits correct a minute, from the keypad; null or left out otherwise. */
  readonly digitsPerMinute?: number | null;
  /** Whether its prompts were mixed with those of earlier sets. False when left out. */
  readonly mixed?: boolean;
}

/** The set under judgement. */
export interface JudgedSet {
  readonly name: string;
  readonly practises: readonly FactKey[];
  /** All facts are needed (+1, +2, −1, −2). */
  readonly everyFact?: boolean;
}

/** Answers of each fact that sentences and signs look back over; states go by all of them. */
export const lookedBack = 12;

/** What is kept of all answers of each fact. */
export interface EvidenceFolds {
  readonly timed: ReadonlyMap<FactKey, TimedFold>;
  readonly untimed: ReadonlyMap<FactKey, UntimedFold>;
}

/** An answer under judgement; `correctedMs` is only used in sentences. */
export interface JudgedAnswer extends ClassedAnswer {
  readonly id?: string;
  readonly correctedMs?: number | null;
  /** The recall limit it was judged by, ms. */
  readonly limitMs?: number;
}

export interface Evidence {
  readonly school: School;
  readonly policy: Policy;
  readonly set: JudgedSet;
  /** All answers on the set's facts; or, with `folds`, the latest `lookedBack` of each. */
  readonly answers: readonly JudgedAnswer[];
  /** The child's latest answers on other facts: they show how the child's own times lie. */
  readonly others?: readonly JudgedAnswer[];
  /** All answers on the set's facts, folded, where they have been; worked out from `answers` where left out. */
  readonly folds?: EvidenceFolds;
  /** Checks on this set, any order. */
  readonly checks: readonly CheckResult[];
  /** The most the child can give in a minute; null when not measured. */
  readonly ceiling: Ceiling | null;
  /** Days are calendar days here. */
  readonly timeZone: string;
  /** The pupil's grade, for the published bands; null or left out: not known. A year of the English system counts one less. */
  readonly grade?: number | null;
}
