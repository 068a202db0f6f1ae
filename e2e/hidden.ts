import { painted } from './house.ts';
import type { CDPSession, Page } from '@playwright/test';

/** What is not wholly to be seen of what a child or tutor must see and press now, and keys that are too small. */
export const hiddenNow = (page: Page) =>
  page.evaluate(() => {
    const field = document.querySelector('.field, .loose-field');
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
    // Of a pile the cards lie upon one another.
    const seen =
      '.fact-picture, .told-fact, .told-say, .aid-svg, .prompt, .die, .card-row :not(.card-pile *) > svg, .card-pile, .game-need, .typed';
    for (const one of field.querySelectorAll(seen)) look(one, inField, 0);
    for (const one of field.querySelectorAll('button:not(.square-cell), .claim-zone')) look(one, inField, 44);
    for (const one of field.querySelectorAll('.square-cell')) look(one, inField, 0);
    if (field.scrollHeight > field.clientHeight + 1 || field.scrollWidth > field.clientWidth + 1)
      found.push(
        `the field scrolls: ${field.scrollWidth} by ${field.scrollHeight} in ${field.clientWidth} by ${field.clientHeight}`,
      );
    // Of a screen of a tablet's size and more the field is most; of a phone more than half. Loose cards lie on a real table.
    const least =
      innerWidth >= 1024 && innerHeight >= 768 ? 0.62 : Math.min(innerWidth, innerHeight) < 500 ? 0.55 : 0;
    const share = (inField.width * inField.height) / (innerWidth * innerHeight);
    if (field.matches('.field') && share < least)
      found.push(`the field is ${Math.round(100 * share)} in 100 of the screen`);
    const screen = new DOMRect(0, 0, innerWidth, innerHeight);
    for (const one of document.querySelectorAll('.judge')) look(one, screen, 64);
    for (const one of document.querySelectorAll('.strip button, .margin button')) look(one, screen, 0);
    return found;
  });

/** Laptops, tablets wide and upright, a phone wide and upright, and 1280 by 800 at twice the size. */
const sizes = [
  [1366, 768],
  [1280, 800],
  [1180, 820],
  [1112, 834],
  [1024, 768],
  [820, 1180],
  [768, 1024],
  [844, 390],
  [390, 844],
  [640, 400],
] as const;
/** Those that differ most, where there is much to look at. */
const apart = [
  [1280, 800],
  [1024, 768],
  [768, 1024],
  [844, 390],
  [390, 844],
  [640, 400],
] as const;
/** The four that are furthest apart. */
const furthest = [
  [1280, 800],
  [844, 390],
  [390, 844],
  [640, 400],
] as const;
/** A child's own device: also a small phone. */
const childs = [...apart, [360, 640]] as const;
/** Where a screen may lie flat between two. */
const tablets = [
  [1180, 820],
  [1024, 768],
  [768, 1024],
] as const;
export const hiddenSizes = { sizes, apart, furthest, childs, tablets };

/** The screen is of another size, and the frame has gone in which the table measured itself anew. */
async function laidOutAt(devtools: CDPSession, page: Page, width: number, height: number): Promise<void> {
  await devtools.send('Emulation.setDeviceMetricsOverride', {
    ...{ width, height, deviceScaleFactor: 1, mobile: false },
  });
  await page.evaluate(
    ([width, height]) =>
      new Promise<void>((done) => {
        const look = () => {
          if (innerWidth !== width || innerHeight !== height) requestAnimationFrame(look);
          else requestAnimationFrame(() => setTimeout(() => setTimeout(done)));
        };
        look();
      }),
    [width, height],
  );
}

const devtoolsOf = new WeakMap<Page, Promise<CDPSession>>();

/** Looks at what stands on the table now at every size; the page keeps the last of them. */
export async function atEverySize(
  page: Page,
  what: string,
  hidden: string[],
  of: readonly (readonly [number, number])[] = sizes,
): Promise<void> {
  // Playwright's own way to another size takes three times as long, and ten thousand are looked at.
  const opened = devtoolsOf.get(page) ?? page.context().newCDPSession(page);
  devtoolsOf.set(page, opened);
  const devtools = await opened;
  for (const [width, height] of of) {
    await laidOutAt(devtools, page, width, height);
    if ((await hiddenNow(page)).length === 0) continue;
    // What a frame later is in its place was never hidden from anybody.
    await painted(page);
    for (const one of await hiddenNow(page)) hidden.push(`${what}, ${width}\u00d7${height}: ${one}`);
  }
}
