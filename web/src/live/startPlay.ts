import type { Pupil } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { deviceDb, isGame, isTurns, type PlayRow } from '../app/deviceDb.ts';
import { allPlays } from '../app/playStore.ts';
import type { Outbox } from './outbox.ts';

/** Plays begun within this time belong to one visit. */
const visitLastsMs = 90 * 60_000;

/** A seed for one play; chance comes into the room only here. */
export function newSeed(): number {
  return crypto.getRandomValues(new Int32Array(1))[0] as number;
}

/** What every play begins with: ids, the visit it belongs to, the pupil as they are now. */
export async function playHead(pupil: Pupil, userId: string) {
  const startedAt = new Date().toISOString();
  const plays = await allPlays(await deviceDb());
  const visit = plays
    .filter(
      (one) =>
        one.pupilId === pupil.id &&
        one.userId === userId &&
        Date.now() - Date.parse(one.startedAt) < visitLastsMs,
    )
    .at(-1);
  return {
    playId: uuid(),
    userId,
    pupilId: pupil.id,
    pupil,
    visitId: visit?.visitId ?? uuid(),
    startedAt,
    savedAt: startedAt,
  };
}

/** Puts a play on this device's disk and on record: the visit, and that it has begun. */
export async function startPlay(
  outbox: Outbox,
  row: PlayRow,
  started: { readonly seed: number; readonly lengthMs: number },
): Promise<void> {
  const head = { v: 1 as const, pupilId: row.pupilId, visitId: row.visitId, at: row.startedAt };
  await outbox.add(
    [
      { ...head, id: uuid(), kind: 'visitStarted' },
      {
        ...head,
        id: uuid(),
        kind: 'playStarted',
        seat: 0,
        playId: row.playId,
        purpose: row.purpose,
        setId: row.setId,
        way: row.way,
        limitMs: row.limitMs,
        device: navigator.userAgent.slice(0, 200),
        ...started,
        ...(isTurns(row) || isGame(row) ? { title: row.title, deal: row.deal } : {}),
      },
    ],
    row,
  );
}
