import { expect, test } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { move, shown, showsOtherThan, taps } from './gameWalk.ts';
import { addPupil, deletePupil, expectNoViolations, secondWindow, signIn } from './house.ts';

test.use({ hasTouch: true, contextOptions: { reducedMotion: 'reduce' } });

test('a game that is over stays on the table, says what it came to, and goes on with the same children and screens', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await dealtBy(page, 5);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: 'Ada K.' });
  const second = await addPupil(page, { capture: 'tutor', name: 'Bo L.' });
  await beginGame(page, 'fact-line', pupil, { second: 'Bo L.' });
  const child = await secondWindow(page);
  await page.bringToFront();
  const end = page.locator('.game-end');
  while ((await end.count()) === 0) {
    const before = await shown(page);
    await move(page, taps);
    await showsOtherThan(page, before);
  }
  // The board stays, the last sentence names who has the line, and it is said once.
  await expect(page.locator('.square-cell')).toHaveCount(9);
  await expect(page.locator('.game-need')).toHaveText('A line for Ada K.');
  await expect(end.getByText('has most')).toHaveCount(0);
  await expectNoViolations(page);
  // The child's screen shows the same, without keys.
  await expect(child.locator('.square-cell')).toHaveCount(9);
  await expect(child.locator('.game-need')).toHaveText('A line for Ada K.');
  await expect(child.locator('.game-end')).toBeAttached();
  await expect(child.getByRole('button', { name: 'Again' })).toHaveCount(0);

  const first = page.url();
  await page.getByRole('button', { name: 'Again' }).click();
  await expect(page).not.toHaveURL(first);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Ada K\., Bo L\.: Fact line: Products/);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(child.locator('.game-field .square-cell').first()).toBeVisible();
  await page.goto(first.replace('/table/', '/review/'));
  await expect(page.getByText('A line for Ada K.').first()).toBeVisible();
  await page.goBack();
  // The table loaded anew finds the window again.
  await expect(page.locator('.field.small')).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(child.locator('.game-field')).toBeVisible();
  while ((await end.count()) === 0) {
    const before = await shown(page);
    await move(page, taps);
    await showsOtherThan(page, before);
  }
  await page.getByRole('button', { name: 'Next step: Four by four' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.locator('.square-cell')).toHaveCount(16);
  await expect(child.locator('.square-cell')).toHaveCount(16);
  await child.close();
  for (const one of [pupil, second]) await deletePupil(page, one);
});
