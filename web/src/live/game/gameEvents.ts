import type { Answer, EndReason } from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { GameRow, KeptMove } from '../../app/deviceDb.ts';
import { tableEvents, type EndedState } from '../tableEvents.ts';

/** Delays and ages that go with an answer. */
export interface AnswerMore {
  readonly lastKeyMs: number | null;
  readonly calibrationAgeDays: number | null;
}

/** What is sent of a game: answers to each pupil's own play, moves with the play of the first. */
export function gameEvents(row: GameRow) {
  const headOf = (seat: number) => {
    const one = row.seats[seat];
    return one?.pupil && one.playId !== null && one.visitId !== null
      ? { v: 1 as const, seat, pupilId: one.pupil.id, visitId: one.visitId, playId: one.playId }
      : undefined;
  };
  const tableHead = {
    v: 1 as const,
    pupilId: row.pupilId,
    visitId: row.visitId,
    playId: row.playId,
  };
  const now = () => new Date().toISOString();
  const eventsAt = (seat: number) => {
    const head = headOf(seat);
    return head && tableEvents(head, seat);
  };
  const retract = (head: object, answerId: string): TableEvent =>
    ({ ...head, id: uuid(), kind: 'answerRetracted', at: now(), answerId }) as TableEvent;
  return {
    made: (
      kept: KeptMove,
      nth: number,
      usedMs: number,
      more: (seat: number) => AnswerMore,
    ): readonly TableEvent[] => [
      {
        ...tableHead,
        seat: 'seat' in kept.move && kept.move.seat !== null ? kept.move.seat : 0,
        id: kept.id,
        kind: 'moveMade',
        at: now(),
        nth,
        move: kept.move,
        usedMs,
      },
      ...kept.answers.flatMap(({ seat, answer }) => {
        const events = eventsAt(seat);
        return events ? [events.answered(answer, { ...more(seat), usedMs })] : [];
      }),
      ...kept.tallies.flatMap(({ seat, id }): TableEvent[] => {
        const head = headOf(seat);
        return head ? [{ ...head, id, kind: 'instantCounted', at: now() }] : [];
      }),
    ],
    undone: (kept: KeptMove): readonly TableEvent[] => [
      retract({ ...tableHead, seat: 0 }, kept.id),
      ...[...kept.answers.map(({ seat, answer }) => ({ seat, id: answer.id })), ...kept.tallies].flatMap(
        ({ seat, id }) => {
          const head = headOf(seat);
          return head ? [retract(head, id)] : [];
        },
      ),
    ],
    amended: (seat: number, answer: Answer): readonly TableEvent[] => {
      const events = eventsAt(seat);
      return events ? [events.amended(answer)] : [];
    },
    ended: (state: EndedState, reason: EndReason): readonly TableEvent[] =>
      row.seats.flatMap((_, seat) => {
        const events = eventsAt(seat);
        return events ? [events.ended(state, reason)] : [];
      }),
  };
}
