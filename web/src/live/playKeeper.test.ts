import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import {
  advanceMinute,
  advanceTurns,
  newMinute,
  newTurns,
  plainDrill,
  promptOf,
  readTurns,
  type Answer,
  createRandom,
  type GamePlan,
  type KeptMove,
} from '@veldrift/core';
import { findGame, modelMove, resumePlan } from '@veldrift/core/games';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import {
  openDeviceDb,
  type DeviceDb,
  type GameRow,
  type MinuteRow,
  type PlayRow,
  type TurnsRow,
} from '../app/deviceDb.ts';
import { getPlay, putPlay } from '../app/playStore.ts';
import { gameEvents } from './game/gameEvents.ts';
import { createJournal, recoverJournal } from './journal.ts';
import { createOutbox, type Outbox } from './outbox.ts';
import { createPlayKeeper } from './playKeeper.ts';
import { tableEvents } from './tableEvents.ts';
import { memoryStorage } from '../testing/memoryStorage.ts';

let nth = 0;
const base = {
  playId: 'm',
  userId: 'u',
  pupilId: 'p',
  pupil: { id: 'p', name: 'Tove' } as never,
  visitId: 'v',
  setId: 's',
  way: 'tutor' as const,
  limitMs: 2000,
  startedAt: '2026-11-24T09:00:00.000Z',
  savedAt: '2026-11-24T09:00:00.000Z',
};
const answer = (fact: string, right: boolean): Answer => ({
  id: uuid(),
  fact,
  at: new Date().toISOString(),
  judgement: right ? 'right' : 'wrong',
  given: null,
  latencyMs: 1000,
  voided: false,
  overheadMs: 600,
  spreadMs: 100,
  calibrated: true,
  limitMs: 2000,
  seen: [],
  aided: false,
  way: 'tutor',
});
const more = { lastKeyMs: null, calibrationAgeDays: null, usedMs: 0 };

/** One more question of a play as it stands: the play after it, and what is sent. Undefined: it is over. */
type Step = (
  row: PlayRow,
  right: boolean,
) => { readonly row: PlayRow; readonly events: readonly TableEvent[] } | undefined;

const minute: { readonly row: MinuteRow; readonly step: Step } = {
  row: {
    ...base,
    purpose: 'check',
    way: 'tutor',
    state: advanceMinute(newMinute(['7x8', '8x7', '6x9', '9x6', '7x7', '8x8', '3x4', '4x3'], 60_000), {
      kind: 'started',
    }),
  },
  step: (row, right) => {
    const at = row as MinuteRow;
    if (at.state.answers.length === at.state.form.length) return undefined;
    const given = answer(promptOf(at.state), right);
    const state = advanceMinute(at.state, {
      kind: 'answered',
      answer: given,
      usedMs: at.state.usedMs + 1000,
    });
    return { row: { ...at, state }, events: [tableEvents(at).answered(given, more)] };
  },
};

const drillPlan = {
  kind: 'drill' as const,
  timed: true,
  ...plainDrill({
    facts: ['7x8', '6x9', '3x4', '2x5'].map((fact) => ({
      fact,
      known: false,
      ofSet: true,
      evidence: 0,
      due: false,
    })),
    most: 8,
    seed: 3,
  }),
};
const drill: { readonly row: TurnsRow; readonly step: Step } = {
  row: {
    ...base,
    kind: 'turns',
    purpose: 'drill',
    way: 'tutor',
    title: 'A drill',
    deal: {} as never,
    seed: 3,
    plan: drillPlan,
    earlier: 0,
    state: advanceTurns(drillPlan, newTurns(), { kind: 'started' }),
  },
  step: (row, right) => {
    const at = row as TurnsRow;
    const fact = readTurns(at.plan, at.state).next?.fact;
    if (fact === undefined) return undefined;
    const given = answer(fact, right);
    let state = advanceTurns(at.plan, at.state, {
      kind: 'answered',
      answer: given,
      usedMs: at.state.usedMs + 1000,
    });
    if (state.status === 'told') state = advanceTurns(at.plan, state, { kind: 'turned' });
    return { row: { ...at, state }, events: [tableEvents(at).answered(given, more)] };
  },
};

const firstVoice = findGame('first-voice') as NonNullable<ReturnType<typeof findGame>>;
const gamePlan: GamePlan = {
  version: firstVoice.version,
  game: firstVoice.id,
  step: 1,
  house: null,
  rules: firstVoice.steps[1]?.rules,
  mode: 'screen',
  seats: 2,
  against: true,
  seed: 5,
  packs: null,
  adults: [],
  erring: false,
  levelled: false,
  roles: [],
  minutes: null,
};
const seat = (name: string, id: string) => ({
  name,
  pupil: { id, name } as never,
  playId: id === 'p' ? 'm' : 'm2',
  visitId: 'v',
  known: [],
  timesMs: {},
  usualMs: null,
});
const game: { readonly row: GameRow; readonly step: Step } = {
  row: {
    ...base,
    kind: 'game',
    purpose: 'game',
    way: 'tutor',
    title: firstVoice.name,
    deal: {} as never,
    plan: gamePlan,
    seats: [seat('Tove', 'p'), seat('Ivo', 'q')],
    moves: [],
    state: {
      status: 'playing',
      usedMs: 0,
      calm: false,
      interrupted: false,
      pausedAt: null,
      pauseReason: null,
      endReason: null,
    },
  },
  step: (row, right) => {
    const at = row as GameRow;
    const taken = resumePlan(
      at.plan,
      at.moves.map((one) => one.move),
    );
    expect(taken.trouble).toBeNull();
    if (at.moves.length >= 12 || taken.state.over !== null) return undefined;
    const player = { right: () => (right ? 1 : 0), sees: 1, timeMs: 1000 };
    const random = createRandom(at.moves.length);
    const move = modelMove(taken.game, taken.play, taken.state, [player, player], random);
    if (!move) return undefined;
    const answers =
      move.kind === 'said' ? [{ seat: move.seat, answer: answer('7+8', right), lastKeyMs: null }] : [];
    const kept: KeptMove = { id: uuid(), move, answers, tallies: [] };
    return {
      row: { ...at, moves: [...at.moves, kept] },
      events: gameEvents(at).made(kept, at.moves.length, 0, () => null),
    };
  },
};

/** A page on a device whose disk can be made to fail. */
function page(db: DeviceDb, store: Storage, disk: { fails: boolean }) {
  const outbox: Outbox = createOutbox(db, 'u', () => Promise.resolve({ kind: 'away' }));
  const keeper = createPlayKeeper(createJournal(store), async (row, from, events) => {
    if (disk.fails) throw new Error('The disk does not take it.');
    await (events.length === 0 ? putPlay(db, row, from) : outbox.add(events, row, from));
  });
  return { keeper, close: () => (keeper.close(), outbox.close()) };
}

const kinds = { minute, drill, game };

describe.each(Object.keys(kinds) as (keyof typeof kinds)[])('a page that goes away in a %s', (kind) => {
  it('between journal and disk, at whatever point, asks no question twice and loses no answer', async () => {
    // Each question: is the disk failing by then, and does the page go away after it?
    const fates = fc.array(fc.record({ fails: fc.boolean(), reloads: fc.boolean(), right: fc.boolean() }), {
      minLength: 12,
      maxLength: 12,
    });
    await fc.assert(
      fc.asyncProperty(fates, async (list) => {
        const db = await openDeviceDb(`keeper-${(nth += 1)}`);
        const store = memoryStorage();
        const disk = { fails: false };
        const { row: begun, step } = kinds[kind];
        let row: PlayRow = begun;
        await db.put('plays', row);
        let open = page(db, store, disk);
        let asked = 0;
        for (const { fails, reloads, right } of list) {
          disk.fails = fails;
          const made = step(row, right);
          if (!made) break;
          asked += 1;
          row = made.row;
          open.keeper.keep(row, made.events);
          // A moment in which a disk that works has taken it.
          if (!fails) await vi.waitFor(() => expect(open.keeper.failing()).toBe(false));
          if (!reloads) continue;
          open.close();
          disk.fails = false;
          await recoverJournal(db, store);
          row = (await getPlay(db, 'm')) as PlayRow;
          open = page(db, store, disk);
        }
        disk.fails = false;
        open.close();
        await recoverJournal(db, store);
        const sent = (await db.getAll('outbox')).map((one) => one.event);
        const kept = (await getPlay(db, 'm')) as PlayRow;
        const answers =
          'moves' in kept
            ? kept.moves.flatMap((one) => one.answers.map((each) => each.answer))
            : kept.state.answers;
        // Every answer that the table knows is on its way, and no other.
        const given = sent.filter((one) => one.kind === 'answerGiven').map((one) => one.id);
        expect(given.toSorted()).toEqual(answers.map((one) => one.id).toSorted());
        if ('moves' in kept) {
          const nths = sent.flatMap((one) => (one.kind === 'moveMade' ? [one.nth] : []));
          expect(nths.toSorted((a, b) => a - b)).toEqual(Array.from({ length: asked }, (_, at) => at));
          expect(kept.moves).toHaveLength(asked);
        } else expect(answers).toHaveLength(asked);
        db.close();
      }),
      { numRuns: 40 },
    );
  }, 60_000);
});

describe('a disk that fails', () => {
  it('is tried again with all that has gathered, and told of while it fails', async () => {
    const db = await openDeviceDb(`keeper-${(nth += 1)}`);
    const disk = { fails: true };
    const told: boolean[] = [];
    const store = memoryStorage();
    const outbox = createOutbox(db, 'u', () => Promise.resolve({ kind: 'away' }));
    const keeper = createPlayKeeper(
      createJournal(store),
      async (row, from, events) => {
        if (disk.fails) throw new Error('full');
        await outbox.add(events, row, from);
      },
      (failing) => told.push(failing),
    );
    let row: PlayRow = minute.row;
    for (let at = 0; at < 3; at += 1) {
      const made = minute.step(row, true);
      row = made?.row as PlayRow;
      keeper.keep(row, made?.events ?? []);
    }
    await vi.waitFor(() => expect(told).toEqual([true]));
    expect(store.length).toBe(1);
    disk.fails = false;
    await vi.waitFor(() => expect(told).toEqual([true, false]), { timeout: 3000 });
    expect(await db.count('outbox')).toBe(3);
    expect(((await getPlay(db, 'm')) as MinuteRow).state.answers).toHaveLength(3);
    expect(store.length).toBe(0);
    keeper.close();
    outbox.close();
  });

  it('is left alone for twice as long each time, and after it worked for as little as at first', async () => {
    const waits: number[] = [];
    const real = globalThis.setTimeout;
    vi.stubGlobal('setTimeout', (work: () => void, ms?: number) => {
      if (ms !== undefined && ms >= 250) waits.push(ms);
      return real(work, ms !== undefined && ms >= 250 ? 0 : ms);
    });
    const fails = [true, true, true, false, true, false];
    const store = memoryStorage();
    const keeper = createPlayKeeper(createJournal(store), () =>
      fails.shift() ? Promise.reject(new Error('full')) : Promise.resolve(),
    );
    let row: PlayRow = minute.row;
    for (let at = 0; at < 2; at += 1) {
      const made = minute.step(row, true);
      row = made?.row as PlayRow;
      keeper.keep(row, made?.events ?? []);
      await vi.waitFor(() => expect(store.length).toBe(0));
    }
    vi.unstubAllGlobals();
    keeper.close();
    expect(waits).toEqual([250, 500, 1000, 250]);
  });
});
