import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Overhead } from '../../recall/calibration.ts';
import { findGame } from '../catalogue.ts';
import { resumePlan, type GamePlan } from '../gamePlan.ts';
import { advanceGameTable } from './advanceGameTable.ts';
import { tieMs } from '../claims.ts';
import { settlesAt, headStartsAt, onTheWayMs, silentMs } from './claimRace.ts';
import type { GamePress } from './gamePress.ts';
import {
  devicesNow,
  gameNeed,
  gamePromptId,
  gameShownAt,
  gameUsedMs,
  newGameTable,
  type GameTable,
  type GameTableFrame,
  type GameTableHow,
} from './gameTable.ts';
import { missedAt } from './seatAnswer.ts';
import type { TableSeat } from './tableSeat.ts';

const overhead: Overhead = { overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' };
const seat = (over: Partial<TableSeat> = {}): TableSeat => ({
  ...{ recorded: true, untimed: false, known: ['2+3', '4+4'], timesMs: {}, usualMs: null },
  measuringFor: () => ({
    limitMs: 2000,
    overheadFor: () => overhead,
    ceiling: null,
    ageDays: 2,
    stale: false,
  }),
  ...over,
});
const planOf = (over: Partial<GamePlan> = {}): GamePlan => ({
  ...{
    version: 2,
    game: 'first-voice',
    step: 1,
    house: null,
    rules: findGame('first-voice')?.steps[1]?.rules,
  },
  ...{
    mode: 'screen',
    seats: 2,
    against: true,
    seed: 11,
    packs: null,
    adults: [],
    erring: false,
    levelled: false,
  },
  ...{ roles: [], minutes: null },
  ...over,
});

type Without<T> = T extends unknown ? Omit<T, 'when'> : never;

interface Setting extends Partial<Omit<GamePlan, 'seats'>> {
  readonly seats?: readonly TableSeat[];
  readonly how?: Partial<GameTableHow>;
  readonly begun?: boolean;
}

/** A table that is pressed in turn. */
function tableOf({ seats = [seat(), seat()], how = {}, begun = true, ...over }: Setting = {}) {
  const plan = planOf({ ...over, seats: seats.length });
  const taken = resumePlan(plan, []);
  const frame: GameTableFrame = {
    ...{ game: taken.game, play: taken.play, plan, playId: 'p-123456', limitMs: 2000, way: 'tutor', seats },
  };
  const status = {
    usedMs: 0,
    calm: false,
    interrupted: false,
    pausedAt: null,
    pauseReason: null,
    endReason: null,
  };
  let table: GameTable = newGameTable(taken, [], { status: 'ready', ...status }, []);
  let count = 0;
  const press = (what: Without<GamePress>, at: number, as: Partial<GameTableHow> = {}) => {
    const moment = (count += 1);
    const when = {
      at,
      now: new Date(Date.parse('2026-09-01T10:00:00.000Z') + at).toISOString(),
      id: (nth: number) => `${moment}-${nth}`,
    };
    const step = advanceGameTable(frame, { way: 'tutor', elsewhere: false, ...how, ...as }, table, {
      ...what,
      when,
    } as GamePress);
    ({ table } = step);
    return step;
  };
  if (begun) press({ kind: 'start' }, 1000);
  return {
    frame,
    press,
    now: () => table,
    need: () => gameNeed(frame, table),
    promptId: () => gamePromptId(frame, table),
    go: (at: number) => press({ kind: 'move', move: { kind: 'go' }, at }, at),
    claim: (by: number, at: number, shownAt: number | undefined) =>
      press({ kind: 'claim', seat: by, at, by: 'child', shownAt }, at),
    settle: (at: number, shownAt: number | undefined) => press({ kind: 'settle', shownAt }, at),
    judge: (at: number, shownAt: number | undefined, right = true, more = {}) =>
      press({ kind: 'judge', judgement: right ? 'right' : 'wrong', at, more, shownAt }, at + 5),
    last: () => table.moves.at(-1)?.answers.at(-1),
    answers: () =>
      table.moves.flatMap((one) => one.answers.map(({ seat: of, answer }) => [of, answer.judgement])),
  };
}
const alone = (over: Setting = {}) => tableOf({ seats: [seat()], ...over });

describe('an answer at a game', () => {
  it('is timed from its paint to its key, and goes on record with its move', () => {
    const table = alone();
    table.go(1500);
    const { sent, times, trouble } = table.judge(3000, 1600);
    expect([times, trouble]).toEqual(['count', null]);
    expect(sent).toEqual([{ kind: 'made', kept: table.now().moves[1], nth: 1, usedMs: 2005 }]);
    expect(table.last()).toMatchObject({
      seat: 0,
      lastKeyMs: null,
      answer: {
        judgement: 'right',
        latencyMs: 1400,
        voided: false,
        way: 'tutor',
        limitMs: 2000,
        aided: false,
      },
    });
    const ids = table.now().moves.flatMap((one) => [one.id, ...one.answers.map(({ answer }) => answer.id)]);
    expect(new Set(ids).size).toBe(ids.length);
  });
  it('is none where its key came before its prompt was painted; what was typed is kept without a time', () => {
    const table = alone();
    table.go(1500);
    for (const shownAt of [3001, undefined]) expect(table.judge(3000, shownAt).sent).toEqual([]);
    table.judge(3000, 3001, true, { typed: [{ digit: '7', at: 2990 }] });
    expect(table.last()?.answer).toMatchObject({ judgement: 'right', latencyMs: null });
  });
  it('is none where nothing is asked, nothing is played, or the move is not legal', () => {
    const table = alone({ begun: false });
    expect(table.go(100).sent).toEqual([]);
    table.press({ kind: 'start' }, 1000);
    expect(table.judge(3000, 1600).sent).toEqual([]);
    expect(table.press({ kind: 'move', move: { kind: 'roll' }, at: 3100 }, 3100).trouble).toMatch(
      /^The table waits/,
    );
    expect(table.now().moves).toEqual([]);
  });
  it('missed a moment ago, said wrongly on purpose, or helped, has no time or says so', () => {
    const table = tableOf();
    table.go(1500);
    table.claim(0, 2000, 1600);
    table.settle(2100, 1600);
    table.judge(2600, 2200, false);
    expect(table.last()?.answer).toMatchObject({ judgement: 'wrong', latencyMs: 400 });
    // The other seat is asked the same now: it heard the answer that was not right.
    expect(table.need()).toMatchObject({ kind: 'say', asked: { seat: 1 } });
    table.judge(3600, 2700);
    expect(table.last()).toMatchObject({ seat: 1, answer: { judgement: 'right', latencyMs: null } });
    const helped = tableOf();
    helped.go(1500);
    helped.claim(0, 2000, 1600);
    helped.settle(2100, 1600);
    helped.judge(3000, 2200, true, { helpedBy: 1 });
    expect(helped.last()?.answer).toMatchObject({ judgement: 'workedOut', seen: ['helped'] });
    const erred = alone();
    erred.go(1500);
    erred.judge(3000, 1600, true, { erred: 'caught' });
    expect(erred.last()?.answer.latencyMs).toBeNull();
    expect(erred.now().moves.at(-1)?.move).toMatchObject({ kind: 'said', erred: 'caught' });
  });
  it('has a void time where frames went missing, the prompt moved, or it was seen before', () => {
    const voidedAfter = (what: Without<GamePress>) => {
      const table = alone();
      table.go(1500);
      const { times } = table.press(what, 1700);
      table.judge(3000, 1600);
      return [times, table.last()?.answer.voided];
    };
    expect(voidedAfter({ kind: 'gap' })).toEqual(['void', true]);
    expect(voidedAfter({ kind: 'moved' })).toEqual([null, true]);
    const table = alone();
    table.go(1500);
    table.press({ kind: 'pause', reason: 'pause' }, 1700);
    expect(table.judge(1800, 1600).sent).toEqual([]);
    table.press({ kind: 'resume' }, 9000);
    table.judge(9900, 9100);
    expect(table.last()?.answer).toMatchObject({ voided: true, latencyMs: 800 });
    table.go(10_000);
    table.judge(11_000, 10_100);
    expect(table.last()?.answer.voided).toBe(false);
  });
  it('made void by a gap is told of only where a time runs', () => {
    const table = alone();
    expect(table.press({ kind: 'gap' }, 1200).times).toBeNull();
    table.go(1500);
    expect(table.press({ kind: 'gap' }, 1700, { elsewhere: true })).toMatchObject({
      times: null,
      table: { spoiled: false },
    });
    expect(alone({ mode: 'loose' }).press({ kind: 'gap' }, 1700).times).toBeNull();
    expect(alone({ begun: false }).press({ kind: 'gap' }, 10).table.spoiled).toBe(false);
    table.press({ kind: 'calm' }, 1800);
    expect(table.press({ kind: 'gap' }, 1900).times).toBeNull();
  });
  it('tells of an aid under it, with that one alone, and takes marks on and off', () => {
    const table = alone();
    expect(table.press({ kind: 'mark', mark: 'fingers' }, 1200).sent).toEqual([]);
    table.go(1500);
    table.press({ kind: 'aid', aid: 'tenFrame' }, 1700);
    table.judge(3000, 1600);
    expect(table.last()?.answer).toMatchObject({ aided: true, aid: 'tenFrame' });
    table.go(3100);
    expect(table.press({ kind: 'mark', mark: 'fingers' }, 3200).sent).toMatchObject([
      { kind: 'amended', seat: 0, answer: { seen: ['fingers'], aided: true } },
    ]);
    expect(table.now().moves[1]?.answers[0]?.answer.seen).toEqual(['fingers']);
    table.press({ kind: 'mark', mark: 'guessed' }, 3250);
    table.press({ kind: 'mark', mark: 'fingers' }, 3300);
    expect(table.now().moves[1]?.answers[0]?.answer.seen).toEqual(['guessed']);
    table.judge(4000, 3150);
    expect(table.last()?.answer.aided).toBe(false);
  });
  it('of a grown-up is not on record', () => {
    const table = alone({ seats: [seat({ recorded: false })], adults: [0] });
    table.go(1500);
    const { sent, times } = table.judge(3000, 1600);
    expect([sent.length, times, table.last()]).toEqual([1, null, undefined]);
  });
});

describe('who is first', () => {
  it('is the earlier claim, timed to the claim itself, also where a tutor judges later', () => {
    const table = tableOf();
    table.go(1500);
    expect(table.settle(1700, 1600).sent).toEqual([]);
    table.claim(1, 2500, 1600);
    table.claim(0, 2600, 1600);
    table.claim(1, 2650, 1600);
    expect(table.now().claims.map((one) => [one.seat, one.atMs])).toEqual([
      [1, 2500],
      [0, 2600],
    ]);
    table.settle(2700, 1600);
    expect(table.need()).toMatchObject({ kind: 'say', asked: { seat: 1 } });
    expect(table.now().claims).toEqual([]);
    // A key of the tutor's, whenever it comes: the child's own claim ended the time.
    table.judge(9000, 8000);
    expect(table.last()).toMatchObject({ seat: 1, answer: { latencyMs: 900, way: 'keypad' } });
    expect(table.now().claimed).toBeNull();
  });
  it('is nobody in a tie, or where nobody claims', () => {
    const table = tableOf();
    table.go(1500);
    table.claim(1, 2500, 1600);
    table.claim(0, 2539, 1600);
    expect(table.settle(2700, 1600).table.moves.at(-1)?.move).toEqual({ kind: 'claim', seat: null });
    expect(table.now().claimed).toBeNull();
    const none = tableOf();
    expect(none.press({ kind: 'nobody' }, 1100).sent).toEqual([]);
    none.go(1500);
    expect(none.press({ kind: 'nobody' }, 1700).table.moves.at(-1)?.move).toEqual({
      kind: 'claim',
      seat: null,
    });
  });
  it('is no seat that claimed before it was shown, that is not at the table, or in a pause', () => {
    const table = tableOf();
    expect(table.claim(0, 1400, 1200).table.claims).toEqual([]);
    table.go(1500);
    for (const [by, at, shownAt] of [
      [0, 1599, 1600],
      [0, 1700, undefined],
      [5, 1700, 1600],
    ] as const)
      expect(table.claim(by, at, shownAt).table.claims).toEqual([]);
    table.press({ kind: 'pause', reason: 'pause' }, 1800);
    expect(table.claim(0, 1900, 1600).table.claims).toEqual([]);
    table.press({ kind: 'resume' }, 2000);
    expect(table.claim(0, 2100, 2100).table.claims).toHaveLength(1);
  });
  it('gives the slower seat its head start on this fact, and waits for it', () => {
    const quick = seat({ usualMs: 900 });
    const slow = seat({ usualMs: 2900 });
    const levelled = tableOf({ seats: [quick, slow], levelled: true });
    levelled.go(1500);
    const heads = headStartsAt(levelled.frame.seats, levelled.need(), true);
    expect(heads).toEqual([0, 2000]);
    expect(headStartsAt(levelled.frame.seats, levelled.need(), false)).toEqual([0, 0]);
    levelled.claim(0, 2500, 1600);
    expect(settlesAt(levelled.now().claims, heads)).toBe(2500 + 2000 + 80);
    levelled.claim(1, 4400, 1600);
    levelled.settle(4600, 1600);
    expect(levelled.need()).toMatchObject({ kind: 'say', asked: { seat: 1 } });
    // The slower seat alone need not wait for anybody.
    expect(settlesAt([{ seat: 1, atMs: 2500, by: 'child' }], heads)).toBe(2580);
    expect(settlesAt([], heads)).toBeUndefined();
    const own = [seat({ usualMs: 900, timesMs: { '2+3': 1900 } }), slow];
    const claim = { kind: 'claim', asked: { item: { kind: 'fact', key: '2+3' } } } as never;
    expect(headStartsAt(own, claim, true)).toEqual([0, 1000]);
    expect(headStartsAt(own, { kind: 'go' } as never, true)).toEqual([0, 0]);
  });
  it('on another screen is counted from its paint there', () => {
    const table = tableOf({ how: { elsewhere: true } });
    table.go(1500);
    const there = { promptId: table.promptId(), at: 1650, shared: false };
    table.press({ kind: 'shownThere', there, seat: null }, 1700);
    table.press({ kind: 'claimThere', seat: 0, latencyMs: 700, shownAt: undefined }, 2400);
    expect(table.now().claims).toEqual([{ seat: 0, atMs: 2350, by: 'child' }]);
    // One that overtook the word of its painting counts as well.
    const other = tableOf({ how: { elsewhere: true } });
    other.go(1500);
    other.press({ kind: 'claimThere', seat: 1, latencyMs: 700, shownAt: undefined }, 2400);
    other.press({ kind: 'shownThere', there: { ...there, promptId: other.promptId() }, seat: null }, 2450);
    expect(other.now().claims).toEqual([{ seat: 1, atMs: 2400, by: 'child' }]);
    other.settle(3000, undefined);
    expect(other.need()).toMatchObject({ kind: 'say', asked: { seat: 1 } });
  });
  it('on devices of their own are ordered by the children\u2019s own times, whatever the way to the table takes', () => {
    const ms = (max: number) => fc.integer({ min: 0, max });
    fc.assert(
      fc.property(
        // There and back within the time that a silent device is waited for.
        fc.tuple(ms(silentMs / 2 - 10), ms(silentMs / 2 - 10)),
        fc.tuple(ms(100), ms(100)),
        fc.tuple(ms(3000), ms(3000)),
        (lagMs, jitterMs, ownMs) => {
          const how: GameTableHow = { way: 'tutor', elsewhere: true, devices: [0, 1] };
          const table = tableOf({ how });
          table.go(1500);
          const promptId = table.promptId();
          // Each way: the prompt to the device, and word of its painting back; then the claim, a little later still.
          const heard = lagMs.map((lag, seat) => ({
            seat,
            shown: 1500 + 2 * lag,
            claimed: 1500 + 2 * lag + (ownMs[seat] ?? 0) + (jitterMs[seat] ?? 0),
          }));
          const happens = heard
            .flatMap(({ seat, shown, claimed }) => [
              { at: shown, seat, what: 'shown' as const },
              { at: claimed, seat, what: 'claimed' as const },
            ])
            .toSorted((a, b) => a.at - b.at);
          for (const { at, seat, what } of happens) {
            const { claims } = table.now();
            const from = gameShownAt(table.frame, how, table.now(), undefined);
            const until = settlesAt(claims, [0, 0], devicesNow(table.frame, how, table.now()), from);
            if (until !== undefined && until < at) break;
            if (what === 'shown')
              table.press({ kind: 'shownThere', there: { promptId, at, shared: false }, seat }, at);
            else
              table.press({ kind: 'claimThere', seat, latencyMs: ownMs[seat] ?? 0, shownAt: undefined }, at);
          }
          table.settle(99_999, undefined);
          const [own0, own1] = ownMs;
          const said = table.need();
          if (Math.abs(own0 - own1) < tieMs) expect(said.kind).not.toBe('say');
          else expect(said).toMatchObject({ kind: 'say', asked: { seat: own0 < own1 ? 0 : 1 } });
        },
      ),
    );
  });
  it('on a device of which nothing is heard are waited for no longer than a breath', () => {
    const claims = [{ seat: 0, atMs: 3000, by: 'child' as const }];
    expect(settlesAt(claims, [0, 0], [{ seat: 1, heardAt: null }], 2000)).toBe(3000 + silentMs);
    expect(settlesAt(claims, [0, 0], [{ seat: 1, heardAt: 2600 }], 2000)).toBe(
      2600 + 1000 + tieMs + onTheWayMs,
    );
    // Its head start is waited for as well; a device that has claimed is not waited for at all.
    expect(settlesAt(claims, [0, 500], [{ seat: 1, heardAt: 2600 }], 2000)).toBe(
      2600 + 1500 + tieMs + onTheWayMs,
    );
    expect(settlesAt(claims, [0, 0], [{ seat: 0, heardAt: 9000 }], 2000)).toBe(3080);
  });
  it('with real cards needs no screen', () => {
    const table = tableOf({ mode: 'called' });
    table.press({ kind: 'move', move: { kind: 'go' }, at: 1500 }, 1500);
    expect(table.claim(0, 1499, undefined).table.claims).toEqual([]);
    expect(table.claim(0, 2500, undefined).table.claims).toHaveLength(1);
  });
});

describe('what is shown elsewhere', () => {
  it('is judged here without a time unless the clock is shared, and typed there with the time taken there', () => {
    const timeOf = (shared: boolean, more = {}) => {
      const table = alone({ how: { elsewhere: true } });
      table.go(1500);
      table.press(
        { kind: 'shownThere', there: { promptId: table.promptId(), at: 1600, shared }, seat: null },
        1650,
      );
      table.judge(3000, undefined, true, more);
      return table.last()?.answer;
    };
    expect(timeOf(false)).toMatchObject({ latencyMs: null, way: 'tutor' });
    expect(timeOf(true)?.latencyMs).toBe(1400);
    const typed = [{ digit: '7', at: 900 }];
    expect(timeOf(false, { typed, there: { latencyMs: 900, voided: false } })).toMatchObject({
      ...{ latencyMs: 900, voided: false, way: 'keypad', given: '7' },
    });
    expect(timeOf(false, { typed, there: { latencyMs: 900, voided: true } })?.voided).toBe(true);
    expect(timeOf(false, { typed, there: { latencyMs: null, voided: false } })?.latencyMs).toBeNull();
  });
});

describe('undo', () => {
  it('takes back the last move with all it put on record, and asks again without a time that counts', () => {
    const table = alone();
    table.go(1500);
    const before = table.now().state;
    table.judge(3000, 1600);
    const taken = table.now().moves[1];
    const shown = table.promptId();
    expect(table.press({ kind: 'undo' }, 3100).sent).toEqual([{ kind: 'undone', kept: taken }]);
    expect(table.now()).toMatchObject({ state: before, told: [before], spoiled: true });
    expect(table.promptId()).not.toBe(shown);
    table.judge(4000, 3200);
    expect(table.last()?.answer.voided).toBe(true);
    table.press({ kind: 'undo' }, 4100);
    table.press({ kind: 'undo' }, 4200);
    expect(table.now()).toMatchObject({ moves: [], told: [], state: resumePlan(table.frame.plan, []).state });
    expect(table.press({ kind: 'undo' }, 4300).sent).toEqual([]);
  });
  it('takes back a misjudged claim', () => {
    const table = tableOf();
    table.go(1500);
    table.claim(0, 2500, 1600);
    table.settle(2700, 1600);
    table.press({ kind: 'undo' }, 2800);
    expect(table.need().kind).toBe('claim');
    expect([table.now().claimed, table.now().claims]).toEqual([null, []]);
    table.claim(1, 3500, 2900);
    table.settle(3700, 2900);
    expect(table.need()).toMatchObject({ kind: 'say', asked: { seat: 1 } });
  });
  it('keeps a calm table calm: the move before is undone, and it turns calm again', () => {
    const table = alone();
    table.go(1500);
    table.judge(3000, 1600);
    table.press({ kind: 'calm' }, 3100);
    const kinds = () => table.now().moves.map((one) => one.move.kind);
    expect(kinds()).toEqual(['go', 'said', 'calm']);
    const { sent } = table.press({ kind: 'undo' }, 3200);
    expect(sent.map((one) => one.kind)).toEqual(['undone', 'undone', 'made']);
    expect(sent.slice(0, 2)).toMatchObject([
      { kept: { move: { kind: 'calm' } } },
      { kept: { move: { kind: 'said' } } },
    ]);
    expect(kinds()).toEqual(['go', 'calm']);
    expect(table.now()).toMatchObject({
      spoiled: true,
      table: { calm: true },
      state: { calm: [['2+3', '4+4']] },
    });
    table.press({ kind: 'pause', reason: 'pause' }, 3300);
    expect(table.press({ kind: 'undo' }, 3400).sent).toEqual([]);
    const bare = alone();
    bare.press({ kind: 'calm' }, 1100);
    expect(bare.press({ kind: 'undo' }, 1200).sent).toEqual([]);
  });
  it('of a turn takes back what the table did by itself, and what was said before it', () => {
    const table = alone();
    table.go(1500);
    const asked = table.now().state;
    table.judge(3000, 1600);
    table.go(3500);
    const kinds = () => table.now().moves.map((one) => one.move.kind);
    expect(kinds()).toEqual(['go', 'said', 'go']);
    const { sent } = table.press({ kind: 'undoTurn' }, 4000);
    expect(sent.map((one) => (one.kind === 'undone' ? one.kept.move.kind : one.kind))).toEqual([
      'go',
      'said',
    ]);
    expect(table.now()).toMatchObject({ state: asked, spoiled: true });
    // Nothing was said before: then it is dealt anew, and no more than that.
    expect(table.press({ kind: 'undoTurn' }, 4100).sent).toHaveLength(1);
    expect(kinds()).toEqual([]);
    expect(table.press({ kind: 'undoTurn' }, 4200).sent).toEqual([]);
  });
  it('is nothing when all is over', () => {
    const table = alone();
    table.go(1500);
    table.press({ kind: 'finish' }, 2000);
    expect(table.press({ kind: 'undo' }, 2100).sent).toEqual([]);
  });
});

describe('a table', () => {
  it('counts the time it is played, pauses left out, and says how it ended, once', () => {
    const table = alone();
    expect(table.press({ kind: 'pause', reason: 'interrupted' }, 3000).table.table).toMatchObject({
      ...{ status: 'paused', usedMs: 2000, interrupted: true, pauseReason: 'interrupted' },
      pausedAt: '2026-09-01T10:00:03.000Z',
    });
    expect(table.press({ kind: 'pause', reason: 'pause' }, 3100).table.table.pauseReason).toBe('interrupted');
    expect(gameUsedMs(table.now(), 9000)).toBe(2000);
    table.press({ kind: 'resume' }, 10_000);
    expect(table.now().table).toMatchObject({ status: 'playing', pausedAt: null, pauseReason: null });
    expect(gameUsedMs(table.now(), 11_500)).toBe(3500);
    const { sent } = table.press({ kind: 'finish' }, 12_000);
    expect(sent).toEqual([{ kind: 'ended', usedMs: 4000, calm: false, interrupted: true }]);
    expect(table.now().table).toMatchObject({ status: 'over', endReason: 'tutor', usedMs: 4000 });
    expect(table.press({ kind: 'finish' }, 13_000).sent).toEqual([]);
  });
  it('that was only paused by hand was not interrupted', () => {
    const table = alone();
    table.press({ kind: 'pause', reason: 'pause' }, 3000);
    expect(table.now().table.interrupted).toBe(false);
  });
  it('turns calm once: the app’s cards go by what each knows, real ones as they lie', () => {
    const table = alone();
    const { sent } = table.press({ kind: 'calm' }, 1500);
    expect(sent).toMatchObject([{ kind: 'made', kept: { move: { kind: 'calm', known: [['2+3', '4+4']] } } }]);
    expect(table.press({ kind: 'calm' }, 1600).sent).toEqual([]);
    table.go(1700);
    table.judge(3000, 1800);
    expect(table.last()?.answer.latencyMs).toBeNull();
    const called = alone({ mode: 'called' });
    expect(called.press({ kind: 'calm' }, 1500).sent).toEqual([]);
    expect(called.now().table.calm).toBe(true);
    expect(alone({ begun: false }).press({ kind: 'calm' }, 10).table.table.calm).toBe(false);
  });
  it('lets a seat leave in the middle of its turn: what it was to say is asked of nobody, and the others go on', () => {
    const table = tableOf();
    table.go(1500);
    table.claim(0, 2500, 1600);
    table.settle(2700, 1600);
    const { sent } = table.press({ kind: 'move', move: { kind: 'leave', seat: 0 }, at: 3000 }, 3000);
    expect(sent).toHaveLength(1);
    expect(table.need().kind).toBe('go');
    expect(table.now().claimed).toBeNull();
    expect(table.press({ kind: 'move', move: { kind: 'leave', seat: 0 }, at: 3100 }, 3100).trouble).toBe(
      'Seat 1 has left already.',
    );
    expect(table.press({ kind: 'move', move: { kind: 'leave', seat: 7 }, at: 3100 }, 3100).trouble).toBe(
      'There is no seat 8.',
    );
  });
});

describe('real cards shuffled by hand', () => {
  const noted = (fact: string) =>
    missedAt({ newId: () => fact, now: 'now' }, 2000, { seat: 0, fact, given: '9' });
  it('keep what was missed with the next tap, and count who took it', () => {
    const table = tableOf({ mode: 'loose', seats: [seat(), seat({ recorded: false })] });
    table.press({ kind: 'note', noted: noted('2+3') }, 1200);
    table.press({ kind: 'note', noted: noted('2+4') }, 1300);
    expect(table.press({ kind: 'undo' }, 1400).sent).toEqual([]);
    expect(table.now().noted.map((one) => one.answer.fact)).toEqual(['2+3']);
    table.press({ kind: 'move', move: { kind: 'choose', seat: 0, key: 's0' }, at: 1500 }, 1500);
    expect(table.now().moves[0]).toMatchObject({ answers: [noted('2+3')], tallies: [{ seat: 0 }] });
    expect(table.now().noted).toEqual([]);
    // Of a grown-up nothing is counted.
    const { seat: turn } = table.need() as { readonly seat: number };
    table.press({ kind: 'move', move: { kind: 'choose', seat: turn, key: 's1' }, at: 1600 }, 1600);
    expect(table.now().moves[1]?.tallies).toEqual([]);
    const after = table.need() as { readonly seat: number };
    table.press({ kind: 'move', move: { kind: 'choose', seat: after.seat, key: 'nobody' }, at: 1700 }, 1700);
    expect(table.now().moves[2]?.tallies).toEqual([]);
  });
  it('put what was noted last on record at the end, also out of a pause', () => {
    const table = tableOf({ mode: 'loose' });
    table.press({ kind: 'note', noted: noted('2+3') }, 1200);
    table.press({ kind: 'pause', reason: 'pause' }, 1500);
    const { sent } = table.press({ kind: 'finish' }, 9000);
    expect(sent.map((one) => one.kind)).toEqual(['made', 'ended']);
    expect(sent[0]).toMatchObject({ kept: { move: { kind: 'stop' }, answers: [noted('2+3')] } });
    expect(table.now()).toMatchObject({ noted: [], table: { status: 'over', usedMs: 500 } });
  });
});

describe('what lies on the table in called cards', () => {
  it('is timed from the tutor’s key that turned it', () => {
    const table = alone({ mode: 'called' });
    table.go(1500);
    table.judge(3000, undefined);
    expect(table.last()?.answer.latencyMs).toBe(1500);
  });
});
