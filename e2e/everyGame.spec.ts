import { expect, test, type Page } from '@playwright/test';
import { games } from '@veldrift/core/games';
import { beginGame, dealtBy } from './gameHouse.ts';
import { keys, move, shown, showsOtherThan, taps, type Hand } from './gameWalk.ts';
import { addPupil, deletePupil, signIn } from './house.ts';

/** Another seed deals other cards: npx playwright test everyGame, with VELDRIFT_SEED set. */
const seed = Number(process.env.VELDRIFT_SEED ?? 20261130);

async function playEvery(page: Page, hand: Hand): Promise<void> {
  await dealtBy(page, seed);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  for (const { id, name } of games)
    await test.step(name, async () => {
      await beginGame(page, id, pupil, { next: true });
      for (let moves = 0; moves < 5; moves += 1) {
        const before = await shown(page);
        await move(page, hand);
        await showsOtherThan(page, before);
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
  test.use({
    viewport: { width: 768, height: 1024 },
    hasTouch: true,
    contextOptions: { reducedMotion: 'reduce' },
  });
  test('every game is played by taps alone', async ({ page }) => {
    test.setTimeout(300_000);
    await playEvery(page, taps);
  });
});
