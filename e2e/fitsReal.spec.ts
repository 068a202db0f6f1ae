import { expect } from '@playwright/test';
import { games } from '@veldrift/core/games';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { atEverySize, hiddenSizes } from './hidden.ts';
import { move, shown, showsOtherThan, taps } from './gameWalk.ts';
import { addPupil, deletePupil, signIn } from './house.ts';
import { test } from './steady.ts';

test.use({ hasTouch: true, contextOptions: { reducedMotion: 'reduce' } });

test.beforeEach(async ({ page }) => {
  await dealtBy(page, Number(process.env.VELDRIFT_SEED ?? 20261130));
  await dealsByHand(page);
});

const modes = [
  ['in printed order', /^(Real cards in printed order|On paper)/],
  ['shuffled by hand', /^Real cards, shuffled/],
] as const;

for (const [says, where] of modes)
  test(`nothing is hidden where real cards lie ${says}, in every game that has them`, async ({ page }) => {
    test.setTimeout(480_000);
    await signIn(page);
    const pupil = await addPupil(page, { capture: 'tutor' });
    const hidden: string[] = [];
    for (const game of games) {
      const { id, name, steps } = game;
      if (says === 'shuffled by hand' && game.materials(steps[0]?.rules).pack === null) continue;
      await test.step(name, async () => {
        await beginGame(page, id, pupil, { next: true, where });
        await atEverySize(page, `${name}, ${says}`, hidden, hiddenSizes.apart);
      });
    }
    expect(hidden).toEqual([]);
    await deletePupil(page, pupil);
  });

test('nothing is hidden where the screen lies flat between the two, in every game', async ({ page }) => {
  test.setTimeout(480_000);
  await page.addInitScript(() =>
    localStorage.setItem('veldrift.settings', JSON.stringify({ goesOn: false, arrangement: 'flat' })),
  );
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  const hidden: string[] = [];
  for (const { id, name } of games)
    await test.step(name, async () => {
      await beginGame(page, id, pupil, { next: true });
      await atEverySize(page, `${name}, flat`, hidden, hiddenSizes.tablets);
      const before = await shown(page);
      await move(page, taps);
      await showsOtherThan(page, before);
      await atEverySize(page, `${name}, flat, move 1`, hidden, hiddenSizes.tablets);
    });
  expect(hidden).toEqual([]);
  await deletePupil(page, pupil);
});
