import { packOf } from '../../materials/pack.ts';
import type { FirstToSayRules } from '../bodies/firstToSay.ts';
import type { WatchRules } from '../bodies/watching.ts';
import type { CompareRules } from '../bodies/compare.ts';
import type { OutweighRules } from '../shelf/compare/outweigh.ts';
import type { PartRules } from '../shelf/compare/partOfWhole.ts';
import type { PowerRules } from '../shelf/compare/powerPair.ts';
import type { TallRules } from '../shelf/compare/tallNumber.ts';
import type { LineRules } from '../shelf/compare/twoNumbers.ts';
import type { BondWatchRules } from '../shelf/first/bondWatch.ts';
import { give, nothing, numbersOf, saidOf, valueOf, type Table } from './table.ts';
import { expect } from 'vitest';

/** Cards or rolls that lie there go to the next who says a fact. */
export function race(table: Table): number[] {
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
export function outweigh(table: Table): number[] {
  const { operation } = table.play.rules as OutweighRules;
  return stacksCompared(table, (worths) => {
    const sorted = worths.toSorted((a, b) => b - a);
    if (operation === 'mul') return worths.reduce((a, b) => a * b);
    if (operation === 'div') return (sorted[0] as number) / (sorted[1] as number);
    if (operation === 'sub') return sorted.slice(1).reduce((a, b) => a - b, sorted[0] as number);
    return worths.reduce((a, b) => a + b);
  });
}

/** The same with powers: what is above the cap goes under the stack. */
export function powerPair(table: Table): number[] {
  const { exponent, cap } = table.play.rules as PowerRules;
  const power = (worths: readonly number[]) => {
    const [small = 0, large = small] = worths.toSorted((a, b) => a - b);
    let value = 1;
    for (let nth = 0; nth < (worths.length === 1 ? exponent : small); nth += 1) value *= large;
    return value;
  };
  return stacksCompared(table, power, (worths) => power(worths) <= cap);
}

/** The same with parts of wholes. */
export function partOfWhole(table: Table): number[] {
  const { alike, cards, number } = table.play.rules as PartRules;
  return stacksCompared(table, ([first = 0, second = 0]) => {
    if (cards === 2) return first / second;
    return alike === 'top' ? number / first : first / number;
  });
}

function stacksCompared(
  { game, play }: Table,
  result: (worths: readonly number[]) => number,
  fits: (worths: readonly number[]) => boolean = () => true,
): number[] {
  const { cards, smaller, recipe } = play.rules as CompareRules;
  const rows = game.order?.(play) ?? [];
  let stacks = rows.map((row) => row.cards.map((card) => card.worth ?? 0));
  const won = stacks.map(() => 0);
  let lying = packOf(recipe).length - stacks.flat().length;
  const finish = () => {
    for (let nth = 0; nth < lying; nth += 1) give(won, nth % won.length, 1);
    stacks.forEach((stack, hand) => give(won, hand, stack.length));
    return won.slice(0, play.seats);
  };
  for (;;) {
    for (const [hand, stack] of stacks.entries()) {
      let tried = 0;
      // By hand: the cards on top go under, until some may be played or all have been seen.
      while (tried + cards <= stack.length && !fits((stacks[hand] as number[]).slice(0, cards))) {
        const under = (stacks[hand] as number[]).slice(0, cards);
        stacks[hand] = [...(stacks[hand] as number[]).slice(cards), ...under];
        tried += cards;
      }
      if (stack.length < cards || tried + cards > stack.length) return finish();
    }
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

export function underTheLine(table: Table): number[] {
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

/** The cards of each line typed. */
export const intoTheMiddle = (table: Table): number[] => {
  const won = nothing(table);
  for (const { move, scene } of table.seen) {
    if (move.kind !== 'line') continue;
    expect(valueOf(move.text)).toBe(scene.target);
    give(won, move.seat, numbersOf(move.text).length);
  }
  return won;
};

/** Each round by the digits that lay there: what could be made of them is tried out by their writing. */
export function tallNumber(table: Table): number[] {
  const { play } = table;
  const { goal } = play.rules as TallRules;
  const points = nothing(table);
  let together = 0;
  let laid: { readonly seat: number; readonly off: number; readonly best: number }[] = [];
  for (const { move, scene } of table.seen) {
    if (move.kind !== 'choose') continue;
    const off = (text: string) =>
      goal === 'nearest'
        ? Math.abs(Number(text) - (scene.target ?? NaN))
        : Number(text) * (goal === 'largest' ? -1 : 1);
    const digits = (scene.rows.find((row) => row.seat === move.seat)?.cards ?? []).map((card) => card.worth);
    const sorted = (text: string) => [...text].sort().join('');
    const own = sorted(digits.join(''));
    const from = 10 ** (digits.length - 1);
    const all = Array.from({ length: 9 * from }, (_, nth) => String(from + nth)).filter(
      (text) => sorted(text) === own,
    );
    const none = own === '0'.repeat(digits.length);
    laid.push({
      seat: move.seat,
      off: off(move.key),
      best: none ? off(move.key) : Math.min(...all.map(off)),
    });
    if (laid.length < play.seats) continue;
    const least = Math.min(...laid.map((one) => one.off));
    for (const one of laid) {
      if (one.off === least) give(points, one.seat, 1);
      if (one.off === one.best) together += 1;
    }
    laid = [];
  }
  return play.against ? points : [together];
}

/** The pile by what was turned, covered and said: two alike, or two that make the total, and no others, are taken. */
export function watch(table: Table): number[] {
  const { recipe, turned, total } = table.play.rules as Partial<BondWatchRules> & WatchRules;
  const won = nothing(table);
  let lying = 0;
  let left = packOf(recipe).length;
  const said = new Map(saidOf(table).map((one) => [one.at, one.by]));
  table.seen.forEach(({ move, scene, need }, at) => {
    if (move.kind === 'go') {
      lying += turned;
      left -= turned;
    }
    const by = said.get(at);
    if (typeof by === 'number') {
      give(won, by, lying);
      lying = 0;
    }
    if (move.kind !== 'claim') return;
    const [a = 0, b = 0] = scene.rows[0]?.cards.map((card) => card.worth ?? 0) ?? [];
    const belong = total === undefined ? a === b : a + b === total;
    expect(need.kind === 'claim' && need.misses === undefined).toBe(belong);
    if (move.seat === null || belong || won[move.seat] === 0) return;
    give(won, move.seat, -1);
    lying += 1;
  });
  expect(left).toBeLessThan(turned);
  return won;
}

/** A point for whoever says the card that cannot be seen. */
export function backToBack(table: Table): number[] {
  const won = nothing(table);
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', called = ''] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(called));
    const [own, other] = table.seen[at]?.scene.rows ?? [];
    // Whoever is asked sees the other's card, and not the own.
    expect(own?.cards[0]?.worth).toBeNull();
    expect(Number(line.split(' ')[0])).toBe(other?.cards[0]?.worth);
    if (by !== null) give(won, by, 1);
  }
  return won;
}

/** Ten on the target, one less for each it is off; one for each card in it: reckoned from what was said, card by card. */
export function longRoad(table: Table): number[] {
  const points = nothing(table);
  let road: { readonly worth: number; readonly of: number }[] = [];
  let [seat, target, going] = [-1, 0, false];
  const ends = () => {
    if (!going) return;
    const worths = road.map(({ worth, of }) => {
      const near = 10 - Math.abs(worth - target);
      return near > 0 ? near + of : 0;
    });
    give(points, seat, Math.max(...worths));
    going = false;
  };
  const joins = (line: string) => {
    const made = road.length;
    const parts = numbersOf(line).slice(0, 2);
    let of = 0;
    for (const part of parts) {
      const alike = road.filter(({ worth }) => worth === part).sort((a, b) => b.of - a.of);
      expect(alike.length).toBeGreaterThan(0);
      road = road.filter((one) => one !== alike[0]);
      of += alike[0]?.of ?? 0;
    }
    road.push({ worth: valueOf(line), of });
    expect(road.length).toBe(made - 1);
    if (road.length === 1) ends();
  };
  table.seen.forEach(({ need, move, scene }, at) => {
    if (need.kind === 'line' && !going) {
      [seat, target, going] = [need.seat, scene.target ?? NaN, true];
      const row = scene.rows.find((one) => one.seat === seat);
      road = (row?.cards ?? []).map(({ worth }) => ({ worth: worth ?? NaN, of: 1 }));
    }
    if (need.kind === 'line' && move.kind === 'pass') ends();
    if (need.kind === 'line' && move.kind === 'line' && move.text.includes('=')) {
      const [line = '', said] = move.text.split('=');
      if (valueOf(line) === Number(said)) joins(line);
    }
    const after = saidOf(table).find((one) => one.at === at);
    if (after) joins(after.asked.split(' = ')[0] ?? '');
  });
  return points;
}
