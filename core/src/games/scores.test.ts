import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { packOf } from '../materials/pack.ts';
import { createRandom } from '../random/random.ts';
import type { AddTimesRules } from './shelf/make/addThenTimes.ts';
import { games, type AnyGame } from './catalogue.ts';
import type { FirstToSayRules } from './bodies/firstToSay.ts';
import type { Move, Need, Play, Scene } from './game.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import type { OutweighRules } from './shelf/compare/outweigh.ts';
import { needOf, playMove } from './playGame.ts';
import type { LineRules } from './lineState.ts';
import { tell } from './tell/sentence.ts';

/*
 * Scores kept a second time, by each game's rules as they are told, from what everyone at the table can see: what was asked,
 * what was done, what lay there. Nothing of the games' own reckoning is used.
 */

/** One move as it was seen. */
interface Seen {
  readonly need: Need;
  readonly move: Move;
  /** What lay on the table before it. */
  readonly scene: Scene;
}
interface Table {
  readonly game: AnyGame;
  readonly play: Play<unknown>;
  readonly seen: readonly Seen[];
  readonly endScene: Scene;
}

const player = (seat: number): ModelPlayer => ({ right: () => 0.75, sees: 0.5, timeMs: 1500 + 300 * seat });

function played(game: AnyGame, play: Play<unknown>): Table & { readonly scores: readonly number[] } {
  const random = createRandom(play.seed);
  const players = Array.from({ length: play.seats }, (_, seat) => player(seat));
  const seen: Seen[] = [];
  let state = game.setUp(play);
  while (state.over === null && seen.length < 4000) {
    const move = modelMove(game, play, state, players, random) as Move;
    seen.push({ need: needOf(game, play, state), move, scene: game.scene(play, state) });
    state = playMove(game, play, state, move);
  }
  return { game, play, seen, endScene: game.scene(play, state), scores: game.scores(play, state) };
}

const nothing = ({ play }: Table) => Array<number>(play.seats).fill(0);
const give = (to: number[], seat: number, more: number) => {
  to[seat] = (to[seat] ?? 0) + more;
};
const numbersOf = (text: string) => (text.match(/\d+/g) ?? []).map(Number);
const valueOf = (line: string) =>
  Number(evaluate(line.replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-')));

/** What was said rightly of each fact asked, or by nobody; with the move that led to it. */
function saidOf(table: Table): {
  readonly asked: string;
  readonly by: number | null;
  readonly before: Seen | undefined;
  readonly at: number;
}[] {
  const out: ReturnType<typeof saidOf> = [];
  let before: Seen | undefined;
  table.seen.forEach((one, at) => {
    if (one.move.kind !== 'said' || one.need.kind !== 'say') {
      before = one;
      return;
    }
    const { whole } = one.need.asked;
    const next = table.seen[at + 1];
    // Asked again of another: nobody has said it yet.
    const again =
      !one.move.right &&
      next?.need.kind === 'say' &&
      next.move.kind === 'said' &&
      next.need.asked.whole === whole;
    if (!again) out.push({ asked: whole, by: one.move.right ? one.move.seat : null, before, at });
  });
  return out;
}

/** Cards or rolls that lie there go to the next who says a fact. */
function race(table: Table): number[] {
  const { recipe, cards } = table.play.rules as FirstToSayRules;
  const each = recipe ? cards : 1;
  const won = nothing(table);
  let lying = 0;
  const said = new Map(saidOf(table).map((one) => [one.at, one.by]));
  table.seen.forEach(({ move }, at) => {
    if (move.kind === 'claim' && move.seat === null) lying += each;
    const by = said.get(at);
    if (by === undefined) return;
    lying += each;
    if (by === null) return;
    give(won, by, lying);
    lying = 0;
  });
  return won;
}

/** The stacks as printed, turned and compared by hand. */
function outweigh(table: Table): number[] {
  const { game, play } = table;
  const { cards, operation, smaller, recipe } = play.rules as OutweighRules;
  const rows = game.order?.(play) ?? [];
  let stacks = rows.map((row) => row.cards.map((card) => card.worth ?? 0));
  const won = stacks.map(() => 0);
  let lying = packOf(recipe).length - stacks.flat().length;
  const result = (worths: readonly number[]) => {
    const sorted = worths.toSorted((a, b) => b - a);
    if (operation === 'mul') return worths.reduce((a, b) => a * b);
    if (operation === 'div') return (sorted[0] as number) / (sorted[1] as number);
    if (operation === 'sub') return sorted.slice(1).reduce((a, b) => a - b, sorted[0] as number);
    return worths.reduce((a, b) => a + b);
  };
  const finish = () => {
    for (let nth = 0; nth < lying; nth += 1) give(won, nth % won.length, 1);
    stacks.forEach((stack, hand) => give(won, hand, stack.length));
    return won.slice(0, play.seats);
  };
  for (;;) {
    if (stacks.some((stack) => stack.length < cards)) return finish();
    const results = stacks.map((stack) => result(stack.slice(0, cards)) * (smaller ? -1 : 1));
    lying += cards * stacks.length;
    stacks = stacks.map((stack) => stack.slice(cards));
    const best = Math.max(...results);
    const first = results.indexOf(best);
    if (results.filter((one) => Math.abs(one - best) < 1e-9).length === 1) {
      give(won, first, lying);
      lying = 0;
    } else if (stacks.every((stack) => stack.length >= 3 + cards)) {
      lying += 3 * stacks.length;
      stacks = stacks.map((stack) => stack.slice(3));
    } else return finish();
  }
}

/** Every way to lay four digits as two numbers, by trying all orders. */
function layouts(digits: readonly number[]): [number, number][] {
  const at = [0, 1, 2, 3];
  return at.flatMap((a) =>
    at.flatMap((b) =>
      at.flatMap((c) =>
        at.flatMap((d): [number, number][] => {
          if (new Set([a, b, c, d]).size < 4) return [];
          const [w = 0, x = 0, y = 0, z = 0] = [a, b, c, d].map((one) => digits[one] as number);
          return [[10 * w + x, 10 * y + z]];
        }),
      ),
    ),
  );
}

function underTheLine(table: Table): number[] {
  const { play } = table;
  const { line, kind } = play.rules as LineRules;
  const points = nothing(table);
  let together = 0;
  const far = ([left, right]: readonly [number, number]) => {
    const value = kind === 'under' ? left + right : left - right;
    return kind === 'under' ? (value > line ? Infinity : line - value) : Math.abs(line - value);
  };
  let laid = new Map<number, { readonly off: number; readonly best: number; readonly none: boolean }>();
  const count = () => {
    const nearest = Math.min(...[...laid.values()].map((one) => one.off));
    for (const [seat, { off, best, none }] of laid) {
      if (off < Infinity && off === nearest) give(points, seat, 1);
      if (best === Infinity ? none : off === best) together += 1;
    }
    laid = new Map();
  };
  for (const { move, scene } of table.seen) {
    if (move.kind !== 'choose') continue;
    const hand = scene.rows.find((row) => row.seat === move.seat)?.cards ?? [];
    const all = layouts(hand.map((card) => card.worth ?? 0)).filter(([a, b]) => kind === 'under' || a >= b);
    const [left = 0, right = 0] = numbersOf(move.key);
    laid.set(move.seat, {
      off: move.key === 'none' ? Infinity : far([left, right]),
      best: Math.min(...all.map(far)),
      none: move.key === 'none',
    });
    if (laid.size === play.seats) count();
  }
  return play.against ? points : [together];
}

/** Squares or numbers marked by choosing them, one each. */
const marked =
  (isMark: (key: string) => boolean) =>
  (table: Table): number[] => {
    const marks = nothing(table);
    for (const { move } of table.seen)
      if (move.kind === 'choose' && isMark(move.key)) give(marks, move.seat, 1);
    return marks;
  };

function factLine(table: Table): number[] {
  const side = table.endScene.board?.across ?? 0;
  const marks = new Map<number, number>();
  const solve = table.seen.some((one) => one.move.kind === 'said');
  if (solve) {
    for (const { by, before } of saidOf(table))
      if (by !== null && before?.move.kind === 'choose') marks.set(Number(before.move.key), by);
  } else
    for (const { move } of table.seen) if (move.kind === 'choose') marks.set(Number(move.key), move.seat);
  if (!table.play.against) return [marks.size];
  const whole = (seat: number) => {
    const has = (row: number, col: number) => marks.get(row * side + col) === seat;
    const all = Array.from({ length: side }, (_, at) => at);
    return (
      all.some((row) => all.every((col) => has(row, col))) ||
      all.some((col) => all.every((row) => has(row, col))) ||
      all.every((at) => has(at, at)) ||
      all.every((at) => has(at, side - 1 - at))
    );
  };
  return nothing(table).map((_, seat) => (whole(seat) ? 1 : 0));
}

/** Counters placed, sent back, and two of a seat's own holding a square. */
function twoToHold(table: Table): number[] {
  const lone = new Map<string, number>();
  const held = nothing(table);
  for (const { move } of table.seen) {
    if (move.kind !== 'choose') continue;
    if (lone.get(move.key) === move.seat) {
      lone.delete(move.key);
      give(held, move.seat, 1);
    } else lone.set(move.key, move.seat);
  }
  return held;
}

/** A square is marked when what makes it was said; choosing it alone marks nothing. */
function marksMade(table: Table): number[] {
  const made = nothing(table);
  for (const { asked, by, before } of saidOf(table)) {
    const [line = '', number = line] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(number));
    expect(before?.move.kind === 'choose' && before.move.key.split(' ').at(-1)).toBe(number);
    if (by !== null) give(made, by, 1);
  }
  return made;
}

/** Each line said begins at the total that all share; what nobody could say changes nothing. */
function lamps(table: Table): number[] {
  const lit = new Set<number>();
  const carried = nothing(table);
  const gone = new Set<number>();
  let total = 0;
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', result] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(result));
    const [left, right] = numbersOf(line);
    // What is missing to a hundred is taken from it.
    expect(left === total || (left === 100 && right === total)).toBe(true);
    const kept = table.seen[at]?.scene.totals[0];
    expect(kept?.value).toBe(total);
    if (by === null || Number(result) === total) continue;
    total = Number(result);
    if (total === 0 || total % 10 !== 0) continue;
    if (!lit.has(total)) lit.add(total);
    else if (!gone.has(total)) {
      gone.add(total);
      give(carried, by, 1);
    }
  }
  expect(total).toBe(0);
  expect(gone.size).toBeGreaterThan(0);
  return carried;
}

const reckon: Readonly<Record<string, (table: Table) => number[]>> = {
  'first-voice': race,
  turnabout: race,
  outweigh,
  'under-the-line': underTheLine,
  'bond-hunt': (table) => {
    const kept = nothing(table);
    const total = table.endScene.target;
    for (const { asked, by } of saidOf(table)) {
      const [line = '', answer] = asked.split(' = ');
      expect(valueOf(line)).toBe(Number(answer));
      if (by !== null && Number(answer) === total) give(kept, by, numbersOf(line).length);
    }
    return kept;
  },
  'true-lines': (table) => {
    const laid = nothing(table);
    table.seen.forEach(({ move, scene }, at) => {
      if (move.kind !== 'choose') return;
      const after = table.seen[at + 1]?.scene ?? table.endScene;
      give(laid, move.seat, (after.rows[0]?.cards.length ?? 0) - (scene.rows[0]?.cards.length ?? 0));
    });
    return laid;
  },
  'into-the-middle': (table) => {
    const won = nothing(table);
    for (const { move, scene } of table.seen) {
      if (move.kind !== 'line') continue;
      expect(valueOf(move.text)).toBe(scene.target);
      give(won, move.seat, numbersOf(move.text).length);
    }
    return won;
  },
  'hundred-sweep': marksMade,
  'cover-the-board': marksMade,
  'add-then-times': (table) => {
    const totals = nothing(table);
    for (const { asked, by } of saidOf(table)) {
      const [line = '', answer] = asked.split(' = ');
      expect(valueOf(line)).toBe(Number(answer));
      if (by !== null) give(totals, by, Number(answer));
    }
    const { target } = table.play.rules as AddTimesRules;
    const reached = table.play.against ? totals : [totals.reduce((a, b) => a + b, 0)];
    expect(Math.max(...reached)).toBeGreaterThanOrEqual(target);
    return totals;
  },
  'fact-line': factLine,
  'two-to-hold': twoToHold,
  // The double or the half is said first, and then the new total, from one's own.
  'stretch-or-fold': (table) => {
    const totals = Array<number>(table.play.against ? table.play.seats : 1).fill(0);
    for (const { asked, by, at } of saidOf(table)) {
      const [line = '', answer] = asked.split(' = ');
      expect(valueOf(line)).toBe(Number(answer));
      const [left, right] = numbersOf(line);
      const [die = 0] = table.seen[at]?.scene.dice ?? [];
      if (!line.includes('+')) {
        expect([`2 × ${die}`, `${die} ÷ 2`]).toContain(line);
        continue;
      }
      expect([2 * die, die / 2]).toContain(right);
      if (by === null) continue;
      const own = table.play.against ? by : 0;
      const now = totals[own] as number;
      // Taken over by another the roll is added to their own total, where it is not too far.
      const taken = now + (right as number) <= (table.endScene.target ?? 0);
      if (taken) totals[own] = now + (right as number);
      if (now === left) expect(totals[own]).toBe(Number(answer));
    }
    if (!table.play.against) return totals;
    return totals.map((total) => (total === table.endScene.target ? 1 : 0));
  },
  lamps,
  'fill-the-field': (table) => {
    const areas = nothing(table);
    for (const { asked, by, before } of saidOf(table)) {
      const seat = by ?? (before?.move.kind === 'choose' ? before.move.seat : 0);
      give(areas, seat, Number(asked.split(' = ')[1]));
    }
    const { rows = 0, cols = 0 } = table.endScene.field ?? {};
    const left = table.endScene.totals.find((one) => tell(one.name) === 'Left')?.value ?? NaN;
    expect(areas.reduce((a, b) => a + b, 0) + left).toBe(rows * cols);
    return areas;
  },
  'what-slipped': marked((key) => key !== 'none' && key !== 'next'),
};

/** Games whose scores are already one for all where everyone plays together. */
const oneForAll: ReadonlySet<string> = new Set(['under-the-line', 'fact-line', 'stretch-or-fold']);

const tables = games.flatMap((game) =>
  game.steps.flatMap((step, nth) =>
    [1, 2, 3].flatMap((seats) =>
      seats < game.seats.least || seats > game.seats.most
        ? []
        : (seats === 1 ? [false] : [true, false]).map(
            (against) =>
              [
                `${game.name}, ${step.name}, ${seats}, ${against ? 'against' : 'together'}`,
                game,
                nth,
                seats,
                against,
              ] as const,
          ),
    ),
  ),
);

describe('scores kept a second time by the rules as they are told', () => {
  it.each(tables)('agree: %s', (_name, game, nth, seats, against) => {
    for (const seed of [3, 71]) {
      const play: Play<unknown> = { rules: game.steps[nth]?.rules, seats, against, seed };
      const { scores, ...table } = played(game, play);
      const bySeat = (reckon[game.id] as (one: Table) => number[])(table);
      const expected =
        against || oneForAll.has(game.id) || scores.length === bySeat.length
          ? bySeat
          : [bySeat.reduce((a, b) => a + b, 0)];
      expect(scores).toEqual(expected);
    }
  });
});
