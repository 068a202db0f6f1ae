import { expect, test, type Page } from '@playwright/test';
import { games } from '@veldrift/core/games';
import { beginGame } from './gameHouse.ts';
import { keys, move, shown, taps, type Hand } from './gameWalk.ts';
import { addPupil, deletePupil, signIn } from './house.ts';

async function playEvery(page: Page, hand: Hand): Promise<void> {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  for (const { id, name } of games)
    await test.step(name, async () => {
      await beginGame(page, id, pupil, { next: true });
      for (let moves = 0; moves < 5; moves += 1) {
        const before = await shown(page);
        await move(page, hand);
        await expect.poll(() => shown(page)).not.toBe(before);
      }
      // What happened last is told where a screen reader hears it.
      const told = page.locator('.game-words[aria-live="polite"]');
      await expect(told.locator('.game-says')).not.toBeEmpty();
      await expect(told.locator('.game-need')).not.toBeEmpty();
    });
  await deletePupil(page, pupil);
}

test('every game is played by keyboard alone', async ({ page }) => {
  test.setTimeout(300_000);
  await playEvery(page, keys);
});

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 768, height: 1024 }, hasTouch: true });
  test('every game is played by taps alone', async ({ page }) => {
    test.setTimeout(300_000);
    await playEvery(page, taps);
  });
});
