import {
  decides,
  isCheck,
  placementDecision,
  placementResult,
  playPracticeMs,
  readPlacement,
  classifyAnswer,
  summariseMinute,
} from '@veldrift/core';
import type { GameReview, KeptAnswer, Pupil, ReviewPage } from '@veldrift/wire';
import { isGame, isTurns, type GameRow, type PlayRow } from '../../app/deviceDb.ts';
import { answersAt, skillsAt } from '../../live/game/gameAnswers.ts';
import { isCalm } from '../../live/openMinutes.ts';

/** A review as far as this device alone knows it: states and the decision wait for the server. */
export type LocalReview = Omit<ReviewPage, 'states' | 'proposal'> & {
  readonly states: null;
  readonly proposal: null;
};

/** `playId`: of the pupils at a game's table, whose play it is. */
export function localReview(row: PlayRow, pupil: Pupil, playId: string = row.playId): LocalReview {
  const { state } = row;
  const seat = isGame(row) ? row.seats.find((one) => one.playId === playId) : undefined;
  const visitId = seat?.visitId ?? row.visitId;
  const calm = isCalm(row);
  const earlier = isTurns(row) ? row.earlier : 0;
  const all = isGame(row) ? answersAt(row, playId) : row.state.answers;
  const given = all.slice(earlier);
  const counted = calm ? given.filter((one) => one.latencyMs !== null || one.voided) : given;
  const { timeMs, ...summary } = summariseMinute(counted, state.usedMs, lengthOf(row));
  const kept = (answer: (typeof given)[number]): KeptAnswer => ({
    ...answer,
    pupilId: pupil.id,
    playId,
    visitId,
    clockCorrected: false,
    replaces: null,
    stands: true,
  });
  return {
    play: {
      id: playId,
      visitId,
      pupilId: pupil.id,
      purpose: row.purpose,
      setId: seat?.pupil?.setId ?? row.setId,
      way: row.way,
      title: isTurns(row) || isGame(row) ? row.title : '',
      deal: isTurns(row) || isGame(row) ? row.deal : null,
      seed: isTurns(row) ? row.seed : isGame(row) ? row.plan.seed : 0,
      tally: 0,
      startedAt: row.startedAt,
      endedAt: row.savedAt,
      lengthMs: lengthOf(row),
      limitMs: row.limitMs,
      endReason: state.endReason,
      calm,
      interrupted: state.interrupted,
      clockCorrected: false,
      summary: { ...summary, medianMs: timeMs?.median ?? null },
      practiceMs: playPracticeMs({
        startedMs: Date.parse(row.startedAt),
        endedMs: Date.parse(row.savedAt),
        happenedMs: given.map((one) => Date.parse(one.at)),
        usedMs: state.usedMs,
        calm,
      }),
      counts:
        isCheck(row.purpose) &&
        summary.rightPerMinute !== null &&
        decides({ endReason: state.endReason, calm }),
    },
    pupil,
    answers: given.map(kept),
    skills: isGame(row) ? skillsAt(row, playId) : [],
    states: null,
    proposal: null,
    placing: placingOf(row),
    decision: null,
    mayUndo: false,
    earlierSlips: [],
    earlierAnswers: all.slice(0, earlier).map(kept),
    game: isGame(row) ? gameOf(row) : null,
  };
}

/** The time set, ms; 0 where none is. */
const lengthOf = (row: PlayRow): number => (isTurns(row) || isGame(row) ? 0 : row.state.lengthMs);

/** A game's moves and who sat at it; what its step rules say waits for the server. */
function gameOf(row: GameRow): GameReview {
  return {
    moves: row.moves.map(({ id, move }) => ({ id, move, usedMs: 0 })),
    table: row.seats.flatMap(({ playId, name }, seat) => (playId === null ? [] : [{ seat, playId, name }])),
    stepping: null,
    stepDecision: null,
  };
}

/** What a placement says, worked out on this device alone. */
function placingOf(row: PlayRow): ReviewPage['placing'] {
  if (!isTurns(row) || row.plan.kind !== 'placement') return null;
  const reading = readPlacement(
    row.plan,
    row.state.answers.map((one) => ({ fact: one.fact, class: classifyAnswer(one).class })),
  );
  const result = placementResult(row.plan, reading);
  return (
    (result &&
      placementDecision(
        row.plan,
        result,
        row.state.answers.map((one) => one.id),
      )) ??
    null
  );
}
