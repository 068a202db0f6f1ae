import { describe, expect, it } from 'vitest';
import { hiddenNumber, parseFactKey } from '../../facts/fact.ts';
import type { Overhead } from '../../recall/calibration.ts';
import type { Measuring } from '../../recall/measuring.ts';
import { plainDrill } from '../drill.ts';
import { readTurns, type TurnsPlan } from '../readTurns.ts';
import { newTurns } from '../turns.ts';
import type { TableHow, TableMoment } from './tableStep.ts';
import {
  advanceTurnsTable,
  newTurnsTable,
  turnsPromptId,
  type TurnsPress,
  type TurnsTable,
  type TurnsTableFrame,
} from './turnsTable.ts';

const overhead: Overhead = { overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' };
const measuring: Measuring = {
  ...{ limitMs: 2000, overheadFor: () => overhead, ceiling: null, ageDays: 4, stale: false },
};
const facts = ['6x7', '7x8', '8x9', '4x6'];
const drill: TurnsPlan = {
  kind: 'drill',
  timed: true,
  ...plainDrill({
    facts: facts.map((fact) => ({ fact, known: true, ofSet: true, evidence: 3, due: false })),
    most: 50,
    seed: 4,
  }),
};
const placement: TurnsPlan = {
  kind: 'placement',
  sets: [{ id: 'a', name: 'A', introduces: ['2x3', '3x4', '2x4', '3x3', '4x4', '2x2'] }],
  startAt: 0,
  seed: 3,
  timed: true,
};

let ids = 0;
const moment = (at: number): TableMoment => ({
  at,
  now: new Date(Date.parse('2026-09-01T10:00:00.000Z') + at).toISOString(),
  id: `id${(ids += 1)}`,
});
type Without<T> = T extends unknown ? Omit<T, 'when'> : never;

/** A table that is pressed in turn. */
function tableOf(
  plan: TurnsPlan = drill,
  over: Partial<TableHow> = {},
  frameOver: Partial<TurnsTableFrame> = {},
  play = newTurns(),
) {
  const frame = { playId: 'p-123456', limitMs: 2000, earlier: 0, pack: false, ...frameOver };
  const how: TableHow = { measuring, way: 'tutor', untimed: false, elsewhere: false, ...over };
  let table: TurnsTable = newTurnsTable(plan, play);
  const press = (what: Without<TurnsPress>, at: number, as: Partial<TableHow> = {}) => {
    const step = advanceTurnsTable(frame, { ...how, ...as }, table, {
      ...what,
      when: moment(at),
    } as TurnsPress);
    ({ table } = step);
    return step;
  };
  return {
    press,
    now: () => table,
    promptId: () => turnsPromptId(frame, table),
    fact: () => readTurns(plan, table.play).next?.fact ?? '',
    judge: (at: number, shownAt: number | undefined, judgement: 'right' | 'wrong' = 'right', as = {}) =>
      press({ kind: 'judge', judgement, at, typed: [], shownAt }, at + 5, as),
    last: () => table.play.answers.at(-1),
  };
}
const digits = (text: string, from: number) =>
  [...text].map((digit, nth) => ({ digit, at: from + 100 * nth }));
const startedAt = (at: number, ...rest: Parameters<typeof tableOf>) => {
  const table = tableOf(...rest);
  table.press({ kind: 'start' }, at);
  return table;
};

describe('a turn at a table', () => {
  it('takes the time from the paint to the key, and is sent with what it was measured by', () => {
    const table = startedAt(1000);
    const fact = table.fact();
    const { sent, times, taken } = table.judge(2700, 1200);
    expect([times, taken]).toEqual(['count', true]);
    expect(sent).toEqual([
      { kind: 'answered', answer: table.last(), lastKeyMs: null, calibrationAgeDays: 4, usedMs: 1705 },
    ]);
    expect(table.last()).toMatchObject({
      ...{ fact, judgement: 'right', latencyMs: 1500, voided: false, way: 'tutor', limitMs: 2000 },
      ...{
        overheadMs: 300,
        spreadMs: 40,
        calibrated: true,
        aided: false,
        seen: [],
        at: '2026-09-01T10:00:02.705Z',
      },
      given: String(hiddenNumber(parseFactKey(fact), 'result')),
    });
    expect(table.last()).not.toHaveProperty('aid');
    expect(table.last()).not.toHaveProperty('hidden');
    expect(table.now().play.status).toBe('told');
  });
  it('takes no key that came before the prompt was painted, or while nothing is asked', () => {
    const table = tableOf();
    expect(table.judge(50, 10).taken).toBe(false);
    table.press({ kind: 'start' }, 1000);
    for (const [at, shownAt] of [
      [1199, 1200],
      [1300, undefined],
    ] as const)
      expect(table.judge(at, shownAt)).toMatchObject({ taken: false, sent: [] });
    expect(table.judge(1200, 1200).taken).toBe(true);
    expect(table.last()?.latencyMs).toBe(0);
    expect(table.judge(1400, 1200).taken).toBe(false);
    expect(table.now().play.answers).toHaveLength(1);
  });
  it('keeps digits that came before the paint was known of, without a time that counts', () => {
    const table = startedAt(1000, drill, { way: 'keypad' });
    const right = String(hiddenNumber(parseFactKey(table.fact()), 'result'));
    const step = table.press({ kind: 'typed', typed: digits(right, 1150), shownAt: 1200 }, 1500);
    expect(step).toMatchObject({ taken: true, times: null });
    expect(table.last()).toMatchObject({ judgement: 'right', given: right, voided: true, latencyMs: 0 });
  });
  it('judges what was typed by its number, timed at the first digit', () => {
    const table = startedAt(1000, drill, { way: 'keypad' });
    const right = String(hiddenNumber(parseFactKey(table.fact()), 'result'));
    table.press({ kind: 'typed', typed: digits(right, 2200), shownAt: 1200 }, 2600);
    expect(table.last()).toMatchObject({ judgement: 'right', latencyMs: 1000, given: right });
    table.press({ kind: 'turn' }, 3000);
    const { sent } = table.press({ kind: 'typed', typed: digits('999', 4000), shownAt: 3100 }, 4500);
    expect(table.last()).toMatchObject({ judgement: 'wrong', latencyMs: 900, given: '999' });
    expect(sent[0]).toMatchObject({ lastKeyMs: 1100 });
    table.press({ kind: 'turn' }, 5000);
    expect(table.press({ kind: 'typed', typed: [], shownAt: 5100 }, 5200).taken).toBe(false);
  });
  it('asks what a drill hides, and says so of the answer', () => {
    const table = startedAt(1000, { ...drill, hidden: 'right' }, { way: 'keypad' });
    const right = String(hiddenNumber(parseFactKey(table.fact()), 'right'));
    table.press({ kind: 'typed', typed: digits(right, 2000), shownAt: 1200 }, 2300);
    expect(table.last()).toMatchObject({ judgement: 'right', hidden: 'right' });
  });
  it('has no time on a calm table, or where no clock is wanted', () => {
    const calm = startedAt(1000);
    calm.press({ kind: 'calm' }, 1100);
    expect(calm.judge(3000, 1200)).toMatchObject({ taken: true, times: null });
    const untimed = startedAt(1000, drill, { untimed: true });
    untimed.judge(3000, 1200);
    for (const table of [calm, untimed])
      expect(table.last()).toMatchObject({ latencyMs: null, voided: false });
  });
});

describe('a time that is void', () => {
  const voidedAfter = (what: Without<TurnsPress>, as: Partial<TableHow> = {}) => {
    const table = startedAt(1000, drill, as);
    const { times } = table.press(what, 1500);
    table.judge(2500, 1200);
    return { table, times, voided: table.last()?.voided };
  };
  it('is one in which frames went missing, told of at once; the next counts again', () => {
    const { table, times, voided } = voidedAfter({ kind: 'gap' });
    expect([times, voided]).toEqual(['void', true]);
    table.press({ kind: 'turn' }, 3000);
    expect(table.judge(4000, 3100).times).toBe('count');
    expect(table.last()?.voided).toBe(false);
    expect(voidedAfter({ kind: 'gap' }, { untimed: true }).times).toBeNull();
  });
  it('is one that moved to another screen, was undone, or was seen before a pause', () => {
    expect(voidedAfter({ kind: 'moved' }).voided).toBe(true);
    const table = startedAt(1000);
    table.judge(2000, 1200);
    const first = table.last();
    const fact = first?.fact;
    const before = table.promptId();
    expect(table.press({ kind: 'undo' }, 2100).sent).toEqual([{ kind: 'retracted', answer: first }]);
    expect([table.fact(), table.promptId() === before]).toEqual([fact, false]);
    table.judge(3000, 2200);
    expect(table.last()?.voided).toBe(true);
    table.press({ kind: 'turn' }, 3100);
    table.press({ kind: 'pause', reason: 'pause' }, 3500);
    table.press({ kind: 'resume' }, 9000);
    table.judge(9900, 9100);
    expect(table.last()).toMatchObject({ voided: true, latencyMs: 800 });
  });
  it('is not made by a gap while nothing is asked, or while another screen is looked at', () => {
    const table = startedAt(1000);
    table.judge(2000, 1200);
    expect(table.press({ kind: 'gap' }, 2500).taken).toBe(false);
    expect(startedAt(1000, drill, { elsewhere: true }).press({ kind: 'gap' }, 1500).taken).toBe(false);
  });
});

describe('a prompt on another screen', () => {
  const there = (promptId: string, shared: boolean): Without<TurnsPress> => ({
    kind: 'shownThere',
    there: { promptId, at: 1400, shared },
  });
  it('is judged here without a time, but by a window that shares the clock', () => {
    const table = startedAt(1000, drill, { elsewhere: true });
    table.press(there(table.promptId(), false), 1450);
    table.judge(2400, undefined);
    expect(table.last()).toMatchObject({ latencyMs: null, judgement: 'right' });
    table.press({ kind: 'turn' }, 2500);
    table.press({ kind: 'shownThere', there: { promptId: table.promptId(), at: 2600, shared: true } }, 2650);
    expect(table.judge(2599, undefined).taken).toBe(false);
    table.judge(3600, undefined);
    expect(table.last()?.latencyMs).toBe(1000);
    table.press({ kind: 'turn' }, 3700);
    // News of the prompt before is none of this one.
    table.judge(4700, undefined);
    expect(table.last()?.latencyMs).toBeNull();
  });
  it('is answered there with the time taken there, and only that prompt', () => {
    const table = startedAt(1000, drill, { elsewhere: true, way: 'keypad' });
    const answer = { typed: '1', latencyMs: 1234, lastKeyMs: 1300, voided: false };
    expect(table.press({ kind: 'typedThere', answer: { ...answer, promptId: 'other' } }, 2000).taken).toBe(
      false,
    );
    const { sent } = table.press(
      { kind: 'typedThere', answer: { ...answer, promptId: table.promptId() } },
      2400,
    );
    expect(table.last()).toMatchObject({ judgement: 'wrong', given: '1', latencyMs: 1234, voided: false });
    expect(sent[0]).toMatchObject({ kind: 'answered', lastKeyMs: 1300, usedMs: 1400 });
    table.press({ kind: 'turn' }, 2500);
    table.press(
      { kind: 'typedThere', answer: { ...answer, promptId: table.promptId(), voided: true } },
      2700,
    );
    expect(table.last()?.voided).toBe(true);
  });
});

describe('real cards', () => {
  it('are timed from the key that tells of the turned card', () => {
    const table = startedAt(1000, drill, {}, { pack: true });
    expect(table.judge(999, undefined).taken).toBe(false);
    table.judge(2400, undefined);
    expect(table.last()?.latencyMs).toBe(1400);
    table.press({ kind: 'turn' }, 5000);
    table.judge(5600, undefined);
    expect(table.last()?.latencyMs).toBe(600);
  });
});

describe('what is seen and said of an answer', () => {
  it('is put on and taken off the last one, and sent', () => {
    const table = startedAt(1000);
    expect(table.press({ kind: 'mark', mark: 'fingers' }, 1100).taken).toBe(false);
    table.judge(2000, 1200, 'wrong');
    const { sent } = table.press({ kind: 'mark', mark: 'fingers' }, 2100);
    expect(sent).toEqual([{ kind: 'amended', answer: table.last() }]);
    expect(table.last()?.seen).toEqual(['fingers']);
    table.press({ kind: 'mark', mark: 'guessed' }, 2150);
    table.press({ kind: 'mark', mark: 'fingers' }, 2200);
    expect(table.last()?.seen).toEqual(['guessed']);
    expect(table.press({ kind: 'say', given: '54' }, 2300).sent).toEqual([
      { kind: 'amended', answer: table.last() },
    ]);
    expect(table.last()?.given).toBe('54');
    table.press({ kind: 'turn' }, 2500);
    table.judge(3000, 2600);
    expect(table.press({ kind: 'say', given: '54' }, 3100).taken).toBe(false);
  });
  it('leaves alone what was given on another day', () => {
    const before = startedAt(1000);
    before.judge(2000, 1200, 'wrong');
    const table = startedAt(1000, drill, {}, { earlier: 1 }, newTurns(before.now().play.answers));
    expect(table.press({ kind: 'undo' }, 1100).taken).toBe(false);
    expect(table.press({ kind: 'mark', mark: 'fingers' }, 1100).taken).toBe(false);
    expect(table.now().play.answers).toHaveLength(1);
  });
  it('tells of an aid that lies under the prompt, with that prompt alone', () => {
    const table = startedAt(1000);
    table.press({ kind: 'aid', aid: 'array' }, 1500);
    table.judge(2500, 1200);
    expect(table.last()).toMatchObject({ aided: true, aid: 'array' });
    table.press({ kind: 'turn' }, 2600);
    table.judge(3500, 2700);
    expect(table.last()?.aided).toBe(false);
  });
});

describe('the time under way', () => {
  it('leaves pauses out, and is told at the end', () => {
    const table = startedAt(1000);
    table.press({ kind: 'pause', reason: 'interrupted' }, 4000);
    table.press({ kind: 'resume' }, 60_000);
    const { sent } = table.press({ kind: 'end' }, 61_500);
    expect(sent).toEqual([
      {
        ...{ kind: 'ended', usedMs: 4500, calm: false, interrupted: true, reason: 'tutor' },
        at: '2026-09-01T10:01:01.500Z',
      },
    ]);
    expect(table.press({ kind: 'end' }, 62_000)).toMatchObject({ taken: false, sent: [] });
  });
  it('ends by itself with the last answer of a placement', () => {
    const table = startedAt(1000, placement, { untimed: false });
    let sent: readonly { readonly kind: string }[] = [];
    for (let at = 2000; table.now().play.status === 'asking' && at < 200_000; at += 1000)
      ({ sent } = table.judge(at + 500, at));
    expect(sent.map((one) => one.kind)).toEqual(['answered', 'ended']);
    expect(sent[1]).toMatchObject({ reason: 'time', calm: false });
  });
});

describe('a voice', () => {
  it('begins the time’s end where it was heard; one that was not heard gives no time', () => {
    const heard = startedAt(1000, drill, { way: 'voice', onsetAfter: (at) => at + 700 });
    heard.judge(2700, 1200);
    expect(heard.last()).toMatchObject({ latencyMs: 700, way: 'voice', judgement: 'right' });
    const silent = startedAt(1000, drill, { way: 'voice', onsetAfter: () => undefined });
    silent.judge(2700, 1200);
    expect(silent.last()).toMatchObject({ latencyMs: null, judgement: 'right' });
    // A tutor's own mark is timed by its key, whatever is heard.
    const marked = startedAt(1000, drill, { way: 'tutor', onsetAfter: (at) => at + 700 });
    marked.judge(2700, 1200);
    expect(marked.last()?.latencyMs).toBe(1500);
    const there = startedAt(1000, drill, { way: 'voice', elsewhere: true, onsetAfter: (at) => at + 700 });
    there.judge(2700, undefined);
    expect(there.last()?.latencyMs).toBeNull();
  });
});

describe('a keypad nobody measured', () => {
  it('is timed by the first answers of a placement, and of nothing else', () => {
    const unmeasured = {
      ...measuring,
      overheadFor: () => ({ ...overhead, overheadMs: 900, calibrated: false }),
    };
    const overheadAfter = (plan: TurnsPlan, count: number) => {
      const table = startedAt(1000, plan, { measuring: unmeasured, way: 'keypad' });
      for (let nth = 0; nth < count; nth += 1) {
        const shownAt = 2000 * (nth + 1);
        const right = String(hiddenNumber(parseFactKey(table.fact()), 'result'));
        table.press({ kind: 'typed', typed: digits(right, shownAt + 800 + nth), shownAt }, shownAt + 1500);
        table.press({ kind: 'turn' }, shownAt + 1600);
      }
      return table.last()?.overheadMs;
    };
    const warm = { ...placement, warmsUp: true } as TurnsPlan;
    expect(overheadAfter(warm, 3)).toBe(900);
    // After six answers that needed no thought, what those took less a fifth of a second is taken off.
    expect(overheadAfter(warm, 7)).toBeLessThan(700);
    expect(overheadAfter(drill, 7)).toBe(900);
  });
});

describe('what is shown', () => {
  it('keeps its name while it stays, and has a new one when it is shown anew', () => {
    const table = startedAt(1000);
    const names = [table.promptId()];
    const look = () => names.push(table.promptId());
    table.press({ kind: 'gap' }, 1100);
    look();
    table.press({ kind: 'aid', aid: 'array' }, 1200);
    look();
    expect(new Set(names).size).toBe(1);
    table.press({ kind: 'pause', reason: 'pause' }, 1300);
    look();
    table.press({ kind: 'resume' }, 1400);
    look();
    table.judge(2000, 1500, 'wrong');
    look();
    table.press({ kind: 'undo' }, 2100);
    look();
    table.judge(2600, 2200, 'wrong');
    look();
    expect(new Set(names).size).toBe(6);
    const told = table.promptId();
    table.press({ kind: 'mark', mark: 'fingers' }, 2700);
    table.press({ kind: 'say', given: '3' }, 2800);
    expect(table.promptId()).toBe(told);
  });
  it('is not told of as void where a table is calm; typed there it has no time then', () => {
    const table = startedAt(1000, drill, { way: 'keypad' });
    table.press({ kind: 'calm' }, 1100);
    expect(table.press({ kind: 'gap' }, 1200)).toMatchObject({ times: null, taken: true });
    const answer = { promptId: table.promptId(), typed: '1', latencyMs: 900, lastKeyMs: 1000, voided: false };
    const { sent } = table.press({ kind: 'typedThere', answer }, 2400);
    expect(table.last()?.latencyMs).toBeNull();
    expect(sent[0]).toMatchObject({ lastKeyMs: null });
    expect(table.press({ kind: 'end' }, 3000).sent).toMatchObject([{ kind: 'ended', calm: true }]);
    const untimed = startedAt(1000, drill, { untimed: true });
    untimed.press({ kind: 'typedThere', answer: { ...answer, promptId: untimed.promptId() } }, 2400);
    expect(untimed.last()?.latencyMs).toBeNull();
  });
  it('has its time under way counted in what is told, on through an answer and its turn', () => {
    const table = startedAt(1000);
    table.judge(2000, 1200);
    table.press({ kind: 'turn' }, 4000);
    expect(table.judge(5000, 4100).sent[0]).toMatchObject({ usedMs: 4005 });
    expect(table.press({ kind: 'end' }, 7000).sent[0]).toMatchObject({
      usedMs: 6000,
      calm: false,
      interrupted: false,
    });
  });
  it('begins without a void time, also where it goes on from before', () => {
    expect([newTurnsTable(drill, newTurns()).spoiled, newTurnsTable(drill, newTurns()).aid]).toEqual([
      false,
      null,
    ]);
  });
});
