import { expect, test, type Page } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { hiddenNow } from './hidden.ts';
import { addPupil, deletePupil, house, keptReview, painted, prompt, signIn } from './house.ts';

/** The window on another monitor, or zoomed: other pixels to a point, and another size. */
async function onScreen(page: Page, width: number, height: number, deviceScaleFactor: number): Promise<void> {
  const devTools = await page.context().newCDPSession(page);
  await devTools.send('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor,
    mobile: false,
  });
  await painted(page);
}

test('a window dragged to another monitor, or zoomed, in mid-prompt: the same fact stands there whole, and its answer is kept', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  await page.goto(`${house().base}/table/new/${pupil.id}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const asked: string[] = [];
  for (const [width, height, scale] of [
    [1920, 1080, 1],
    [1280, 800, 2],
    [640, 400, 2],
    [1024, 768, 1.5],
  ] as const) {
    await expect(prompt(page)).toBeVisible();
    const fact = (await prompt(page).getAttribute('data-fact')) as string;
    await onScreen(page, width, height, scale);
    expect(await prompt(page).getAttribute('data-fact')).toBe(fact);
    expect(await hiddenNow(page)).toEqual([]);
    asked.push(fact);
    await painted(page);
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
  }
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const playId = page.url().split('/').at(-1) as string;
  const review = await keptReview(page, playId);
  expect(review.answers.slice(0, asked.length).map((one) => one.fact)).toEqual(asked);
  expect(review.answers.every((one) => one.voided || one.latencyMs !== null)).toBe(true);
  await deletePupil(page, pupil);
});

test('with the on-screen keyboard up, what is typed into and its key are seen, on a phone and on tablets', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await dealtBy(page, 20261130);
  await dealsByHand(page);
  await signIn(page);
  expect(await page.locator('meta[name="viewport"]').getAttribute('content')).toContain('resizes-content');
  const pupil = await addPupil(page, { capture: 'tutor' });
  const hidden: string[] = [];
  // What a keyboard of 300 to 380 points leaves of 360 x 640, 390 x 844, 768 x 1024 and 1024 x 768.
  const left = [
    [360, 320],
    [390, 500],
    [768, 640],
    [1024, 390],
  ] as const;
  const look = async (what: string) => {
    const field = page.locator('.field input[type="text"]').first();
    await field.click();
    for (const [width, height] of left) {
      await page.setViewportSize({ width, height });
      await painted(page);
      await field.scrollIntoViewIfNeeded();
      const seen = await page.evaluate(() => {
        const at = document.activeElement;
        if (!(at instanceof HTMLInputElement)) return 'nothing is typed into';
        const keys = [...(at.closest('form')?.querySelectorAll('button') ?? [])];
        const lost = [at, ...keys].filter((one) => {
          const { left: x, top, right, bottom } = one.getBoundingClientRect();
          return x < 0 || top < 0 || right > innerWidth || bottom > innerHeight;
        });
        return lost.map((one) => one.textContent || one.tagName).join(', ');
      });
      if (seen !== '') hidden.push(`${what}, ${width}×${height}: ${seen}`);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  };
  await beginGame(page, 'two-to-hold', pupil, { second: null, where: /real dice typed/ });
  await look('dice');
  await beginGame(page, 'into-the-middle', pupil, { second: null });
  const go = page.getByRole('button', { name: /^(Go on|Roll)$/ });
  if (await go.isVisible()) await go.click();
  // A line is put together from keys: no keyboard comes up.
  await expect(page.getByRole('textbox', { name: 'The line' })).toHaveAttribute('inputmode', 'none');
  await beginGame(page, 'what-slipped', pupil, { second: null });
  if (await go.isVisible()) await go.click();
  await look('a mend');
  expect(hidden).toEqual([]);
  await deletePupil(page, pupil);
});
