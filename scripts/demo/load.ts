import {
  addPupil,
  hashPassword,
  inRoom,
  keepDecision,
  keepEvents,
  rebuildRoom,
  type Db,
  type TimedEvent,
} from '@veldrift/server';
import { findSet } from '@veldrift/core';
import type { Pupil, PupilInput, TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { liveThrough, type DemoHistory } from './history.ts';
import { demoPupils, type DemoPupil } from './pupils.ts';
import { planDemo } from './plan.ts';
import { visitStarts } from './visitStarts.ts';
import { demoPassword, demoRoom, demoTutors } from './house.ts';

/** Judging times of the demo's tutors, ms. */
const judgingMs = [560, 590, 610, 640, 580, 600, 620, 655, 570, 605, 630, 615];
/** Seeds tried for a pupil who should come out a certain way. */
const mostSeeds = 400;

/**
 * Puts the demo room in: two tutors, fourteen made-up pupils, about ten weeks of history by simulated learners, dates
 * relative to `now`. Seeded: the same day gives the same room, ids apart. Throws if a wanted outcome is found by no seed.
 */
export async function loadDemo(
  db: Db,
  now: Date,
  onPupil: (done: number, of: number) => void = () => undefined,
): Promise<{ readonly roomId: string }> {
  const roomId = uuid();
  const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const userIds = demoTutors.map(() => uuid());
  const passwordHash = await hashPassword(demoPassword);
  await inRoom(db, roomId, async (tx) => {
    await tx.run('insert into rooms (room_id, name, time_zone) values ($1, $2, $3)', [
      roomId,
      demoRoom,
      timeZone,
    ]);
    for (const [at, tutor] of demoTutors.entries()) {
      await tx.run(
        'insert into users (room_id, id, email, name, password_hash) values ($1, $2, $3, $4, $5)',
        [roomId, userIds[at], tutor.email, tutor.name, passwordHash],
      );
      await tx.run(
        `insert into calibrations (room_id, id, kind, user_id, samples, at) values ($1, $2, 'judging', $3, $4, $5)`,
        [roomId, uuid(), userIds[at], JSON.stringify(judgingMs), new Date(now.getTime() - 12 * 86_400_000)],
      );
    }
  });
  const inputs: PupilInput[] = [];
  for (const [at, pupil] of demoPupils.entries()) {
    const pupilId = uuid();
    const weekdays = weekdaysOf(pupil, now, at);
    const history = findHistory(pupil, pupilId, at, visitStarts(weekdays, pupil.startsAtMin, now), timeZone);
    const input = inputOf(pupil, pupilId, history.setId, weekdays);
    inputs.push(input);
    await inRoom(db, roomId, async (tx) => {
      await addPupil(tx, input);
      const userId = userIds[pupil.tutor] as string;
      await keepEvents(
        tx,
        history.events.map((event) => asTimed(event, userId)),
      );
      for (const one of history.decisions) {
        const decided = {
          id: uuid({ msecs: one.at }),
          playId: one.playId,
          evidenceMark: '',
          outcome: 'accepted' as const,
          toSetId: one.toSetId,
          reason: '',
        };
        const before = { ...input, setId: one.setId } as Pupil;
        await keepDecision(
          tx,
          before,
          one.decision,
          decided,
          userIds[pupil.tutor] as string,
          new Date(one.at),
          one.about,
        );
      }
    });
    onPupil(at + 1, demoPupils.length);
  }
  await planDemo(db, { roomId, timeZone, userIds, pupils: inputs, now });
  await rebuildRoom(db, roomId, timeZone);
  return { roomId };
}

function findHistory(
  pupil: DemoPupil,
  pupilId: string,
  nth: number,
  starts: readonly number[],
  timeZone: string,
): DemoHistory {
  for (let tried = 0; tried < mostSeeds; tried += 1) {
    const history = liveThrough(pupil, pupilId, 1000 * (nth + 1) + tried, starts, timeZone, judgingMs);
    if (comesOut(pupil.wants, history)) return history;
  }
  throw new Error(`No seed makes ${pupil.name} come out as ${pupil.wants}.`);
}

function comesOut(wants: DemoPupil['wants'], history: DemoHistory): boolean {
  if (wants === 'advance') return history.verdict === 'advance';
  return (
    wants !== 'moved' ||
    (history.decisions.some((one) => one.about === 'set') && history.verdict !== 'advance')
  );
}

/** Two school days a week, three days apart; today is one of them for those who come today. */
function weekdaysOf(pupil: DemoPupil, now: Date, nth: number): number[] {
  const first = pupil.today ? now.getDay() : schoolDay(now.getDay() + 1 + (nth % 2));
  const second = schoolDay(first + 3);
  return second === first ? [first] : [first, second];
}

function schoolDay(day: number): number {
  const weekday = day % 7;
  return weekday === 0 ? 1 : weekday === 6 ? 5 : weekday;
}

function inputOf(pupil: DemoPupil, id: string, setId: string, weekdays: readonly number[]): PupilInput {
  return {
    id,
    name: pupil.name,
    gradeSystem: pupil.gradeSystem,
    grade: pupil.grade,
    operation: findSet(setId)?.operation ?? 'add',
    pathwayId: setId.split('/')[0] as string,
    setId,
    school: pupil.school,
    policy: {},
    recallLimit: '2000',
    capture: pupil.capture,
    clock: 'hidden',
    hand: pupil.hand ?? 'right',
    homeLanguage: pupil.homeLanguage ?? '',
    aids: pupil.aids ?? '',
    notes: pupil.notes ?? '',
    aimBy: null,
    visits: weekdays.map((weekday) => ({ weekday, startsAtMin: pupil.startsAtMin, minutes: 20 })),
  };
}

function asTimed(event: TableEvent, userId: string): TimedEvent {
  return { event, at: event.at, offsetMs: 0, clockCorrected: false, userId };
}
