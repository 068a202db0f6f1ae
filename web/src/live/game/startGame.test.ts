import type { FactOnMap, PupilPage } from '@veldrift/wire';
import { openPlan } from '@veldrift/core/games';
import { eventSchema } from '@veldrift/wire';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { madeGame, madePupil, madeSeat } from '../../testing/rows.ts';
import type { Outbox } from '../outbox.ts';
import { grownUp, seatOf, startGame } from './startGame.ts';

const ids = { playId: 'p', visitId: 'v' };
const fact = (key: string, state: string, lastMs: number | null) =>
  ({ fact: key, state, lastMs }) as unknown as FactOnMap;
const page = {
  facts: {
    add: [fact('2+3', 'recalled', 900), fact('4+5', 'kept', 1500), fact('6+7', 'missed', null)],
    mul: [fact('2x3', 'secure', 2100), fact('7x8', 'nearly', 4000)],
    sub: [],
    div: [],
  },
} as unknown as PupilPage;

describe('a pupil at the table', () => {
  it('is known by what they recall, keep or are secure in, and by their own times', () => {
    const seat = seatOf(madePupil('Bram'), page, ids);
    expect([...seat.known].sort()).toEqual(['2+3', '2x3', '4+5']);
    expect(seat.timesMs).toEqual({ '2+3': 900, '4+5': 1500, '2x3': 2100, '7x8': 4000 });
    expect(seat.usualMs).toBe(1800);
  });
  it('never opened on this device, is taken as a beginner, who may play all the same', () => {
    expect(seatOf(madePupil('Bram'), undefined, ids)).toMatchObject({
      known: [],
      timesMs: {},
      usualMs: null,
    });
  });
});

describe('a game put on the table', () => {
  afterEach(() => void vi.unstubAllGlobals());
  it('begins a visit and a play for each pupil, that the server understands, and none for a grown-up', async () => {
    vi.stubGlobal('navigator', { userAgent: 'test' });
    const seats = [madeSeat(madePupil('Bram')), grownUp('Maren'), madeSeat(madePupil('Tove'))];
    const row = madeGame(seats);
    const added: Parameters<Outbox['add']>[] = [];
    const outbox = { add: (...given: Parameters<Outbox['add']>) => Promise.resolve(void added.push(given)) };
    await startGame(outbox as unknown as Outbox, row);
    const [events = [], kept] = added[0] ?? [];
    expect(added).toHaveLength(1);
    expect(kept).toBe(row);
    expect(events.map((one) => [one.kind, 'pupilId' in one && one.pupilId])).toEqual([
      ['visitStarted', seats[0]?.pupil?.id],
      ['playStarted', seats[0]?.pupil?.id],
      ['visitStarted', seats[2]?.pupil?.id],
      ['playStarted', seats[2]?.pupil?.id],
    ]);
    for (const event of events)
      await expect(eventSchema.validate(JSON.parse(JSON.stringify(event)))).resolves.toMatchObject({
        id: event.id,
      });
    expect(() => openPlan(row.plan)).not.toThrow();
  });
});
