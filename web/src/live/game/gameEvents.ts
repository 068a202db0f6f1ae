import type { Answer, EndReason, KeptMove, SeatAnswer } from '@veldrift/core';
import type { GameSent } from '@veldrift/core/games';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { GameRow } from '../../app/deviceDb.ts';
import { tableEvents, type EndedState } from '../tableEvents.ts';

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
  const of = {
    /** `ageOf`: days since the calibration that an answer's overhead comes from. */
    made: (
      kept: KeptMove,
      nth: number,
      usedMs: number,
      ageOf: (answer: SeatAnswer) => number | null,
    ): readonly TableEvent[] => {
      const move = { tableId: row.playId, nth, id: kept.id };
      return [
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
        ...kept.answers.flatMap((one) => {
          const events = eventsAt(one.seat);
          const more = { lastKeyMs: one.lastKeyMs, calibrationAgeDays: ageOf(one), usedMs, move };
          return events ? [events.answered(one.answer, more)] : [];
        }),
        ...(kept.skills ?? []).flatMap(({ seat, ...skill }): TableEvent[] => {
          const head = headOf(seat);
          return head ? [{ ...head, ...skill, kind: 'skillGiven', usedMs, move }] : [];
        }),
        ...kept.tallies.flatMap(({ seat, id }): TableEvent[] => {
          const head = headOf(seat);
          return head ? [{ ...head, id, kind: 'instantCounted', at: now(), move }] : [];
        }),
      ];
    },
    undone: (kept: KeptMove): readonly TableEvent[] => [
      retract({ ...tableHead, seat: 0 }, kept.id),
      ...[
        ...kept.answers.map(({ seat, answer }) => ({ seat, id: answer.id })),
        ...(kept.skills ?? []),
        ...kept.tallies,
      ].flatMap(({ seat, id }) => {
        const head = headOf(seat);
        return head ? [retract(head, id)] : [];
      }),
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
  return {
    ...of,
    /** What came of a step at the table. */
    sent: (list: readonly GameSent[], ageOf: (answer: SeatAnswer) => number | null): readonly TableEvent[] =>
      list.flatMap((one) => {
        switch (one.kind) {
          case 'made':
            return of.made(one.kept, one.nth, one.usedMs, ageOf);
          case 'undone':
            return of.undone(one.kept);
          case 'amended':
            return of.amended(one.seat, one.answer);
          case 'ended':
            return of.ended(one, 'tutor');
        }
      }),
  };
}
