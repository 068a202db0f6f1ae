import { describe, expect, it } from 'vitest';
import { answerOf, parseFactKey } from '../../facts/fact.ts';
import type { Overhead } from '../../recall/calibration.ts';
import type { Evidence } from '../evidence.ts';
import {
  calibrationAgeOf,
  missedAt,
  seatAnswers,
  seatSkills,
  typedThere,
  type Pressed,
} from './seatAnswer.ts';
import type { TableSeat } from './tableSeat.ts';

const overhead: Overhead = { overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' };
let ids = 0;
const stamp = { newId: () => `id${(ids += 1)}`, now: '2026-09-01T10:00:00.000Z' };
/** The keypad was measured three days ago; the tutor's own time was not. */
const seat = (over: Partial<TableSeat> = {}): TableSeat => ({
  ...{ recorded: true, untimed: false, known: [], timesMs: {}, usualMs: null },
  measuringFor: (way) => ({
    ...{ limitMs: way === 'keypad' ? 2500 : 2000, overheadFor: () => overhead, ceiling: null, stale: false },
    ageDays: way === 'keypad' ? 3 : null,
  }),
  ...over,
});
const grownUp = seat({ recorded: false });
const row = (seats: readonly TableSeat[]) => ({ seats, limitMs: 2000, way: 'tutor' as const });
const pressed = (over: Partial<Pressed> = {}): Pressed => ({
  judgement: 'right',
  at: 5000,
  typed: [],
  shownAt: 3000,
  way: 'tutor',
  spoiled: false,
  calm: false,
  aid: null,
  seen: [],
  ...over,
});
const evidence = (key: string, over: Partial<Evidence> = {}): Evidence => ({
  seat: 0,
  item: { kind: 'fact', key },
  shown: key,
  answer: String(answerOf(parseFactKey(key))),
  timed: true,
  right: true,
  ...over,
});
const said = evidence('7x8');
const only = (...args: Parameters<typeof seatAnswers>) => {
  const found = seatAnswers(...args);
  expect(found).toHaveLength(1);
  return found[0]?.answer;
};

describe('an answer at a game', () => {
  it('is timed from what was shown to the key that judged it', () => {
    expect(only(row([seat()]), stamp, [said], pressed(), null)).toMatchObject({
      fact: '7x8',
      judgement: 'right',
      given: '56',
      latencyMs: 2000,
      way: 'tutor',
      aided: false,
      voided: false,
      limitMs: 2000,
      overheadMs: 300,
    });
  });
  it('has no time where none was asked, on a calm table, and without a clock', () => {
    const untimed = [
      only(row([seat()]), stamp, [{ ...said, timed: false }], pressed(), null),
      only(row([seat()]), stamp, [said], pressed({ calm: true }), null),
      only(row([seat()]), stamp, [said], pressed({ shownAt: undefined }), null),
      only(row([seat({ untimed: true })]), stamp, [said], pressed(), null),
    ];
    for (const answer of untimed) expect(answer?.latencyMs).toBeNull();
  });
  it('keeps a time that was spoiled, as void, and what was seen', () => {
    expect(
      only(
        row([seat()]),
        stamp,
        [said],
        pressed({ spoiled: true, seen: ['helped'], judgement: 'workedOut' }),
        null,
      ),
    ).toMatchObject({ voided: true, seen: ['helped'], judgement: 'workedOut' });
  });
  it('tells of the aid that was called, or lies there by the step', () => {
    expect(only(row([seat()]), stamp, [said], pressed({ aid: 'array' }), null)).toMatchObject({
      aided: true,
      aid: 'array',
    });
    const chosen = evidence('4+6', { timed: false });
    expect(only(row([seat()]), stamp, [chosen], undefined, 'beadFrame')).toMatchObject({
      aided: true,
      aid: 'beadFrame',
      latencyMs: null,
    });
    expect(only(row([seat()]), stamp, [chosen], undefined, null)).toMatchObject({ aided: false });
  });
  it('typed on another device carries the time taken there', () => {
    const typed = typedThere('56', 1300);
    expect(
      only(row([seat()]), stamp, [said], pressed({ at: 1300, shownAt: 0, typed, way: 'keypad' }), null),
    ).toMatchObject({ given: '56', latencyMs: 1300, way: 'keypad' });
  });
  it('keeps when its last digit was typed, and the age of the calibration of its own way', () => {
    const typed = [
      { digit: '5', at: 4100 },
      { digit: '6', at: 4400 },
    ];
    const seats = row([seat()]);
    const [found] = seatAnswers(seats, stamp, [said], pressed({ typed, way: 'keypad' }), null);
    expect(found).toMatchObject({ lastKeyMs: 1400, answer: { latencyMs: 1100, given: '56' } });
    if (!found) throw new Error('an answer was expected');
    // The table goes by the tutor's mark, which is not calibrated; this answer came by the keypad.
    expect(calibrationAgeOf(seats.seats, found)).toBe(3);
    expect(calibrationAgeOf(seats.seats, { ...found, answer: { ...found.answer, way: 'tutor' } })).toBeNull();
    expect(
      calibrationAgeOf(seats.seats, missedAt(stamp, 2000, { seat: 0, fact: '7x8', given: null })),
    ).toBeNull();
  });
  it('is recorded of pupils alone', () => {
    expect(seatAnswers(row([grownUp]), stamp, [said], pressed(), null)).toEqual([]);
    expect(seatAnswers(row([grownUp, seat()]), stamp, [{ ...said, seat: 1 }], pressed(), null)).toHaveLength(
      1,
    );
  });
  it('missed at real cards has no time and says how it came', () => {
    expect(missedAt(stamp, 2000, { seat: 1, fact: '7x8', given: '54' })).toMatchObject({
      seat: 1,
      answer: { judgement: 'wrong', given: '54', latencyMs: null, way: 'loose' },
    });
  });
  it('to a line has the line judged, and its steps right without a time', () => {
    const line = [
      evidence('6x7', { item: { kind: 'skill', key: 'chain' }, shown: '(2 + 5) × 6', answer: '42' }),
      evidence('5+2', { timed: false, onTheWay: true }),
      evidence('7x6', { timed: false, onTheWay: true }),
    ];
    const typed = typedThere('42', 900);
    const found = seatAnswers(row([seat()]), stamp, line, pressed({ typed, seen: ['helped'] }), null);
    expect(found.map((one) => one.answer)).toMatchObject([
      { fact: '5+2', given: null, latencyMs: null, judgement: 'right', seen: ['helped'] },
      { fact: '7x6', given: null, latencyMs: null, judgement: 'right', seen: ['helped'] },
    ]);
    expect(seatSkills(row([seat()]), stamp, line, pressed({ typed }), null)).toMatchObject([
      { skill: 'chain', shown: '(2 + 5) × 6', answer: '42', given: '42', right: true, latencyMs: 2000 },
    ]);
  });
});

describe('an answer to a skill', () => {
  const asked = evidence('7x8', {
    item: { kind: 'skill', key: 'cmp' },
    shown: '7 or 4',
    answer: '7',
  });
  const skillOf = (over?: Partial<Pressed>, more?: Partial<TableSeat>) =>
    seatSkills(row([seat(more)]), stamp, [asked], pressed(over), null)[0];
  it('says what was asked, what is right and what was said, with its time', () => {
    expect(skillOf()).toMatchObject({
      seat: 0,
      skill: 'cmp',
      shown: '7 or 4',
      answer: '7',
      given: '7',
      right: true,
      latencyMs: 2000,
      voided: false,
      aided: false,
    });
  });
  it('that was wrong is kept as wrong, with what was typed where it was typed', () => {
    const wrong = { ...asked, right: false };
    const of = (over: Partial<Pressed>) => seatSkills(row([seat()]), stamp, [wrong], pressed(over), null)[0];
    expect(of({ judgement: 'wrong' })).toMatchObject({ right: false, given: null });
    expect(of({ judgement: 'wrong', typed: typedThere('4', 900) })).toMatchObject({
      right: false,
      given: '4',
    });
  });
  it('has no time where none is taken, and tells of help and of spoiled times', () => {
    expect(skillOf({ calm: true })?.latencyMs).toBeNull();
    expect(skillOf({ shownAt: undefined })?.latencyMs).toBeNull();
    expect(skillOf({}, { untimed: true })?.latencyMs).toBeNull();
    expect(
      seatSkills(row([seat()]), stamp, [{ ...asked, timed: false }], pressed(), null)[0]?.latencyMs,
    ).toBeNull();
    expect(skillOf({ spoiled: true })).toMatchObject({ voided: true, latencyMs: 2000 });
    expect(skillOf({ seen: ['helped'] })?.aided).toBe(true);
    expect(seatSkills(row([seat()]), stamp, [asked], undefined, 'beadFrame')[0]?.aided).toBe(true);
  });
  it('does not put a line of the solver into the mouth of a child who made a number', () => {
    const made = { ...asked, item: { kind: 'skill', key: 'make' }, answer: '2 × 6 = 12' } as const;
    expect(seatSkills(row([seat()]), stamp, [made], pressed(), null)).toMatchObject([
      { right: true, given: null },
    ]);
  });
  it('keeps what was claimed, where the move says it', () => {
    const claim = { ...asked, shown: '64 from 2, 6, 4', answer: '', given: '64', timed: false, right: false };
    expect(seatSkills(row([seat()]), stamp, [claim], undefined, null)).toMatchObject([
      { given: '64', right: false, latencyMs: null },
    ]);
  });
  it('is recorded of pupils alone', () => {
    expect(seatSkills(row([grownUp]), stamp, [asked], pressed(), null)).toEqual([]);
  });
});
