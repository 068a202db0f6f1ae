import { expect, type Locator, type Page } from '@playwright/test';
import { expressionText, reach, shownSigns, signs } from '@veldrift/core';
import { need } from './gameHouse.ts';
import { painted } from './house.ts';
import { choiceRead } from './walkReads.ts';

/** A hand at the table: how something is pressed, and how a fact is judged. */
export interface Hand {
  readonly press: (what: Locator) => Promise<void>;
  readonly judge: (page: Page) => Promise<void>;
}

/** Tab to it and Enter; a square of a board is walked to with the arrow keys from the board's one stop. */
async function byKeys(what: Locator): Promise<void> {
  const page = what.page();
  await expect(what).toBeVisible();
  const walk = await what.evaluate((element) => {
    if (!(element instanceof HTMLElement) || element.tabIndex >= 0) return null;
    const board = element.closest('[role="group"]');
    const cells = [...(board?.querySelectorAll('button') ?? [])];
    const stop = cells.findIndex((cell) => cell.tabIndex === 0);
    const across = board ? getComputedStyle(board).gridTemplateColumns.split(' ').length : 1;
    const at = cells.indexOf(element as HTMLButtonElement);
    (cells[stop] as HTMLElement).focus();
    return {
      down: Math.floor(at / across) - Math.floor(stop / across),
      right: (at % across) - (stop % across),
    };
  });
  if (walk === null) await what.focus();
  else {
    for (let nth = 0; nth < Math.abs(walk.down); nth += 1)
      await page.keyboard.press(walk.down > 0 ? 'ArrowDown' : 'ArrowUp');
    for (let nth = 0; nth < Math.abs(walk.right); nth += 1)
      await page.keyboard.press(walk.right > 0 ? 'ArrowRight' : 'ArrowLeft');
  }
  await expect(what).toBeFocused();
  await page.keyboard.press('Enter');
}

export const keys: Hand = {
  press: byKeys,
  judge: async (page) => {
    await painted(page);
    await page.keyboard.press('ArrowRight');
  },
};
export const taps: Hand = {
  press: (what) => what.tap(),
  judge: async (page) => {
    await painted(page);
    await page.locator('.judge.right').tap();
  },
};

/** What the table shows, and the count of what was asked: a line refused twice reads the same. */
export async function shown(page: Page): Promise<string> {
  const field = page.locator('.game-field');
  return `${await field.getAttribute('data-prompt')} ${await field.innerText()}`;
}
/** Waits until the table shows something else; a game's many moves are not worth long looks apart. */
export const showsOtherThan = (page: Page, before: string) =>
  expect.poll(() => shown(page), { intervals: [20, 40, 80, 160] }).not.toBe(before);
const numbersIn = (text: string) => (text.match(/\d+/g) ?? []).map(Number);

/** Makes one move with a hand: whatever the table waits for. */
export async function move(page: Page, { press, judge }: Hand): Promise<void> {
  const field = page.locator('.game-field');
  const button = (name: string | RegExp) =>
    field.getByRole('button', { name, exact: typeof name === 'string' });
  switch (await need(page)) {
    case 'go':
      return press(button('Go on'));
    case 'roll':
      return press(button('Roll'));
    case 'say':
      return judge(page);
    case 'claim':
      await painted(page);
      return press(field.locator('.claim-zone').first());
    case 'line':
      return line(page, press);
    case null:
      break;
  }
  if ((await button('Laid').count()) > 0) {
    // No number begins with 0.
    const hand = field.getByRole('group', { name: 'Your cards' }).getByRole('button');
    const labels = await hand.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
    const first = labels.findIndex((label) => !/\b0\b/.test(label));
    if (first > 0) await press(hand.nth(first));
    const before = await shown(page);
    for (const place of await field.locator('.place').all()) {
      // The last card falls into the last place by itself, and all of it is laid.
      await painted(page);
      if ((await shown(page)).split(' ')[0] !== before.split(' ')[0]) return;
      await press(place);
    }
    await painted(page);
    if ((await button('Laid').count()) > 0) await press(button('Laid'));
    return;
  }
  if ((await button('Lay the line').count()) > 0) {
    const three = await trueLine(field);
    if (!three) return press(button(/^(Draw a card|Pass)$/));
    for (const card of three) await press(card);
    await press(button('Lay the line'));
    await painted(page);
    // It may be meant in more than one way.
    const meant = field.getByRole('group', { name: 'Which line?' }).getByRole('button');
    if ((await meant.count()) > 0) await press(meant.first());
    return;
  }
  if ((await button('These make ten').count()) > 0) {
    const dice = field.locator('.card-row .card-key');
    const worths = (
      await dice.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''))
    ).map((label) => numbersIn(label)[0] ?? NaN);
    const one = worths.findIndex((worth, at) => worths.indexOf(10 - worth, at + 1) > at);
    // Where no two make it four tens are covered, as nothing would be asked otherwise; with dice it is said that nothing more does.
    const tens = [...worths.keys()].filter((at) => worths[at] === 10).slice(0, 4);
    if (one < 0 && tens.length < 4) return press(button('Nothing more makes ten'));
    const group = one < 0 ? tens : [one, worths.indexOf(10 - (worths[one] ?? 0), one + 1)];
    for (const at of group) await press(dice.nth(at));
    return press(button('These make ten'));
  }
  if ((await field.getByLabel('The line, mended').count()) > 0) {
    if ((await button('The next one').count()) > 0) return press(button('The next one'));
    const slipped = await field.locator('.square-cell').first().innerText();
    const [left = 0, right = 0] = numbersIn(slipped);
    const sign = signs.find((one) => slipped.includes(shownSigns[one])) ?? '+';
    const answer = { '+': left + right, '-': left - right, '*': left * right, '/': left / right }[sign];
    const typed = field.getByLabel('The line, mended');
    await press(typed);
    await typed.fill(`${left} ${sign} ${right} = ${answer}`);
    return press(button('Mended'));
  }
  const read = await choiceRead(field);
  if (read) return press(read);
  const cards = field.locator('.card-key');
  if ((await cards.count()) > 0) {
    // Pointed to where it lies on a track of numbers; else any card will do.
    const answer = await answerShown(field);
    const named = cards.and(page.getByRole('button', { name: new RegExp(`^${answer}:`) }));
    return press((await named.count()) > 0 ? named.first() : cards.first());
  }
  const room = field.getByRole('button', { name: /room for/ });
  if ((await room.count()) > 0) return press(room.first());
  const board = field.locator('.grid-board button:not(.held)');
  if ((await board.count()) === 0) {
    // A meaning is not read by a walk: what did not fit is not tried again at the next prompt.
    const choices = field.locator('.ask-choices button');
    const [prompts = 0] = numbersIn((await field.getAttribute('data-prompt'))?.split('-').at(-1) ?? '');
    // Not by turns alone: two questions that take turns would each be answered alike for ever.
    return press(choices.nth((prompts + Math.floor(prompts / 2)) % (await choices.count())));
  }
  // The total asked for, or one that the dice surely make: their sum; on a board of facts any.
  const dice = await field
    .locator('.die')
    .evaluateAll((all) =>
      all.map((die) => Number((die.getAttribute('aria-label') ?? '').replace(/\D/g, ''))),
    );
  const asked =
    /counter on (\d+)/.exec(await field.locator('.game-need').innerText())?.[1] ?? (await answerShown(field));
  const sum = asked ?? String(dice.reduce((a, b) => a + b, 0));
  const square =
    dice.length > 0 || asked !== undefined
      ? board.and(page.getByRole('button', { name: new RegExp(`^${sum}([,:]|$)`) }))
      : board;
  await press((await square.count()) > 0 ? square.first() : field.locator('.ask-choices button').first());
}

/** The answer of a fact that is shown large, where its answer is to be pointed to; undefined: none is. */
async function answerShown(field: Locator): Promise<string | undefined> {
  const large = field.locator('.game-words .sr-only');
  if ((await large.count()) === 0) return undefined;
  const [, left, sign, right] =
    /^(\d+)\s*([+\u2212\u00d7\u00f7])\s*(\d+)$/.exec((await large.last().innerText()).trim()) ?? [];
  if (!left || !right) return undefined;
  const [a, b] = [Number(left), Number(right)];
  return String({ '+': a + b, '\u2212': a - b, '\u00d7': a * b, '\u00f7': a / b }[sign ?? '+']);
}

/** Three cards that make a true line of the step's operation, two of them of one's own at least; undefined: there are none. */
async function trueLine(field: Locator): Promise<Locator[] | undefined> {
  const times = /product/i.test(await field.page().locator('h1').innerText());
  const cards = async (row: string, own: boolean) => {
    const keys = field.locator(`.card-row${row} .card-key`);
    const labels = await keys.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
    return labels.map((label, at) => ({ own, worth: Number(label), key: keys.nth(at) }));
  };
  const all = [...(await cards('.turn', true)), ...(await cards(':not(.turn)', false))];
  for (const a of all)
    for (const b of all)
      for (const c of all) {
        const three = [a, b, c];
        if (new Set(three).size < 3 || three.filter((one) => one.own).length < 2) continue;
        if ((times ? a.worth * b.worth : a.worth + b.worth) === c.worth) return three.map((one) => one.key);
      }
  return undefined;
}

/** Puts a line together from the numbers and signs that lie there. */
async function line(page: Page, press: Hand['press']): Promise<void> {
  const field = page.locator('.game-field');
  const tokens = await field.locator('.token').allInnerTexts();
  const numbers = tokens.filter((one) => /^\d+$/.test(one)).map(Number);
  const allowed = signs.filter((sign) => tokens.includes(shownSigns[sign]));
  // On a road any two are joined, and what they come to is said.
  if ((await field.getByRole('button', { name: 'Stop here' }).count()) > 0) {
    const keys = field.getByRole('group', { name: 'Put the line together' }).getByRole('button');
    await press(keys.nth(0));
    await press(keys.filter({ hasText: shownSigns['+'] }).first());
    await press(keys.nth(1));
    return press(field.getByRole('button', { name: 'Lay it' }));
  }
  const target = numbersIn(await field.locator('.game-need').innerText()).at(-1) ?? 0;
  const pairs = numbers.flatMap((a, at) => numbers.slice(at + 1).map((b) => [a, b]));
  const found = pairs
    .map((pair) =>
      reach({ numbers: pair, signs: allowed, from: target, to: target, least: 2 }).lineFor(target),
    )
    .find((one) => one !== undefined);
  if (!found) return press(field.getByRole('button', { name: 'Pass' }));
  for (const token of expressionText(found).match(/\d+|[^\d\s]/g) ?? [])
    await press(
      field
        .getByRole('group', { name: 'Put the line together' })
        .getByRole('button', { name: token, exact: true })
        .first(),
    );
  await press(field.getByRole('button', { name: 'Lay it' }));
}
