import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { findSet } from '@veldrift/core';
import {
  pupilsOf,
  type FactChance,
  type KeptAnswer,
  type KeptDecision,
  type PupilList,
  type PupilPage,
  type ReviewPage,
} from '@veldrift/wire';
import { withClient } from './cluster/cluster.ts';
import { inRoom } from './db.ts';
import { keepSaid } from './store/proposal.ts';
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

const page = async (id: string) => (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;
const day = 86_400_000;

/** Three weeks in which every fact of squares comes up often enough, quick and right, on three days. */
async function readyPupil(): Promise<{ id: string; playId: string }> {
  const id = await room.pupil();
  let playId = '';
  for (const back of [15, 8, 1]) {
    const ids = minuteIds(id);
    playId = ids.playId;
    await room.send(wholeMinute(ids, { at: Date.now() - back * day, rounds: 3 }));
  }
  return { id, playId };
}

describe('pupils', () => {
  it('deleted while their school was being asked leave nothing, and trouble nobody', async () => {
    const id = await room.pupil();
    const { pupil, proposal } = await page(id);
    await room.call('DELETE', `/api/pupils/${id}`, { confirm: pupil.name });
    await inRoom(house.db, room.roomId, async (tx) => {
      await keepSaid(tx, id, proposal, {}, 1);
      expect(
        await tx.rows('select 1 from standings where room_id = $1 and pupil_id = $2', [room.roomId, id]),
      ).toEqual([]);
    });
  });

  it('are added, read, changed, listed and deleted for good', async () => {
    const id = await room.pupil({ name: '  \u{1F98A} \u0646\u0648\u0631 ' });
    expect((await page(id)).pupil).toMatchObject({
      name: '\u{1F98A} \u0646\u0648\u0631',
      tried: {},
      lastCheckAt: null,
    });
    const changed = await room.call(
      'PATCH',
      `/api/pupils/${id}`,
      pupilInput({ id, name: 'Nur', visits: [{ weekday: 2, startsAtMin: 555, minutes: 20 }] }),
    );
    expect(changed.body).toMatchObject({
      name: 'Nur',
      visits: [{ weekday: 2, startsAtMin: 555, minutes: 20 }],
    });
    expect(
      pupilsOf((await room.call('GET', '/api/pupils')).body as PupilList).map((one) => one.id),
    ).toContain(id);
    await room.send(wholeMinute(minuteIds(id)));
    await room.send([answerEvent(minuteIds(id))]);
    const refused = await room.call('DELETE', `/api/pupils/${id}`, { confirm: 'nur' });
    expect(refused.status).toBe(400);
    expect(refused.body).toMatchObject({ field: 'confirm' });
    expect((await room.call('DELETE', `/api/pupils/${id}`, { confirm: 'Nur' })).status).toBe(200);
    expect((await room.call('GET', `/api/pupils/${id}`)).status).toBe(404);
    await withClient(inject('adminUrl'), async (client) => {
      for (const table of [
        'visits',
        'plays',
        'play_ends',
        'answers',
        'checks',
        'fact_states',
        'unfolded',
        'standings',
      ]) {
        const { rows } = await client.query<{ n: number }>(
          `select count(*)::int as n from ${table} where pupil_id = $1`,
          [id],
        );
        expect(rows[0]?.n, table).toBe(0);
      }
    });
  });

  it('keep what others changed meanwhile: only the fields that are named are changed, and the whole is held together', async () => {
    const id = await room.pupil({ name: 'Nur', setId: 'strategy/mul/squares', notes: 'First.' });
    const change = (fields: object) => room.call('PATCH', `/api/pupils/${id}`, fields);
    expect((await change({ readAloud: true, setId: 'strategy/mul/3' })).status).toBe(200);
    expect((await change({ notes: 'Second.' })).body).toMatchObject({
      name: 'Nur',
      readAloud: true,
      setId: 'strategy/mul/3',
      notes: 'Second.',
    });
    // Two at once, each of another field.
    await Promise.all([change({ aids: 'Counters' }), change({ homeLanguage: 'Faroese' })]);
    expect((await page(id)).pupil).toMatchObject({ aids: 'Counters', homeLanguage: 'Faroese' });
    for (const [fields, field] of [
      [{ operation: 'add' }, 'setId'],
      [{ grade: 99 }, 'grade'],
      [{ id: uuid() }, 'id'],
      [{ name: null }, 'name'],
    ] as const) {
      const refused = await change(fields);
      expect([refused.status, (refused.body as { field: string }).field]).toEqual([400, field]);
    }
    expect((await change({ wishes: 1 })).status).toBe(400);
    expect((await change({})).body).toMatchObject({ name: 'Nur', notes: 'Second.', aids: 'Counters' });
  });

  it.each([
    [{ name: '' }, 'name'],
    [{ name: '   ' }, 'name'],
    [{ name: 'x'.repeat(200) }, 'name'],
    [{ name: 'a\nb' }, 'name'],
    [{ grade: -1 }, 'grade'],
    [{ grade: 2.5 }, 'grade'],
    [{ grade: 99 }, 'grade'],
    [{ setId: 'strategy/mul/nothing' }, 'setId'],
    [{ setId: 'fixed/mul/times-3' }, 'setId'],
    [{ operation: 'add' as const }, 'setId'],
    [{ pathwayId: 'nowhere' }, 'pathwayId'],
    [{ school: 'fastest' as never }, 'school'],
    [{ policy: { shareRecalled: 3 } }, 'policy.shareRecalled'],
    [{ policy: { secret: 1 } as never }, 'policy'],
    [{ notes: 'x'.repeat(5000) }, 'notes'],
    [{ homeLanguage: 'a\u0000b' }, 'homeLanguage'],
    [{ visits: [{ weekday: 9, startsAtMin: 0, minutes: 20 }] }, 'visits[0].weekday'],
    [{ id: 'me' }, 'id'],
  ])('refuse %j with field and reason', async (over, field) => {
    const sent = await room.call('POST', '/api/pupils', { ...pupilInput(), ...over });
    expect(sent.status).toBe(400);
    expect(sent.body).toMatchObject({ field, message: expect.stringMatching(/\.$/) as string });
  });

  it('take a sixty-character name of emoji', async () => {
    const name = '\u{1F98A}'.repeat(60);
    const id = await room.pupil({ name });
    expect((await page(id)).pupil.name).toBe(name);
  });
});

describe('a minute kept', () => {
  it('shows each fact met with its time, class and state', async () => {
    const id = await room.pupil();
    const ids = minuteIds(id);
    await room.send(wholeMinute(ids));
    const review = (await room.call('GET', `/api/plays/${ids.playId}`)).body as ReviewPage;
    expect(review.answers.map((one) => one.fact)).toEqual(findSet('strategy/mul/squares')?.practises);
    expect(review.states.every((one) => one.before === 'untried' && one.after === 'workingOut')).toBe(true);
    expect(review.proposal.decision.verdict).toBe('notEnough');
    const answers = (await room.call('GET', `/api/pupils/${id}/answers?fact=7x7`)).body as KeptAnswer[];
    expect(answers).toHaveLength(1);
    expect(answers[0]).toMatchObject({ fact: '7x7', latencyMs: 1500, overheadMs: 600, limitMs: 2000 });
    expect((await room.call('GET', `/api/pupils/${id}/answers?fact=seven`)).status).toBe(400);
  });

  it('says how likely a fact is recalled, by its answers and the child\u2019s own times', async () => {
    const id = await room.pupil();
    const chanceOf = async (fact: string) =>
      (await room.call('GET', `/api/pupils/${id}/chance?fact=${fact}`)).body as FactChance;
    const before = await chanceOf('7x7');
    expect(before).toMatchObject({ chance: null, answers: 0 });
    expect(before.recalledMs).toBeCloseTo(1000, 6);
    const dayMs = 86_400_000;
    for (const back of [5, 3, 1])
      await room.send(wholeMinute(minuteIds(id), { at: Date.now() - back * dayMs }));
    const known = await chanceOf('7x7');
    expect(known.answers).toBe(3);
    expect(known.chance).toBeGreaterThan(0.9);
    // 1.5 s less 0.6 s.
    expect(known.recalledMs).toBeGreaterThan(850);
    expect(known.recalledMs).toBeLessThan(1000);
    await room.send(
      wholeMinute(minuteIds(id), {
        answer: { judgement: 'wrong', given: '1', latencyMs: 6000, lastKeyMs: 6100 },
      }),
    );
    expect((await chanceOf('7x7')).chance).toBeLessThan(known.chance as number);
    // Said at the bound of a fact of another set as well, from its own answers alone.
    expect((await chanceOf('6x8')).chance).toBeNull();
    for (const fact of ['seven', '7:2', ''])
      expect((await room.call('GET', `/api/pupils/${id}/chance?fact=${fact}`)).status).toBe(400);
    expect((await room.call('GET', `/api/pupils/${id}/chance`)).status).toBe(400);
    // The decision says the same of the set, in words and a number.
    const { proposal } = await page(id);
    expect(proposal.decision.chance?.chance).toBeGreaterThan(0);
    expect(proposal.decision.reasons.at(-1)?.text).toMatch(
      /four fifths or more of the set are recalled is .+, \d+ in 100\./,
    );
  });

  it('keeps the way to a fact that is the child\u2019s own, until it is taken back; what is no way is said', async () => {
    const id = await room.pupil();
    const waysOf = async () => ((await room.call('GET', `/api/pupils/${id}`)).body as PupilPage).pupil.ways;
    const put = (input: object) => room.call('PUT', `/api/pupils/${id}/ways`, input);
    expect(await waysOf()).toEqual({});
    expect((await put({ fact: '13-8', way: 'up' })).status).toBe(200);
    expect((await put({ fact: '7x9', way: 'by7' })).status).toBe(200);
    expect((await put({ fact: '7x9', way: 'by9' })).status).toBe(200);
    expect(await waysOf()).toEqual({ '13-8': 'up', '7x9': 'by9' });
    // A change in the form leaves them.
    await room.call('PATCH', `/api/pupils/${id}`, { ...pupilInput({ id }), notes: 'A note.' });
    expect(await waysOf()).toEqual({ '13-8': 'up', '7x9': 'by9' });
    expect((await put({ fact: '13-8', way: null })).status).toBe(200);
    expect(await waysOf()).toEqual({ '7x9': 'by9' });
    for (const [bad, field] of [
      [{ fact: '7x9', way: 'halve' }, 'way'],
      [{ fact: 'seven', way: 'by7' }, 'fact'],
      [{ fact: '7x9' }, 'way'],
      [{ fact: '7x9', way: 'by9', more: 1 }, undefined],
    ] as const) {
      const refused = await put(bad);
      expect(refused.status).toBe(400);
      expect((refused.body as { field?: string }).field).toBe(field);
    }
  });

  it('is listed with its rate', async () => {
    const { id } = await readyPupil();
    const list = pupilsOf((await room.call('GET', '/api/pupils')).body as PupilList);
    const pupil = list.find((one) => one.id === id);
    expect(pupil?.recentRates).toHaveLength(3);
    expect(
      Object.values(pupil?.tried ?? {}).every((one) => one.state === 'kept' || one.state === 'recalled'),
    ).toBe(true);
    expect(pupil?.verdict).toBe('advance');
  });
});

describe('a decision', () => {
  it('is accepted, moves the pupil, and is on record with the policy and the answers it rests on', async () => {
    const { id, playId } = await readyPupil();
    const before = await page(id);
    expect(before.proposal.decision.verdict).toBe('advance');
    const input = {
      id: uuid(),
      playId,
      evidenceMark: before.proposal.evidenceMark,
      outcome: 'accepted',
      toSetId: 'strategy/mul/4-as-double-2',
      reason: '',
    };
    const made = await room.call('POST', `/api/pupils/${id}/decisions`, input);
    expect(made.status).toBe(201);
    const again = await room.call('POST', `/api/pupils/${id}/decisions`, input);
    expect(again.body).toEqual(made.body);
    const after = await page(id);
    expect(after.pupil.setId).toBe('strategy/mul/4-as-double-2');
    expect(after.decisions).toHaveLength(1);
    const kept = after.decisions[0] as KeptDecision;
    expect(kept).toMatchObject({
      setId: 'strategy/mul/squares',
      toSetId: 'strategy/mul/4-as-double-2',
      outcome: 'accepted',
      verdict: 'advance',
      school: 'eachFactInstant',
      policy: { aimPerMinute: 30 },
      by: 'Tutor',
    });
    expect(kept.checkIds).toEqual([playId]);
    const rests = (await room.call('GET', `/api/pupils/${id}/decisions/${kept.id}/answers`))
      .body as KeptAnswer[];
    expect(rests.length).toBe(kept.answerIds.length);
    expect(new Set(rests.map((one) => one.fact)).size).toBe(13);
    const review = (await room.call('GET', `/api/plays/${playId}`)).body as ReviewPage;
    const ofCheck = await room.call('GET', `/api/pupils/${id}/decisions/${kept.id}/answers?of=checks`);
    expect(ofCheck.body).toEqual(review.answers);
    expect((await room.call('GET', `/api/pupils/${id}/decisions/${kept.id}/answers?of=all`)).status).toBe(
      400,
    );
    expect(review.decision?.id).toBe(kept.id);
  });

  it('keeps showing the answers it rested on, those put right since among them', async () => {
    const { id, playId } = await readyPupil();
    const { proposal } = await page(id);
    const decision = {
      id: uuid(),
      playId,
      evidenceMark: proposal.evidenceMark,
      outcome: 'accepted',
      toSetId: 'strategy/mul/4-as-double-2',
      reason: '',
    };
    expect((await room.call('POST', `/api/pupils/${id}/decisions`, decision)).status).toBe(201);
    const review = (await room.call('GET', `/api/plays/${playId}`)).body as ReviewPage;
    const old = review.answers[0] as KeptAnswer;
    await room.send([
      {
        id: uuid(),
        v: 1,
        seat: 0,
        pupilId: id,
        visitId: old.visitId,
        playId,
        kind: 'answerCorrected',
        at: new Date().toISOString(),
        answerId: old.id,
        judgement: 'gaveUp',
        given: null,
        seen: [],
      },
    ]);
    const path = `/api/pupils/${id}/decisions/${decision.id}/answers`;
    const rests = (await room.call('GET', path)).body as KeptAnswer[];
    expect(rests.find((one) => one.id === old.id)).toMatchObject({ stands: false, judgement: 'right' });
    expect(rests.filter((one) => !one.stands)).toHaveLength(1);
    const ofCheck = (await room.call('GET', `${path}?of=checks`)).body as KeptAnswer[];
    expect(ofCheck.filter((one) => one.replaces === old.id && one.stands)).toHaveLength(1);
    expect(ofCheck.find((one) => one.id === old.id)?.stands).toBe(false);
  });

  it('is decided otherwise only with a reason, and not on stale evidence', async () => {
    const { id } = await readyPupil();
    const { proposal } = await page(id);
    const input = {
      id: uuid(),
      playId: null,
      evidenceMark: proposal.evidenceMark,
      outcome: 'otherwise',
      toSetId: 'strategy/mul/squares',
      reason: ' ',
    };
    const bare = await room.call('POST', `/api/pupils/${id}/decisions`, input);
    expect([bare.status, (bare.body as { field: string }).field]).toEqual([400, 'reason']);
    await room.send(wholeMinute(minuteIds(id), { answer: { judgement: 'wrong', given: '50' } }));
    const stale = await room.call('POST', `/api/pupils/${id}/decisions`, {
      ...input,
      reason: 'One more week.',
    });
    expect(stale.status).toBe(409);
    const fresh = await page(id);
    const wrongSet = await room.call('POST', `/api/pupils/${id}/decisions`, {
      ...input,
      evidenceMark: fresh.proposal.evidenceMark,
      outcome: 'accepted',
      toSetId: 'strategy/mul/7-11-and-12',
    });
    expect([wrongSet.status, (wrongSet.body as { field: string }).field]).toEqual([400, 'toSetId']);
    const elsewhere = await room.call('POST', `/api/pupils/${id}/decisions`, {
      ...input,
      evidenceMark: fresh.proposal.evidenceMark,
      toSetId: 'strategy/add/two',
      reason: 'x',
    });
    expect(elsewhere.status).toBe(400);
    const made = await room.call('POST', `/api/pupils/${id}/decisions`, {
      ...input,
      evidenceMark: fresh.proposal.evidenceMark,
      toSetId: 'strategy/mul/5',
      reason: 'Back to fives.',
    });
    expect(made.body).toMatchObject({
      outcome: 'otherwise',
      toSetId: 'strategy/mul/5',
      otherReason: 'Back to fives.',
    });
    expect((await page(id)).pupil.setId).toBe('strategy/mul/5');
  });
});

describe('calibration', () => {
  it('is kept as it was measured, the latest in use', async () => {
    const id = await room.pupil();
    const samples = [{ digits: 1, firstKeyMs: 500, promptToPromptMs: 1400 }];
    const at = (back: number) => new Date(Date.now() - back).toISOString();
    await room.send([
      { id: uuid(), v: 1, kind: 'keypadCalibrated', pupilId: id, at: at(5000), samples },
      {
        id: uuid(),
        v: 1,
        kind: 'keypadCalibrated',
        pupilId: id,
        at: at(1000),
        samples: [...samples, ...samples],
      },
      { id: uuid(), v: 1, kind: 'namingMeasured', pupilId: id, at: at(1000), promptToPromptMs: [900, 950] },
    ]);
    const { pupil } = await page(id);
    expect(pupil.keypadCalibration?.samples).toHaveLength(2);
    expect(pupil.naming?.promptToPromptMs).toEqual([900, 950]);
    const judging = { v: 1, kind: 'judgingMeasured', at: at(0) };
    const good = { ...judging, id: uuid(), timesMs: [600, 620] };
    const sent = await room.send([good, { ...judging, id: uuid(), timesMs: [-5] }, good]);
    expect(sent.body).toMatchObject({
      results: [{ status: 'kept' }, { status: 'refused', field: 'timesMs[0]' }, { status: 'kept' }],
    });
    expect((await room.send([good])).body).toMatchObject({ results: [{ status: 'already' }] });
    expect((await room.call('GET', '/api/me')).body).toMatchObject({ judging: { timesMs: [600, 620] } });
  });
});
