import type { Aid } from '../facts/aid.ts';
import type { FactKey } from '../facts/fact.ts';
import type { Mark } from './mark.ts';

/** How a pupil's answers are captured and timed. */
export const captureWays = ['keypad', 'tutor', 'voice'] as const;
export type CaptureWay = (typeof captureWays)[number];

/** How an answer came on record: also without a time, from a loose pack or set down afterwards. */
export const answerWays = [...captureWays, 'loose', 'afterwards'] as const;
export type AnswerWay = (typeof answerWays)[number];

export const answerWayNames: Readonly<Record<AnswerWay, string>> = {
  keypad: 'keypad',
  tutor: 'tutor\u2019s mark',
  voice: 'voice',
  loose: 'loose pack',
  afterwards: 'set down afterwards',
};
export const captureWayNames: Readonly<Record<CaptureWay, string>> = answerWayNames;

/** Whether an answer so kept came by a way that is timed. */
export function isCaptureWay(way: AnswerWay): way is CaptureWay {
  return (captureWays as readonly AnswerWay[]).includes(way);
}

/** What was decided about one answer when it was given. */
export const judgements = ['right', 'workedOut', 'wrong', 'gaveUp'] as const;
export type Judgement = (typeof judgements)[number];

export const hiddenPlaces = ['result', 'left', 'right'] as const;
export type HiddenPlace = (typeof hiddenPlaces)[number];

/** One answer as kept: raw times and the settings in force. Class, state and rate are derived from it, never stored in it. */
export interface Answer {
  readonly id: string;
  readonly fact: FactKey;
  /** When it was given, ISO 8601, corrected for a wrong device clock. */
  readonly at: string;
  readonly judgement: Judgement;
  /** What was typed or said; null when not recorded. */
  readonly given: string | null;
  /** Prompt painted to answer begun, ms; null when untimed. */
  readonly latencyMs: number | null;
  /** A pause, a hidden tab, an interruption or a frame gap spoiled the time, not the answer. */
  readonly voided: boolean;
  readonly overheadMs: number;
  readonly spreadMs: number;
  /** Whether overhead and spread come from a calibration, not from defaults. */
  readonly calibrated: boolean;
  readonly limitMs: number;
  readonly seen: readonly Mark[];
  readonly aided: boolean;
  /** The aid that lay there, where it is known which. */
  readonly aid?: Aid;
  readonly way: AnswerWay;
  /** Which place the prompt hid; the result when left out. Only those with the result hidden make states and rates. */
  readonly hidden?: HiddenPlace;
}

export function isRight(judgement: Judgement): boolean {
  return judgement === 'right' || judgement === 'workedOut';
}
