import type { Answer, EndReason, TableSent } from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { PlayRow } from '../app/deviceDb.ts';

/** What is told of a play that has ended. */
export interface EndedState {
  readonly usedMs: number;
  readonly calm: boolean;
  readonly interrupted: boolean;
}

/** What is sent of a play, as events with ids of their own. */
export interface TableEvents {
  readonly answered: (
    answer: Answer,
    more: {
      readonly lastKeyMs: number | null;
      readonly calibrationAgeDays: number | null;
      readonly usedMs: number;
      /** The move of a game it was given with. */
      readonly move?: { readonly tableId: string; readonly nth: number; readonly id: string };
    },
  ) => TableEvent;
  readonly amended: (answer: Answer) => TableEvent;
  readonly retracted: (answer: Answer) => TableEvent;
  /** `at` is when it stopped: now, or when a closed minute was last seen. */
  readonly ended: (state: EndedState, reason: EndReason, at?: string) => TableEvent;
}

export function tableEvents(row: Pick<PlayRow, 'pupilId' | 'visitId' | 'playId'>, seat = 0): TableEvents {
  const head = { v: 1 as const, seat, pupilId: row.pupilId, visitId: row.visitId, playId: row.playId };
  const now = () => new Date().toISOString();
  return {
    answered: (answer, more) => ({
      ...head,
      ...answer,
      kind: 'answerGiven',
      seen: [...answer.seen],
      hidden: answer.hidden ?? 'result',
      ...more,
    }),
    amended: (answer) => ({
      ...head,
      id: uuid(),
      kind: 'answerAmended',
      at: now(),
      answerId: answer.id,
      seen: [...answer.seen],
      given: answer.given,
    }),
    retracted: (answer) => ({ ...head, id: uuid(), kind: 'answerRetracted', at: now(), answerId: answer.id }),
    ended: (state, reason, at = now()) => ({
      ...head,
      id: uuid(),
      kind: 'playEnded',
      at,
      usedMs: state.usedMs,
      reason,
      calm: state.calm,
      interrupted: state.interrupted,
    }),
  };
}

/** What came of a step at a table, as events of its play. */
export function sentEvents(
  row: Pick<PlayRow, 'pupilId' | 'visitId' | 'playId'>,
  sent: readonly TableSent[],
): readonly TableEvent[] {
  if (sent.length === 0) return [];
  const events = tableEvents(row);
  return sent.map((one) => {
    switch (one.kind) {
      case 'answered': {
        const { lastKeyMs, calibrationAgeDays, usedMs } = one;
        return events.answered(one.answer, { lastKeyMs, calibrationAgeDays, usedMs });
      }
      case 'amended':
        return events.amended(one.answer);
      case 'retracted':
        return events.retracted(one.answer);
      case 'ended':
        return events.ended(one, one.reason, one.at);
    }
  });
}
