import type { AddTimesRules } from '../shelf/make/rollLines.ts';
import type { HandfulRules } from '../shelf/partners/handfulDice.ts';
import type { UpDownRules } from '../shelf/totals/upDownCards.ts';
import type { InStepRules } from '../shelf/partners/inStepOrder.ts';
import { tell, written } from '../tell/sentence.ts';
import { give, nothing, numbersOf, saidOf, valueOf, type Table } from './table.ts';
import { expect } from 'vitest';

/** Squares or numbers marked by choosing them, one each. */
export const marked =
  (isMark: (key: string) => boolean) =>
  (table: Table): number[] => {
    const marks = nothing(table);
    for (const { move } of table.seen)
      if (move.kind === 'choose' && isMark(move.key)) give(marks, move.seat, 1);
    return marks;
  };

export function factLine(table: Table): number[] {
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
export function twoToHold(table: Table): number[] {
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
export function marksMade(table: Table): number[] {
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
export function lamps(table: Table): number[] {
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

/** What was said of each roll is added up. */
export const addThenTimes = (table: Table): number[] => {
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
};

/** The double or the half is said first, and then the new total, from one's own. */
export const stretchOrFold = (table: Table): number[] => {
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
};

/** The areas said, and what is left of the field. */
export const fillTheField = (table: Table): number[] => {
  const areas = nothing(table);
  for (const { asked, by, before } of saidOf(table)) {
    const seat = by ?? (before?.move.kind === 'choose' ? before.move.seat : 0);
    give(areas, seat, Number(asked.split(' = ')[1]));
  }
  const { rows = 0, cols = 0 } = table.endScene.field ?? {};
  const left = table.endScene.totals.find((one) => tell(one.name) === 'Left')?.value ?? NaN;
  expect(areas.reduce((a, b) => a + b, 0) + left).toBe(rows * cols);
  return areas;
};

/** Dice are taken out when what they make was said; the row shows so many less. */
export function handful(table: Table): number[] {
  const taken = nothing(table);
  for (const { asked, by, at, before } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    expect(answer).toBe('10');
    expect(valueOf(line)).toBe(10);
    if (by === null) continue;
    give(taken, by, numbersOf(line).length);
    const scene = table.seen[at + 1]?.scene ?? table.endScene;
    const lay = before?.scene.rows[0]?.cards.length ?? 0;
    const left = scene.rows[0]?.cards.length ?? 0;
    // Another roll, or so many less.
    expect([lay - numbersOf(line).length, (table.play.rules as HandfulRules).count]).toContain(left);
  }
  return taken;
}

/** Every total said goes on from the one before; what nobody could say changes nothing. */
export function upAndDown(table: Table): number[] {
  const { start } = table.play.rules as UpDownRules;
  const { against, seats } = table.play;
  const totals = Array<number>(against ? seats : 1).fill(start);
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', answer = ''] = asked.split(' = ');
    const value = Number(answer.replace('\u2212', '-'));
    expect(valueOf(line)).toBe(value);
    // The turn is that of the cards that lie there, whoever says it in the end.
    const turn = table.seen[at]?.scene.rows[0]?.seat ?? 0;
    const own = against ? turn : 0;
    expect(Number(line.split(' ')[0]?.replace('\u2212', '-'))).toBe(totals[own]);
    const cards = table.seen[at]?.scene.rows[0]?.cards.map((card) => Math.abs(card.worth ?? 0)) ?? [];
    const said = Math.abs(value - (totals[own] as number));
    expect([...cards, 10 * (cards[0] ?? 0) + (cards[1] ?? 0)]).toContain(said);
    if (by !== null) totals[own] = value;
  }
  return totals;
}

/** One for each laid by saying its fact; what was said is the whole table, in the order asked for. */
export function inStep(table: Table): number[] {
  const { table: number, times, order } = table.play.rules as InStepRules;
  const laid = nothing(table);
  const made = saidOf(table).map(({ asked, by }) => {
    const [line = '', product = ''] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(product));
    if (by !== null) give(laid, by, 1);
    return Number(product);
  });
  const first =
    order === 'middle' ? number * (Math.floor(times / 2) + 1) : order === 'up' ? number : number * times;
  expect(made[0]).toBe(first);
  for (const [at, one] of made.entries()) {
    const before = made[at - 1];
    if (before === undefined) continue;
    const up = order === 'up' || (order === 'middle' && one >= first);
    expect(one - (before === number * times && !up ? first : before)).toBe(up ? number : -number);
  }
  expect(made.length).toBe(times);
  return laid;
}

/** One for each box whose wrong pair was put right; what was said fits every pair of its box but one, by mathjs. */
export function ruleBox(table: Table): number[] {
  const points = nothing(table);
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', should = ''] = asked.split(' = ');
    const [goesIn = 0, own = 0] = numbersOf(line);
    const sign = line.replace(/[\d ]/g, '');
    const pairs = (table.seen[at]?.scene.board?.squares ?? []).map(({ text }) => numbersOf(written(text)));
    const wrong = pairs.filter(([x, y]) => valueOf(`${x} ${sign} ${own}`) !== y);
    expect(wrong.map(([x]) => x)).toEqual([goesIn]);
    expect(valueOf(line)).toBe(Number(should));
    if (by !== null) give(points, by, 1);
  }
  return points;
}
