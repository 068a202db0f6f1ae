import { expect, type Page } from '@playwright/test';
import { createRandom, type RandomSource } from '@veldrift/core';
import { games, type AnyGame } from '@veldrift/core/games';
import { beginGame, childrenType, dealtBy } from './gameHouse.ts';
import { hiddenNow, hiddenSizes } from './hidden.ts';
import { addPupil, deletePupil, painted, signIn } from './house.ts';
import { test } from './steady.ts';

test.use({ hasTouch: true, contextOptions: { reducedMotion: 'reduce' } });

/** Another seed is another hand: npx playwright test randomHand, with VELDRIFT_SEED set. */
const seed = Number(process.env.VELDRIFT_SEED ?? 20261201);
const tables = Number(process.env.VELDRIFT_TABLES ?? 10);
const pressesEach = 24;
const looksEvery = 6;

const struck =
  'ArrowRight ArrowLeft ArrowDown ArrowUp Space Enter Backspace Escape Tab 7 1 2 a b c p u x z ?'.split(' ');

/** One of some things. */
const oneOf = <T>(random: RandomSource, of: readonly T[]): T => of[random.int(0, of.length - 1)] as T;

/** What lies where a restless hand may fall, but for what ends the game; where its middle is. */
const reachable = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, .claim-zone, [role="button"]')].flatMap((one) => {
      const box = one.getBoundingClientRect();
      const says = (one.getAttribute('aria-label') ?? one.textContent ?? '').trim();
      const inside =
        box.width > 0 &&
        box.left >= 0 &&
        box.top >= 0 &&
        box.right <= innerWidth &&
        box.bottom <= innerHeight;
      return inside && !/^(End|Leave|Sign out|To the review|Review)/.test(says)
        ? [{ x: box.left + box.width / 2, y: box.top + box.height / 2, says: says.slice(0, 30) }]
        : [];
    }),
  );

test('a hand that presses anything at any time, on any screen, meets no error, no dead end and nothing hidden', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const random = createRandom(seed);
  await dealtBy(page, random.int(1, 1_000_000));
  const wrong: string[] = [];
  let table = '';
  const trail: string[] = [];
  const note = (what: string) => wrong.push(`${table}: ${what}, after ${trail.slice(-5).join(' | ')}`);
  page.on('pageerror', (error) => note(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') note(message.text().slice(0, 200));
  });
  await signIn(page);
  const said = await addPupil(page, { capture: 'tutor', name: 'Mirela' });
  const typed = await addPupil(page, { capture: 'keypad', name: 'Odd-Arne' });
  const beside = [await addPupil(page, { name: 'Cy' }), await addPupil(page, { name: 'Tuva' })];
  for (const game of Array.from({ length: tables }, () => oneOf(random, games) as AnyGame))
    await test.step(game.name, async () => {
      const typing = random.unit() < 0.4;
      const seats = Math.min(game.seats.most, Math.max(game.seats.least, random.int(1, 3)));
      const step = oneOf(random, game.steps).name;
      table = `${game.name}, ${step}, ${seats} seats${typing ? ', typed' : ''}`;
      trail.length = 0;
      await page.setViewportSize({ width: 1280, height: 800 });
      await beginGame(page, game.id, typing ? typed : said, {
        next: true,
        step: new RegExp(`^${step.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`),
        second: seats === 1 ? null : 'Cy',
        others: seats === 3 ? ['Tuva'] : [],
        flips: typing ? [childrenType] : [],
      });
      for (let nth = 1; nth <= pressesEach; nth += 1) {
        if (random.unit() < 0.12) {
          const [width, height] = oneOf(random, hiddenSizes.apart);
          await page.setViewportSize({ width, height });
          trail.push(`${width} by ${height}`);
        }
        if (random.unit() < 0.15) {
          const key = oneOf(random, struck);
          trail.push(key);
          await page.keyboard.press(key);
        } else {
          const place = oneOf(random, await reachable(page));
          trail.push(place.says);
          await page.touchscreen.tap(place.x, place.y);
        }
        await painted(page);
        if (nth % looksEvery > 0) continue;
        expect(await page.getByText('This could not be shown').count(), trail.join(' | ')).toBe(0);
        // What was called over the table hides it until it is closed.
        const called = page.locator('[role="dialog"], [role="menu"], .MuiModal-root, .game-best');
        if ((await called.count()) === 0) for (const one of await hiddenNow(page)) note(one);
      }
      await page.keyboard.press('Escape');
      if (!page.url().includes('/table/')) note(`went to ${page.url()}`);
    });
  expect(wrong).toEqual([]);
  for (const pupil of [said, typed, ...beside]) await deletePupil(page, pupil);
});
