import { isRight, type Answer } from './answer.ts';
import { doubtMarks, workingMarks, type Mark } from './mark.ts';

export const answerClasses = ['recalled', 'workedOut', 'missed', 'right', 'noEvidence'] as const;
export type AnswerClass = (typeof answerClasses)[number];

export const answerClassNames: Readonly<Record<AnswerClass, string>> = {
  recalled: 'recalled',
  workedOut: 'worked out',
  missed: 'missed',
  right: 'right, no time',
  noEvidence: 'in doubt',
};

/** No child answers a fact sooner, ms, whatever the overhead: a corrected time below it says that too much was taken off. */
export const leastCorrectedMs = 150;

export interface ClassifyInput {
  /** Prompt painted to answer begun, ms; null: untimed. */
  readonly latencyMs: number | null;
  readonly voided: boolean;
  readonly correct: boolean;
  readonly overheadMs: number;
  readonly spreadMs: number;
  readonly limitMs: number;
  readonly seen: readonly Mark[];
  readonly aided: boolean;
}

export interface Classified {
  readonly class: AnswerClass;
  /** Latency less overhead, not below 0, ms; null when there is no usable time. */
  readonly correctedMs: number | null;
  /** The corrected time is shorter than a time can be: the overhead taken off is too long. */
  readonly tooQuick: boolean;
  /** The time lies within one spread of the limit. */
  readonly inDoubt: boolean;
}

/**
 * The class of one answer. What the tutor saw outranks the clock; an aided answer is at most worked out;
 * a time within one spread of the recall limit, or shorter than a time can be, is no evidence either way.
 */
export function classify(input: ClassifyInput): Classified {
  const timed = input.latencyMs !== null && !input.voided;
  const raw = timed ? input.latencyMs - input.overheadMs : null;
  const correctedMs = raw === null ? null : Math.max(0, raw);
  const inDoubt =
    correctedMs !== null && input.spreadMs > 0 && Math.abs(correctedMs - input.limitMs) <= input.spreadMs;
  const tooQuick = raw !== null && raw < leastCorrectedMs;
  const result = (name: AnswerClass): Classified => ({
    class: name,
    correctedMs,
    tooQuick,
    inDoubt,
  });
  if (!input.correct) return result('missed');
  if (input.seen.some((mark) => doubtMarks.has(mark))) return result('noEvidence');
  if (input.aided || input.seen.some((mark) => workingMarks.has(mark))) return result('workedOut');
  if (correctedMs === null) return result('right');
  if (inDoubt || tooQuick) return result('noEvidence');
  return result(correctedMs <= input.limitMs ? 'recalled' : 'workedOut');
}

/** The class of a kept answer. "Right but worked out" counts as the mark `workedOut`. */
export function classifyAnswer(answer: Answer): Classified {
  return classify({
    ...answer,
    correct: isRight(answer.judgement),
    seen: answer.judgement === 'workedOut' ? [...answer.seen, 'workedOut'] : answer.seen,
  });
}
