import type { Page } from '@playwright/test';
import { addPupil, prompt } from '../e2e/house.ts';
import type { Bench } from './section.ts';
import { ms, spread, withTable, type BenchTable } from './table.ts';

const prompts = 2000;
const compared = 100;

/** From the key to the next prompt painted, in one drill and one minute of two thousand prompts: the first hundred and the last. */
export const longPlayBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  await withTable(root, async (table) => {
    for (const kind of ['drill', 'minute'] as const) {
      say(`${prompts} prompts in one ${kind}`);
      await longPlay(table, kind);
      const times = await answerAll(table.page, kind, say);
      const [first, last] = [times.slice(0, compared), times.slice(-compared)].map((part) => spread(part));
      if (!first || !last) throw new Error('Nothing was measured.');
      rows.push([
        `a ${kind}`,
        ms(first.median),
        ms(last.median),
        `${(last.median / first.median).toFixed(2)} times`,
        ms(first.p95),
        ms(last.p95),
        'within 1.2 times',
      ]);
    }
  });
  return {
    title: 'A long play',
    says: `From the key event\u2019s time stamp to the element-timing render time of the next prompt, ${prompts.toLocaleString('en')} prompts in one play, headless Chromium: medians of the first ${compared} and of the last ${compared}, and 95 in 100 of each.`,
    columns: [
      'play',
      'the first',
      'the last',
      'slower by',
      'the first, 95 in 100',
      'the last, 95 in 100',
      'aim',
    ],
    rows,
  };
};

/** Puts a play on the table that goes on for so long: its row on this device's disk is lengthened before it is begun. */
async function longPlay({ page }: BenchTable, kind: 'drill' | 'minute'): Promise<void> {
  const pupil = await addPupil(page, { capture: 'tutor' });
  const { origin } = new URL(page.url());
  await page.goto(`${origin}/table/new/${pupil.id}${kind === 'drill' ? '?what=drill' : ''}`);
  if (kind === 'minute') await page.getByRole('button', { name: 'Practice minute' }).click();
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).waitFor();
  const address = page.url();
  await page.goto(`${origin}/icon.svg`);
  await page.evaluate(
    ({ playId, most }) =>
      new Promise<void>((done) => {
        const opening = indexedDB.open('veldrift');
        opening.onsuccess = () => {
          const plays = opening.result.transaction('plays', 'readwrite').objectStore('plays');
          const got = plays.get(playId);
          got.onsuccess = () => {
            const row = got.result as { plan?: { most: number }; state: { lengthMs?: number } };
            if (row.plan) row.plan.most = most;
            else row.state.lengthMs = 3_600_000;
            plays.put(row).onsuccess = () => {
              opening.result.close();
              done();
            };
          };
        };
      }),
    { playId: address.split('/').at(-1) as string, most: prompts + 10 },
  );
  await page.goto(address);
  await page.getByRole('button', { name: 'Begin', exact: true }).waitFor();
  await page.keyboard.press('Space');
  await prompt(page).waitFor();
}

interface Noted {
  keyAt: number;
  readonly times: number[];
}

/** Answers them one after another as soon as each is painted. Gives the time from each key that shows the next to its paint, ms. */
async function answerAll(
  page: Page,
  kind: 'drill' | 'minute',
  say: (text: string) => void,
): Promise<number[]> {
  const key = kind === 'drill' ? ' ' : 'ArrowRight';
  await page.evaluate((wanted) => {
    const noted: Noted = { keyAt: 0, times: [] };
    (window as unknown as { noted: Noted }).noted = noted;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { renderTime: number })[])
        if (noted.keyAt > 0 && entry.renderTime >= noted.keyAt) {
          noted.times.push(entry.renderTime - noted.keyAt);
          noted.keyAt = 0;
        }
    }).observe({ type: 'element', buffered: false });
    window.addEventListener(
      'keydown',
      (event) => event.key === wanted && (noted.keyAt = event.timeStamp),
      true,
    );
  }, key);
  const done = () => page.evaluate(() => (window as unknown as { noted: Noted }).noted.times.length);
  for (let nth = 0; nth < prompts; nth += 1) {
    if (kind === 'drill') {
      await page.keyboard.press('ArrowRight');
      await page.waitForFunction(() => document.querySelector('.told') !== null, undefined, { polling: 10 });
    }
    await page.keyboard.press(kind === 'drill' ? 'Space' : 'ArrowRight');
    await page.waitForFunction(
      (count) => (window as unknown as { noted: Noted }).noted.times.length > count,
      nth,
      { polling: 10 },
    );
    if ((nth + 1) % 500 === 0) say(`${nth + 1} of ${prompts}`);
  }
  if ((await done()) !== prompts) throw new Error('A paint was missed.');
  return page.evaluate(() => (window as unknown as { noted: Noted }).noted.times);
}
