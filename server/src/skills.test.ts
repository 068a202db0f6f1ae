import { type GamePlan } from '@veldrift/core';
import { findGame } from '@veldrift/core/games';
import type { BatchResult, PupilPage, ReviewPage } from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { inRoom } from './db.ts';
import { minuteIds, openHouse, type MinuteIds, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const dayMs = 86_400_000;
const plan: GamePlan = {
  version: 2,
  game: 'outweigh',
  step: 0,
  house: null,
  rules: findGame('outweigh')?.steps[0]?.rules,
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
};

const skillGiven = (ids: MinuteIds, over: Record<string, unknown> = {}) => ({
  id: uuid(),
  v: 1,
  kind: 'skillGiven',
  seat: 0,
  ...ids,
  at: new Date().toISOString(),
  skill: 'cmp',
  shown: '7 or 4',
  answer: '7',
  given: '7',
  right: true,
  latencyMs: 900,
  voided: false,
  way: 'tutor',
  aided: false,
  usedMs: 1000,
  ...over,
});

/** A game in which skills were answered, by what came of each: r right, w wrong. */
const played = (ids: MinuteIds, answers: string, at = Date.now()) => {
  const when = (back: number) => new Date(at - back).toISOString();
  const head = { v: 1, ...ids };
  return [
    { id: uuid(), v: 1, kind: 'visitStarted', pupilId: ids.pupilId, visitId: ids.visitId, at: when(200_000) },
    {
      id: uuid(),
      ...head,
      kind: 'playStarted',
      seat: 0,
      at: when(190_000),
      purpose: 'game',
      setId: 'strategy/mul/squares',
      seed: 5,
      lengthMs: 600_000,
      way: 'tutor',
      limitMs: 2000,
      device: 'test',
      title: 'Outweigh: One card, the larger',
      deal: {
        form: 'game',
        operation: 'add',
        pathwayId: 'strategy',
        game: { plan, tableId: ids.playId, pupilIds: [ids.pupilId, null] },
      },
    },
    ...[...answers].map((one, nth) =>
      skillGiven(ids, {
        at: when(180_000 - nth * 1000),
        right: one === 'r',
        given: one === 'r' ? '7' : '4',
      }),
    ),
    {
      id: uuid(),
      ...head,
      kind: 'playEnded',
      seat: 0,
      at: when(0),
      usedMs: 180_000,
      reason: 'tutor',
      calm: false,
      interrupted: false,
    },
  ];
};

const statuses = (sent: { body: unknown }) => (sent.body as BatchResult).results.map((one) => one.status);
const review = async (playId: string) => (await room.call('GET', `/api/plays/${playId}`)).body as ReviewPage;
const skillsOf = async (id: string) =>
  ((await room.call('GET', `/api/pupils/${id}`)).body as PupilPage).skills.map((one) => [
    one.skill,
    one.state,
    one.answers.map((answer) => answer.right),
  ]);

describe('answers to skills', () => {
  it('are kept once, stand on the review and on the pupil page, and make a play of a table', async () => {
    const ids = minuteIds(await room.pupil());
    const events = played(ids, 'rwrr');
    expect(
      ((await room.send(events)).body as BatchResult).results.filter((one) => one.status !== 'kept'),
    ).toEqual([]);
    expect(new Set(statuses(await room.send(events)))).toEqual(new Set(['already']));
    const page = await review(ids.playId);
    expect(page.answers).toEqual([]);
    expect(page.skills.map((one) => [one.skill, one.shown, one.answer, one.given, one.right])).toEqual([
      ['cmp', '7 or 4', '7', '7', true],
      ['cmp', '7 or 4', '7', '4', false],
      ['cmp', '7 or 4', '7', '7', true],
      ['cmp', '7 or 4', '7', '7', true],
    ]);
    // Four answers a second apart, with what came before and after them, each gap at most a minute.
    expect(page.play.practiceMs).toBeGreaterThan(60_000);
    expect(await skillsOf(ids.pupilId)).toEqual([['cmp', 'secure', [true, false, true, true]]]);
    const listed = (await room.call('GET', `/api/pupils/${ids.pupilId}/games`)).body as { plays: number }[];
    expect(listed).toMatchObject([{ plays: 1 }]);
  });

  it('taken back count no more, whichever comes first', async () => {
    const ids = minuteIds(await room.pupil());
    const [first, second] = [skillGiven(ids), skillGiven(ids, { right: false, given: '4' })];
    const retract = (answerId: string) => ({
      id: uuid(),
      v: 1,
      kind: 'answerRetracted',
      seat: 0,
      ...ids,
      at: new Date().toISOString(),
      answerId,
    });
    await room.send([retract(second.id), first, second]);
    expect(await skillsOf(ids.pupilId)).toEqual([['cmp', 'workingOut', [true]]]);
    await room.send([retract(first.id)]);
    expect(await skillsOf(ids.pupilId)).toEqual([]);
  });

  it('are listed by skill, those asked last first, each by its latest', async () => {
    const ids = minuteIds(await room.pupil());
    const ago = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString();
    await room.send([
      ...Array.from({ length: 15 }, (_, nth) => skillGiven(ids, { at: ago(60 - nth), skill: 'line:add' })),
      skillGiven(ids, { at: ago(5), skill: 'bond:10' }),
      skillGiven(ids, { at: ago(20), skill: 'bond:20', right: false }),
    ]);
    const found = await skillsOf(ids.pupilId);
    expect(found.map(([skill, state]) => [skill, state])).toEqual([
      ['bond:10', 'workingOut'],
      ['bond:20', 'missed'],
      ['line:add', 'secure'],
    ]);
    expect(found[2]?.[2]).toHaveLength(12);
  });

  it.each([
    [{ skill: '7x8' }, 'skill should be a key such as cmp or bond:10.'],
    [{ skill: 'bond' }, 'skill should be a key such as cmp or bond:10.'],
    [{ shown: 'x'.repeat(201) }, 'What was asked should have at most 200 characters.'],
    [{ right: 'yes' }, /right/],
    [{ latencyMs: -1 }, /latencyMs/],
  ])('that cannot be read are refused alone: %j', async (over, message) => {
    const ids = minuteIds(await room.pupil());
    const sent = await room.send([skillGiven(ids, over), skillGiven(ids)]);
    const { results } = sent.body as unknown as BatchResult;
    expect(results.map((one) => one.status)).toEqual(['refused', 'kept']);
    expect(results[0]?.message).toEqual(
      typeof message === 'string' ? message : expect.stringMatching(message),
    );
  });

  it('are one to a question: a second with the same move of a game is refused', async () => {
    const ids = minuteIds(await room.pupil());
    const made = (id: string, right: boolean) => [
      {
        id,
        v: 1,
        kind: 'moveMade',
        seat: 0,
        ...ids,
        at: new Date().toISOString(),
        nth: 1,
        move: { kind: 'said', seat: 0, right },
        usedMs: 10,
      },
      skillGiven(ids, { right, move: { tableId: ids.playId, nth: 1, id } }),
    ];
    await room.send([...played(ids, ''), ...made(uuid(), true)]);
    expect(statuses(await room.send(made(uuid(), false)))).toEqual(['refused', 'refused']);
    expect((await review(ids.playId)).skills.map((one) => one.right)).toEqual([true]);
  });

  it('go with the pupil', async () => {
    const ids = minuteIds(await room.pupil({ name: 'Odalys B.' }));
    await room.send(played(ids, 'rr'));
    await room.call('DELETE', `/api/pupils/${ids.pupilId}`, { confirm: 'Odalys B.' });
    const left = await inRoom(house.db, room.roomId, (tx) =>
      tx.rows('select 1 from skill_answers where room_id = $1 and pupil_id = $2', [room.roomId, ids.pupilId]),
    );
    expect(left).toEqual([]);
  });

  it('carry the step of a game that asks nothing else', async () => {
    const pupilId = await room.pupil();
    // Known before the second play: three of the latest four.
    await room.send(played(minuteIds(pupilId), 'rrrrrrrrrr', Date.now() - 3 * dayMs));
    const second = minuteIds(pupilId);
    await room.send(played(second, 'rrrrrrrrrrrr'));
    const { game } = await review(second.playId);
    expect(game?.stepping).toMatchObject({ step: 0, acceptedStep: 1, decision: { verdict: 'advance' } });
    expect(game?.stepping?.decision.reasons.map((one) => one.text)).toContain(
      '12 of 12 answers to known skills right.',
    );
    const behind = await room.call('GET', `/api/plays/${second.playId}/stepAnswers`);
    expect(behind.body).toHaveLength(22);
  });
});
