import type { Pupil, TableOnRecord } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import type { GameRow } from '../../app/deviceDb.ts';
import { madeGame, madeMove, madePupil, madeSeat } from '../../testing/rows.ts';
import { takeUp } from '../openMinutes.ts';
import { grownUp } from './startGame.ts';
import { tableFromRecord } from './tableFromRecord.ts';

const me = { userId: 'u-2', name: 'Maren' };
const [ada, bo] = [madePupil('Ada K.'), madePupil('Bo L.')];
const lastAt = '2026-11-24T09:05:00.000Z';

/** A row as another device had it, and as it is on record. */
function onRecord(over: Partial<TableOnRecord> = {}): { row: GameRow; record: TableOnRecord } {
  const seats = [madeSeat(ada), grownUp('Ines'), madeSeat(bo)];
  const row = madeGame(seats, [madeMove({ kind: 'go' }), madeMove({ kind: 'said', seat: 0, right: true })]);
  const { playId, pupilId, visitId, setId, way, limitMs, title, deal, startedAt, moves } = row;
  const record: TableOnRecord = {
    ...{ playId, pupilId, visitId, setId, way, limitMs, title, deal, startedAt, lastAt, moves },
    usedMs: 61_000,
    seats: seats.flatMap(({ pupil, playId: play, visitId: visit }, seat) =>
      pupil && play && visit ? [{ seat, pupilId: pupil.id, playId: play, visitId: visit }] : [],
    ),
    ...over,
  };
  return { row, record };
}
const from = (record: TableOnRecord, pupils: readonly Pupil[] = [bo, ada]) =>
  tableFromRecord(record, me, pupils, new Map());

describe('a table taken up from its record', () => {
  it('is the row that the other device had, standing still where its last move left it', () => {
    const { row, record } = onRecord();
    const found = from(record);
    expect(found).toMatchObject({
      ...{ kind: 'game', playId: row.playId, visitId: row.visitId, plan: row.plan, moves: row.moves },
      ...{ userId: 'u-2', purpose: 'game', title: row.title, deal: row.deal, limitMs: row.limitMs },
    });
    expect(found?.seats.map(({ name, playId, visitId }) => [name, playId, visitId])).toEqual(
      row.seats.map(({ name, playId, visitId }) => [name, playId, visitId]),
    );
    expect(found?.state).toEqual({
      ...{ status: 'paused', usedMs: 61_000, calm: false, interrupted: true, pausedAt: lastAt },
      ...{ pauseReason: 'reload', endReason: null },
    });
    // As the table takes it up: it waits for “Go on”.
    expect(found && takeUp(found, '2026-11-24T12:00:00.000Z')).toBe(found);
  });
  it('stays calm where it was', () => {
    const { record } = onRecord();
    const calm = madeMove({ kind: 'calm', known: [[], null, []] });
    expect(from({ ...record, moves: [...record.moves, calm] })?.state.calm).toBe(true);
  });
  it('has what is known of each pupil now', () => {
    const { record } = onRecord();
    const page = {
      facts: {
        ...{ sub: [], mul: [], div: [] },
        add: [{ fact: '3+7', state: 'recalled', answers: 4, lastAt, lastMs: 1100 }],
      },
    };
    const found = tableFromRecord(record, me, [ada, bo], new Map([[bo.id, page as never]]));
    expect(found?.seats[2]).toMatchObject({ known: ['3+7'], timesMs: { '3+7': 1100 }, usualMs: 1100 });
    expect(found?.seats[0]).toMatchObject({ known: [], usualMs: null });
  });
  it('goes on without a pupil who is gone, but not without the first', () => {
    const { record } = onRecord();
    const alone = from(record, [ada]);
    expect(alone?.seats[2]).toMatchObject({ pupil: null, playId: null, name: 'Maren' });
    expect(alone?.seats[1]?.name).toBe('Ines');
    expect(from(record, [bo])).toBeUndefined();
    expect(
      from({ ...record, deal: { ...record.deal, form: 'set', game: undefined } as never }),
    ).toBeUndefined();
  });
});
