import { expect, type Locator, type Page } from '@playwright/test';
import { answerOf, parseFactKey } from '@veldrift/core';
import type { PupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { house, painted } from './house.ts';

/** Deals every play that is begun in this page from one seed: what a test finds, it finds again. */
export const dealtBy = (page: Page, seed: number) =>
  page.addInitScript((given) => {
    const chance = crypto.getRandomValues.bind(crypto);
    crypto.getRandomValues = ((into: Int32Array<ArrayBuffer>) => {
      if (!(into instanceof Int32Array && into.length === 1)) return chance(into);
      into[0] = given;
      return into;
    }) as typeof crypto.getRandomValues;
  }, seed);

/** The table rolls and deals when it is told to, also where children have screens of their own: nothing happens between two looks. */
export const dealsByHand = (page: Page) =>
  page.addInitScript(() => localStorage.setItem('veldrift.settings', JSON.stringify({ goesOn: false })));

/** To another screen of the application without loading it anew, as a link goes. */
export async function goInside(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
}

/** The switch of the sheet by which the children type: a game is spoken unless it is pressed. */
export const childrenType = 'The children type what they say';

interface Begins {
  /**
   * From one table to the next, without loading the application anew, nor waiting until lists have unfolded and folded: for laying
   * hundreds of tables. That a hand can do it is looked at where a game is begun as a tutor begins one.
   */
  readonly next?: boolean;
  readonly step?: RegExp;
  /** Seat 2: another pupil's name; the grown-up sits there when left out; null: nobody. */
  readonly second?: string | null;
  /** Seats 3 and 4: other pupils' names. */
  readonly others?: readonly string[];
  readonly where?: RegExp;
  readonly flips?: readonly string[];
  readonly roles?: readonly string[];
}

/** From a game's page on the shelf to the table, begun. Gives the id of the first pupil's play. */
export async function beginGame(
  page: Page,
  game: string,
  pupil: PupilInput,
  { next = false, step, second, others = [], where, flips = [], roles = [] }: Begins = {},
): Promise<string> {
  const pressIt = (one: Locator) => (next ? one.dispatchEvent('click') : one.click());
  const chooseOf = async (label: string, option: RegExp | string) => {
    const list = page.getByRole('combobox', { name: label, exact: true });
    await (next ? list.dispatchEvent('mousedown', { button: 0 }) : list.click());
    await pressIt(page.getByRole('option', { name: option }).first());
  };
  const sheet = `/shelf/${game}?pupil=${pupil.id}`;
  if (next && page.url().includes('/table/')) await goInside(page, sheet);
  else await page.goto(`${house().base}${sheet}`);
  if (step) await pressIt(page.getByRole('button', { name: step }).first());
  const takeSeat = (seat: number, name: string | null) =>
    chooseOf(`Seat ${seat}`, name === null ? 'nobody' : new RegExp(`^${name}`));
  if (second !== undefined) await takeSeat(2, second);
  for (const [nth, name] of others.entries()) await takeSeat(3 + nth, name);
  if (where) await chooseOf('Where', where);
  for (const flip of flips) await pressIt(page.getByLabel(flip));
  for (const role of roles) await pressIt(page.getByRole('button', { name: role }));
  await pressIt(page.getByRole('button', { name: 'To the table' }));
  await pressIt(page.getByRole('button', { name: 'Begin' }));
  await expect(page.locator('[data-status="playing"]')).toBeVisible();
  return page.url().split('/').at(-1) as string;
}

export const need = (page: Page) => page.locator('.game-field').getAttribute('data-need');
/** Presses a key when what is asked has been painted, and waits until something else is asked. */
export async function press(page: Page, key: string): Promise<void> {
  const before = await page.locator('.game-field').innerText();
  await painted(page);
  await page.keyboard.press(key);
  await expect
    .poll(
      async () =>
        (await page.locator('.game-field').count()) === 0 ||
        (await page.locator('.game-field').innerText()) !== before,
    )
    .toBe(true);
}

const dayMs = 86_400_000;

/** Puts practice of two earlier days on record: each fact answered rightly twice a day after so long, ms. */
export async function hasPractised(
  page: Page,
  pupil: PupilInput,
  facts: readonly string[],
  latencyMs: number,
): Promise<void> {
  const events = [3, 2].flatMap((daysAgo) => {
    const ids = { v: 1, pupilId: pupil.id, visitId: uuid() };
    const inPlay = { ...ids, playId: uuid(), seat: 0 };
    const begins = Date.now() - daysAgo * dayMs;
    const at = (ms: number) => new Date(begins + ms).toISOString();
    const asked = [...facts, ...facts];
    return [
      { ...ids, id: uuid(), kind: 'visitStarted', at: at(0) },
      {
        ...inPlay,
        id: uuid(),
        kind: 'playStarted',
        at: at(1000),
        purpose: 'practice',
        setId: pupil.setId,
        seed: 1,
        lengthMs: 3_600_000,
        way: 'tutor',
        limitMs: 3000,
        device: 'test',
      },
      ...asked.map((fact, nth) => ({
        ...inPlay,
        id: uuid(),
        kind: 'answerGiven',
        at: at(2000 + 4000 * nth),
        fact,
        hidden: 'result',
        judgement: 'right',
        given: String(answerOf(parseFactKey(fact))),
        latencyMs,
        lastKeyMs: null,
        voided: false,
        way: 'tutor',
        overheadMs: 0,
        spreadMs: 0,
        calibrated: false,
        calibrationAgeDays: null,
        limitMs: 3000,
        aided: false,
        seen: [],
        usedMs: 4000 * (nth + 1),
      })),
      {
        ...inPlay,
        id: uuid(),
        kind: 'playEnded',
        at: at(4000 + 4000 * asked.length),
        usedMs: 4000 * asked.length,
        reason: 'tutor',
        calm: false,
        interrupted: false,
      },
    ];
  });
  // A batch holds a hundred events at most.
  for (let from = 0; from < events.length; from += 100) {
    const response = await page.request.post(`${house().base}/api/events`, {
      data: { deviceNow: new Date().toISOString(), events: events.slice(from, from + 100) },
    });
    const { results = [] } = (await response.json()) as { results?: readonly { status: string }[] };
    expect(results.filter((one) => one.status !== 'kept')).toEqual([]);
    expect(response.ok()).toBe(true);
  }
}

/** The sums of two numbers from 1 to so much. */
export const sumsTo = (most: number): string[] =>
  Array.from({ length: most * most }, (_, nth) => `${(nth % most) + 1}+${Math.floor(nth / most) + 1}`);
