import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { captureWays, endReasons, judgements, marks } from '@veldrift/core';
import {
  batchSchema,
  eventSchema,
  eventSchemas,
  largestBatch,
  type EventKind,
  type TableEvent,
} from './event.ts';
import { isPlainAnswer } from './plainAnswer.ts';
import { read } from './problem.ts';

const id = (nth: number) => `01900000-0000-7000-8000-${String(nth).padStart(12, '0')}`;
const at = '2026-11-24T09:15:00.000Z';
const base = { v: 1, at, pupilId: id(1) };
const inPlay = { ...base, visitId: id(2), playId: id(3), seat: 0 };

/** One good event of each kind. */
const good = {
  visitStarted: { ...base, id: id(10), kind: 'visitStarted', visitId: id(2) },
  playStarted: {
    ...inPlay,
    id: id(11),
    kind: 'playStarted',
    purpose: 'check',
    setId: 'strategy/mul/squares',
    seed: -7,
    lengthMs: 60_000,
    way: 'keypad',
    limitMs: 2000,
    device: 'a browser',
  },
  answerGiven: {
    ...inPlay,
    id: id(12),
    kind: 'answerGiven',
    fact: '7x8',
    hidden: 'result',
    judgement: 'right',
    given: '56',
    latencyMs: 1234.5,
    lastKeyMs: null,
    voided: false,
    way: 'keypad',
    overheadMs: 650,
    spreadMs: 150,
    calibrated: false,
    calibrationAgeDays: null,
    limitMs: 2000,
    aided: false,
    seen: ['fingers'],
    usedMs: 4000,
  },
  answerAmended: { ...inPlay, id: id(13), kind: 'answerAmended', answerId: id(12), seen: [], given: '54' },
  answerCorrected: {
    ...inPlay,
    id: id(19),
    kind: 'answerCorrected',
    answerId: id(12),
    judgement: 'wrong',
    given: '54',
    seen: [],
  },
  answerRetracted: { ...inPlay, id: id(14), kind: 'answerRetracted', answerId: id(12) },
  playEnded: {
    ...inPlay,
    id: id(15),
    kind: 'playEnded',
    usedMs: 60_000,
    reason: 'time',
    calm: false,
    interrupted: false,
  },
  keypadCalibrated: {
    ...base,
    id: id(16),
    kind: 'keypadCalibrated',
    samples: [{ digits: 2, firstKeyMs: 600, promptToPromptMs: 1500 }],
  },
  namingMeasured: { ...base, id: id(17), kind: 'namingMeasured', promptToPromptMs: [1200, 1300] },
  instantCounted: { ...inPlay, id: id(20), kind: 'instantCounted' },
  skillGiven: {
    ...inPlay,
    id: id(23),
    kind: 'skillGiven',
    skill: 'bond:10',
    shown: '34 to the next ten',
    answer: '6',
    given: '6',
    right: true,
    latencyMs: 1200,
    voided: false,
    way: 'tutor',
    aided: false,
    usedMs: 4000,
  },
  moveMade: {
    ...inPlay,
    id: id(22),
    kind: 'moveMade',
    nth: 3,
    move: { kind: 'said', seat: 1, right: true },
    usedMs: 4000,
  },
  voiceMeasured: { v: 1, at, id: id(21), kind: 'voiceMeasured', timesMs: [48, 52.5] },
  planChanged: {
    ...{ v: 1, at, id: id(24), kind: 'planChanged', what: 'like' },
    ...{ pupilId: id(1), day: null, key: 'lamps', value: true, seen: null },
  },
  judgingMeasured: { v: 1, at, id: id(18), kind: 'judgingMeasured', timesMs: [600, 620] },
} as const satisfies Readonly<Record<EventKind, object>>;
type Kind = keyof typeof good;
const kinds = Object.keys(eventSchemas) as Kind[];

const problem = (value: unknown) => {
  const found = read<TableEvent>(eventSchema as never, value);
  return 'problem' in found ? found.problem : undefined;
};

describe.each(kinds)('the event %s', (kind) => {
  const event = good[kind] as Record<string, unknown>;

  it('is taken as it is sent, and survives the way as JSON', () => {
    const found = read<TableEvent>(eventSchema as never, JSON.parse(JSON.stringify(event)));
    expect(found).toEqual({ value: event });
  });

  it('needs each of its fields', () => {
    for (const field of Object.keys(event)) {
      const { [field]: _left, ...rest } = event;
      expect(problem(rest), field).toMatchObject({ field });
    }
  });

  it('says that an empty text is missing', () => {
    for (const [field, value] of Object.entries(event))
      if (typeof value === 'string') {
        const found = problem({ ...event, [field]: '' });
        if (found) expect(found).toMatchObject({ field, message: expect.stringMatching(/\.$/) as string });
      }
  });

  it('takes no field it does not know', () => {
    expect(problem({ ...event, surprise: 1 })?.message).toContain('not known here');
  });

  it('is never taken with a field of another kind, and never throws', () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(event)), fc.anything(), (field, value) => {
        const found = problem({ ...event, [field]: value });
        if (found) expect(found.message).toMatch(/\.$/);
        else {
          // Fields that may be null hold a number or a text otherwise.
          const kinds = event[field] === null ? ['number'] : [typeof event[field]];
          expect(value === null || kinds.includes(typeof value)).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('an answer', () => {
  const answer = good.answerGiven;
  it('may be of every way, judgement and mark there is', () => {
    for (const way of captureWays) expect(problem({ ...answer, way })).toBeUndefined();
    for (const judgement of judgements) expect(problem({ ...answer, judgement })).toBeUndefined();
    expect(problem({ ...answer, seen: [...marks] })).toBeUndefined();
    for (const reason of endReasons) expect(problem({ ...good.playEnded, reason })).toBeUndefined();
  });
  it.each([
    [{ given: '9'.repeat(40) }, undefined],
    [{ given: '9'.repeat(65) }, 'given'],
    [{ latencyMs: -1 }, 'latencyMs'],
    [{ latencyMs: Number.NaN }, 'latencyMs'],
    [{ latencyMs: Infinity }, 'latencyMs'],
    [{ latencyMs: 86_400_001 }, 'latencyMs'],
    [{ fact: '7:0' }, 'fact'],
    [{ fact: '3-5' }, 'fact'],
    [{ at: '1900-01-01T00:00:00.000Z' }, undefined],
    [{ at: '2999-12-31T23:59:59.999Z' }, undefined],
    [{ at: '2026-13-01T00:00:00.000Z' }, 'at'],
    [{ at: '24 November' }, 'at'],
    [{ pupilId: '1' }, 'pupilId'],
    [{ v: 2 }, 'v'],
    [{ seat: 4 }, 'seat'],
  ])('with %j', (over, field) => {
    expect(problem({ ...answer, ...over })?.field).toBe(field);
  });
});

describe('the short way to an answer', () => {
  const answer = good.answerGiven;
  it('is taken by one without an aid and outside a game', () => {
    expect(isPlainAnswer(answer)).toBe(true);
    expect(isPlainAnswer({ ...answer, given: null, latencyMs: null, seen: [] })).toBe(true);
    for (const other of kinds.filter((kind) => kind !== 'answerGiven'))
      expect(isPlainAnswer(good[other])).toBe(false);
  });
  it('lets nothing through that the schema refuses', () => {
    const strange = fc.oneof(
      fc.anything(),
      fc.integer(),
      fc.double(),
      fc.constantFrom(
        '',
        '7x8',
        '7:0',
        '0x0',
        at,
        'voice',
        'right',
        id(4),
        [],
        ['fingers'],
        ['x'],
        null,
        -1,
        1e9,
        0.5,
        NaN,
      ),
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...Object.keys(answer), 'aid', 'move'), strange), { maxLength: 3 }),
        (changes) => {
          const event = { ...answer, ...Object.fromEntries(changes) };
          if (isPlainAnswer(event))
            expect(read<TableEvent>(eventSchema as never, event)).toEqual({ value: event });
        },
      ),
      { numRuns: 4000 },
    );
  });
  it('is barred by a field too few, and by one of each kind of wrong value', () => {
    for (const field of Object.keys(answer)) {
      const { [field as 'id']: _left, ...rest } = answer as Record<string, unknown>;
      expect(isPlainAnswer(rest), field).toBe(false);
      for (const wrong of [undefined, {}, NaN, Infinity, -1, 'x'.repeat(65), [1]])
        expect(isPlainAnswer({ ...answer, [field]: wrong }), `${field} ${JSON.stringify(wrong)}`).toBe(false);
    }
  });
});

describe('a batch', () => {
  it('holds up to two hundred, each judged later on its own', () => {
    const batch = (count: number) =>
      read(batchSchema, { deviceNow: at, events: Array.from({ length: count }, () => ({ any: 'thing' })) });
    expect(batch(largestBatch)).toHaveProperty('value');
    expect(batch(largestBatch + 1)).toMatchObject({ problem: { field: 'events' } });
    expect(read(batchSchema, { events: [] })).toMatchObject({ problem: { field: 'deviceNow' } });
    expect(read(batchSchema, [])).toHaveProperty('problem');
  });
});
