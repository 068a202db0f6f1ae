import { expect, type Page } from '@playwright/test';
import { games } from '@veldrift/core/games';
import { beginGame, painted } from './gameHouse.ts';
import { move, shown, taps } from './gameWalk.ts';
import { addPupil, deletePupil, signIn } from './house.ts';
import { test } from './steady.ts';

/** Screens that are wider than high, from a laptop to a small tablet. */
const wide = [
  [1366, 768],
  [1280, 800],
  [1180, 820],
  [1112, 834],
  [1024, 768],
] as const;
const movesEach = 4;

/** What is not wholly to be seen of what a child or tutor must see and press now, and keys that are too small. */
const hiddenNow = (page: Page) =>
  page.evaluate(() => {
    const field = document.querySelector('.field');
    if (!field) return ['there is no field'];
    const found: string[] = [];
    const name = (one: Element) =>
      `${one.tagName.toLowerCase()}.${[...one.classList].join('.')} \u201c${(one.getAttribute('aria-label') ?? one.textContent ?? '').trim().slice(0, 24)}\u201d`;
    const look = (one: Element, within: DOMRect, least: number) => {
      const box = one.getBoundingClientRect();
      if (box.width === 0 || box.height === 0) return;
      const out =
        box.left < within.left - 1 ||
        box.right > within.right + 1 ||
        box.top < within.top - 1 ||
        box.bottom > within.bottom + 1;
      if (out) found.push(`${name(one)} lies outside`);
      else {
        const at = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
        if (!at || !(one.contains(at) || at.contains(one))) found.push(`${name(one)} is covered`);
      }
      if (box.width < least - 0.5 || box.height < least - 0.5)
        found.push(`${name(one)} is ${Math.round(box.width)} by ${Math.round(box.height)}`);
    };
    const inField = field.getBoundingClientRect();
    for (const one of field.querySelectorAll('.prompt, .die, .card-row svg, .game-need, .typed'))
      look(one, inField, 0);
    for (const one of field.querySelectorAll('button:not(.square-cell), .claim-zone')) look(one, inField, 44);
    for (const one of field.querySelectorAll('.square-cell')) look(one, inField, 0);
    const screen = new DOMRect(0, 0, innerWidth, innerHeight);
    for (const one of document.querySelectorAll('.judge')) look(one, screen, 64);
    return found;
  });

test.use({ hasTouch: true });

test('a table held wide hides nothing: every game, through its first moves, at five sizes', async ({
  page,
}) => {
  test.setTimeout(480_000);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  const hidden: string[] = [];
  for (const { id, name } of games)
    await test.step(name, async () => {
      await beginGame(page, id, pupil);
      for (let nth = 0; nth < movesEach; nth += 1) {
        for (const [width, height] of wide) {
          await page.setViewportSize({ width, height });
          await painted(page);
          for (const what of await hiddenNow(page))
            hidden.push(`${name}, move ${nth}, ${width}\u00d7${height}: ${what}`);
        }
        const before = await shown(page);
        await move(page, taps);
        await expect.poll(() => shown(page)).not.toBe(before);
      }
    });
  expect(hidden).toEqual([]);
  await deletePupil(page, pupil);
});
