import { findSet } from '@veldrift/core';
import { pupilsOf, type KeptAnswer, type PupilList, type PupilPage, type TableEvent } from '@veldrift/wire';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import {
  answerEvent,
  minuteIds,
  openHouse,
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

const dayMs = 86_400_000;
const pageOf = async (id: string) => (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;
const facts = findSet('strategy/mul/squares')?.practises ?? [];

/** A minute (or a drill) in which every fact of the set is asked once, `everyMs` after one another by the play's clock. */
const play = (
  pupilId: string,
  daysAgo: number,
  everyMs: number,
  over: { purpose?: string; answer?: Record<string, unknown> } = {},
): TableEvent[] => {
  const ids = minuteIds(pupilId);
  const end = Date.now() - daysAgo * dayMs;
  const whole = wholeMinute(ids, { purpose: over.purpose ?? 'practice', at: end });
  const [visit, start] = whole as [TableEvent, TableEvent];
  return [
    visit,
    start,
    ...facts.map((fact, nth) =>
      answerEvent(ids, {
        fact,
        at: new Date(end - 50_000 + nth * 100).toISOString(),
        usedMs: (nth + 1) * everyMs,
        ...over.answer,
      }),
    ),
    whole.at(-1) as TableEvent,
  ];
};
/** So long from number to number: 1.9 s is 31.6 a minute. */
const naming = (pupilId: string, promptToPromptMs = 1900): TableEvent =>
  ({
    id: uuid(),
    v: 1,
    kind: 'keypadCalibrated',
    pupilId,
    at: new Date(Date.now() - 20 * dayMs).toISOString(),
    samples: Array.from({ length: 16 }, (_, nth) => ({
      digits: nth < 6 ? 1 : nth < 12 ? 2 : 3,
      firstKeyMs: 600 + nth,
      promptToPromptMs,
    })),
  }) as TableEvent;

describe('the ceiling of a pupil', () => {
  it('is of naming until there are twelve answers on facts recalled, then of those, and every answer behind it opens', async () => {
    const id = await room.pupil();
    await room.send([naming(id), ...play(id, 3, 2500)]);
    expect((await pageOf(id)).proposal.ceiling).toMatchObject({ from: 'naming' });
    // Recalled on a third day: all eleven or more facts of the set are recalled, and their answers stand.
    for (const daysAgo of [2, 1]) await room.send(play(id, daysAgo, 2500));
    const page = await pageOf(id);
    expect(page.proposal.ceiling).toEqual({
      perMinute: 24,
      from: 'ownAnswers',
      answers: Math.min(60, 3 * facts.length),
    });
    expect(page.pupil.ownCeiling).toEqual(page.proposal.ceiling);
    const behind = (await room.call('GET', `/api/pupils/${id}/ceiling/answers`)).body as KeptAnswer[];
    expect(behind).toHaveLength(Math.min(60, 3 * facts.length));
    const listed = pupilsOf((await room.call('GET', '/api/pupils')).body as PupilList).find(
      (one) => one.id === id,
    );
    expect(listed?.ownCeiling).toEqual(page.proposal.ceiling);
  });

  it('is held to what naming allows where recalling takes far longer: what passes for recall is perhaps derived', async () => {
    const id = await room.pupil();
    await room.send([naming(id, 900)]);
    for (const daysAgo of [3, 2, 1]) await room.send(play(id, daysAgo, 2500));
    const { ceiling } = (await pageOf(id)).proposal;
    expect(ceiling).toMatchObject({ from: 'ownAnswers', held: true });
    expect(ceiling?.perMinute).toBeCloseTo(60_000 / 900 / 1.4, 6);
  });

  it('leaves out what is wrong, aided, void, of another way, or older than ninety days', async () => {
    const id = await room.pupil();
    for (const daysAgo of [99, 98, 97]) await room.send(play(id, daysAgo, 2500));
    await room.send([naming(id)]);
    expect((await pageOf(id)).proposal.ceiling).toMatchObject({ from: 'naming' });
    for (const answer of [
      { judgement: 'wrong', given: '1' },
      { aided: true },
      { voided: true },
      { seen: ['helped'] },
      { latencyMs: null, lastKeyMs: null },
    ])
      await room.send(play(id, 1, 2500, { answer }).map((one) => ({ ...one, id: uuid() })));
    expect((await pageOf(id)).proposal.ceiling).toMatchObject({ from: 'naming' });
    const otherWay = play(id, 1, 2500, { answer: { way: 'tutor' } });
    await room.send(otherWay);
    expect((await pageOf(id)).proposal.ceiling).toMatchObject({ from: 'naming' });
  });

  it('takes in a drill the time to the end of the answer, and in a minute that from the answer before', async () => {
    const id = await room.pupil();
    for (const daysAgo of [3, 2, 1])
      await room.send(
        play(id, daysAgo, 9000, { purpose: 'drill', answer: { latencyMs: 1500, lastKeyMs: 2000 } }),
      );
    expect((await pageOf(id)).proposal.ceiling).toMatchObject({ perMinute: 30, from: 'ownAnswers' });
  });
});
