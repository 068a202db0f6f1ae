import { type GamePlan } from '@veldrift/core';
import { findGame } from '@veldrift/core/games';
import type { HouseRules, PupilGame, ReviewPage } from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import {
  answerEvent,
  minuteIds,
  openHouse,
  type MinuteIds,
  type TestHouse,
  type TestRoom,
} from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const dayMs = 86_400_000;
const steps = findGame('outweigh')?.steps ?? [];
const planOf = (over: Partial<GamePlan> = {}): GamePlan => ({
  version: 2,
  game: 'outweigh',
  step: 2,
  house: null,
  rules: steps[2]?.rules,
  mode: 'screen',
  seats: 2,
  against: true,
  seed: 5,
  packs: null,
  adults: [1],
  erring: false,
  levelled: false,
  roles: [],
  minutes: null,
  ...over,
});

interface Facts {
  readonly facts: readonly string[];
  readonly answer?: Record<string, unknown>;
  readonly at?: number;
  readonly plan?: GamePlan;
  readonly tableId?: string;
  readonly pupilIds?: readonly (string | null)[];
}

/** One pupil's events of a game: begun, its answers, ended. */
function playedGame(
  ids: MinuteIds,
  { facts, answer = {}, at = Date.now(), plan = planOf(), tableId = ids.playId, pupilIds }: Facts,
  seat = 0,
) {
  const head = { v: 1, seat, ...ids };
  const when = (back: number) => new Date(at - back).toISOString();
  return [
    { id: uuid(), v: 1, kind: 'visitStarted', pupilId: ids.pupilId, visitId: ids.visitId, at: when(301_000) },
    {
      ...head,
      id: uuid(),
      kind: 'playStarted',
      at: when(300_000),
      purpose: 'game',
      setId: 'strategy/mul/squares',
      seed: 5,
      lengthMs: 3_600_000,
      way: 'tutor',
      limitMs: 2000,
      device: 'test',
      title: 'Outweigh: Sums to 10 and 10',
      deal: {
        form: 'game',
        operation: 'add',
        pathwayId: 'strategy',
        game: { tableId, pupilIds: pupilIds ?? [ids.pupilId, null], plan },
      },
    },
    ...facts.map((fact, nth) =>
      answerEvent(ids, {
        seat,
        fact,
        given: '1',
        at: when(290_000 - nth * 1000),
        way: 'tutor',
        latencyMs: 1200,
        spreadMs: 50,
        ...answer,
      }),
    ),
    {
      ...head,
      id: uuid(),
      kind: 'playEnded',
      at: when(0),
      usedMs: 300_000,
      reason: 'tutor',
      calm: false,
      interrupted: false,
    },
  ];
}

const moveOf = (ids: MinuteIds, nth: number, move: object) => ({
  id: uuid(),
  v: 1,
  kind: 'moveMade',
  seat: 0,
  ...ids,
  at: new Date().toISOString(),
  nth,
  move,
  usedMs: 1000 * nth,
});

const review = async (playId: string): Promise<ReviewPage> =>
  (await room.call('GET', `/api/plays/${playId}`)).body;
const sums = Array.from({ length: 12 }, (_, nth) => `${(nth % 5) + 1}+${((nth * 3) % 6) + 1}`);

describe('a game on record', () => {
  it('keeps each pupil’s answers with their own play, and the moves with the table, those taken back left out', async () => {
    const [one, other] = [await room.pupil({ name: 'Tove' }), await room.pupil({ name: 'Rafi' })];
    const [a, b] = [minuteIds(one), minuteIds(other)];
    const pupilIds = [one, other];
    const plan = planOf({ adults: [] });
    const moves = [
      moveOf(a, 0, { kind: 'go' }),
      moveOf(a, 1, { kind: 'said', seat: 0, right: true }),
      moveOf(a, 2, { kind: 'said', seat: 1, right: false }),
    ];
    const sent = await room.send([
      ...playedGame(a, { facts: ['3+4', '5+5'], plan, pupilIds }),
      ...playedGame(b, { facts: ['2+2'], plan, pupilIds, tableId: a.playId }, 1),
      ...moves,
      {
        id: uuid(),
        v: 1,
        kind: 'answerRetracted',
        seat: 0,
        ...a,
        at: new Date().toISOString(),
        answerId: moves[2]?.id,
      },
      moveOf(a, 2, { kind: 'said', seat: 1, right: true }),
    ]);
    const { results } = sent.body as { results: { status: string; message?: string }[] };
    expect(results.filter((one) => one.status !== 'kept')).toEqual([]);
    const page = await review(a.playId);
    expect(page.answers.map((one) => one.fact)).toEqual(['3+4', '5+5']);
    expect(page.game?.moves.map((one) => one.move)).toEqual([
      { kind: 'go' },
      { kind: 'said', seat: 0, right: true },
      { kind: 'said', seat: 1, right: true },
    ]);
    expect(page.game?.table).toEqual([
      { seat: 0, playId: a.playId, name: 'Tove' },
      { seat: 1, playId: b.playId, name: 'Rafi' },
    ]);
    const theirs = await review(b.playId);
    expect(theirs.answers.map((one) => one.fact)).toEqual(['2+2']);
    expect(theirs.game?.moves).toHaveLength(3);
    // The record goes with the pupil: the other's stays.
    await room.call('DELETE', `/api/pupils/${one}`, { confirm: 'Tove' });
    expect((await review(b.playId)).game?.moves).toEqual([]);
    expect((await review(b.playId)).answers).toHaveLength(1);
  });

  it('refuses what is no move, or too long, with a sentence, and keeps the rest', async () => {
    const ids = minuteIds(await room.pupil());
    const sent = await room.send([
      ...playedGame(ids, { facts: ['3+4'] }),
      moveOf(ids, 0, { kind: 'jump' }),
      moveOf(ids, 1, { kind: 'line', seat: 0, text: '1'.repeat(700) }),
      moveOf(ids, 2, { kind: 'go' }),
    ]);
    const { results } = sent.body as { results: { status: string; message?: string }[] };
    expect(results.slice(-3)).toMatchObject([
      { status: 'refused', message: 'move should be a move of a game.' },
      { status: 'refused', message: 'move should be plain data, and not too long.' },
      { status: 'kept' },
    ]);
    expect((await review(ids.playId)).game?.moves).toHaveLength(1);
  });
});

describe('the step of a game', () => {
  /** Two plays on two days, all right and quick. */
  async function twoPlays(pupilId: string, plan = planOf()) {
    const [first, second] = [minuteIds(pupilId), minuteIds(pupilId)];
    await room.send(playedGame(first, { facts: sums, at: Date.now() - dayMs, plan }));
    await room.send(playedGame(second, { facts: sums, plan }));
    return second.playId;
  }

  it('is offered after two plays on two days with twenty answers, is accepted on record, and holds', async () => {
    const pupilId = await room.pupil();
    const first = minuteIds(pupilId);
    await room.send(playedGame(first, { facts: sums, at: Date.now() - dayMs }));
    expect((await review(first.playId)).game?.stepping?.decision).toMatchObject({
      about: 'step',
      verdict: 'notEnough',
    });
    const second = minuteIds(pupilId);
    await room.send(playedGame(second, { facts: sums }));
    const { game } = await review(second.playId);
    expect(game?.stepping).toMatchObject({ step: 2, acceptedStep: 3, decision: { verdict: 'advance' } });
    const answerIds = game?.stepping?.decision.answerIds ?? [];
    expect(answerIds).toHaveLength(24);
    const behind = await room.call('GET', `/api/plays/${second.playId}/stepAnswers`);
    expect((behind.body as { id: string }[]).map((one) => one.id).sort()).toEqual([...answerIds].sort());
    const input = { id: uuid(), playId: second.playId, outcome: 'accepted', toStep: 3, reason: '' };
    const wrong = await room.call('POST', `/api/pupils/${pupilId}/steps`, {
      ...input,
      id: uuid(),
      toStep: 1,
    });
    expect(wrong).toMatchObject({ status: 409, body: { field: 'toStep' } });
    const kept = await room.call('POST', `/api/pupils/${pupilId}/steps`, input);
    expect(kept).toMatchObject({
      status: 201,
      body: { about: 'step', verdict: 'advance', game: { id: 'outweigh', step: 2, toStep: 3 } },
    });
    // Sent twice it is one decision.
    expect((await room.call('POST', `/api/pupils/${pupilId}/steps`, input)).body).toEqual(kept.body);
    const games = (await room.call('GET', `/api/pupils/${pupilId}/games`)).body as PupilGame[];
    expect(games).toMatchObject([{ game: 'outweigh', step: 3, plays: 2, lastPlayId: second.playId }]);
    const page = await review(second.playId);
    expect(page.game?.stepDecision).toMatchObject({ game: { toStep: 3 } });
    // The set was not decided on.
    expect(page.decision).toBeNull();
    expect(page.pupil.setId).toBe('strategy/mul/squares');
  });

  it('counts no play by rules of the house', async () => {
    const pupilId = await room.pupil();
    const plan = planOf({ house: 'Ours' });
    await room.send(playedGame(minuteIds(pupilId), { facts: sums, at: Date.now() - dayMs, plan }));
    const today = minuteIds(pupilId);
    await room.send(playedGame(today, { facts: sums }));
    const { game } = await review(today.playId);
    expect(game?.stepping?.decision.verdict).toBe('notEnough');
    expect(game?.stepping?.decision.answerIds).toHaveLength(12);
  });

  it('is not offered twice on one day, nor on a day on which the set was changed', async () => {
    const pupilId = await room.pupil();
    const playId = await twoPlays(pupilId);
    const decided = await room.call('POST', `/api/pupils/${pupilId}/steps`, {
      id: uuid(),
      playId,
      outcome: 'accepted',
      toStep: 3,
      reason: '',
    });
    expect(decided.status).toBe(201);
    const again = await review(playId);
    expect(again.game?.stepping?.decision.verdict).toBe('notEnough');
    expect(again.game?.stepping?.decision.missing.map((one) => one.text)).toContain(
      'A set or a step was changed today; one change a day is enough.',
    );
  });

  it('can be decided otherwise, with a reason; not beyond the last, nor on cards that are not known', async () => {
    const pupilId = await room.pupil();
    const playId = await twoPlays(pupilId);
    const say = (over: object) =>
      room.call('POST', `/api/pupils/${pupilId}/steps`, {
        id: uuid(),
        playId,
        outcome: 'otherwise',
        toStep: 2,
        reason: 'She likes it here.',
        ...over,
      });
    expect(await say({ reason: ' ' })).toMatchObject({ status: 400, body: { field: 'reason' } });
    expect(await say({ toStep: 12 })).toMatchObject({
      status: 400,
      body: { message: 'Outweigh has 8 steps.' },
    });
    expect(await say({})).toMatchObject({ status: 201, body: { game: { toStep: 2 } } });
    const loose = await twoPlays(await room.pupil(), planOf({ mode: 'loose' }));
    expect((await review(loose)).game?.stepping).toBeNull();
    const own = await twoPlays(await room.pupil(), planOf({ house: 'Ours' }));
    expect((await review(own)).game?.stepping).toBeNull();
  });
});

describe('rules of the house', () => {
  const rules = (over: object = {}) => ({
    id: uuid(),
    game: 'outweigh',
    step: 2,
    name: 'Big cards',
    by: 'Tove',
    rules: { ...(steps[2]?.rules as object), smaller: true },
    ...over,
  });
  const list = async () => (await room.call('GET', '/api/houseRules')).body as HouseRules[];
  it('are saved under a name, changed, listed and taken away', async () => {
    const mine = rules();
    expect((await room.call('POST', '/api/houseRules', mine)).status).toBe(201);
    expect(await list()).toMatchObject([{ name: 'Big cards', by: 'Tove', rules: { smaller: true } }]);
    await room.call('POST', '/api/houseRules', { ...mine, name: 'Little cards' });
    expect((await list()).map((one) => one.name)).toEqual(['Little cards']);
    expect((await room.call('DELETE', `/api/houseRules/${mine.id}`)).status).toBe(200);
    expect(await list()).toEqual([]);
  });
  it('that cannot be played are refused with the reason', async () => {
    const tries: [object, number, string][] = [
      [{ name: ' ' }, 400, 'Give the rules a name'],
      [{ game: 'no-such' }, 404, 'no such game'],
      [{ step: 20 }, 400, 'Outweigh has 8 steps'],
      [
        { rules: { ...(steps[2]?.rules as object), cards: 9 } },
        400,
        'Cards turned should be a whole number from 1 to 4.',
      ],
    ];
    for (const [over, status, message] of tries)
      expect(await room.call('POST', '/api/houseRules', rules(over))).toMatchObject({
        status,
        body: { message: expect.stringContaining(message) as string },
      });
    expect(await list()).toEqual([]);
  });
});
