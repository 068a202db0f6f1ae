import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Answer } from '../../recall/answer.ts';
import type { Overhead } from '../../recall/calibration.ts';
import type { Measuring } from '../../recall/measuring.ts';
import { plainDrill } from '../drill.ts';
import { newMinute } from '../minute.ts';
import type { TurnsPlan } from '../readTurns.ts';
import { newTurns } from '../turns.ts';
import {
  advanceMinuteTable,
  minuteDeadline,
  minutePromptId,
  newMinuteTable,
  type MinuteTable,
} from './minuteTable.ts';
import type { MinutePress } from './minutePress.ts';
import type { TableHow, TableMoment, TableSent, TableStep } from './tableStep.ts';
import {
  advanceTurnsTable,
  newTurnsTable,
  turnsPromptId,
  type TurnsPress,
  type TurnsTable,
} from './turnsTable.ts';

/* A second of everything at once: whatever is pressed, in whatever order, the play and its record say the same. */

const overhead: Overhead = { overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' };
const measuring: Measuring = {
  ...{ limitMs: 2000, overheadFor: () => overhead, ceiling: null, ageDays: 4, stale: false },
};
const facts = ['6x7', '7x8', '8x9', '4x6'];
const press = fc.record({
  kind: fc.constantFrom(
    ...[
      'start',
      'turn',
      'right',
      'right',
      'wrong',
      'gaveUp',
      'typed',
      'nothingTyped',
      'typedThere',
      'shownThere',
    ],
    ...[
      'undo',
      'pause',
      'hidden',
      'resume',
      'calm',
      'gap',
      'freeze',
      'moved',
      'mark',
      'say',
      'aid',
      'typing',
    ],
    ...['painted', 'tick', 'closing', 'end', 'timeUp'],
  ),
  afterMs: fc.integer({ min: 0, max: 4000 }),
  shownMs: fc.option(fc.integer({ min: -200, max: 3000 }), { nil: undefined }),
});
type Given = { readonly kind: string; readonly afterMs: number; readonly shownMs: number | undefined };
const howIs = fc.record({
  way: fc.constantFrom('tutor' as const, 'keypad' as const, 'voice' as const),
  untimed: fc.boolean(),
  elsewhere: fc.boolean(),
});

/** A press in the words of either table; undefined: it has none such. */
function common(one: Given, when: TableMoment, promptId: string): unknown {
  const { at } = when;
  const shownAt = one.shownMs === undefined ? undefined : at - one.shownMs;
  const digits = [
    { digit: '5', at: at - 300 },
    { digit: '6', at: at - 100 },
  ];
  switch (one.kind) {
    case 'right':
    case 'wrong':
    case 'gaveUp':
      return { kind: 'judge', judgement: one.kind, at, typed: [], shownAt, when };
    case 'typed':
      return { kind: 'typed', typed: digits, shownAt, when };
    case 'nothingTyped':
      return { kind: 'typed', typed: [], shownAt, when };
    case 'typedThere':
      return {
        ...{ kind: 'typedThere', when },
        answer: {
          promptId: one.afterMs % 3 ? promptId : 'other',
          typed: '56',
          latencyMs: 900,
          lastKeyMs: 1000,
          voided: false,
        },
      };
    case 'shownThere':
      return { kind: 'shownThere', there: { promptId, at, shared: one.afterMs % 2 === 0 }, when };
    case 'pause':
    case 'hidden':
      return { kind: 'pause', reason: one.kind, when };
    case 'mark':
      return { kind: 'mark', mark: 'fingers', when };
    case 'say':
      return { kind: 'say', given: '54', when };
    case 'start':
    case 'undo':
    case 'resume':
    case 'calm':
    case 'moved':
      return { kind: one.kind, when };
    default:
      return undefined;
  }
}

/** The answers on record after all that was sent: given, amended, taken back. */
function onRecord(sent: readonly TableSent[]): readonly Answer[] {
  const record = new Map<string, Answer>();
  for (const one of sent) {
    if (one.kind === 'answered') {
      expect(record.has(one.answer.id)).toBe(false);
      record.set(one.answer.id, one.answer);
    } else if (one.kind === 'retracted') expect(record.delete(one.answer.id)).toBe(true);
    else if (one.kind === 'amended') {
      expect(record.has(one.answer.id)).toBe(true);
      record.set(one.answer.id, one.answer);
    }
  }
  return [...record.values()];
}

/** Presses everything in turn, and holds what must hold after each. */
function pressAll<
  T extends {
    readonly play: { readonly status: string; readonly answers: readonly Answer[]; readonly usedMs: number };
  },
>(
  first: T,
  list: readonly Given[],
  advance: (table: T, one: Given, when: TableMoment) => TableStep<T> | undefined,
): { readonly table: T; readonly sent: readonly TableSent[] } {
  let table = first;
  let at = 1000;
  const sent: TableSent[] = [];
  for (const [nth, one] of list.entries()) {
    at += one.afterMs;
    const when = { at, now: new Date(at).toISOString(), id: `a${nth}` };
    const step = advance(table, one, when);
    if (!step) continue;
    // The same press at the same table comes to the same; what was not taken sends nothing and changes no play.
    expect(advance(table, one, when)).toEqual(step);
    if (!step.taken) expect([step.sent, step.times, step.table.play]).toEqual([[], null, table.play]);
    expect(step.table.play.usedMs).toBeGreaterThanOrEqual(table.play.usedMs);
    ({ table } = step);
    sent.push(...step.sent);
  }
  expect(onRecord(sent)).toEqual(table.play.answers);
  const ended = sent.filter((one) => one.kind === 'ended');
  expect(ended).toHaveLength(table.play.status === 'over' ? 1 : 0);
  for (const one of table.play.answers) expect(one.latencyMs === null || one.latencyMs >= 0).toBe(true);
  return { table, sent };
}

describe('a play turn by turn and its record', () => {
  const drill: TurnsPlan = {
    kind: 'drill',
    timed: true,
    ...plainDrill({
      facts: facts.map((fact) => ({ fact, known: true, ofSet: true, evidence: 3, due: false })),
      most: 12,
      seed: 4,
    }),
  };
  it('say the same, whatever is pressed', () => {
    fc.assert(
      fc.property(fc.array(press, { maxLength: 60 }), howIs, fc.boolean(), (list, is, pack) => {
        const frame = { playId: 'p-123456', limitMs: 2000, earlier: 0, pack };
        const how: TableHow = { measuring, ...is, onsetAfter: (at) => at + 400 };
        const { table } = pressAll<TurnsTable>(
          newTurnsTable(drill, newTurns()),
          [{ kind: 'start', afterMs: 0, shownMs: 0 }, ...list],
          (at, one, when) => {
            const own: Record<string, unknown> = {
              turn: { kind: 'turn', when },
              aid: { kind: 'aid', aid: 'array', when },
              gap: { kind: 'gap', when },
              end: { kind: 'end', when },
            };
            const what = own[one.kind] ?? common(one, when, turnsPromptId(frame, at));
            return what === undefined ? undefined : advanceTurnsTable(frame, how, at, what as TurnsPress);
          },
        );
        if (is.untimed) for (const { latencyMs } of table.play.answers) expect(latencyMs).toBeNull();
      }),
      { numRuns: 300 },
    );
  });
});

describe('a minute and its record', () => {
  it('say the same, whatever is pressed', () => {
    fc.assert(
      fc.property(fc.array(press, { maxLength: 60 }), howIs, (list, is) => {
        const frame = { playId: 'p-123456', limitMs: 2000 };
        const how: TableHow = { measuring, ...is, onsetAfter: (at) => at + 400 };
        const { table } = pressAll<MinuteTable>(
          newMinuteTable(newMinute(facts, 60_000, ['1x1'])),
          [{ kind: 'start', afterMs: 0, shownMs: 0 }, { kind: 'painted', afterMs: 10, shownMs: 0 }, ...list],
          (at, one, when) => {
            const own: Record<string, unknown> = {
              gap: { kind: 'gap', gapMs: 200, beganAt: when.at - 200, when },
              freeze: { kind: 'gap', gapMs: 2500, beganAt: when.at - 2500, when },
              typing: { kind: 'typing', typed: [{ digit: '5', at: when.at }], when },
              painted: { kind: 'painted', at: when.at, when },
              tick: { kind: 'tick', when },
              closing: { kind: 'closing', when },
              end: { kind: 'end', reason: 'tutor', when },
              timeUp: { kind: 'end', reason: 'time', when },
            };
            const what = own[one.kind] ?? common(one, when, minutePromptId(frame, at));
            return what === undefined ? undefined : advanceMinuteTable(frame, how, at, what as MinutePress);
          },
        );
        expect(table.play.usedMs).toBeLessThanOrEqual(60_000);
        if (table.play.status !== 'running') expect(minuteDeadline(table)).toBeUndefined();
        if (is.untimed) for (const { latencyMs } of table.play.answers) expect(latencyMs).toBeNull();
      }),
      { numRuns: 300 },
    );
  });
});
