import { describe, expect, it } from 'vitest';
import { answerOf, parseFactKey } from '../../facts/fact.ts';
import type { Overhead } from '../../recall/calibration.ts';
import type { Measuring } from '../../recall/measuring.ts';
import { newMinute, promptOf } from '../minute.ts';
import {
  advanceMinuteTable,
  frozenGapMs,
  minuteDeadline,
  minuteGraceMs,
  minutePromptId,
  newMinuteTable,
  type MinuteTable,
} from './minuteTable.ts';
import type { MinutePress } from './minutePress.ts';
import type { TableHow, TableMoment } from './tableStep.ts';

const overhead: Overhead = { overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' };
const measuring: Measuring = {
  ...{ limitMs: 2000, overheadFor: () => overhead, ceiling: null, ageDays: 4, stale: false },
};
const form = ['6x7', '7x8', '8x9', '4x6'];
let ids = 0;
const moment = (at: number): TableMoment => ({
  at,
  now: new Date(Date.parse('2026-09-01T10:00:00.000Z') + at).toISOString(),
  id: `id${(ids += 1)}`,
});
type Without<T> = T extends unknown ? Omit<T, 'when'> : never;

/** A table that is pressed in turn. */
function tableOf(over: Partial<TableHow> = {}, play = newMinute(form, 60_000, ['1x1'])) {
  const frame = { playId: 'p-123456', limitMs: 2000 };
  const how: TableHow = { measuring, way: 'tutor', untimed: false, elsewhere: false, ...over };
  let table: MinuteTable = newMinuteTable(play);
  const press = (what: Without<MinutePress>, at: number) => {
    const step = advanceMinuteTable(frame, how, table, { ...what, when: moment(at) } as MinutePress);
    ({ table } = step);
    return step;
  };
  return {
    press,
    how,
    now: () => table,
    play: () => table.play,
    promptId: () => minutePromptId(frame, table),
    deadline: () => minuteDeadline(table),
    judge: (at: number, shownAt: number | undefined, judgement: 'right' | 'wrong' = 'right') =>
      press({ kind: 'judge', judgement, at, typed: [], shownAt }, at + 5),
    last: () => table.play.answers.at(-1),
  };
}
/** A minute whose first prompt was painted then. */
function runningFrom(at: number, over: Partial<TableHow> = {}) {
  const table = tableOf(over);
  table.press({ kind: 'start' }, at - 20);
  table.press({ kind: 'painted', at }, at);
  return table;
}
const digits = (text: string, from: number) =>
  [...text].map((digit, nth) => ({ digit, at: from + 100 * nth }));

describe('the clock of a minute', () => {
  it('goes from the first paint, not from the key that began it, and not again from later ones', () => {
    const table = tableOf();
    table.press({ kind: 'painted', at: 500 }, 500);
    expect(table.deadline()).toBeUndefined();
    table.press({ kind: 'start' }, 1000);
    expect(table.deadline()).toBeUndefined();
    table.press({ kind: 'painted', at: 1200 }, 1201);
    table.press({ kind: 'painted', at: 1300 }, 1301);
    expect(table.deadline()).toBe(61_200);
  });
  it('stands in a pause, and waits for the paint after it', () => {
    const table = runningFrom(1000);
    table.press({ kind: 'pause', reason: 'pause' }, 11_000);
    expect([table.deadline(), table.play().usedMs]).toEqual([undefined, 10_000]);
    table.press({ kind: 'resume' }, 20_000);
    expect(table.deadline()).toBeUndefined();
    table.press({ kind: 'painted', at: 20_100 }, 20_101);
    expect(table.deadline()).toBe(70_100);
    table.press({ kind: 'tick' }, 21_100);
    expect(table.play().usedMs).toBe(11_000);
  });
  it('leaves out a page that was frozen, but no shorter gap', () => {
    const table = runningFrom(1000);
    expect(table.press({ kind: 'gap', gapMs: frozenGapMs - 1, beganAt: 5000 }, 6000).times).toBe('void');
    expect([table.deadline(), table.play().interrupted]).toEqual([61_000, false]);
    table.press({ kind: 'gap', gapMs: 4000, beganAt: 7000 }, 11_000);
    expect(table.play()).toMatchObject({ status: 'running', usedMs: 6000, interrupted: true });
    expect(table.deadline()).toBe(65_000);
  });
  it('is none on a calm table', () => {
    const table = runningFrom(1000);
    table.press({ kind: 'calm' }, 5000);
    expect([table.deadline(), promptOf(table.play())]).toEqual([undefined, '1x1']);
    expect(table.press({ kind: 'tick' }, 9000).taken).toBe(false);
    expect(table.press({ kind: 'gap', gapMs: 4000, beganAt: 7000 }, 11_000).times).toBeNull();
    expect(table.play()).toMatchObject({ usedMs: 4000, status: 'running' });
    table.judge(12_000, 11_500);
    expect(table.last()).toMatchObject({ latencyMs: null, voided: false });
    const untimed = tableOf({ untimed: true });
    untimed.press({ kind: 'start' }, 1000);
    expect(untimed.play()).toMatchObject({ calm: true, usedMs: 0 });
  });
});

describe('an answer in a minute', () => {
  it('is timed from its paint to its key, told with the time used by then, and the next is shown', () => {
    const table = runningFrom(1000);
    const before = table.promptId();
    const { sent, times } = table.judge(2500, 1000);
    expect(times).toBe('count');
    expect(sent).toEqual([
      { kind: 'answered', answer: table.last(), lastKeyMs: null, calibrationAgeDays: 4, usedMs: 1500 },
    ]);
    expect(table.last()).toMatchObject({
      fact: '6x7',
      given: '42',
      latencyMs: 1500,
      voided: false,
      limitMs: 2000,
      aided: false,
    });
    expect([promptOf(table.play()), table.promptId() === before]).toEqual(['7x8', false]);
  });
  it('is none where its key came before its prompt, or before anything runs', () => {
    const table = runningFrom(1000);
    expect(table.judge(999, 1000).taken).toBe(false);
    expect(table.judge(1500, undefined).taken).toBe(false);
    expect(tableOf().judge(50, 10).taken).toBe(false);
    expect(table.judge(1000, 1000).taken).toBe(true);
  });
  it('is kept without a time that counts where its digits came before the paint was known of, or frames went missing', () => {
    const table = runningFrom(1000, { way: 'keypad' });
    table.press({ kind: 'typed', typed: digits('42', 950), shownAt: 1000 }, 1200);
    expect(table.last()).toMatchObject({ judgement: 'right', voided: true, latencyMs: 0 });
    table.press({ kind: 'gap', gapMs: 200, beganAt: 1300 }, 1500);
    table.press({ kind: 'typed', typed: digits('55', 1900), shownAt: 1300 }, 2200);
    expect(table.last()).toMatchObject({ judgement: 'wrong', given: '55', voided: true, latencyMs: 600 });
    table.press({ kind: 'typed', typed: digits('72', 2900), shownAt: 2300 }, 3200);
    expect(table.last()).toMatchObject({ judgement: 'right', voided: false });
    expect(table.press({ kind: 'typed', typed: [], shownAt: 3300 }, 3400).taken).toBe(false);
  });
  it('asked again after an undo, or moved to another screen, has a void time', () => {
    const table = runningFrom(1000);
    table.judge(2000, 1000);
    const first = table.last();
    expect(table.press({ kind: 'undo' }, 2100).sent).toEqual([{ kind: 'retracted', answer: first }]);
    expect(promptOf(table.play())).toBe('6x7');
    table.judge(3000, 2200);
    expect(table.last()?.voided).toBe(true);
    table.press({ kind: 'moved' }, 3200);
    table.judge(4000, 3100);
    expect(table.last()?.voided).toBe(true);
    table.judge(5000, 4100);
    expect(table.last()?.voided).toBe(false);
    expect(tableOf().press({ kind: 'undo' }, 10)).toMatchObject({ taken: false, sent: [] });
  });
  it('takes marks and words of the last one, also when all is over', () => {
    const table = runningFrom(1000);
    expect(table.press({ kind: 'mark', mark: 'fingers' }, 1100).taken).toBe(false);
    table.judge(2000, 1000, 'wrong');
    const shown = table.promptId();
    table.press({ kind: 'mark', mark: 'fingers' }, 2100);
    expect(table.press({ kind: 'say', given: '48' }, 2200).sent).toEqual([
      { kind: 'amended', answer: table.last() },
    ]);
    // The prompt stays as it is shown: its clock goes on.
    expect(table.promptId()).toBe(shown);
    table.press({ kind: 'end', reason: 'tutor' }, 3000);
    table.press({ kind: 'mark', mark: 'fingers' }, 3100);
    expect(table.last()).toMatchObject({ seen: [], given: '48' });
  });
});

describe('the end of a minute', () => {
  it('lets an answer begun in time be finished, and is over with it', () => {
    const table = runningFrom(1000, { way: 'keypad' });
    expect(minuteGraceMs(table.how, table.now())).toBe(0);
    table.press({ kind: 'typing', typed: digits('4', 60_900) }, 60_900);
    expect(minuteGraceMs(table.how, table.now())).toBe(3000);
    table.press({ kind: 'closing' }, 61_010);
    const { sent } = table.press({ kind: 'typed', typed: digits('42', 60_900), shownAt: 59_000 }, 61_400);
    expect(sent.map((one) => one.kind)).toEqual(['answered', 'ended']);
    expect(sent[0]).toMatchObject({ usedMs: 59_900 });
    expect(sent[1]).toMatchObject({ reason: 'time', usedMs: 60_000, calm: false });
    expect(table.play().status).toBe('over');
    expect(table.now().typing).toEqual([]);
  });
  it('takes no answer begun after it, but allows for the tutor’s own time', () => {
    const late = runningFrom(1000, { way: 'keypad' });
    expect(late.press({ kind: 'typed', typed: digits('42', 61_001), shownAt: 60_000 }, 61_300).taken).toBe(
      false,
    );
    const tutor = runningFrom(1000);
    expect(minuteGraceMs(tutor.how, tutor.now())).toBe(340);
    expect(tutor.judge(61_341, 60_000).taken).toBe(false);
    expect(tutor.judge(61_340, 60_000).taken).toBe(true);
    expect(tutor.play().usedMs).toBe(60_000);
  });
  it('tells why, with the time used; of one that lapsed in a pause, as of when it stopped', () => {
    const table = runningFrom(1000);
    table.judge(2000, 1000);
    expect(table.press({ kind: 'end', reason: 'tutor' }, 31_000).sent).toEqual([
      {
        ...{ kind: 'ended', usedMs: 30_000, calm: false, interrupted: false, reason: 'tutor' },
        at: '2026-09-01T10:00:31.000Z',
      },
    ]);
    const lapsed = runningFrom(1000);
    lapsed.press({ kind: 'pause', reason: 'hidden' }, 11_000);
    expect(lapsed.press({ kind: 'resume' }, 11_000 + 10 * 60_000 + 1).sent).toMatchObject([
      { kind: 'ended', reason: 'closed', usedMs: 10_000, interrupted: true, at: '2026-09-01T10:00:11.000Z' },
    ]);
    expect(tableOf().press({ kind: 'end', reason: 'tutor' }, 10)).toMatchObject({ taken: false, sent: [] });
  });
});

describe('a minute on another screen', () => {
  it('runs from the paint there, and takes the times taken there', () => {
    const table = tableOf({ elsewhere: true, way: 'keypad' });
    table.press({ kind: 'start' }, 1000);
    const shown = table.promptId();
    table.press({ kind: 'shownThere', there: { promptId: shown, at: 1400, shared: false } }, 1450);
    expect(table.deadline()).toBe(61_400);
    const answer = { typed: '42', latencyMs: 900, lastKeyMs: 1100, voided: false };
    expect(table.press({ kind: 'typedThere', answer: { ...answer, promptId: 'other' } }, 2500).taken).toBe(
      false,
    );
    const { sent } = table.press({ kind: 'typedThere', answer: { ...answer, promptId: shown } }, 2600);
    expect(sent[0]).toMatchObject({ lastKeyMs: 1100, usedMs: 900 });
    expect(table.last()).toMatchObject({ judgement: 'right', latencyMs: 900, voided: false, given: '42' });
    table.press(
      { kind: 'typedThere', answer: { ...answer, promptId: table.promptId(), voided: true } },
      4000,
    );
    expect(table.last()).toMatchObject({ judgement: 'wrong', voided: true });
    expect(table.press({ kind: 'gap', gapMs: 5000, beganAt: 4100 }, 9100).taken).toBe(false);
  });
  it('is judged here without a time, but by a window that shares the clock', () => {
    const table = tableOf({ elsewhere: true });
    table.press({ kind: 'start' }, 1000);
    expect(table.judge(1300, 1200).taken).toBe(false);
    table.press({ kind: 'shownThere', there: { promptId: table.promptId(), at: 1400, shared: false } }, 1450);
    table.judge(2400, undefined);
    expect(table.last()?.latencyMs).toBeNull();
    table.press({ kind: 'shownThere', there: { promptId: table.promptId(), at: 2500, shared: true } }, 2550);
    table.judge(3100, undefined);
    expect(table.last()?.latencyMs).toBe(600);
    expect(answerOf(parseFactKey(table.last()?.fact ?? ''))).toBe(56);
  });
});

describe('what else happens to a minute', () => {
  it('has marks put on and taken off, and words only of what was wrong', () => {
    const table = runningFrom(1000);
    table.judge(2000, 1000);
    expect(table.press({ kind: 'say', given: '48' }, 2100).taken).toBe(false);
    table.press({ kind: 'mark', mark: 'fingers' }, 2200);
    table.press({ kind: 'mark', mark: 'guessed' }, 2300);
    expect(table.last()?.seen).toEqual(['fingers', 'guessed']);
    table.press({ kind: 'mark', mark: 'fingers' }, 2400);
    expect(table.last()?.seen).toEqual(['guessed']);
  });
  it('that is frozen shows its prompt on, its time void, and counts from when it goes again', () => {
    const table = runningFrom(1000);
    const shown = table.promptId();
    expect(table.press({ kind: 'gap', gapMs: frozenGapMs, beganAt: 3000 }, 4000)).toMatchObject({
      sent: [],
      taken: true,
    });
    expect([table.promptId(), table.deadline()]).toEqual([shown, 62_000]);
    table.judge(5000, 1000);
    expect(table.last()?.voided).toBe(true);
    // Before anything runs, and in a pause, nothing is frozen.
    const fresh = tableOf();
    fresh.press({ kind: 'gap', gapMs: 5000, beganAt: 10 }, 5010);
    expect(fresh.play()).toMatchObject({ status: 'ready', interrupted: false });
    const stopped = runningFrom(1000);
    stopped.press({ kind: 'pause', reason: 'pause' }, 2000);
    stopped.press({ kind: 'gap', gapMs: 5000, beganAt: 3000 }, 8000);
    expect(stopped.play()).toMatchObject({ status: 'paused', interrupted: false, usedMs: 1000 });
  });
  it('that stands takes no time up by itself, nor by news of a paint there', () => {
    const table = runningFrom(1000, { elsewhere: true });
    table.press({ kind: 'pause', reason: 'pause' }, 2000);
    table.press({ kind: 'shownThere', there: { promptId: 'x', at: 2500, shared: true } }, 2600);
    expect(table.deadline()).toBeUndefined();
    table.press({ kind: 'resume' }, 3000);
    table.press({ kind: 'shownThere', there: { promptId: table.promptId(), at: 3200, shared: true } }, 3250);
    table.press({ kind: 'shownThere', there: { promptId: table.promptId(), at: 3900, shared: true } }, 3950);
    expect(table.deadline()).toBe(3200 + 59_000);
    expect(table.press({ kind: 'tick' }, 4200).taken).toBe(true);
    expect(table.play().usedMs).toBe(2000);
    // News of another prompt is none of this one.
    table.press({ kind: 'shownThere', there: { promptId: 'other', at: 4000, shared: true } }, 4050);
    expect(table.judge(5000, undefined).taken).toBe(false);
  });
  it('ended in a pause had used what it had by then', () => {
    const table = runningFrom(1000);
    table.press({ kind: 'pause', reason: 'pause' }, 11_000);
    expect(table.press({ kind: 'end', reason: 'tutor' }, 50_000).sent).toMatchObject([{ usedMs: 10_000 }]);
    expect(table.press({ kind: 'resume' }, 51_000).taken).toBe(false);
  });
  it('typed elsewhere has no time on a calm table; each prompt has a name of its own', () => {
    const table = tableOf({ elsewhere: true, way: 'keypad' });
    table.press({ kind: 'start' }, 1000);
    table.press({ kind: 'calm' }, 1100);
    const answer = { typed: '1', latencyMs: 900, lastKeyMs: 1000, voided: false };
    const first = table.promptId();
    const step = table.press({ kind: 'typedThere', answer: { ...answer, promptId: first } }, 2400);
    expect([table.last()?.latencyMs, step.times, table.promptId() === first]).toEqual([null, null, false]);
    const voided = tableOf({ elsewhere: true, way: 'keypad' });
    voided.press({ kind: 'start' }, 1000);
    const there = { ...answer, promptId: voided.promptId(), voided: true };
    expect(voided.press({ kind: 'typedThere', answer: there }, 2400).times).toBeNull();
  });
});
