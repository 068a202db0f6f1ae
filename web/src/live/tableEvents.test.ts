import type { Answer } from '@veldrift/core';
import { eventSchema } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { sentEvents, tableEvents } from './tableEvents.ts';

const row = { pupilId: uuid(), visitId: uuid(), playId: uuid() };
const at = '2026-09-01T10:00:00.000Z';
const answer: Answer = {
  ...{
    id: uuid(),
    fact: '7x8',
    at,
    judgement: 'wrong',
    given: '54',
    latencyMs: 1500,
    voided: true,
    overheadMs: 300,
  },
  ...{
    spreadMs: 40,
    calibrated: true,
    limitMs: 2000,
    seen: ['fingers'],
    aided: false,
    way: 'keypad',
    hidden: 'right',
  },
};
const taken = async (event: object) => {
  await expect(eventSchema.validate(JSON.parse(JSON.stringify(event)))).resolves.toMatchObject({
    ...row,
    v: 1,
    kind: (event as { kind: string }).kind,
  });
  return event;
};

describe('what is sent of a play', () => {
  it('is an answer with all that was measured, as the server’s schema takes it', async () => {
    const more = { lastKeyMs: 1700, calibrationAgeDays: 3, usedMs: 9000 };
    const [event] = sentEvents(row, [{ kind: 'answered', answer, ...more }]);
    expect(await taken(event as object)).toEqual({
      ...row,
      v: 1,
      seat: 0,
      kind: 'answerGiven',
      ...answer,
      ...more,
    });
    const plain = { ...answer, hidden: undefined } as unknown as Answer;
    delete (plain as { hidden?: string }).hidden;
    expect(tableEvents(row, 2).answered(plain, more)).toMatchObject({ hidden: 'result', seat: 2 });
  });
  it('is what was seen later, taken back, or ended, each under an id of its own', async () => {
    const events = sentEvents(row, [
      { kind: 'amended', answer },
      { kind: 'retracted', answer },
      { kind: 'ended', usedMs: 8000, calm: true, interrupted: false, reason: 'closed', at },
    ]);
    for (const event of events) await taken(event);
    expect(events).toMatchObject([
      { kind: 'answerAmended', answerId: answer.id, seen: ['fingers'], given: '54' },
      { kind: 'answerRetracted', answerId: answer.id },
      { kind: 'playEnded', usedMs: 8000, reason: 'closed', calm: true, interrupted: false, at },
    ]);
    expect(new Set([answer.id, ...events.map((one) => one.id)]).size).toBe(4);
    expect(tableEvents(row).ended({ usedMs: 1, calm: false, interrupted: false }, 'time')).toHaveProperty(
      'at',
    );
    expect(sentEvents(row, [])).toEqual([]);
  });
});
