import { findSet } from '@veldrift/core';
import { pupilsOf, type Pupil, type PupilList, type PupilPage, type TableEvent } from '@veldrift/wire';
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
const daysAgo = (days: number, laterMs = 0) => new Date(Date.now() - days * dayMs + laterMs).toISOString();
const pupilNow = async (id: string): Promise<Pupil> => {
  const { pupil } = (await room.call('GET', `/api/pupils/${id}`)).body as PupilPage;
  // The list says the same, to a tenth of a millisecond.
  const listed = pupilsOf((await room.call('GET', '/api/pupils')).body as PupilList).find(
    (one) => one.id === id,
  );
  expect(listed?.easyKeypadMs).toEqual(pupil.easyKeypadMs);
  expect(listed?.quickestTenthMs ?? -1e9).toBeCloseTo(pupil.quickestTenthMs ?? -1e9, 0);
  return pupil;
};
/** A drill on another day with given facts and times. */
const drill = (
  pupilId: string,
  days: number,
  answers: readonly Record<string, unknown>[],
  way = 'keypad',
  purpose = 'drill',
): TableEvent[] => {
  const ids = minuteIds(pupilId);
  const [visit, start, ...rest] = wholeMinute(ids, { purpose, at: Date.now() - days * dayMs });
  return [
    visit as TableEvent,
    { ...start, way } as TableEvent,
    ...answers.map((one, nth) => answerEvent(ids, { way, at: daysAgo(days, -50_000 + nth * 100), ...one })),
    rest.at(-1) as TableEvent,
  ];
};
const calibrated = (pupilId: string, days: number, firstKeyMs: number): TableEvent =>
  ({
    id: uuid(),
    v: 1,
    kind: 'keypadCalibrated',
    pupilId,
    at: daysAgo(days),
    samples: Array.from({ length: 16 }, (_, nth) => ({
      digits: nth < 6 ? 1 : nth < 12 ? 2 : 3,
      firstKeyMs: firstKeyMs + nth,
      promptToPromptMs: 1900,
    })),
  }) as TableEvent;
const easy = (count: number, latencyMs: number, over: Record<string, unknown> = {}) =>
  Array.from({ length: count }, (_, nth) => ({
    fact: `${nth + 2}x1`,
    given: String(nth + 2),
    latencyMs: latencyMs + nth,
    ...over,
  }));
const placed = (pupilId: string, days: number, answers: readonly Record<string, unknown>[]) =>
  drill(pupilId, days, answers, 'keypad', 'placement');
const facts = findSet('strategy/mul/squares')?.practises ?? [];
const thirty = (latencyMs: number, over: Record<string, unknown> = {}) =>
  Array.from({ length: 30 }, (_, nth) => ({
    fact: facts[nth % facts.length],
    given: '49',
    latencyMs: latencyMs + nth,
    ...over,
  }));

describe('the overhead of a keypad nobody measured', () => {
  it('comes from the first answers of the latest visit that needed no thought and are enough', async () => {
    const id = await room.pupil({ capture: 'keypad' });
    await room.send(placed(id, 9, easy(8, 1500)));
    expect((await pupilNow(id)).easyKeypadMs).toEqual([1500, 1501, 1502, 1503, 1504, 1505]);
    await room.send(placed(id, 5, easy(7, 1200)));
    // Too few of them, none that tells how long the keys take, or facts of a set that is practised.
    await room.send(placed(id, 4, easy(5, 900)));
    await room.send(placed(id, 3, easy(6, 900, { aided: true })));
    await room.send(placed(id, 2, easy(6, 900, { judgement: 'wrong', given: '99' })));
    await room.send(placed(id, 1, easy(6, 900, { way: 'tutor' })));
    await room.send(drill(id, 1, easy(6, 900)));
    expect((await pupilNow(id)).easyKeypadMs).toEqual([1200, 1201, 1202, 1203, 1204, 1205]);
  });
  it('is forgotten after a month, and not asked once the keypad is calibrated, nor without one', async () => {
    const id = await room.pupil({ capture: 'keypad' });
    await room.send(placed(id, 31, easy(8, 1500)));
    expect((await pupilNow(id)).easyKeypadMs).toBeNull();
    await room.send(placed(id, 29, easy(8, 1500)));
    expect((await pupilNow(id)).easyKeypadMs).toHaveLength(6);
    await room.send([calibrated(id, 1, 600)]);
    expect((await pupilNow(id)).easyKeypadMs).toBeNull();
    const other = await room.pupil({ capture: 'tutor' });
    await room.send(placed(other, 2, easy(8, 1500)));
    expect((await pupilNow(other)).easyKeypadMs).toBeNull();
  });
});

describe('the fastest tenth of the latest answers', () => {
  it('is what they take beyond the measured overhead, of thirty since it was measured', async () => {
    const id = await room.pupil({ capture: 'keypad' });
    await room.send([calibrated(id, 10, 600)]);
    await room.send(drill(id, 11, thirty(100)));
    await room.send(drill(id, 9, thirty(800).slice(1)));
    expect((await pupilNow(id)).quickestTenthMs).toBeNull();
    await room.send(drill(id, 8, thirty(700).slice(0, 1)));
    // Two digits take 608.5 ms here; of 30 answers the fastest tenth lies between the third and the fourth.
    expect((await pupilNow(id)).quickestTenthMs).toBeCloseTo(802.9 - 608.5, 0);
    for (const over of [
      { judgement: 'wrong', given: '48' },
      { voided: true },
      { aided: true },
      { way: 'tutor' },
    ])
      await room.send(drill(id, 1, thirty(10, over)));
    expect((await pupilNow(id)).quickestTenthMs).toBeCloseTo(802.9 - 608.5, 0);
    await room.send(drill(id, 1, thirty(350)));
    expect((await pupilNow(id)).quickestTenthMs).toBeCloseTo(352.9 - 608.5, 0);
  });
  it('goes by the tutor\u2019s own judging time where the tutor judges, and by none where that is not measured', async () => {
    const own = await house.room();
    const id = await own.pupil({ capture: 'tutor' });
    const said = async () =>
      ((await own.call('GET', `/api/pupils/${id}`)).body as PupilPage).pupil.quickestTenthMs;
    await own.send(drill(id, 5, thirty(900), 'tutor'));
    expect(await said()).toBeNull();
    const timesMs = Array.from({ length: 12 }, (_, nth) => 400 + nth);
    await own.send([{ id: uuid(), v: 1, kind: 'judgingMeasured', at: daysAgo(4), timesMs } as TableEvent]);
    expect(await said()).toBeNull();
    await own.send(drill(id, 3, thirty(900), 'tutor'));
    expect(await said()).toBeCloseTo(902.9 - 405.5, 0);
  });
});
