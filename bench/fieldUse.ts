import type { Page } from '@playwright/test';
import { games } from '@veldrift/core/games';
import { beginGame, dealsByHand, dealtBy, need } from '../e2e/gameHouse.ts';
import { move, shown, taps } from '../e2e/gameWalk.ts';
import { addPupil, painted, secondWindow } from '../e2e/house.ts';
import type { Bench } from './section.ts';
import { withTable } from './table.ts';

/** A place is empty where nothing lies within so many CSS pixels: about a child's finger. */
const reachPx = 32;
const cellPx = 8;
const movesEach = 6;
const aim = 1 / 3;
const tutors = [
  [1280, 800],
  [1024, 768],
] as const;

/** How much of the field is empty while a game lies there: the middle of its first moves, on the tutor's screen and the children's. */
export const fieldUseBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  let over = 0;
  await withTable(root, async ({ page }) => {
    // What the walk of every game takes its address from.
    process.env.VELDRIFT_E2E = JSON.stringify({ base: new URL(page.url()).origin });
    // What is measured in the page is compiled with the names of its functions kept by this.
    await page.context().addInitScript('globalThis.__name = (named) => named');
    await dealtBy(page, 20261130);
    await dealsByHand(page);
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const pupil = await addPupil(page, { capture: 'tutor' });
    for (const { id, name } of games) {
      say(name);
      await page.setViewportSize({ width: 1280, height: 800 });
      await beginGame(page, id, pupil);
      const child = await secondWindow(page);
      const found = [...tutors, tutors[1]].map((): number[] => []);
      for (let nth = 0; nth < movesEach && (await need(page)) !== 'over'; nth += 1) {
        for (const [at, [width, height]] of tutors.entries()) {
          await page.setViewportSize({ width, height });
          await painted(page);
          found[at]?.push(await emptyShare(page));
        }
        await child.setViewportSize({ width: 1024, height: 768 });
        await painted(child);
        found[2]?.push(await emptyShare(child));
        await page.bringToFront();
        const before = await shown(page);
        await move(page, { ...taps, press: (what) => what.click(), judge: judged });
        await page.waitForFunction((was) => {
          const field = document.querySelector<HTMLElement>('.game-field');
          return !field || `${field.getAttribute('data-prompt')} ${field.innerText}` !== was;
        }, before);
      }
      await child.close();
      const shares = found.map(median);
      over += shares.filter((share) => share > aim).length;
      rows.push([name, ...shares.map((share) => `${Math.round(100 * share)} %`)]);
    }
  });
  return {
    title: 'How much of the field is empty',
    says: `While a game lies there, two seats, at the step where a pupil who is at multiplication begins: the share of the field with nothing within ${reachPx} px of it, no word, card, square, key or line; the middle of the first ${movesEach} moves. Aim: at most a third; ${over} of ${rows.length * 3} are over it. Headless Chromium.`,
    columns: ['game', 'tutor, 1280 × 800', 'tutor, 1024 × 768', 'children, 1024 × 768'],
    rows,
  };
};

async function judged(page: Page): Promise<void> {
  await painted(page);
  await page.locator('.judge.right').click();
}

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** The share of the field where nothing lies near, 0 to 1: words by the boxes of their lines, all else that is drawn by its box. */
function emptyShare(page: Page): Promise<number> {
  return page.evaluate(
    ({ reach, cell }) => {
      const field = document.querySelector('.field');
      if (!field) return Number.NaN;
      const within = field.getBoundingClientRect();
      const across = Math.floor(within.width / cell);
      const down = Math.floor(within.height / cell);
      const taken = new Uint8Array(across * down);
      const take = (box: DOMRect) => {
        if (box.width < 2 || box.height < 2) return;
        const from = (value: number) => Math.max(0, Math.floor((value - reach) / cell));
        const to = (value: number, most: number) => Math.min(most, Math.ceil((value + reach) / cell));
        for (let y = from(box.top - within.top); y < to(box.bottom - within.top, down); y += 1)
          for (let x = from(box.left - within.left); x < to(box.right - within.left, across); x += 1)
            taken[y * across + x] = 1;
      };
      const visible = (one: Element) => one.checkVisibility() && !one.closest('.sr-only');
      const isDrawn = (one: Element) => {
        const style = getComputedStyle(one);
        const clear = /^(transparent|rgba\(0, 0, 0, 0\))$/;
        return (
          one.tagName.toLowerCase() === 'svg' ||
          !clear.test(style.backgroundColor) ||
          (style.borderTopWidth !== '0px' && !clear.test(style.borderTopColor))
        );
      };
      for (const one of field.querySelectorAll('*')) {
        if (!visible(one)) continue;
        // A cloth that everything lies on is not a thing that lies there.
        const box = one.getBoundingClientRect();
        if (isDrawn(one) && box.width * box.height < 0.8 * within.width * within.height) take(box);
        for (const text of one.childNodes) {
          if (text.nodeType !== Node.TEXT_NODE || (text.textContent ?? '').trim() === '') continue;
          const range = document.createRange();
          range.selectNodeContents(text);
          for (const line of range.getClientRects()) take(line);
        }
      }
      return 1 - taken.reduce((sum, one) => sum + one, 0) / taken.length;
    },
    { reach: reachPx, cell: cellPx },
  );
}
