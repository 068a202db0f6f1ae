import { packOf } from '../../materials/pack.ts';
import type { FingersRules } from '../shelf/partners/behindTheBack.ts';
import type { GapsRules } from '../shelf/partners/gapsTable.ts';
import type { HandfulRules } from '../shelf/partners/handfulDice.ts';
import type { InStepRules } from '../shelf/partners/inStepOrder.ts';
import { give, nothing, numbersOf, saidOf, valueOf, type Table } from './table.ts';
import { expect } from 'vitest';

/** Those who say what makes the total keep its cards. */
export const bondHunt = (table: Table): number[] => {
  const kept = nothing(table);
  const total = table.endScene.target;
  for (const { asked, by } of saidOf(table)) {
    const [line = '', answer] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(answer));
    if (by !== null && Number(answer) === total) give(kept, by, numbersOf(line).length);
  }
  return kept;
};

/** Own cards of each line that was said by whoever laid it; together by anybody. */
export const trueLines = (table: Table): number[] => {
  const laid = nothing(table);
  for (const { by, before } of saidOf(table)) {
    if (by === null || before?.move.kind !== 'choose') continue;
    const { seat, key } = before.move;
    const hand = before.scene.rows.find((row) => row.seat === seat)?.cards.map((card) => card.id) ?? [];
    const own = numbersOf(key).filter((id) => hand.includes(id));
    if (by === seat || !table.play.against) give(laid, seat, own.length);
  }
  return laid;
};

/** Two cards for whoever asks for a partner that anybody holds. */
export function askForPartner(table: Table): number[] {
  const won = nothing(table);
  for (const { asked, by, at } of saidOf(table)) {
    const [line = '', total = ''] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(total));
    if (by === null) continue;
    // Looked for in what lay there, each hand as its own seat sees it.
    const state = table.states[at];
    const [own, wanted] = numbersOf(line);
    const held = table.play.seats;
    const hands = Array.from({ length: held }, (_, seat) =>
      (table.game.scene(table.play, state as never, seat).rows[seat]?.cards ?? []).map((card) => card.worth),
    ).flat();
    const need = own === wanted ? 2 : 1;
    if (hands.filter((worth) => worth === wanted).length < need) continue;
    const turn = table.seen[at]?.need;
    const chooser = table.seen.slice(0, at).findLast(({ move }) => move.kind === 'choose')?.move;
    expect(turn?.kind).toBe('say');
    if (chooser?.kind !== 'choose' || (table.play.against && chooser.seat !== by)) continue;
    give(won, chooser.seat, 2);
  }
  return won;
}

/** The cards that cover what was said to make ten: two, or four for four tens; no more than are left. */
export function closeTheGaps(table: Table): number[] {
  const { recipe, spaces } = table.play.rules as GapsRules;
  const laid = nothing(table);
  let left = packOf(recipe).length - spaces;
  for (const { asked, by } of saidOf(table)) {
    const [line = '', total] = asked.split(' = ');
    expect(valueOf(line)).toBe(Number(total));
    expect([10, 40]).toContain(Number(total));
    if (by === null) continue;
    const more = Math.min(left, Number(total) === 40 ? 4 : 2);
    left -= more;
    give(laid, by, more);
  }
  return laid;
}

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

/** What both showed and said; a point where it came to the total, to whoever said it. */
export function behindTheBack(table: Table): number[] {
  const { operation, total } = table.play.rules as FingersRules;
  const points = nothing(table);
  const shown: number[][] = [];
  for (const { need, move } of table.seen) {
    if (need.kind === 'go') shown.push([]);
    if (move.kind === 'choose') shown.at(-1)?.push(Number(move.key));
  }
  const said = saidOf(table);
  expect(said.length).toBe(shown.length);
  for (const [nth, { asked, by }] of said.entries()) {
    const [line = '', answer] = asked.split(' = ');
    const two = numbersOf(line);
    // Alone, the other is the app.
    expect(two.filter((_, at) => at < (shown[nth]?.length ?? 0))).toEqual(shown[nth]);
    for (const one of two) expect(one >= 1 && one <= 10).toBe(true);
    const comes = operation === 'add' ? two.reduce((a, b) => a + b) : two.reduce((a, b) => a * b);
    expect(comes).toBe(Number(answer));
    if (by !== null && comes === total) give(points, by, 1);
  }
  return points;
}
