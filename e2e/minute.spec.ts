import { expect } from '@playwright/test';
import {
  addPupil,
  deletePupil,
  judge,
  keptReview,
  prompt,
  rightAnswer,
  signIn,
  startMinute,
  toReview,
  typeAnswer,
  typeDigits,
} from './house.ts';
import type { PupilInput } from '@veldrift/wire';
import { test } from './steady.ts';

let made: PupilInput | undefined;
test.beforeEach(async ({ page }) => {
  await signIn(page);
});
test.afterEach(async ({ page }) => {
  if (made) await deletePupil(page, made);
  made = undefined;
});

test('a tutor who has never seen it runs a first check and knows each fact afterwards', async ({ page }) => {
  await page.getByRole('link', { name: 'The plan of Freya L.' }).click();
  // Nothing is known of her: a placement is offered first, a check is one press away.
  await expect(page.getByRole('button', { name: /^Placement: find/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: /^Weekly minute/ }).click();
  await expect(page.getByText('Not calibrated')).toBeVisible();
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  for (let at = 0; at < 4; at += 1) await typeAnswer(page);
  await typeAnswer(page, '99');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  await expect(page.getByText('ended before its time')).toBeVisible();
  await expect(page.getByText('5 answers without calibration')).toBeVisible();
  await expect(page.getByRole('row', { name: /said 99/ })).toBeVisible();
  // Every fact of this set is needed, and one was missed.
  await expect(page.getByRole('heading', { name: 'Stay on zero, one for now' })).toBeVisible();
});

test('a whole minute of sixty seconds by keypad, counted and judged', async ({ page }) => {
  test.setTimeout(150_000);
  made = await addPupil(page, { policy: {} });
  const begun = Date.now();
  const playId = await startMinute(page, made.id);
  let typed = 0;
  while (Date.now() - begun < 56_000) {
    await typeAnswer(page);
    typed += 1;
    await page.waitForTimeout(900);
  }
  await toReview(page, 15_000);
  expect(Date.now() - begun).toBeGreaterThan(60_000);
  const { play, answers } = await keptReview(page, playId);
  expect(play).toMatchObject({ endReason: 'time', lengthMs: 60_000, counts: true });
  expect(play.summary).toMatchObject({ right: typed, wrong: 0, usedMs: 60_000, rightPerMinute: typed });
  expect(answers).toHaveLength(typed);
  await expect(
    page.getByRole('button', { name: `${typed} right a minute: show what is behind it` }),
  ).toBeVisible();
});

test('tutor\u2019s mark: judging turns to the next, marks and what was said belong to the last answer', async ({
  page,
}) => {
  made = await addPupil(page, { capture: 'tutor' });
  const playId = await startMinute(page, made.id);
  await expect(page.locator('.keypad')).toHaveCount(0);
  await judge(page, 'ArrowRight');
  await page.keyboard.press('f');
  await judge(page, 'ArrowDown');
  await judge(page, 'ArrowLeft');
  await page.keyboard.type('42');
  await judge(page, 'ArrowUp');
  await toReview(page);
  const { answers } = await keptReview(page, playId);
  expect(answers.map((one) => one.judgement)).toEqual(['right', 'workedOut', 'wrong', 'gaveUp']);
  expect(answers[0]?.seen).toEqual(['fingers']);
  expect(answers[2]?.given).toBe('42');
  expect(answers.every((one) => one.way === 'tutor' && one.latencyMs !== null && one.latencyMs > 0)).toBe(
    true,
  );
});

test('undo asks again without its time; a half-typed answer loses a digit instead', async ({ page }) => {
  made = await addPupil(page, { policy: { minuteMs: 15_000 } });
  const playId = await startMinute(page, made.id);
  const first = await prompt(page).getAttribute('data-fact');
  await typeAnswer(page, '1');
  await typeDigits(page, '12');
  await page.keyboard.press('Backspace');
  await expect(page.getByTestId('typed')).toHaveText('1');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await expect(prompt(page)).toHaveAttribute('data-fact', first as string);
  await typeAnswer(page);
  await toReview(page);
  const { answers } = await keptReview(page, playId);
  expect(answers).toHaveLength(1);
  expect(answers[0]).toMatchObject({ fact: first, judgement: 'right', voided: true });
});

test('pause hides the prompt and stops the clock; interrupted voids the time', async ({ page }) => {
  made = await addPupil(page, { policy: { minuteMs: 15_000 } });
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await page.keyboard.press('p');
  await expect(prompt(page)).toHaveCount(0);
  await page.waitForTimeout(16_000);
  await page.keyboard.press('Space');
  await expect(prompt(page)).toBeVisible();
  await typeAnswer(page);
  await page.keyboard.press('i');
  await page.keyboard.press('Space');
  await typeAnswer(page);
  await toReview(page);
  const { play, answers } = await keptReview(page, playId);
  expect(answers.map((one) => one.voided)).toEqual([false, true, true]);
  expect(play).toMatchObject({ endReason: 'time', interrupted: true, counts: true });
  await expect(page.getByText('interrupted and taken up again')).toBeVisible();
});

test('calm ends the count and goes on untimed', async ({ page }) => {
  made = await addPupil(page);
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await page.keyboard.press('c');
  await typeAnswer(page);
  await page.waitForTimeout(16_000);
  await typeAnswer(page);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  const { play, answers } = await keptReview(page, playId);
  expect(play).toMatchObject({ calm: true, counts: false });
  expect(answers.map((one) => one.latencyMs === null)).toEqual([false, true, true]);
  await expect(page.getByText('turned calm').first()).toBeVisible();
});

test('a clock that is none takes no time', async ({ page }) => {
  made = await addPupil(page, { clock: 'none' });
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  expect((await keptReview(page, playId)).answers[0]).toMatchObject({ latencyMs: null, voided: false });
});

test('by touch alone: keypad, done, gave up', async ({ browser, page }) => {
  made = await addPupil(page);
  const touch = await (
    await browser.newContext({
      hasTouch: true,
      viewport: { width: 768, height: 1024 },
      storageState: await page.context().storageState(),
    })
  ).newPage();
  await touch.goto(`${new URL(page.url()).origin}/table/new/${made.id}`);
  await touch.getByRole('button', { name: /^Weekly minute/ }).tap();
  await touch.getByRole('button', { name: 'To the table' }).tap();
  await touch.getByRole('button', { name: 'Begin', exact: true }).tap();
  await expect(prompt(touch)).toBeVisible();
  for (const digit of await rightAnswer(touch))
    await touch.getByRole('button', { name: digit, exact: true }).tap();
  await touch.getByRole('button', { name: 'Done' }).tap();
  await touch.getByRole('button', { name: 'Gave up' }).tap();
  const playId = touch.url().split('/').at(-1) as string;
  await toReview(touch);
  expect((await keptReview(page, playId)).answers.map((one) => one.judgement)).toEqual(['right', 'gaveUp']);
  await touch.context().close();
});

test('the child sees nothing of seconds and judgements until the tutor presses', async ({ page }) => {
  made = await addPupil(page, { policy: { minuteMs: 30_000 } });
  await startMinute(page, made.id);
  await typeAnswer(page);
  const margin = page.getByRole('complementary', { name: /margin/ });
  await expect(margin).not.toContainText(/\d\.\d s/);
  await margin.getByRole('button', { name: /Show the answer/ }).click();
  await expect(margin).toContainText(/\d\.\d s/);
  await expect(margin).not.toContainText(/\d\.\d s/);
  await expect(page.getByRole('timer')).toHaveCount(0);
  await page.keyboard.press('k');
  await expect(page.getByRole('timer')).toBeVisible();
});

test('keypad calibration measures the keypad and the ceiling', async ({ page }) => {
  made = await addPupil(page);
  await page.goto(`${new URL(page.url()).origin}/calibrate/keypad/${made.id}`);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const shown = page.locator('[data-number]');
  for (let at = 0; at < 16; at += 1) {
    const number = (await shown.getAttribute('data-number')) as string;
    await page.waitForTimeout(500);
    await page.keyboard.type(number, { delay: 60 });
    await page.keyboard.press('Enter');
    if (at < 15) await expect(shown).not.toHaveAttribute('data-number', number);
  }
  await expect(page.getByRole('heading', { name: 'Measured' })).toBeVisible();
  await expect(page.getByText(/One digit: 0\.[4-9]\d s/)).toBeVisible();
  await expect(page.getByText(/Ceiling: \d+/)).toBeVisible();
  await page.getByRole('link', { name: 'Go on' }).click();
  await expect(page.getByText(/Overhead 0\.[4-9]\d s/)).toBeVisible();
});

test('the tutor\u2019s judging and the child\u2019s naming are measured', async ({ page }) => {
  made = await addPupil(page, { capture: 'tutor' });
  const { origin } = new URL(page.url());
  await page.goto(`${origin}/calibrate/judging`);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const shown = page.locator('[data-number]');
  for (let at = 0; at < 12; at += 1) {
    const before = (await shown.getAttribute('elementtiming')) as string;
    const [left, right, said] = ((await shown.getAttribute('data-number')) as string)
      .split(/[+=]/)
      .map(Number) as [number, number, number];
    await page.waitForTimeout(450);
    await page.keyboard.press(left + right === said ? 'ArrowRight' : 'ArrowLeft');
    if (at < 11) await expect(shown).not.toHaveAttribute('elementtiming', before);
  }
  await expect(page.getByText(/You judge in 0\.[4-7]\d s/)).toBeVisible();
  await page.goto(`${origin}/calibrate/naming/${made.id}`);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  for (let at = 0; at < 12; at += 1) {
    const before = (await shown.getAttribute('elementtiming')) as string;
    await page.waitForTimeout(400);
    await page.keyboard.press('ArrowRight');
    if (at < 11) await expect(shown).not.toHaveAttribute('elementtiming', before);
  }
  await expect(page.getByText(/Ceiling: \d+/)).toBeVisible();
});
