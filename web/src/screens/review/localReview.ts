import { decides, summariseMinute } from '@veldrift/core';
import type { Pupil, ReviewPage } from '@veldrift/wire';
import type { PlayRow } from '../../app/deviceDb.ts';

/** A review as far as this device alone knows it: states and the decision wait for the server. */
export type LocalReview = Omit<ReviewPage, 'states' | 'proposal'> & {
  readonly states: null;
  readonly proposal: null;
};

export function localReview(row: PlayRow, pupil: Pupil): LocalReview {
  const { state } = row;
  const counted = state.calm
    ? state.answers.filter((one) => one.latencyMs !== null || one.voided)
    : state.answers;
  const { timeMs, ...summary } = summariseMinute(counted, state.usedMs);
  return {
    play: {
      id: row.playId,
      visitId: row.visitId,
      pupilId: row.pupilId,
      purpose: row.purpose,
      setId: row.setId,
      way: row.way,
      startedAt: row.startedAt,
      endedAt: row.savedAt,
      lengthMs: state.lengthMs,
      limitMs: row.limitMs,
      endReason: state.endReason,
      calm: state.calm,
      interrupted: state.interrupted,
      clockCorrected: false,
      summary: { ...summary, medianMs: timeMs?.median ?? null },
      counts: row.purpose === 'check' && decides(state),
    },
    pupil,
    answers: state.answers.map((answer) => ({
      ...answer,
      pupilId: row.pupilId,
      playId: row.playId,
      visitId: row.visitId,
      clockCorrected: false,
      replaces: null,
      stands: true,
    })),
    states: null,
    proposal: null,
    decision: null,
    earlierSlips: [],
  };
}
