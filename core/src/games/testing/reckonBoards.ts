import type { AddTimesRules } from '../shelf/make/rollLines.ts';
import type { UpDownRules } from '../shelf/totals/upDownCards.ts';
import type { TrailRules } from '../shelf/boards/trailSquares.ts';
import type { OddRules } from '../shelf/boards/oddNumbers.ts';
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

/** Counters go on by what is rolled where their own seat says the number of the square, and back where another comes. */
export function numberTrail(table: Table): number[] {
  const { first, step, squares } = table.play.rules as TrailRules;
  const { against, seats } = table.play;
  const at = Array<number>(against ? seats : 1).fill(1);
  for (const { asked, by: sayer, at: nth } of saidOf(table)) {
    const one = table.seen[nth];
    const [roll = 0] = one?.scene.dice ?? [];
    const [line = '', answer] = asked.split(' = ');
    const [from = 0, steps = 0] = numbersOf(line);
    expect(/[a-z]/.test(line) ? from + steps * step : valueOf(line)).toBe(Number(answer));
    const turn = table.states[nth]?.turn ?? 0;
    const own = against ? turn : 0;
    const to = Math.min(squares, (at[own] ?? 0) + roll);
    expect(Number(answer)).toBe(first + (to - 1) * step);
    if (sayer === null || (against && sayer !== turn)) continue;
    at.forEach((square, seat) => {
      if (seat !== own && square === to) at[seat] = 1;
    });
    at[own] = to;
  }
  expect(Math.max(...at)).toBe(squares);
  return at;
}

/** Three of one kind in a line, of numbers said by their own; together every number that lies there for a kind. */
export function oddLine(table: Table): number[] {
  const { first, second } = table.play.rules as OddRules;
  const { against, seats } = table.play;
  const marks = Array<number | null>(9).fill(null);
  let turns = 0;
  for (const { asked, by, before, at } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(answer));
    const turn = table.states[at]?.turn ?? 0;
    const kind = against ? turn : turns % 2;
    turns += 1;
    const own = kind === 0 ? first : second;
    if (first === null) expect(Number(answer) % 2).toBe(kind === 0 ? 1 : 0);
    else expect(Number(answer) % (own ?? NaN)).toBe(0);
    if (before?.move.kind !== 'choose' || by === null || (against && by !== turn)) continue;
    marks[Number(before.move.key)] = kind;
  }
  const lines = [
    [0, 1, 2],
    [3, 4, 5],
    [6, 7, 8],
    [0, 3, 6],
    [1, 4, 7],
    [2, 5, 8],
    [0, 4, 8],
    [2, 4, 6],
  ];
  const whole = (kind: number) => lines.some((line) => line.every((at) => marks[at] === kind));
  if (!against) return [marks.filter((mark) => mark !== null).length];
  return Array.from({ length: seats }, (_, seat) => (whole(seat) ? 1 : 0));
}

/** Squares covered by their own seat, each by a true line that fits what was called. */
export function gridCall(table: Table): number[] {
  const covered = nothing(table);
  for (const { asked, by, before, at } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(answer));
    if (before?.need.kind !== 'choose' || before.move.kind !== 'choose')
      throw new Error('Nothing was chosen.');
    const called = written(before.need.shows ?? '');
    const square = written(before.scene.board?.squares[Number(before.move.key)]?.text ?? '');
    expect([called, square].map(valueOf)).toEqual([Number(answer), Number(answer)]);
    const turn = table.states[at]?.turn ?? 0;
    if (by !== null && (!table.play.against || by === turn)) give(covered, turn, 1);
  }
  return covered;
}
