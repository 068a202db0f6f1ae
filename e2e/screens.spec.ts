import { expect, test, type Page } from '@playwright/test';
import {
  addPupil,
  deletePupil,
  expectNoSideways,
  expectNoViolations,
  house,
  pupilOf,
  signIn,
  startMinute,
  typeAnswer,
} from './house.ts';
import { screensOf } from './screenList.ts';
import { shifted, watchShifts } from './shifts.ts';

/** Another window of this browser sets something. */
const setElsewhere = (page: Page, settings: object) =>
  page.evaluate((kept) => {
    const key = 'veldrift.settings';
    localStorage.setItem(key, JSON.stringify(kept));
    dispatchEvent(new StorageEvent('storage', { key, newValue: JSON.stringify(kept) }));
  }, settings);

const paper = (page: Page) =>
  page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--paper'));

/** What of the screen at hand is looked at: all rules, wide; all but contrast, which does not hang on the width, narrow; contrast in the other themes. */
async function lookAtScreen(page: Page): Promise<void> {
  await page.addStyleTag({ content: '* { transition: none !important; }' });
  await expectNoSideways(page);
  await expectNoViolations(page);
  await page.setViewportSize({ width: 768, height: 1024 });
  await expectNoSideways(page);
  await expectNoViolations(page, { without: ['color-contrast'] });
  await page.setViewportSize({ width: 1280, height: 800 });
  for (const theme of ['dark', 'contrast'] as const) {
    const before = await paper(page);
    await setElsewhere(page, { theme, hand: 'left' });
    await expect.poll(() => paper(page)).not.toBe(before);
    await expectNoViolations(page, { rules: ['color-contrast', 'link-in-text-block'] });
  }
  await setElsewhere(page, { theme: 'light' });
}

for (const half of [0, 1])
  test(`every screen keeps its layout, and has no axe violation in any theme, wide or narrow (half ${half + 1})`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    if (half === 0) {
      await page.goto(`${house().base}/sign-in`);
      await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
      await lookAtScreen(page);
    }
    await watchShifts(page);
    await signIn(page);
    const moved: string[] = [];
    for (const [name, path, shown] of (await screensOf(page)).filter((_, at) => at % 2 === half))
      await test.step(name, async () => {
        await page.goto(`${house().base}${path}`);
        await shown();
        for (const one of await shifted(page)) moved.push(`${name}: ${one}`);
        if (name !== 'materials') return lookAtScreen(page);
        for (const width of [1280, 768]) {
          await page.setViewportSize({ width, height: 900 });
          await expectNoSideways(page);
        }
        await page.setViewportSize({ width: 1280, height: 800 });
      });
    expect(moved).toEqual([]);
  });

test('what lies on the tables has no axe violation', async ({ page }) => {
  await signIn(page);
  await page.goto(`${house().base}/materials?theme=light`);
  await expect(page.getByRole('heading', { name: 'Materials' })).toBeVisible();
  // Thousands of drawings: their colours against one another are reckoned from the tokens (web/src/app/tokens.test.ts).
  await expectNoViolations(page, { without: ['color-contrast'] });
});

test('the day line has no axe violation on any day of the week, early or late', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page);
  const times = [
    [8, 768],
    [15, 1280],
  ] as const;
  // Both on the first day, then one after the other.
  for (let day = 0; day < 7; day += 1)
    for (const [hour, width] of times.filter((_, nth) => day === 0 || day % 2 === nth)) {
      const at = new Date(Date.now() + day * 86_400_000);
      at.setUTCHours(hour);
      await page.clock.setFixedTime(at);
      await page.setViewportSize({ width, height: 1024 });
      await page.goto(`${house().base}/`);
      await expect(page.getByRole('heading', { name: /\d/ }).first()).toBeVisible();
      await expectNoViolations(page);
      await expectNoSideways(page);
    }
});

test('the live table has no axe violation, in either way of capture, at either size', async ({ page }) => {
  await signIn(page);
  for (const capture of ['keypad', 'tutor'] as const) {
    const made = await addPupil(page, { capture, policy: { minuteMs: 60_000 } });
    await startMinute(page, made.id);
    if (capture === 'keypad') await typeAnswer(page);
    for (const [width, height] of [
      [1280, 800],
      [768, 1024],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expectNoSideways(page);
      await expectNoViolations(page);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${house().base}/`);
    await deletePupil(page, made);
  }
});

test('a dialog with the answers behind a number has no axe violation', async ({ page }) => {
  await signIn(page);
  const odalys = await pupilOf(page, 'Odalys B.');
  await page.goto(`${house().base}/pupils/${odalys.id}`);
  await page
    .getByRole('button', { name: /facts recalled; \d+ are needed/ })
    .first()
    .click();
  await expect(page.getByRole('dialog').getByRole('table')).toBeVisible();
  await expectNoViolations(page);
});

test('the map of facts is walked with the arrow keys and opens a fact', async ({ page }) => {
  await signIn(page);
  const odalys = await pupilOf(page, 'Odalys B.');
  await page.goto(`${house().base}/pupils/${odalys.id}`);
  const cell = (label: RegExp) =>
    page.getByRole('table', { name: /Map of facts/ }).getByRole('button', { name: label });
  await cell(/^0 × 0,/).focus();
  for (let at = 0; at < 5; at += 1) await page.keyboard.press('ArrowDown');
  for (let at = 0; at < 5; at += 1) await page.keyboard.press('ArrowRight');
  await expect(cell(/^5 × 5,/)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toContainText('5 × 5 = 25');
});

test('pupils are added, found, sorted, changed and deleted by keyboard alone, bad input named', async ({
  page,
}) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Pupils', exact: true }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Add a pupil' }).focus();
  await page.keyboard.press('Enter');
  const name = page.getByLabel('Shown name');
  await name.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Give a shown name')).toBeVisible();
  await name.fill('x'.repeat(200));
  await page.getByLabel('Grade or year').fill('-1');
  await page.getByRole('button', { name: 'Keep', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('The shown name should have 1 to 60 characters.')).toBeVisible();
  await expect(page.getByText('The grade or year should be 0 or more.')).toBeVisible();
  // What was typed is there after leaving the page.
  await page.goto(`${house().base}/`);
  await page.goto(`${house().base}/pupils/new`);
  await expect(name).toHaveValue('x'.repeat(200));
  await name.fill('\u{1F98A} \u0646\u0648\u0631');
  await page.getByLabel('Grade or year').fill('2');
  await name.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '\u{1F98A} \u0646\u0648\u0631' })).toBeVisible();
  await page.goto(`${house().base}/`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByLabel('Find a pupil')).toBeFocused();
  await page.keyboard.type('\u0646\u0648\u0631');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByLabel('Find a pupil').fill('');
  // A picture comes before all letters, and after them the other way round.
  await page.getByRole('columnheader', { name: 'Pupil' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('\u0646\u0648\u0631');
  await page.getByRole('columnheader', { name: 'Pupil' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('Yusuf');
  await page
    .getByRole('link', { name: /\u0646\u0648\u0631/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Change' }).click();
  await page.getByRole('button', { name: /^Delete/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Delete for good' })).toBeDisabled();
  await dialog.getByLabel('Shown name').fill('\u{1F98A} \u0646\u0648\u0631');
  await dialog.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await expect(page.getByRole('link', { name: /\u0646\u0648\u0631/ })).toHaveCount(0);
});

test('an empty house leads the first visitor through account and room to the first check', async ({
  page,
}) => {
  const begun = Date.now();
  await page.goto(house().empty);
  await expect(page.getByRole('heading', { name: 'Make the first room' })).toBeVisible();
  await expectNoViolations(page);
  await page.getByLabel('Your name').fill('Wren');
  await page.getByLabel('E-mail address').fill('wren@corner.example');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Make the room' }).click();
  await expect(page.getByText('at least 10 characters').first()).toBeVisible();
  await page.getByLabel('Password').fill('a long enough word');
  await page.getByRole('button', { name: 'Make the room' }).click();
  await expect(page.getByRole('heading', { name: 'Who is the first child?' })).toBeVisible();
  await expect(page.getByText('Wren\u2019s room.')).toBeVisible();
  await expect(page.getByLabel('Shown name')).toBeFocused();
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('Give a shown name: initials or a first name.')).toBeVisible();
  await page.getByLabel('Shown name').fill('A. B.');
  await page.getByLabel('Grade').fill('third');
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('A grade is a whole number, such as 3.')).toBeVisible();
  await page.getByLabel('Grade').fill('3');
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await typeAnswer(page);
  expect(Date.now() - begun).toBeLessThan(120_000);
});

test('a server that fails, and an address that is nothing, are said in a sentence', async ({ page }) => {
  await signIn(page);
  await page.goto(`${house().base}/pupils/01900000-0000-7000-8000-000000000000`);
  await expect(page.getByRole('heading', { name: 'There is no such pupil in this room' })).toBeVisible();
  await page.goto(`${house().base}/nothing/here`);
  await expect(page.getByText('There is nothing at this address.')).toBeVisible();
  const odalys = await pupilOf(page, 'Odalys B.');
  await page.route(`**/api/pupils/${odalys.id}`, (route) =>
    route.fulfill({
      status: 500,
      contentType: 'application/json',
      body: '{"message":"Something failed here, and it is on record. Nothing was lost; try again."}',
    }),
  );
  await page.goto(`${house().base}/pupils/${odalys.id}`);
  await expect(page.getByRole('alert')).toContainText('Nothing was lost; try again.');
  await page.unroute(`**/api/pupils/${odalys.id}`);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Odalys B.' })).toBeVisible();
});
