import { expect, type Browser, type Page } from '@playwright/test';
import { beginGame, dealtBy, need } from './gameHouse.ts';
import { addPupil, deletePupil, expectNoViolations, house, painted, signIn } from './house.ts';
import { test, type Witness } from './steady.ts';

/** A device of one child's own, joined by the square that its camera sees. */
async function deviceOf(browser: Browser, page: Page, name: string, witness: Witness) {
  const context = await browser.newContext({
    viewport: { width: 360, height: 640 },
    hasTouch: true,
    reducedMotion: 'reduce',
  });
  await witness.watch(context);
  const child = await context.newPage();
  // When what is asked was painted there, by the browser's own word.
  await child.addInitScript(() => {
    new PerformanceObserver((list) => {
      const last = list.getEntries().at(-1) as PerformanceEntry & { readonly renderTime: number };
      (window as unknown as { paintedAt: number }).paintedAt = last.renderTime;
    }).observe({ type: 'element', buffered: true });
  });
  await page.getByRole('button', { name: `A device for ${name}` }).click();
  const code = (await page.getByRole('dialog').locator('.screens-code').innerText()).replace(/\s/g, '');
  await child.goto(`${house().base}/child#${code}`);
  await child.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByText('plays on a device of their own').first()).toBeVisible();
  return { context, child };
}

test('two children on devices of their own: each sees the table from its seat, claims and types for itself alone', async ({
  page,
  browser,
  witness,
}) => {
  test.setTimeout(240_000);
  await dealtBy(page, 7);
  await signIn(page);
  const first = await addPupil(page, { capture: 'keypad', name: 'Ada K.' });
  const second = await addPupil(page, { capture: 'keypad', name: 'Bo L.' });
  await beginGame(page, 'first-voice', first, {
    second: 'Bo L.',
    flips: ['The children type what they say'],
  });
  await page.getByRole('button', { name: 'Screens' }).click();
  const ada = await deviceOf(browser, page, 'Ada K.', witness);
  const bo = await deviceOf(browser, page, 'Bo L.', witness);
  await expect(page.getByText('plays on a device of their own')).toHaveCount(2);
  await page.getByRole('button', { name: 'Close' }).click();
  // It deals by itself now: all look at their own devices.
  await expect(ada.child.locator('.game-field[data-need="claim"]')).toBeVisible({ timeout: 10_000 });
  await expect(ada.child.locator('.claim-zone')).toHaveText(/Ada K\./);
  await expect(bo.child.locator('.claim-zone')).toHaveText(/Bo L\./);
  await expectNoViolations(ada.child);
  await painted(bo.child);
  await bo.child.locator('.claim-zone').tap();
  await expect(bo.child.locator('.game-field[data-need="say"]')).toBeVisible();
  await expect(bo.child.getByRole('button', { name: 'Done' })).toBeVisible();
  // The other child sees what is asked, and has nothing to type it on.
  await expect(ada.child.locator('.game-field[data-need="say"] .prompt')).toBeVisible();
  await expect(ada.child.getByRole('button', { name: 'Done' })).toHaveCount(0);
  // Back at today and at another table they are still joined.
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await expect(page).toHaveURL(/review/);
  await expect(ada.child.getByText('Done. Thank you.')).toBeVisible();
  await page.getByRole('link', { name: 'Today' }).first().click();
  await page.goBack();
  await beginGame(page, 'bond-hunt', second, {
    second: 'Ada K.',
    flips: ['The children type what they say'],
  });
  await expect(ada.child.locator('.game-field')).toBeVisible({ timeout: 10_000 });
  await expect(bo.child.locator('.game-field')).toBeVisible();
  // Bo's turn: nothing on Ada's device can be pressed to any effect.
  expect(await need(bo.child)).toBe('choose');
  const before = await page.locator('.game-field').innerText();
  const cards = ada.child.locator('.game-field .card-key');
  if ((await cards.count()) > 0) await cards.first().tap();
  await bo.child.locator('.game-field .card-key').first().tap();
  await expect.poll(() => page.locator('.game-field').innerText()).not.toBe(before);
  // A device that goes: its child plays at the table, the other goes on where it is.
  await ada.context.close();
  await page.getByRole('button', { name: 'Screens' }).click();
  await expect(page.getByText('dropped out; it comes back by itself')).toBeVisible({ timeout: 6000 });
  const row = page.getByRole('listitem').filter({ hasText: 'Ada K.' });
  await row.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.getByRole('button', { name: 'A device for Ada K.' })).toBeVisible();
  await bo.context.close();
  for (const one of [first, second]) await deletePupil(page, one);
});

test('a race between two devices is decided by the children\u2019s own times, though one is 200 ms behind', async ({
  page,
  browser,
  witness,
}) => {
  test.setTimeout(240_000);
  await dealtBy(page, 11);
  await signIn(page);
  const first = await addPupil(page, { capture: 'tutor', name: 'Cleo M.' });
  const second = await addPupil(page, { capture: 'tutor', name: 'Dov N.' });
  await beginGame(page, 'first-voice', first, { second: 'Dov N.' });
  await page.getByRole('button', { name: 'Screens' }).click();
  const cleo = await deviceOf(browser, page, 'Cleo M.', witness);
  const dov = await deviceOf(browser, page, 'Dov N.', witness);
  await page.getByRole('button', { name: 'Close' }).click();
  // Whatever the slow device tells is on its way for 200 ms.
  await dov.context.route('**/api/child/tell', async (route) => {
    await new Promise((done) => setTimeout(done, 200));
    await route.continue();
  });
  for (const [cleoMs, dovMs, winner] of [
    [3100, 3000, 'Dov N.'],
    [3000, 3100, 'Cleo M.'],
    [3090, 3000, 'Dov N.'],
  ] as const) {
    for (const { child } of [cleo, dov])
      await expect(child.locator('.game-field[data-need="claim"]')).toBeVisible({ timeout: 10_000 });
    // Each child presses so long after its own screen has painted what is asked.
    const pressed = (child: Page, ms: number) =>
      child.evaluate(
        (wait) =>
          new Promise<void>((done) =>
            setTimeout(
              () => {
                const zone = document.querySelector('.claim-zone');
                zone?.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }));
                done();
              },
              (window as unknown as { paintedAt: number }).paintedAt + wait - performance.now(),
            ),
          ),
        ms,
      );
    await Promise.all([pressed(cleo.child, cleoMs), pressed(dov.child, dovMs)]);
    await expect(page.locator('.game-seats li.turn')).toContainText(winner);
    await page.locator('.judge.right').click();
  }
  await cleo.context.close();
  await dov.context.close();
  for (const one of [first, second]) await deletePupil(page, one);
});
