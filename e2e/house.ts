import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Browser, type Page } from '@playwright/test';
import { answerOf, parseFactKey } from '@veldrift/core';
import {
  newPupilInput,
  pupilsOf,
  type Pupil,
  type PupilInput,
  type PupilList,
  type ReviewPage,
} from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { demoPassword, demoTutors } from '../scripts/demo/house.ts';

interface House {
  readonly base: string;
  readonly empty: string;
  readonly admin: string;
  readonly app: string;
}

/** Addresses of the whole under test. */
export function house(): House {
  return JSON.parse(process.env.VELDRIFT_E2E ?? '{}') as House;
}

/** Signs in: a new page by the API, which the page's form is not needed for; one that has been in before through the form. */
export async function signIn(page: Page, base = house().base): Promise<void> {
  if (page.url() !== 'about:blank') return signInByForm(page, base);
  const { email } = demoTutors[0];
  const response = await page.request.post(`${base}/api/sign-in`, {
    data: { email, password: demoPassword },
  });
  expect(response.status()).toBe(200);
  await page.goto(`${base}/`);
  await expect(page.getByRole('link', { name: 'Today' })).toBeVisible();
}

/** Signs in through the page. */
export async function signInByForm(page: Page, base = house().base): Promise<void> {
  await page.goto(`${base}/sign-in`);
  await page.getByLabel('E-mail address').fill(demoTutors[0].email);
  await page.getByLabel('Password').fill(demoPassword);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('link', { name: 'Today' })).toBeVisible();
}

/** A page of a browser of its own, signed in. */
export async function signedIn(browser: Browser, base = house().base): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await signIn(page, base);
  return page;
}

/** Adds a pupil by the API; minutes of eight seconds unless said otherwise. */
export async function addPupil(page: Page, over: Partial<PupilInput> = {}): Promise<PupilInput> {
  const input: PupilInput = {
    ...newPupilInput(uuid()),
    name: `Test ${Math.random().toString(36).slice(2, 7)}`,
    gradeSystem: 'year',
    grade: 4,
    operation: 'mul',
    setId: 'strategy/mul/squares',
    school: 'minuteAim',
    policy: { minuteMs: 8000 },
    ...over,
  };
  const response = await page.request.post(`${originOf(page)}/api/pupils`, { data: input });
  expect(response.status()).toBe(201);
  return input;
}

export async function deletePupil(page: Page, pupil: PupilInput): Promise<void> {
  await page.request.delete(`${originOf(page)}/api/pupils/${pupil.id}`, { data: { confirm: pupil.name } });
}

const originOf = (page: Page) => new URL(page.url()).origin;

export async function pupilOf(page: Page, name: string): Promise<Pupil> {
  const list = pupilsOf((await (await page.request.get(`${originOf(page)}/api/pupils`)).json()) as PupilList);
  const found = list.find((one) => one.name === name);
  if (!found) throw new Error(`There is no pupil called ${name}.`);
  return found;
}

/** From the sheet to the first prompt. Gives the id of the minute. */
export async function startMinute(
  page: Page,
  pupilId: string,
  purpose: 'Weekly minute' | 'Practice minute' = 'Weekly minute',
): Promise<string> {
  await page.goto(`${originOf(page)}/table/new/${pupilId}`);
  await page.getByRole('button', { name: purpose }).click();
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(prompt(page)).toBeVisible();
  return page.url().split('/').at(-1) as string;
}

export const prompt = (page: Page) => page.locator('[data-fact]');

/** The right answer to the prompt now shown. */
export async function rightAnswer(page: Page): Promise<string> {
  return String(answerOf(parseFactKey((await prompt(page).getAttribute('data-fact')) as string)));
}

/** Waits until what is in the page has been painted: nobody answers what is not on the screen yet. */
export async function painted(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)));
      }),
  );
}

/** Types digits as a child does: one that did not appear, because the machine was not ready for it, is typed again. */
export async function typeDigits(page: Page, digits: string): Promise<void> {
  await painted(page);
  const line = page.getByTestId('typed');
  await expect(async () => {
    const there = ((await line.textContent()) ?? '').trim();
    if (there === digits) return;
    for (const _ of there) await page.keyboard.press('Backspace');
    await page.keyboard.type(digits);
    expect(((await line.textContent()) ?? '').trim()).toBe(digits);
  }).toPass({ timeout: 5000 });
}

/** Types an answer to the prompt shown (the right one, unless given) and waits for the next. */
export async function typeAnswer(page: Page, answer?: string): Promise<string> {
  const before = await prompt(page).getAttribute('elementtiming');
  const typed = answer ?? (await rightAnswer(page));
  await typeDigits(page, typed);
  await page.keyboard.press('Enter');
  await expect(prompt(page)).not.toHaveAttribute('elementtiming', before as string);
  return typed;
}

/** Presses a judge key and waits for the next prompt. */
export async function judge(
  page: Page,
  key: 'ArrowRight' | 'ArrowDown' | 'ArrowLeft' | 'ArrowUp',
): Promise<void> {
  const before = await prompt(page).getAttribute('elementtiming');
  await painted(page);
  await page.keyboard.press(key);
  await expect(prompt(page)).not.toHaveAttribute('elementtiming', before as string);
}

/** Waits for the end of the minute and opens the review. */
export async function toReview(page: Page, withinMs = 40_000): Promise<void> {
  await expect(page.getByRole('button', { name: 'Open the review' })).toBeVisible({ timeout: withinMs });
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: /Facts met/ })).toBeVisible();
}

/** What the server keeps of a minute; asked until its end is there. */
export async function keptReview(page: Page, playId: string): Promise<ReviewPage> {
  let found: ReviewPage | undefined;
  await expect
    .poll(async () => {
      const response = await page.request.get(`${house().base}/api/plays/${playId}`);
      found = response.ok() ? ((await response.json()) as ReviewPage) : undefined;
      return found?.play.endedAt ?? null;
    })
    .not.toBeNull();
  return found as ReviewPage;
}

/** No violation of WCAG 2.2 AA that axe can find; of some of its rules alone, or without some. */
export async function expectNoViolations(
  page: Page,
  { rules, without = [] }: { readonly rules?: string[]; readonly without?: string[] } = {},
): Promise<void> {
  // All in one frame: no second page is needed to put results together.
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  const { violations } = await (
    rules
      ? axe.withRules(rules)
      : axe
          .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
          .disableRules(without)
  ).analyze();
  expect(
    violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
  ).toEqual([]);
}

/** Nothing reaches beyond the page's width. */
export async function expectNoSideways(page: Page): Promise<void> {
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBeLessThanOrEqual(0);
}

/** Whether what was fetched and put on this device holds a text. */
export function cached(page: Page, text: string): Promise<boolean> {
  return page.evaluate(
    (wanted) =>
      new Promise<boolean>((done) => {
        const opening = indexedDB.open('veldrift');
        opening.onsuccess = () => {
          const got = opening.result.transaction('cache').objectStore('cache').get('queries');
          got.onsuccess = () => {
            opening.result.close();
            done(typeof got.result === 'string' && got.result.includes(wanted));
          };
        };
      }),
    text,
  );
}

/** A second window of the same machine, that shows what lies on the table. */
export async function secondWindow(page: Page): Promise<Page> {
  await page.getByRole('button', { name: 'Screens' }).click();
  const opening = page.waitForEvent('popup');
  await page.getByRole('button', { name: 'A second window' }).click();
  const child = await opening;
  await expect(page.getByText('The second window shows the prompt.')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  return child;
}

/** A device of the child's own, joined by the code on the tutor's screen. */
export async function joinedDevice(browser: Browser, page: Page) {
  await page.getByRole('button', { name: 'Screens' }).click();
  await page.getByRole('button', { name: 'Another device, by code' }).click();
  await expect(page.getByText(/^Hold the camera of the child\u2019s device to the square/)).toBeVisible();
  const code = (await page.getByRole('dialog').locator('.numeral').textContent())?.replace(/\s/g, '') ?? '';
  const context = await browser.newContext();
  const child = await context.newPage();
  await child.goto(`${house().base}/child`);
  await child.getByLabel('Eight figures').fill(code);
  await child.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByText('The child\u2019s device shows the prompt.')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  return { context, child, code };
}
