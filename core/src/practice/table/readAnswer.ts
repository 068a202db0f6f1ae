import { hiddenNumber, parseFactKey, type FactKey } from '../../facts/fact.ts';
import type { Answer, CaptureWay, HiddenPlace, Judgement } from '../../recall/answer.ts';
import type { Overhead } from '../../recall/calibration.ts';
import { typedText, typedTimes, type TypedAnswer } from './typedAnswer.ts';

/** What was done: a judgement, when its key was pressed, and what had been typed. Time stamps of the page, ms. */
export interface Press {
  readonly judgement: Judgement;
  readonly at: number;
  readonly typed: TypedAnswer;
  /** When the voice was heard first after the prompt; undefined: not heard, or not listened for. */
  readonly onsetAt?: number | undefined;
}

/** What it was done to. */
export interface Shown {
  readonly fact: FactKey;
  /** Which place of it the prompt hides; the result when left out. */
  readonly hidden?: HiddenPlace;
  readonly way: CaptureWay;
  readonly paintedAt: number;
  /** False on a calm table and where no clock is wanted: the answer is kept without a time. */
  readonly timed: boolean;
  /** When the minute's time runs out; undefined while no clock runs. */
  readonly until?: number | undefined;
  readonly overheadFor: (digits: number) => Overhead;
}

/** An answer as it was begun and finished. */
export interface ReadAnswer {
  readonly made: Pick<Answer, 'judgement' | 'given' | 'latencyMs' | 'overheadMs' | 'spreadMs' | 'calibrated'>;
  readonly begunAt: number;
  readonly lastKeyMs: number | null;
}

/** How much later than the child the tutor's key may come, ms. */
export function allowanceMs(overhead: Overhead): number {
  return overhead.overheadMs + overhead.spreadMs;
}

/**
 * Reads an answer off a key press: begun at the first digit of what was typed, or at the key that judged it. Undefined when
 * it was begun after the minute's time, the tutor's own time allowed for.
 */
export function readAnswer(
  press: Press,
  shown: Omit<Shown, 'until'> & { readonly until?: undefined },
): ReadAnswer;
export function readAnswer(press: Press, shown: Shown): ReadAnswer | undefined;
export function readAnswer({ judgement, at, typed, onsetAt }: Press, shown: Shown): ReadAnswer | undefined {
  const times = typedTimes(typed);
  const begunAt = begunAtOf();
  function begunAtOf(): number {
    if (shown.way === 'keypad' && judgement !== 'gaveUp' && times) return times.firstAt;
    return shown.way === 'voice' && onsetAt !== undefined ? onsetAt : at;
  }
  // A voice that was not heard gives no time: the tutor's key says only whether it was right.
  const timed = shown.timed && !(shown.way === 'voice' && onsetAt === undefined);
  const given = givenOf(judgement, typed, shown);
  const overhead = shown.overheadFor(given?.length ?? 1);
  const allowed = shown.way === 'keypad' ? 0 : allowanceMs(overhead);
  if (shown.until !== undefined && begunAt - allowed > shown.until) return undefined;
  return {
    made: {
      judgement,
      given,
      latencyMs: timed ? Math.max(0, begunAt - shown.paintedAt) : null,
      overheadMs: overhead.overheadMs,
      spreadMs: overhead.spreadMs,
      calibrated: overhead.calibrated,
    },
    begunAt,
    lastKeyMs: shown.timed && times ? times.lastAt - shown.paintedAt : null,
  };
}

/** What was typed; of an answer the tutor heard and judged right, the answer itself. */
function givenOf(
  judgement: Judgement,
  typed: TypedAnswer,
  { way, fact, hidden = 'result' }: Shown,
): string | null {
  if (typed.length > 0) return typedText(typed);
  const heard = way !== 'keypad' && (judgement === 'right' || judgement === 'workedOut');
  return heard ? String(hiddenNumber(parseFactKey(fact), hidden)) : null;
}
