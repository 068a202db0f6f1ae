import { hiddenNumber, parseFactKey, type FactKey } from '../../facts/fact.ts';
import type { HiddenPlace } from '../../recall/answer.ts';
import type { Measuring } from '../../recall/measuring.ts';
import type { ReadAnswer } from './readAnswer.ts';

/** What one press comes to on another device: the time was taken where the prompt was shown. */
export interface RemoteAnswer {
  readonly promptId: string;
  readonly typed: string;
  readonly latencyMs: number | null;
  readonly lastKeyMs: number | null;
  readonly voided: boolean;
}

/** Reads an answer that was typed and timed on another device: right or wrong, less this pupil's overhead. */
export function readRemote(
  answer: RemoteAnswer,
  {
    fact,
    hidden,
    overheadFor,
    timed,
  }: {
    readonly fact: FactKey;
    readonly hidden: HiddenPlace;
    readonly overheadFor: Measuring['overheadFor'];
    readonly timed: boolean;
  },
): Pick<ReadAnswer, 'made' | 'lastKeyMs'> {
  const right = Number(answer.typed) === hiddenNumber(parseFactKey(fact), hidden);
  const { overheadMs, spreadMs, calibrated } = overheadFor(answer.typed.length);
  return {
    made: {
      judgement: right ? 'right' : 'wrong',
      given: answer.typed,
      latencyMs: timed ? answer.latencyMs : null,
      overheadMs,
      spreadMs,
      calibrated,
    },
    lastKeyMs: timed ? answer.lastKeyMs : null,
  };
}
