import { findSet } from '@veldrift/core';
import {
  pupilsOf,
  type KeptDecision,
  type Pupil,
  type PupilList,
  type PupilPage,
  type ReviewPage,
} from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { withClient } from './cluster/cluster.ts';
import { inRoom } from './db.ts';
import {
  answerEvent,
  minuteIds,
  openHouse,
  pupilInput,
  wholeMinute,
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

const pageOf = async (id: string) => (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;
const listed = async (id: string) =>
  pupilsOf((await room.call('GET', '/api/pupils')).body as PupilList).find((one) => one.id === id) as Pupil;
const reviewOf = async (id: string) => (await room.call('GET', `/api/plays/${id}`)).body as ReviewPage;
const squares = 'strategy/mul/squares';

/** A pupil whose minute aim is reached: the school says to go on. */
async function ready() {
  const id = await room.pupil({ school: 'minuteAim' });
  await room.send(wholeMinute(minuteIds(id), { rounds: 3 }));
  const page = await pageOf(id);
  expect(page.proposal.decision.verdict).toBe('advance');
  return { id, page };
}
const decide = async (id: string, over: Record<string, unknown>) =>
  room.call('POST', `/api/pupils/${id}/decisions`, {
    id: uuid(),
    playId: null,
    evidenceMark: (await pageOf(id)).proposal.evidenceMark,
    outcome: 'otherwise',
    toSetId: squares,
    reason: 'Wait until after the holidays.',
    ...over,
  });

describe('deciding otherwise', () => {
  it('settles what the school says: the panel and the list say it no more', async () => {
    const { id } = await ready();
    expect((await listed(id)).verdict).toBe('advance');
    expect((await decide(id, {})).status).toBe(201);
    expect((await pageOf(id)).proposal.settled).toMatchObject({
      by: 'Tutor',
      outcome: 'otherwise',
      reason: 'Wait until after the holidays.',
    });
    expect((await listed(id)).verdict).toBeNull();
    // More of the same evidence leaves it settled.
    await room.send([answerEvent(minuteIds(id))]);
    expect((await pageOf(id)).proposal.settled).not.toBeNull();
  });

  it('until new evidence changes what the school says', async () => {
    const { id } = await ready();
    await decide(id, {});
    // A minute with three wrong: the aim is reached no more.
    const ids = minuteIds(id);
    const events = wholeMinute(ids, { rounds: 1, answer: { judgement: 'wrong', given: '1' } });
    await room.send(events);
    const { proposal } = await pageOf(id);
    expect(proposal.decision.verdict).not.toBe('advance');
    expect(proposal.settled).toBeNull();
    expect((await listed(id)).verdict).toBe(proposal.decision.verdict);
  });

  it('or fourteen days have passed', async () => {
    const { id } = await ready();
    const decided = (await decide(id, {})).body as KeptDecision;
    const admin = inject('adminUrl');
    await withClient(admin, (client) =>
      client.query(`update decisions set at = now() - interval '15 days' where id = $1`, [decided.id]),
    );
    expect((await pageOf(id)).proposal.settled).toBeNull();
    expect((await listed(id)).verdict).toBe('advance');
  });

  it('settles nothing where it moved the pupil', async () => {
    const { id, page } = await ready();
    await decide(id, { toSetId: page.proposal.nextSetId });
    expect((await pageOf(id)).proposal.settled).toBeNull();
  });
});

describe('a change of set or school in the form', () => {
  it('is a decision on record, with what the school said then', async () => {
    const { id } = await ready();
    const input = (over: object) => ({ ...pupilInput({ id, school: 'minuteAim' }), ...over });
    expect((await room.call('PATCH', `/api/pupils/${id}`, input({ notes: 'Only a note.' }))).status).toBe(
      200,
    );
    expect((await pageOf(id)).decisions).toEqual([]);
    await room.call('PATCH', `/api/pupils/${id}`, input({ setId: 'strategy/mul/2' }));
    await room.call(
      'PATCH',
      `/api/pupils/${id}`,
      input({ setId: 'strategy/mul/2', school: 'eachFactInstant' }),
    );
    // Sent twice, it is one.
    await room.call(
      'PATCH',
      `/api/pupils/${id}`,
      input({ setId: 'strategy/mul/2', school: 'eachFactInstant' }),
    );
    const { decisions } = await pageOf(id);
    expect(
      decisions.map((one) => [one.about, one.setId, one.toSetId, one.school, one.toSchool, one.verdict]),
    ).toEqual([
      ['form', 'strategy/mul/2', 'strategy/mul/2', 'minuteAim', 'eachFactInstant', expect.any(String)],
      ['form', squares, 'strategy/mul/2', 'minuteAim', 'minuteAim', 'advance'],
    ]);
    expect(decisions[1]).toMatchObject({ by: 'Tutor', outcome: 'otherwise' });
    // What the school said then rested on the minute.
    expect(decisions[1]?.checkIds).toHaveLength(1);
    // It is no set passed.
    expect((await listed(id)).passed).toEqual([]);
  });
});

describe('a placement', () => {
  /** A placement on record whose first facts were recalled, and what it names. */
  async function placed() {
    const id = await room.pupil({ setId: squares });
    const ids = minuteIds(id);
    const at = (back: number) => new Date(Date.now() - back).toISOString();
    const head = { v: 1, seat: 0, ...ids };
    const deal = {
      form: 'placement',
      operation: 'mul',
      pathwayId: 'strategy',
      startAt: 0,
      continues: null,
      timed: true,
    };
    const facts = findSet('strategy/mul/2')?.introduces.slice(0, 4) ?? [];
    await room.send([
      { id: uuid(), v: 1, kind: 'visitStarted', pupilId: id, visitId: ids.visitId, at: at(90_000) },
      {
        id: uuid(),
        kind: 'playStarted',
        ...head,
        at: at(90_000),
        purpose: 'placement',
        setId: squares,
        seed: 1,
        lengthMs: 300_000,
        way: 'keypad',
        limitMs: 2000,
        device: 'test',
        title: 'Placement',
        deal,
      },
      ...facts.map((fact, nth) =>
        answerEvent(ids, { fact, judgement: 'wrong', given: '1', at: at(80_000 - nth * 1000) }),
      ),
      {
        id: uuid(),
        kind: 'playEnded',
        ...head,
        at: at(60_000),
        usedMs: 20_000,
        reason: 'time',
        calm: false,
        interrupted: false,
      },
    ]);
    const { placing } = await reviewOf(ids.playId);
    const decided = await room.call('POST', `/api/pupils/${id}/placements`, {
      id: uuid(),
      playId: ids.playId,
      outcome: 'accepted',
      toSetId: placing?.toSetId,
      reason: '',
    });
    expect(decided.status).toBe(201);
    return { id, ids, decision: decided.body as KeptDecision };
  }
  const undo = (id: string, decision: string, as = uuid()) =>
    room.call('POST', `/api/pupils/${id}/decisions/${decision}/undo`, { id: as });

  it('accepted can be taken back in its visit, and then be accepted again', async () => {
    const { id, ids, decision } = await placed();
    expect(decision.toSetId).not.toBe(squares);
    expect(await reviewOf(ids.playId)).toMatchObject({ mayUndo: true, decision: { id: decision.id } });
    const as = uuid();
    expect((await undo(id, decision.id, as)).status).toBe(201);
    // Sent once more, it is the same.
    expect((await undo(id, decision.id, as)).body).toMatchObject({ id: as });
    const page = await pageOf(id);
    expect(page.pupil.setId).toBe(squares);
    expect(page.decisions.map((one) => [one.about, one.undone, one.toSetId])).toEqual([
      ['undo', false, squares],
      ['placement', true, decision.toSetId],
    ]);
    const review = await reviewOf(ids.playId);
    expect(review).toMatchObject({ mayUndo: false, decision: null });
    expect((await undo(id, decision.id)).status).toBe(409);
    const again = await room.call('POST', `/api/pupils/${id}/placements`, {
      id: uuid(),
      playId: ids.playId,
      outcome: 'accepted',
      toSetId: review.placing?.toSetId,
      reason: '',
    });
    expect(again.status).toBe(201);
    expect((await pageOf(id)).pupil.setId).toBe(decision.toSetId);
  });

  it('not any more once something else is decided, another visit has begun, or hours have passed', async () => {
    const one = await placed();
    await room.call('PATCH', `/api/pupils/${one.id}`, pupilInput({ id: one.id, setId: 'strategy/mul/3' }));
    expect((await undo(one.id, one.decision.id)).status).toBe(409);
    const two = await placed();
    // Another play of the same visit is no other visit.
    await room.send(
      wholeMinute({ ...minuteIds(two.id), visitId: two.ids.visitId }, { at: Date.now() + 61_000 }),
    );
    expect((await reviewOf(two.ids.playId)).mayUndo).toBe(true);
    await room.send(wholeMinute(minuteIds(two.id), { at: Date.now() + 62_000 }));
    expect((await reviewOf(two.ids.playId)).mayUndo).toBe(false);
    expect((await undo(two.id, two.decision.id)).status).toBe(409);
    const three = await placed();
    await withClient(inject('adminUrl'), (client) =>
      client.query(`update decisions set at = now() - interval '4 hours' where id = $1`, [three.decision.id]),
    );
    expect((await undo(three.id, three.decision.id)).status).toBe(409);
    expect((await undo(three.id, uuid())).status).toBe(404);
  });
});

describe('what a review says of states', () => {
  it('is what they were before the first answer and after the last, by the pupil\u2019s own kind of school', async () => {
    const id = await room.pupil({ school: 'accurateExplained' });
    const day = (back: number) => Date.now() - back * 86_400_000;
    const right = { judgement: 'right', latencyMs: null, lastKeyMs: null };
    for (const back of [5, 4])
      await room.send([
        ...wholeMinute(minuteIds(id), { at: day(back), rounds: 2, purpose: 'practice', answer: right }),
      ]);
    const ids = minuteIds(id);
    await room.send(
      wholeMinute(ids, { at: day(1), purpose: 'practice', answer: { ...right, seen: ['explained'] } }),
    );
    // What came after this play is none of its business.
    await room.send(
      wholeMinute(minuteIds(id), {
        at: day(0) - 1000,
        purpose: 'practice',
        answer: { ...right, judgement: 'wrong', given: '1' },
      }),
    );
    const { states } = await reviewOf(ids.playId);
    expect(new Set(states.map((one) => one.after))).toEqual(new Set(['secure']));
    expect(new Set(states.map((one) => one.before))).not.toContain('secure');
  });
});

describe('what is practice', () => {
  const minutes = async (id: string) => (await listed(id)).minutesThisWeek;

  it('is what happened, and no table left open', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const now = Date.now();
    const at = (back: number) => new Date(now - back).toISOString();
    const whole = wholeMinute(ids, { purpose: 'drill' });
    const [visit, play, , ...others] = whole;
    const end = others.at(-1) as object;
    // Begun two hours ago; two answers ten seconds apart; ended now. Its own clock ran all the while.
    await room.send([
      { ...(visit as object), at: at(7_200_000) },
      { ...(play as object), at: at(7_200_000) },
      answerEvent(ids, { at: at(7_190_000) }),
      answerEvent(ids, { at: at(7_180_000) }),
      { ...end, at: at(0), usedMs: 7_200_000 },
    ]);
    expect(await minutes(id)).toBeCloseTo((10 + 10 + 60) / 60, 3);
    const { lastPlayId } = await pageOf(id);
    const review = (await room.call('GET', `/api/plays/${lastPlayId}`)).body as ReviewPage;
    expect(review.play.practiceMs).toBe(80_000);
  });

  it('does not count a table opened and left: it is no play', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    const whole = wholeMinute(ids, { purpose: 'probe' });
    await room.send([...whole.slice(0, 2), whole.at(-1)]);
    expect(await minutes(id)).toBe(0);
    expect((await pageOf(id)).lastPlayId).toBeNull();
    expect((await listed(id)).lastProbeAt).toBeNull();
    // With an answer it is.
    await room.send([answerEvent(ids)]);
    expect((await pageOf(id)).lastPlayId).toBe(ids.playId);
    expect((await listed(id)).lastProbeAt).not.toBeNull();
  });

  it('and a minute ended after two seconds is no check and has no rate', async () => {
    const id = await room.pupil({ school: 'minuteAim' });
    const ids = minuteIds(id);
    const whole = wholeMinute(ids);
    await room.send([...whole.slice(0, 6), { ...(whole.at(-1) as object), usedMs: 2000, reason: 'tutor' }]);
    const review = await reviewOf(ids.playId);
    expect(review.play).toMatchObject({ counts: false, summary: { right: 4, rightPerMinute: null } });
    expect(await listed(id)).toMatchObject({ lastCheckAt: null, recentRates: [] });
    expect((await pageOf(id)).proposal.decision.checkIds).toEqual([]);
  });
});

describe('one question of a game', () => {
  /** A table for two pupils; the first one's play keeps the moves. */
  async function table() {
    const [one, two] = [minuteIds(await room.pupil()), minuteIds(await room.pupil())];
    const at = new Date().toISOString();
    const move = (nth: number, id = uuid()) => ({
      id,
      v: 1,
      seat: 0,
      ...one,
      kind: 'moveMade',
      at,
      nth,
      move: { kind: 'go' },
      usedMs: 1000,
    });
    const answer = (ids: typeof one, made: { id: string; nth: number }, over: object = {}) =>
      answerEvent(ids, { move: { tableId: one.playId, nth: made.nth, id: made.id }, ...over });
    const retract = (answerId: string) => ({
      id: uuid(),
      v: 1,
      seat: 0,
      ...one,
      kind: 'answerRetracted',
      at,
      answerId,
    });
    const standing = () =>
      inRoom(house.db, room.roomId, (tx) =>
        tx.rows<{ id: string; nth: number }>(
          'select id, nth from moves where play_id = $1 and not taken_back order by nth',
          [one.playId],
        ),
      );
    const statuses = async (events: object[]) =>
      ((await room.send(events)).body as { results: { status: string; field?: string }[] }).results.map(
        (each) => (each.field ? `${each.status} ${each.field}` : each.status),
      );
    return { one, two, move, answer, retract, standing, statuses };
  }

  it('stands once: another move in its place is refused, and what was answered with it', async () => {
    const { one, two, move, answer, standing, statuses } = await table();
    const first = move(0);
    expect(await statuses([first, answer(one, first), answer(two, first)])).toEqual(['kept', 'kept', 'kept']);
    const other = move(0);
    expect(
      await statuses([
        answer(two, other),
        other,
        answer(one, other, { judgement: 'wrong', given: '1' }),
        move(1),
      ]),
    ).toEqual(['refused move', 'refused nth', 'refused move', 'kept']);
    expect((await standing()).map((each) => each.id)).toContain(first.id);
    expect(await standing()).toHaveLength(2);
    // Sent again, what is there is there.
    expect(await statuses([first, answer(one, first)])).toEqual(['already', 'kept']);
  });

  it('stands once within one batch too', async () => {
    const { one, two, move, answer, standing, statuses } = await table();
    const first = move(0);
    const other = move(0);
    expect(
      await statuses([
        first,
        answer(one, first),
        other,
        answer(one, other),
        answer(two, other),
        answer(two, first),
      ]),
    ).toEqual(['kept', 'kept', 'refused nth', 'refused move', 'refused move', 'kept']);
    expect((await standing()).map((each) => each.id)).toEqual([first.id]);
  });

  it('can be asked again once it was taken back, in whatever pieces that is sent', async () => {
    const { one, move, answer, retract, standing, statuses } = await table();
    const first = move(0);
    const second = move(0);
    const third = move(0);
    expect(
      await statuses([
        first,
        answer(one, first),
        retract(first.id),
        second,
        answer(one, second),
        retract(second.id),
        third,
        answer(one, third),
      ]),
    ).toEqual(Array.from({ length: 8 }, () => 'kept'));
    expect((await standing()).map((each) => each.id)).toEqual([third.id]);
    const fourth = move(0);
    expect(await statuses([retract(third.id)])).toEqual(['kept']);
    expect(await statuses([fourth])).toEqual(['kept']);
    expect((await standing()).map((each) => each.id)).toEqual([fourth.id]);
    // A move that comes after its own undo is taken back from the first.
    const late = move(1);
    expect(await statuses([retract(late.id)])).toEqual(['kept']);
    expect(await statuses([late, move(1)])).toEqual(['kept', 'kept']);
    expect(await standing()).toHaveLength(2);
  });
});
