import type { BiggerRules } from '../shelf/talk/biggerCards.ts';
import type { DownRules } from '../shelf/recall/downThePack.ts';
import type { HeadsRules } from '../shelf/compare/headsLine.ts';
import type { GlanceRules } from '../shelf/talk/glances.ts';
import type { CircleRules } from '../shelf/talk/roundTheCircle.ts';
import { written } from '../tell/sentence.ts';
import { give, nothing, numbersOf, saidOf, valueOf, type Table } from './table.ts';
import { expect } from 'vitest';

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

/** One for each line said; every roll has the lines of its die, and each is true. */
export function ontoTen(table: Table): number[] {
  const points = nothing(table);
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    const [roll] = table.seen[at]?.scene.dice ?? [];
    expect([`10 + ${roll}`, `${roll} + ${roll}`, `100 \u2212 ${roll}`]).toContain(line);
    expect(valueOf(line)).toBe(Number(answer));
    if (by !== null) give(points, by, 1);
  }
  return points;
}

const worthsIn = (table: Table, at: number) =>
  (table.seen[at]?.scene.rows ?? []).map(({ cards }) => cards.map(({ worth }) => worth ?? NaN));

/** One for each pair said, of the two that lie there. */
export function downThePack(table: Table): number[] {
  const points = nothing(table);
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(answer));
    expect(numbersOf(line).sort()).toEqual([...(worthsIn(table, at)[0] ?? [])].sort());
    expect(line).toContain((table.play.rules as DownRules).operation === 'add' ? '+' : '\u00d7');
    if (by !== null) give(points, by, 1);
  }
  return points;
}

/** One for each fact said, pointed to on the track. */
export function pointSayWrite(table: Table): number[] {
  const points = nothing(table);
  for (const { asked, by, before } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(answer));
    expect(before?.move.kind === 'choose' && before.move.key).toBe(answer);
    if (by !== null) give(points, by, 1);
  }
  return points;
}

/** A point each where every seat said itself what the numbers that lie there come to. */
export function twoHeads(table: Table): number[] {
  const { operation } = table.play.rules as HeadsRules;
  const points = nothing(table);
  let whole = new Set<number>();
  let slipped = false;
  table.seen.forEach(({ need, move }, at) => {
    if (need.kind === 'go') [whole, slipped] = [new Set(), false];
    if (need.kind !== 'say' || move.kind !== 'said') return;
    const numbers = worthsIn(table, at).map((digits) => Number(digits.join('')));
    const [line = '', answer] = written(need.asked.whole).split(' = ');
    expect(numbersOf(line).sort()).toEqual([...numbers].sort());
    expect(valueOf(line)).toBe(Number(answer));
    const [largest = 0, ...others] = [...numbers].sort((a, b) => b - a);
    expect(Number(answer)).toBe(others.reduce((a, b) => (operation === 'sub' ? a - b : a + b), largest));
    // A slip is a slip, whoever puts it right.
    if (move.right) whole.add(move.seat);
    else slipped = true;
    if (whole.size === table.play.seats && !slipped)
      Array.from({ length: table.play.seats }, (_, seat) => give(points, seat, 1));
  });
  return points;
}

/** One for each said of the card that was the one asked for. */
export function biggerSmaller(table: Table): number[] {
  const { smaller, cards } = table.play.rules as BiggerRules;
  const points = nothing(table);
  for (const { by, at, asked } of saidOf(table)) {
    const [worths = []] = worthsIn(table, at);
    expect(new Set(worths).size).toBe(cards);
    expect(numbersOf(asked)[0]).toBe((smaller ? Math.min : Math.max)(...worths));
    if (by !== null) give(points, by, 1);
  }
  return points;
}

/** One for each fact said of a story that holds its numbers, by the sign that was shown. */
export function signsAndWords(table: Table): number[] {
  const points = nothing(table);
  for (const { by, asked, before } of saidOf(table)) {
    // The word that tells the sign stands in the story; a point is for the fact.
    if (!asked.includes(' = ')) {
      const told = before?.need.kind === 'choose' ? written(before.need.shows ?? '') : '';
      expect(told).toContain(/\u201c(.*)\u201d/.exec(asked)?.[1]);
      continue;
    }
    const [line = '', answer] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(answer));
    const story = before?.need.kind === 'choose' ? before.need.shows : '';
    expect(numbersOf(written(story ?? '')).sort()).toEqual(numbersOf(line).sort());
    const sign = { add: '+', sub: '\u2212', mul: '\u00d7', div: '\u00f7' };
    expect(line).toContain(before?.move.kind === 'choose' && sign[before.move.key as keyof typeof sign]);
    if (by !== null) give(points, by, 1);
  }
  return points;
}

/** One for each said rightly of what was shown: its pips are counted where they lie. */
export function pipsAtGlance(table: Table): number[] {
  const points = nothing(table);
  const { asks, pattern } = table.play.rules as GlanceRules;
  for (const { asked, by, at } of saidOf(table)) {
    const need = table.seen[at]?.need;
    if (need?.kind !== 'say') continue;
    const pips = need.asked.glance?.spots.length ?? NaN;
    const should = { count: pips, bond: 10 - pips, double: 2 * pips }[asks];
    expect(Number(written(need.asked.answer))).toBe(should);
    if (asked.includes('=')) {
      const [line = '', answer] = asked.split(' = ');
      expect(valueOf(line)).toBe(Number(answer));
    }
    // Groups are alike, and as many as are said.
    if (pattern === 'groups' && asks === 'count') expect(asked).toMatch(/^\d+ \u00d7 \d+ = /);
    if (by !== null) give(points, by, 1);
  }
  return points;
}

/** One for each number or word said; all of them in order, a word where a multiple comes. */
export function roundTheCircle(table: Table): number[] {
  const { from, to, of, word } = table.play.rules as CircleRules;
  const points = nothing(table);
  let last = from;
  for (const { asked, by } of saidOf(table)) {
    const [number = NaN] = numbersOf(asked);
    expect(Math.abs(number - last)).toBe(1);
    expect(asked.includes(word)).toBe(number % of === 0);
    last = number;
    if (by !== null) give(points, by, 1);
  }
  expect(last).toBe(to);
  return points;
}
