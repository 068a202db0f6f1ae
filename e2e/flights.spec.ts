import { expect, test, type Page } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { addPupil, deletePupil, painted, signIn } from './house.ts';

/** Keeps what was seen going: which kind, and how far it had gone at its end, px. */
const watched = (page: Page) =>
  page.evaluate(() => {
    const seen: string[] = [];
    Object.assign(window, { seenGoing: seen });
    new MutationObserver((changes) => {
      for (const { addedNodes } of changes)
        for (const node of addedNodes)
          if (node instanceof HTMLElement && node.classList.contains('flight')) seen.push(node.className);
    }).observe(document.body, { childList: true });
  });
const seenIn = (page: Page) =>
  page.evaluate(() => (window as unknown as { readonly seenGoing: string[] }).seenGoing);

for (const motion of ['no-preference', 'reduce'] as const)
  test(`cards go to who won them, for a moment, and with less motion not at all (${motion})`, async ({
    page,
  }) => {
    await page.emulateMedia({ reducedMotion: motion });
    await dealtBy(page, 5);
    await dealsByHand(page);
    await signIn(page);
    const pupil = await addPupil(page, { capture: 'tutor' });
    await beginGame(page, 'outweigh', pupil);
    await watched(page);
    const field = page.locator('.game-field');
    for (let judged = 0; judged < 2;) {
      const before = (await field.getAttribute('data-prompt')) as string;
      await painted(page);
      if ((await field.getAttribute('data-need')) === 'go')
        await page.getByRole('button', { name: 'Go on' }).click();
      else {
        await page.locator('.judge.right').click();
        judged += 1;
      }
      await expect(field).not.toHaveAttribute('data-prompt', before);
    }
    // Both have said theirs: the larger has all that lay there.
    expect(await seenIn(page)).toEqual(motion === 'reduce' ? [] : ['flight cards']);
    // Nothing of it stays.
    await expect(page.locator('.flight')).toHaveCount(0);
    await deletePupil(page, pupil);
  });
