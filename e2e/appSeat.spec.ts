import { expect, test } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  keptReview,
  painted,
  secondWindow,
  signIn,
} from './house.ts';

test.use({ contextOptions: { reducedMotion: 'reduce' } });

test('the app takes a seat: it rolls, says what it says, and is judged by itself; the child alone is on record', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await dealtBy(page, 11);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: 'Edda P.' });
  const playId = await beginGame(page, 'outweigh', pupil, { second: 'The app' });
  const child = await secondWindow(page);
  await page.bringToFront();
  const need = page.locator('.game-need');
  const asksApp = need.filter({ hasText: /^The app (thinks|says \d+)\.$/ });
  // Whoever turns first: the child's own facts are judged by hand, the app's never.
  let byHand = 0;
  const turnRound = async () => {
    for (;;) {
      if (await asksApp.isVisible()) return;
      const kind = await page.locator('.game-field').getAttribute('data-need');
      const before = await page.locator('.game-field').getAttribute('data-prompt');
      await painted(page);
      if (kind === 'go') await page.getByRole('button', { name: 'Go on' }).click();
      else if ((await need.innerText()).startsWith('Edda P.')) {
        await page.locator('.judge.right').click();
        byHand += 1;
      }
      await expect(page.locator('.game-field')).not.toHaveAttribute('data-prompt', before ?? '');
    }
  };
  await turnRound();
  // Nobody judges for it: there is no key to.
  await expect(page.locator('.judge')).toHaveCount(0);
  await expect(page.getByText(/^The app says \d+\.$/)).toBeVisible();
  await expect(child.getByText(/^The app says \d+\.$/)).toBeVisible();
  await expectNoViolations(page);
  await expect(asksApp).toBeHidden();
  await turnRound();
  // Undone, it is a child's turn again, or nothing is turned yet: the app would only say it once more.
  await expect(asksApp).toBeHidden();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(asksApp).toBeHidden();
  await child.close();
  await page.getByRole('button', { name: 'End' }).click();
  const review = await keptReview(page, playId);
  expect(byHand).toBeGreaterThan(0);
  expect(review.answers.length).toBeLessThanOrEqual(byHand);
  await expect(page.getByText(/The app/).first()).toBeVisible();
  await deletePupil(page, pupil);
});

test('in a race the app is first when the child takes long, and not when the child is quick', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: 'Edda P.' });
  await beginGame(page, 'first-voice', pupil, { second: 'The app' });
  await page.getByRole('button', { name: 'Go on' }).click();
  const own = page.locator('.claim-zone');
  await expect(own).toHaveCount(1);
  await painted(page);
  // Nobody says for the app that it was first: neither the tutor's key nor the one of its seat.
  for (const key of ['2', 'm']) await page.keyboard.press(key);
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  await own.dispatchEvent('pointerdown');
  await expect(page.locator('.game-need')).toContainText('Edda P.');
  await page.locator('.judge.right').click();
  await page.getByRole('button', { name: 'Go on' }).click();
  // Three seconds or so, of a child of whom nothing is known yet.
  await expect(page.getByText('The app thinks.')).toBeVisible({ timeout: 15_000 });
  await expect(page.getByText(/^The app says \d+\.$/)).toBeVisible();
  await expect(page.getByText(/^The app says \d+\.$/)).toBeHidden();
  await deletePupil(page, pupil);
});

test('the app sits nowhere where it cannot play, and on one seat only', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  await page.goto(`${house().base}/shelf/first-voice?pupil=${pupil.id}`);
  const take = async (seat: number) => {
    await page.getByLabel(`Seat ${seat}`).click();
    await page.getByRole('option', { name: /^The app/ }).click();
    await expect(page.getByRole('listbox')).toHaveCount(0);
  };
  await take(2);
  await take(3);
  const start = page.getByRole('button', { name: 'To the table' });
  await start.click();
  await expect(page.getByRole('alert')).toHaveText('The app takes one seat only.');
  await page.getByLabel('Seat 3').click();
  await page.getByRole('option', { name: 'nobody' }).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await page.getByLabel('Where').click();
  await page.getByRole('option', { name: /^Real cards in printed order/ }).click();
  await start.click();
  await expect(page.getByRole('alert')).toHaveText(/cannot handle real cards/);
  await deletePupil(page, pupil);
});
