import { describe, expect, it } from 'vitest';
import { isRight } from '../../recall/answer.ts';
import { createRandom } from '../../random/random.ts';
import { games, findGame } from '../catalogue.ts';
import { resumePlan, type GamePlan } from '../gamePlan.ts';
import { modelMove, type ModelPlayer } from '../modelPlayer.ts';
import { written } from '../tell/sentence.ts';
import { advanceGameTable } from './advanceGameTable.ts';
import { appTurn, waitsForApp, type AppTurn } from './appSeat.ts';
import type { GamePress } from './gamePress.ts';
import { gameNeed, newGameTable, type GameTable, type GameTableFrame } from './gameTable.ts';
import type { TableSeat } from './tableSeat.ts';

const child: TableSeat = {
  ...{ recorded: true, untimed: false, known: [], timesMs: {}, usualMs: 2000 },
  measuringFor: () => ({
    limitMs: 2000,
    overheadFor: () => ({
      ...{ overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' },
    }),
    ...{ ceiling: null, ageDays: 2, stale: false },
  }),
};
const app: TableSeat = { ...child, recorded: false, usualMs: null };

type Without<T> = T extends unknown ? Omit<T, 'when'> : never;

/** A table at which the app sits on the second seat. */
function tableWithApp(
  id: string,
  over: Partial<Omit<GamePlan, 'seats'>> & { readonly child?: Partial<TableSeat> } = {},
) {
  const game = findGame(id);
  const { child: own, ...changed } = over;
  const plan: GamePlan = {
    ...{ version: game?.version ?? 1, game: id, step: 0, house: null, rules: game?.steps[0]?.rules },
    ...{ mode: 'screen', seats: 2, against: true, seed: 5, packs: null, adults: [], app: 1 },
    ...{ erring: false, levelled: false, roles: [], minutes: null },
    ...changed,
  };
  const taken = resumePlan(plan, []);
  const frame: GameTableFrame = {
    ...{ game: taken.game, play: taken.play, plan, playId: 'p-123456', limitMs: 2000, way: 'tutor' },
    seats: [{ ...child, ...own }, app],
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
  const press = (what: Without<GamePress>) => {
    count += 1;
    const moment = count;
    const when = {
      at: moment * 100,
      now: '2026-09-01T10:00:00.000Z',
      id: (nth: number) => `${moment}-${nth}`,
    };
    const step = advanceGameTable(frame, { way: 'tutor', elsewhere: false }, table, {
      ...what,
      when,
    } as GamePress);
    ({ table } = step);
    return step;
  };
  press({ kind: 'start' });
  const random = createRandom(plan.seed + 1);
  const player: ModelPlayer = { right: () => 0.8, sees: 0.4, timeMs: 2000 };
  return {
    frame,
    press,
    now: () => table,
    need: () => gameNeed(frame, table),
    turn: () => appTurn(frame, table),
    /** The app does what it would. */
    acts: (turn: AppTurn) =>
      press({
        kind: 'move',
        at: count * 100,
        move:
          turn.kind === 'move'
            ? turn.move
            : turn.kind === 'say'
              ? { kind: 'said', seat: turn.seat, right: turn.right }
              : { kind: 'claim', seat: turn.seat },
      }),
    /** The child, or whoever deals, does something. */
    childActs: () => {
      const move = modelMove(frame.game, frame.play, table.state, [player, player], random);
      return move ? press({ kind: 'move', move, at: count * 100 }) : undefined;
    },
  };
}

const forTwo = games.filter(({ seats }) => seats.most > 1);

describe('the app in a seat', () => {
  it.each(forTwo.map(({ name, id }) => [name, id]))(
    'plays %s to its end, in its own turns alone, and is not on record',
    (_, id) => {
      let did = 0;
      for (const seed of [1, 2]) {
        const table = tableWithApp(id, { seed });
        for (let nth = 0; table.need().kind !== 'over'; nth += 1) {
          expect(nth).toBeLessThan(4000);
          const turn = table.turn();
          expect(table.turn()).toEqual(turn);
          const need = table.need();
          if (turn && (need.kind !== 'claim' || nth % 2 === 0)) {
            did += 1;
            expect(turn.afterMs).toBeGreaterThanOrEqual(900);
            expect(turn.afterMs).toBeLessThanOrEqual(7000);
            if (need.kind === 'say') expect(need.asked.seat).toBe(1);
            else if ('seat' in need) expect(need.seat).toBe(1);
            expect(table.acts(turn).trouble).toBeNull();
          } else {
            expect(waitsForApp(table.frame, table.now())).toBe(false);
            expect(table.childActs()?.trouble).toBeNull();
          }
        }
        const seats = table.now().moves.flatMap(({ answers }) => answers.map((one) => one.seat));
        expect(seats.includes(1)).toBe(false);
      }
      expect(did).toBeGreaterThan(0);
    },
  );

  /** What it says of the first fact that comes to it, in many tables. */
  const saidIn = (known: boolean) =>
    Array.from({ length: 400 }, (_, seed) => {
      const table = tableWithApp('first-voice', { seed });
      table.childActs();
      const need = table.need();
      if (need.kind !== 'claim' || need.asked.item.kind !== 'fact') throw new Error('Nothing is asked.');
      const { key } = need.asked.item;
      const seats = table.frame.seats.map((one, at) => (at === 0 && known ? { ...one, known: [key] } : one));
      table.press({ kind: 'move', move: { kind: 'claim', seat: 1 }, at: 10 });
      const turn = appTurn({ ...table.frame, seats }, table.now());
      if (turn?.kind !== 'say') throw new Error('It says nothing.');
      return { ...turn, answer: written(need.asked.answer) };
    });
  it('is right more often on what the child knows, and what it says is what it is judged by', () => {
    const [onKnown, onOther] = [saidIn(true), saidIn(false)];
    for (const { says, answer, right } of [...onKnown, ...onOther]) expect(says === answer).toBe(right);
    const share = (all: typeof onKnown) => all.filter((one) => one.right).length / all.length;
    // 95 and 80 in 100, within four standard errors of 400 draws.
    expect(Math.abs(share(onKnown) - 0.95)).toBeLessThan(0.045);
    expect(Math.abs(share(onOther) - 0.8)).toBeLessThan(0.08);
  });
  it('takes about as long as the child: on this fact, else as usual, else three seconds', () => {
    const medianOf = (own: Partial<TableSeat>) => {
      const times = Array.from({ length: 301 }, (_, seed) => {
        const table = tableWithApp('first-voice', { seed, child: own });
        table.childActs();
        const turn = table.turn();
        if (turn?.kind !== 'claim') throw new Error('It claims nothing.');
        return turn.afterMs;
      }).sort((a, b) => a - b);
      return times[150] ?? 0;
    };
    const near = (found: number, wanted: number) => expect(Math.abs(found / wanted - 1)).toBeLessThan(0.12);
    near(medianOf({ usualMs: 1600 }), 1600);
    near(medianOf({ usualMs: 4000 }), 4000);
    near(medianOf({ usualMs: null }), 3000);
    const every: Record<string, number> = {};
    for (let left = 0; left <= 20; left += 1)
      for (let right = 0; right <= 20; right += 1) every[`${left}+${right}`] = 2500;
    near(medianOf({ usualMs: 1200, timesMs: every }), 2500);
  });
  it('claims seldom where nothing is there to claim', () => {
    let [misses, claims] = [0, 0];
    for (let seed = 0; seed < 60; seed += 1) {
      const table = tableWithApp('doubles-watch', { seed });
      for (let nth = 0; nth < 60 && table.need().kind !== 'over'; nth += 1) {
        const need = table.need();
        if (need.kind === 'claim' && need.misses) {
          misses += 1;
          claims += table.turn() === null ? 0 : 1;
        }
        table.childActs();
      }
    }
    expect(misses).toBeGreaterThan(200);
    expect(claims / misses).toBeGreaterThan(0.04);
    expect(claims / misses).toBeLessThan(0.17);
  });
  it('does nothing where it has no seat, real cards lie there, the table is paused, or all is over', () => {
    const first = (over: Parameters<typeof tableWithApp>[1]) => {
      const table = tableWithApp('first-voice', over);
      table.childActs();
      return table;
    };
    expect(first({ app: null }).turn()).toBeNull();
    expect(first({ app: undefined }).turn()).toBeNull();
    expect(first({ mode: 'called' }).turn()).toBeNull();
    const left = tableWithApp('two-to-hold');
    left.press({ kind: 'move', move: { kind: 'leave', seat: 0 }, at: 10 });
    expect(waitsForApp(left.frame, left.now())).toBe(true);
    expect(left.turn()).toBeNull();
    const table = first({});
    expect(table.turn()).not.toBeNull();
    table.press({ kind: 'pause', reason: 'pause' });
    expect(table.turn()).toBeNull();
    table.press({ kind: 'resume' });
    table.press({ kind: 'finish' });
    expect(table.turn()).toBeNull();
  });
  it('is undone with what the child did before it: it would only do it again', () => {
    for (const kind of ['undo', 'undoTurn'] as const) {
      const table = tableWithApp('two-to-hold');
      // The child rolls, says and places; then the app does all of that.
      const doneBy: number[] = [];
      const whose = () => {
        const need = table.need();
        return need.kind === 'say' ? need.asked.seat : 'seat' in need ? need.seat : -1;
      };
      while (!(doneBy.includes(1) && whose() === 0)) {
        doneBy.push(whose());
        const turn = table.turn();
        if (turn) table.acts(turn);
        else table.childActs();
      }
      const own = doneBy.lastIndexOf(0);
      const { sent } = table.press({ kind });
      expect(sent.every((one) => one.kind === 'undone')).toBe(true);
      // Back to where the child is to do the last thing it did, or with the roll before it.
      expect(whose()).toBe(0);
      expect(table.now().moves.length).toBeLessThanOrEqual(own);
      expect(table.now().moves.length).toBeGreaterThanOrEqual(own - 2);
      expect(table.turn()).toBeNull();
    }
  });
  it('leaves the child\u2019s answers as they are', () => {
    const table = tableWithApp('first-voice');
    table.childActs();
    table.press({ kind: 'move', move: { kind: 'claim', seat: 0 }, at: 10 });
    expect(table.turn()).toBeNull();
    table.press({ kind: 'judge', judgement: 'right', at: 2000, more: {}, shownAt: 100 });
    const answers = table.now().moves.flatMap((one) => one.answers);
    expect(answers.map(({ seat, answer }) => [seat, isRight(answer.judgement)])).toEqual([[0, true]]);
  });
});
