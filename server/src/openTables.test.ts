import { type GamePlan, type KeptMove, type Move } from '@veldrift/core';
import { findGame } from '@veldrift/core/games';
import { tableStandsHours, type BatchResult, type OpenTable, type TableOnRecord } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openHouse, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const plan: GamePlan = {
  ...{ version: 2, game: 'outweigh', step: 2, house: null, rules: findGame('outweigh')?.steps[2]?.rules },
  ...{ mode: 'screen', seats: 3, against: true, seed: 5, packs: null, adults: [1], erring: false },
  ...{ levelled: false, roles: [], minutes: null },
};

/** A game of two pupils with a grown-up between them, and what was played at it. */
async function begun(ago = 0) {
  const pupilIds = [await room.pupil(), null, await room.pupil()] as const;
  const seats = pupilIds.map((pupilId) =>
    pupilId === null ? null : { pupilId, visitId: uuid(), playId: uuid() },
  );
  const tableId = seats[0]?.playId as string;
  const at = (back: number) => new Date(Date.now() - ago - back).toISOString();
  const start = seats.flatMap((one, seat) =>
    one
      ? [
          {
            id: uuid(),
            v: 1,
            kind: 'visitStarted',
            pupilId: one.pupilId,
            visitId: one.visitId,
            at: at(90_000),
          },
          {
            ...{ id: uuid(), v: 1, kind: 'playStarted', ...one, seat, at: at(80_000), purpose: 'game' },
            ...{ setId: 'strategy/add/zero-one', seed: 5, lengthMs: 600_000, way: 'tutor', limitMs: 2000 },
            ...{ device: 'test', title: 'Outweigh: Sums to 10 and 10' },
            deal: {
              ...{ form: 'game', operation: 'add', pathwayId: 'strategy' },
              game: { plan, tableId, pupilIds, grownUps: [null, 'Maren', null] },
            },
          },
        ]
      : [],
  );
  const head = (seat: number) => ({ v: 1, seat, ...seats[seat] });
  const moved = (nth: number, move: Move, id = uuid()) => ({
    ...{ ...head(0), id, kind: 'moveMade', at: at(70_000 - nth * 1000), nth, move, usedMs: 1000 * (nth + 1) },
  });
  const answered = (seat: number, nth: number, moveId: string, over: Record<string, unknown> = {}) => ({
    ...{
      ...head(seat),
      id: uuid(),
      kind: 'answerGiven',
      at: at(70_000 - nth * 1000),
      fact: '7+6',
      hidden: 'result',
      given: null,
    },
    ...{ judgement: 'right', latencyMs: 1400, lastKeyMs: null, voided: false, way: 'tutor', overheadMs: 300 },
    ...{ spreadMs: 40, calibrated: true, calibrationAgeDays: 2, limitMs: 2000, seen: [], aided: false },
    ...{ usedMs: 1000 * (nth + 1), move: { tableId, nth, id: moveId } },
    ...over,
  });
  return { pupilIds, seats, tableId, start, head, moved, answered, at };
}

const kept = async (events: readonly object[]) => {
  const { results } = (await room.send(events)).body as BatchResult;
  expect(results.filter((one) => one.status !== 'kept')).toEqual([]);
};
const tables = async (of = room) => (await of.call('GET', '/api/tables')).body as OpenTable[];
const table = (id: string, of = room) => of.call('GET', `/api/tables/${id}`);
const body = async (id: string) => (await table(id)).body as TableOnRecord;
const kinds = (moves: readonly KeptMove[]) => moves.map(({ move }) => move.kind);

describe('a game that stands', () => {
  it('is on record as it was played: who sat there, its moves in order, each with what it gave', async () => {
    const game = await begun();
    const [go, first, second] = [uuid(), uuid(), uuid()];
    const own = game.answered(0, 1, first, { seen: ['fingers'] });
    const other = game.answered(2, 2, second, { judgement: 'wrong' });
    const skill = {
      ...{
        ...game.head(2),
        id: uuid(),
        kind: 'skillGiven',
        at: game.at(1000),
        skill: 'cmp',
        shown: '7 or 4',
      },
      ...{ answer: '7', given: '7', right: true, latencyMs: 900, voided: false, way: 'tutor', aided: false },
      ...{ usedMs: 3000, move: { tableId: game.tableId, nth: 2, id: second } },
    };
    const tally = {
      ...{ ...game.head(2), id: uuid(), kind: 'instantCounted', at: game.at(900) },
      move: { tableId: game.tableId, nth: 0, id: go },
    };
    await kept([
      ...game.start,
      game.moved(0, { kind: 'go' }, go),
      tally,
      game.moved(1, { kind: 'said', seat: 0, right: true }, first),
      own,
      game.moved(2, { kind: 'said', seat: 2, right: false }, second),
      other,
      skill,
    ]);
    const found = await body(game.tableId);
    expect(found).toMatchObject({
      ...{ playId: game.tableId, pupilId: game.pupilIds[0], way: 'tutor', limitMs: 2000, usedMs: 3000 },
      ...{ title: 'Outweigh: Sums to 10 and 10', setId: 'strategy/add/zero-one' },
      deal: { game: { plan: { seed: 5, game: 'outweigh' } } },
    });
    expect(found.seats).toEqual(
      [0, 2].map((seat) => ({ seat, ...(game.seats[seat] as { readonly playId: string }) })),
    );
    expect(found.moves.map(({ id, move }) => [id, move])).toEqual([
      [go, { kind: 'go' }],
      [first, { kind: 'said', seat: 0, right: true }],
      [second, { kind: 'said', seat: 2, right: false }],
    ]);
    expect(found.moves.map(({ answers }) => answers.map((one) => [one.seat, one.answer.id]))).toEqual([
      [],
      [[0, own.id]],
      [[2, other.id]],
    ]);
    expect(found.moves[1]?.answers[0]).toMatchObject({
      lastKeyMs: null,
      answer: {
        fact: '7+6',
        judgement: 'right',
        latencyMs: 1400,
        seen: ['fingers'],
        overheadMs: 300,
      },
    });
    expect(found.moves[2]?.skills).toMatchObject([{ seat: 2, id: skill.id, skill: 'cmp', right: true }]);
    expect(found.moves[0]?.tallies).toEqual([{ seat: 2, id: tally.id }]);
    expect(await tables()).toContainEqual({
      playId: game.tableId,
      pupilId: game.pupilIds[0],
      title: 'Outweigh: Sums to 10 and 10',
      startedAt: found.startedAt,
      lastAt: found.lastAt,
    });
    expect(Date.parse(found.lastAt)).toBeGreaterThan(Date.parse(found.startedAt));
  });
  it('leaves out what was taken back, and what follows a move that did not come', async () => {
    const game = await begun();
    const [said, again] = [uuid(), uuid()];
    const answer = game.answered(0, 1, said);
    await kept([
      ...game.start,
      game.moved(0, { kind: 'go' }),
      game.moved(1, { kind: 'said', seat: 0, right: true }, said),
      answer,
      ...[said, answer.id].map((answerId) => ({
        ...{ ...game.head(0), id: uuid(), kind: 'answerRetracted', at: game.at(500), answerId },
      })),
      game.moved(1, { kind: 'said', seat: 0, right: false }, again),
      game.moved(3, { kind: 'go' }),
    ]);
    const { moves, usedMs } = await body(game.tableId);
    expect(moves.map(({ id }) => id)).toHaveLength(2);
    expect(kinds(moves)).toEqual(['go', 'said']);
    expect(moves[1]).toMatchObject({ id: again, answers: [] });
    expect(usedMs).toBe(2000);
  });
  it('stands no more when it was ended, or too long ago', async () => {
    const [game, old] = [await begun(), await begun((tableStandsHours + 1) * 3_600_000)];
    await kept([...game.start, ...old.start]);
    expect((await table(old.tableId)).status).toBe(404);
    expect((await table(game.tableId)).status).toBe(200);
    await kept([
      {
        ...{ ...game.head(0), id: uuid(), kind: 'playEnded', at: game.at(0), usedMs: 1000, reason: 'tutor' },
        ...{ calm: false, interrupted: false },
      },
    ]);
    const after = await table(game.tableId);
    expect([after.status, (after.body as { message: string }).message]).toEqual([
      404,
      'There is no such game of yours that still stands.',
    ]);
    const open = (await tables()).map(({ playId }) => playId);
    expect(open).not.toContain(game.tableId);
    expect(open).not.toContain(old.tableId);
  });
  it('is nobody else\u2019s, and is found by the play of its first pupil alone', async () => {
    const game = await begun();
    await kept(game.start);
    const stranger = await house.room();
    expect((await table(game.tableId, stranger)).status).toBe(404);
    expect(await tables(stranger)).toEqual([]);
    expect((await table(game.seats[2]?.playId as string)).status).toBe(404);
    expect((await table('nothing')).status).toBe(404);
  });
});
