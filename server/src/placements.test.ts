import { findPathway, placementResult, readPlacement, type PlacementPlan } from '@veldrift/core';
import {
  pupilInputOf,
  pupilsOf,
  type KeptDecision,
  type PupilList,
  type PupilPage,
  type ReviewPage,
} from '@veldrift/wire';
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

const sets = findPathway('strategy')?.sets.mul ?? [];
const plan: PlacementPlan = { sets, startAt: 0, seed: 11, timed: true };

/** Events of a play from its beginning to its end, `usedMs` long; it ended at `end` (ms). */
function played(
  ids: MinuteIds,
  started: object,
  answers: readonly { fact: string; right: boolean }[],
  end: number,
  usedMs: number,
  reason = 'time',
) {
  const head = { v: 1, seat: 0, ...ids };
  const at = (back: number) => new Date(end - back).toISOString();
  return [
    {
      id: uuid(),
      v: 1,
      kind: 'visitStarted',
      pupilId: ids.pupilId,
      visitId: ids.visitId,
      at: at(usedMs + 2000),
    },
    {
      ...head,
      id: uuid(),
      kind: 'playStarted',
      at: at(usedMs + 1000),
      setId: 'strategy/mul/squares',
      lengthMs: 600_000,
      way: 'keypad',
      limitMs: 2000,
      device: 'test',
      ...started,
    },
    ...answers.map(({ fact, right }, nth) =>
      answerEvent(ids, {
        fact,
        at: at(usedMs - nth * 1000),
        judgement: right ? 'right' : 'wrong',
        latencyMs: 1200,
        given: null,
      }),
    ),
    { ...head, id: uuid(), kind: 'playEnded', at: at(0), usedMs, reason, calm: false, interrupted: false },
  ];
}

/** Events of a placement of a child who knows the sets before `edge`, answers `from` up to `to`. */
function placement(
  ids: MinuteIds,
  edge: number,
  part: { from: number; to: number; continues?: string; at?: number; done?: boolean },
) {
  const given: { fact: string; class: 'recalled' | 'missed' }[] = [];
  for (
    let reading = readPlacement(plan, []);
    reading.next && given.length < part.to;
    reading = readPlacement(plan, given)
  )
    given.push({ fact: reading.next.fact, class: reading.next.set < edge ? 'recalled' : 'missed' });
  const events = played(
    ids,
    {
      purpose: 'placement',
      seed: plan.seed,
      title: 'Placement',
      deal: {
        form: 'placement',
        operation: 'mul',
        pathwayId: 'strategy',
        startAt: 0,
        continues: part.continues ?? null,
        timed: true,
      },
    },
    given.slice(part.from).map((one) => ({ fact: one.fact, right: one.class === 'recalled' })),
    part.at ?? Date.now(),
    180_000,
    part.done === false ? 'tutor' : 'time',
  );
  return { given, events };
}

const review = async (playId: string) => (await room.call('GET', `/api/plays/${playId}`)).body as ReviewPage;
const page = async (id: string) => (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;

describe('a placement', () => {
  it('names the set, and on acceptance the pupil begins with it; never more than provisional states', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const { events, given } = placement(ids, 4, { from: 0, to: 40 });
    await room.send(events);
    const found = await review(ids.playId);
    const expected = placementResult(plan, readPlacement(plan, given));
    expect(found.placing?.toSetId).toBe(sets[expected?.begin ?? -1]?.id);
    expect(found.placing?.decision.verdict).toBe('place');
    expect(found.states.every((one) => one.after !== 'recalled' && one.after !== 'kept')).toBe(true);
    const body = {
      id: uuid(),
      playId: ids.playId,
      outcome: 'accepted',
      toSetId: found.placing?.toSetId,
      reason: '',
    };
    expect(
      (await room.call('POST', `/api/pupils/${id}/placements`, { ...body, toSetId: 'strategy/mul/2' }))
        .status,
    ).toBe(409);
    const kept = await room.call('POST', `/api/pupils/${id}/placements`, body);
    expect(kept.status).toBe(201);
    expect(kept.body as KeptDecision).toMatchObject({
      about: 'placement',
      toSetId: found.placing?.toSetId,
      verdict: 'place',
    });
    const after = await page(id);
    expect(after.pupil.setId).toBe(found.placing?.toSetId);
    expect(after.openPlacement).toBeNull();
    // Sent again it is the same decision.
    expect(((await room.call('POST', `/api/pupils/${id}/placements`, body)).body as KeptDecision).id).toBe(
      body.id,
    );
    expect((await review(ids.playId)).decision?.id).toBe(body.id);
  });

  it('goes on at another visit where it stopped, and rests on the answers of both', async () => {
    const id = await room.pupil();
    const first = minuteIds(id);
    const second = minuteIds(id);
    await room.send(
      placement(first, 6, { from: 0, to: 9, at: Date.now() - 3 * 86_400_000, done: false }).events,
    );
    const open = (await page(id)).openPlacement;
    expect(open).toMatchObject({ playId: first.playId, seed: 11, startAt: 0 });
    expect(open?.answers).toHaveLength(9);
    const whole = placement(second, 6, { from: 9, to: 40, continues: first.playId });
    await room.send(whole.events);
    const found = await review(second.playId);
    expect(found.earlierAnswers).toHaveLength(9);
    expect(found.placing?.toSetId).toBe(sets[6]?.id);
    expect(found.placing?.decision.answerIds).toHaveLength(whole.given.length);
    expect((await page(id)).openPlacement).toBeNull();
  });

  it('may be decided otherwise with a reason, and says what is wrong', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    await room.send(placement(ids, 3, { from: 0, to: 40 }).events);
    const call = (over: object) =>
      room.call('POST', `/api/pupils/${id}/placements`, {
        id: uuid(),
        playId: ids.playId,
        outcome: 'otherwise',
        toSetId: 'strategy/mul/2',
        reason: 'Start safe.',
        ...over,
      });
    expect((await call({ reason: ' ' })).status).toBe(400);
    expect((await call({ toSetId: 'strategy/add/two' })).status).toBe(400);
    expect((await call({ playId: uuid() })).status).toBe(404);
    expect((await call({})).status).toBe(201);
    expect((await page(id)).pupil.setId).toBe('strategy/mul/2');
  });

  it('says nothing while every answer is in doubt', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const { events } = placement(ids, 3, { from: 0, to: 3, done: false });
    await room.send(
      events.map((one) =>
        'fact' in one ? { ...one, judgement: 'right', latencyMs: 2600, given: '1' } : one,
      ),
    );
    expect((await review(ids.playId)).placing).toBeNull();
    const tried = await room.call('POST', `/api/pupils/${id}/placements`, {
      id: uuid(),
      playId: ids.playId,
      outcome: 'accepted',
      toSetId: 'strategy/mul/2',
      reason: '',
    });
    expect(tried.status).toBe(409);
  });
});

describe('a look back', () => {
  /** Events of a look back at squares while the pupil is on another set: `facts` asked, the first `short` of them missed. */
  const look = (ids: MinuteIds, facts: readonly string[], short: number) =>
    played(
      ids,
      {
        purpose: 'retention',
        seed: 5,
        title: 'Look back',
        deal: { form: 'retention', operation: 'mul', pathwayId: 'strategy', timed: true },
      },
      facts.map((fact, nth) => ({ fact, right: nth >= short })),
      Date.now(),
      90_000,
    );
  const squares = findPathway('strategy')?.sets.mul.find((one) => one.id === 'strategy/mul/squares');
  const asked = (count: number) => squares?.practises.slice(0, count) ?? [];

  it('goes on record with what it rests on; the pupil stays where they are, the facts that slipped come along', async () => {
    const id = await room.pupil({ setId: 'strategy/mul/3' });
    const now = (await page(id)).pupil.setId;
    const ids = minuteIds(id);
    const whole = Math.min(12, squares?.practises.length ?? 0);
    await room.send(look(ids, asked(whole), whole - 1));
    const word = { id: uuid(), playId: ids.playId, outcome: 'accepted', toSetId: now, reason: '' };
    expect(
      (await room.call('POST', `/api/pupils/${id}/lookBacks`, { ...word, toSetId: 'strategy/mul/squares' }))
        .status,
    ).toBe(409);
    const kept = await room.call('POST', `/api/pupils/${id}/lookBacks`, word);
    expect(kept.status).toBe(201);
    expect(kept.body as KeptDecision).toMatchObject({
      about: 'retention',
      verdict: 'review',
      setId: 'strategy/mul/squares',
      toSetId: now,
      strays: asked(whole - 1),
    });
    const after = await page(id);
    expect(after.pupil.setId).toBe(now);
    expect(after.decisions.map((one) => one.about)).toEqual(['retention']);
    expect(after.pupil.tried[asked(1)[0] ?? '']?.evidence).toBe(1);
    // It is no word on the set the pupil is on, nor a set passed.
    expect(after.pupil.passed).toEqual([]);
    expect((await review(ids.playId)).decision?.id).toBe(word.id);
  });

  it('that was stopped too early is no ground for a decision, and no look back is not one', async () => {
    const id = await room.pupil({ setId: 'strategy/mul/3' });
    const ids = minuteIds(id);
    await room.send(look(ids, asked(4), 0));
    const word = {
      id: uuid(),
      playId: ids.playId,
      outcome: 'accepted',
      toSetId: 'strategy/mul/3',
      reason: '',
    };
    const early = await room.call('POST', `/api/pupils/${id}/lookBacks`, word);
    expect(early).toMatchObject({
      status: 409,
      body: { message: 'The look back is not complete: 2 facts of this look are not asked yet.' },
    });
    expect((await room.call('POST', `/api/pupils/${id}/placements`, word)).status).toBe(404);
  });
});

describe('the numbers of the schools', () => {
  it('go for the whole room, a pupil\u2019s own before them, and change what the schools say', async () => {
    const own = await house.room('Policies');
    const one = await own.pupil();
    const two = await own.pupil({ policy: { aimPerMinute: 22 } });
    expect((await own.call('GET', '/api/policy')).body).toEqual({ policy: {} });
    expect((await own.call('PUT', '/api/policy', { policy: { aimPerMinute: 18 } })).status).toBe(200);
    const list = pupilsOf((await own.call('GET', '/api/pupils')).body as PupilList);
    expect(list.find((pupil) => pupil.id === one)).toMatchObject({
      roomPolicy: { aimPerMinute: 18 },
      policy: {},
    });
    expect(list.find((pupil) => pupil.id === two)).toMatchObject({ policy: { aimPerMinute: 22 } });
    const refused = await own.call('PUT', '/api/policy', { policy: { aimPerMinute: 0 } });
    expect(refused).toMatchObject({ status: 400, body: { field: 'policy.aimPerMinute' } });
    expect((await room.call('GET', '/api/policy')).body).toEqual({ policy: {} });
  });
});

describe('a play without a clock', () => {
  it('counts the instant answers of a loose pack, takes one back, and keeps the others by fact', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const head = { v: 1, seat: 0, ...ids, at: new Date().toISOString() };
    const counted = [uuid(), uuid(), uuid()];
    const sent = await room.send([
      { id: uuid(), v: 1, kind: 'visitStarted', pupilId: id, visitId: ids.visitId, at: head.at },
      {
        ...head,
        id: uuid(),
        kind: 'playStarted',
        purpose: 'loose',
        setId: 'strategy/mul/squares',
        seed: 1,
        lengthMs: 600_000,
        way: 'loose',
        limitMs: 2000,
        device: 'test',
        title: 'Loose pack',
      },
      ...counted.map((one) => ({ ...head, id: one, kind: 'instantCounted' })),
      { ...head, id: uuid(), kind: 'answerRetracted', answerId: counted[2] },
      answerEvent(ids, {
        way: 'loose',
        judgement: 'wrong',
        given: null,
        latencyMs: null,
        lastKeyMs: null,
        fact: '7x8',
      }),
      answerEvent(ids, {
        way: 'loose',
        judgement: 'right',
        latencyMs: null,
        lastKeyMs: null,
        fact: '7x7',
        hidden: 'right',
        given: '7',
      }),
      {
        ...head,
        id: uuid(),
        kind: 'playEnded',
        usedMs: 60_000,
        reason: 'tutor',
        calm: false,
        interrupted: false,
      },
    ]);
    expect(
      (sent.body as { results: { status: string }[] }).results.every((one) => one.status === 'kept'),
    ).toBe(true);
    const found = await review(ids.playId);
    expect(found.play).toMatchObject({ tally: 2, purpose: 'loose', title: 'Loose pack', counts: false });
    // A prompt that hid another place is kept, but no state rests on it.
    expect((await page(id)).facts.mul.map((one) => one.fact)).toEqual(['7x8']);
    expect(found.answers.map((one) => one.hidden ?? 'result').sort()).toEqual(['result', 'right']);
  });

  it('has other states in an untimed school: a change of school works them out afresh', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const day = (n: number) => new Date(Date.now() - n * 86_400_000).toISOString();
    await room.send(
      [5, 4, 3, 2].map((n) => answerEvent(ids, { at: day(n), seen: n === 2 ? ['explained'] : [] })),
    );
    const state = async () => (await page(id)).facts.mul.find((one) => one.fact === '7x7')?.state;
    expect(await state()).toBe('recalled');
    const { pupil } = await page(id);
    const input = pupilInputOf(pupil);
    await room.call('PATCH', `/api/pupils/${id}`, { ...input, school: 'accurateExplained' });
    expect(await state()).toBe('secure');
    await room.call('PATCH', `/api/pupils/${id}`, { ...input, school: 'minuteAim' });
    expect(await state()).toBe('recalled');
  });
});
