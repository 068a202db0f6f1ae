import { isKnown, median, operations, type FactKey, type GamePlan, type Operation } from '@veldrift/core';
import { takesNoTime, type Deal, type Pupil, type PupilPage } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { GameRow, GameSeat } from '../../app/deviceDb.ts';
import type { Outbox } from '../outbox.ts';

/** A pupil at the table with what is known of them; without it (offline, never opened) the seat is taken as a beginner's. */
export function seatOf(
  pupil: Pupil,
  page: PupilPage | undefined,
  ids: { readonly playId: string; readonly visitId: string },
): GameSeat {
  const facts = operations.flatMap((operation) => page?.facts[operation] ?? []);
  const times: Record<FactKey, number> = {};
  for (const one of facts) if (one.lastMs !== null) times[one.fact] = one.lastMs;
  return {
    name: pupil.name,
    pupil,
    ...ids,
    known: facts.filter((one) => isKnown(one.state)).map((one) => one.fact),
    timesMs: takesNoTime(pupil) ? {} : times,
    usualMs: Object.keys(times).length === 0 ? null : median(Object.values(times)),
  };
}

/** How the app is called in a seat of its own. */
export const appName = 'The app';

export const grownUp = (name: string): GameSeat => ({
  name,
  pupil: null,
  playId: null,
  visitId: null,
  known: [],
  timesMs: {},
  usualMs: null,
});

/** Puts a game on this device's disk and on record: a visit and a play for each pupil at it. */
export async function startGame(outbox: Outbox, row: GameRow): Promise<void> {
  await outbox.add(
    row.seats.flatMap(({ pupil, playId, visitId }, seat) => {
      if (!pupil || playId === null || visitId === null) return [];
      const head = { v: 1 as const, pupilId: pupil.id, visitId, at: row.startedAt };
      return [
        { ...head, id: uuid(), kind: 'visitStarted' as const },
        {
          ...head,
          id: uuid(),
          kind: 'playStarted' as const,
          seat,
          playId,
          purpose: 'game' as const,
          setId: pupil.setId,
          way: row.way,
          limitMs: row.limitMs,
          device: navigator.userAgent.slice(0, 200),
          seed: row.plan.seed,
          lengthMs: gameLengthMs,
          title: row.title,
          deal: row.deal,
        },
      ];
    }),
    row,
  );
}

/** A game has no set length; the longest a play is planned for. */
const gameLengthMs = 3_600_000;

/** How the play of a game is told on record. */
export function dealOf(
  plan: GamePlan,
  tableId: string,
  seats: readonly GameSeat[],
  operation: Operation,
  pathwayId: string,
): Deal {
  return {
    form: 'game',
    operation,
    pathwayId,
    game: {
      tableId,
      pupilIds: seats.map(({ pupil }) => pupil?.id ?? null),
      grownUps: seats.map(({ pupil, name }) => (pupil ? null : name)),
      plan: {
        ...plan,
        rules: plan.rules as object,
        packs: plan.packs,
        adults: [...plan.adults],
        roles: [...plan.roles],
      },
    },
  };
}
