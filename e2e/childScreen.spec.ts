import { expect, type Page } from '@playwright/test';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  joinedDevice,
  keptReview,
  prompt,
  rightAnswer,
  secondWindow,
  signIn,
  toReview,
  typeDigits,
} from './house.ts';
import { test } from './steady.ts';

/** A drill at the table of a pupil who types. Gives the id of the play. */
async function drill(page: Page, capture: 'keypad' | 'tutor' = 'keypad') {
  await signIn(page);
  const pupil = await addPupil(page, { capture, setId: 'strategy/mul/2' });
  await page.goto(`${house().base}/table/new/${pupil.id}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  return { pupil, playId: page.url().split('/').at(-1) as string };
}

/** Types the right answer on the child's own device. */
async function answerThere(child: Page): Promise<void> {
  await expect(prompt(child)).toBeVisible();
  await child.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))),
  );
  await child.keyboard.type(await rightAnswer(child), { delay: 40 });
  await child.keyboard.press('Enter');
}

test('a device joined by a code shows the prompt alone and takes the answers, timed where they are shown', async ({
  page,
  browser,
}) => {
  const { pupil, playId } = await drill(page);
  const { context, child, code } = await joinedDevice(browser, page);
  await expectNoViolations(child);
  await page.keyboard.press('Space');
  await expect(page.getByText('On the child\u2019s screen.')).toBeVisible();
  for (let nth = 0; nth < 3; nth += 1) {
    await answerThere(child);
    await expect(page.locator('.told')).toBeVisible();
    await page.keyboard.press('Space');
    await expect(page.locator('.told')).toBeHidden();
  }
  await expectNoViolations(child);
  // The code works once.
  const second = await context.newPage();
  await second.goto(`${house().base}/child`);
  await second.evaluate(() => sessionStorage.clear());
  await second.getByLabel('Eight figures').fill(code);
  await second.getByRole('button', { name: 'Join' }).click();
  await expect(second.getByText('This code was used already.')).toBeVisible();
  await second.getByLabel('Eight figures').fill('12');
  await second.getByRole('button', { name: 'Join' }).click();
  await expect(second.getByText('The code is 8 figures')).toBeVisible();
  await second.close();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  const kept = await keptReview(page, playId);
  expect(kept.answers.map((one) => [one.judgement, one.way])).toEqual([
    ['right', 'keypad'],
    ['right', 'keypad'],
    ['right', 'keypad'],
  ]);
  for (const answer of kept.answers) expect(answer.latencyMs).toBeGreaterThan(0);
  await deletePupil(page, pupil);
  await context.close();
});

test('a device that drops out: the table shows the prompt within two seconds, and it comes back by itself', async ({
  page,
  browser,
}) => {
  const { pupil, playId } = await drill(page);
  const { context, child } = await joinedDevice(browser, page);
  await page.keyboard.press('Space');
  await answerThere(child);
  await expect(page.locator('.told')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(prompt(child)).toBeVisible();
  const began = Date.now();
  await context.setOffline(true);
  await expect(prompt(page)).toBeVisible({ timeout: 4000 });
  const tookMs = Date.now() - began;
  expect(tookMs).toBeLessThan(2300);
  // The visit goes on here; the time of a prompt that moved is void.
  await page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))),
  );
  await typeDigits(page, await rightAnswer(page));
  await page.keyboard.press('Enter');
  await expect(page.locator('.told')).toBeVisible();
  await context.setOffline(false);
  await page.keyboard.press('Space');
  await expect(page.getByText('On the child\u2019s screen.')).toBeVisible({ timeout: 10_000 });
  await answerThere(child);
  await expect(page.locator('.told')).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  const kept = await keptReview(page, playId);
  expect(kept.answers).toHaveLength(3);
  expect(kept.answers[1]?.voided).toBe(true);
  await deletePupil(page, pupil);
  await context.close();
});

test('a second window of the same machine keeps step without a server, and the tutor\u2019s key is timed', async ({
  page,
}) => {
  const { pupil, playId } = await drill(page, 'tutor');
  const child = await secondWindow(page);
  await page.keyboard.press('Space');
  await expect(prompt(child)).toBeVisible();
  const fact = await prompt(child).getAttribute('data-fact');
  await page.bringToFront();
  await page.waitForFunction(
    (at) => performance.now() > at,
    await page.evaluate(() => performance.now() + 600),
  );
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.told')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(prompt(child)).not.toHaveAttribute('data-fact', fact as string);
  // What was missed is shown there too: the whole fact, the way to it, and its picture.
  await page.waitForFunction(
    (at) => performance.now() > at,
    await page.evaluate(() => performance.now() + 600),
  );
  await page.keyboard.press('ArrowUp');
  await expect(child.locator('.told-fact')).toHaveText(await page.locator('.told-fact').innerText());
  await expect(child.locator('.fact-picture')).toBeVisible();
  await expect(child.locator('.told-say')).toHaveText(await page.locator('.told-say').innerText());
  await expectNoViolations(child);
  await page.bringToFront();
  await page.keyboard.press('Space');
  await expect(child.locator('.fact-picture')).toHaveCount(0);
  // Closed, the table goes side by side by itself.
  await child.close();
  await expect(prompt(page)).toBeVisible({ timeout: 4000 });
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  const kept = await keptReview(page, playId);
  expect(kept.answers.map((one) => one.judgement)).toEqual(['right', 'gaveUp']);
  expect(kept.answers[0]?.latencyMs).toBeGreaterThan(500);
  expect(kept.answers[0]?.latencyMs).toBeLessThan(6000);
  await deletePupil(page, pupil);
});

test('a minute runs on the child\u2019s own device, whose clock is years off', async ({ page, browser }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'keypad' });
  await page.goto(`${house().base}/table/new/${pupil.id}?what=check`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  const playId = page.url().split('/').at(-1) as string;
  const { context, child } = await joinedDevice(browser, page);
  // Only the date is wrong, as on a device that lost its battery; its time stamps go on.
  await child.evaluate(() => {
    const true0 = Date.now;
    Date.now = () => true0() - 27 * 365 * 86_400_000;
  });
  expect(await child.evaluate(() => Date.now())).toBeLessThan(Date.parse('2001-01-01T00:00:00Z'));
  await page.keyboard.press('Space');
  for (let nth = 0; nth < 3; nth += 1) {
    const before = await prompt(child).getAttribute('elementtiming');
    await answerThere(child);
    await expect(prompt(child)).not.toHaveAttribute('elementtiming', before as string);
  }
  await toReview(page);
  const kept = await keptReview(page, playId);
  expect(kept.answers.length).toBeGreaterThanOrEqual(3);
  expect(kept.answers.every((one) => one.judgement === 'right' && !one.clockCorrected)).toBe(true);
  for (const answer of kept.answers) expect(answer.latencyMs).toBeLessThan(8000);
  await deletePupil(page, pupil);
  await context.close();
});

test('lying flat the child\u2019s half is turned, and 6 and 9 are underlined', async ({ page }) => {
  const { pupil } = await drill(page, 'tutor');
  await page.getByRole('button', { name: 'Screens' }).click();
  await page.getByRole('button', { name: 'Lay this screen flat between you' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Space');
  const turned = await prompt(page).evaluate(
    (element) => getComputedStyle(element.closest('.field') as Element).transform,
  );
  expect(turned).toBe('matrix(-1, 0, 0, -1, 0, 0)');
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await deletePupil(page, pupil);
});
