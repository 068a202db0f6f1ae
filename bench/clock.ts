import { createRandom } from '@veldrift/core';
import { prompt } from '../e2e/house.ts';
import type { Bench } from './benches.ts';
import { longMinute, ms, spread, withTable, type BenchTable } from './table.ts';

const answersAsked = 200;

/**
 * The error of the clock, its two ends apart so that no error cancels. The start: what the page took as painted, against
 * the browser's own trace of the frame's presentation. The end: keys sent with a time stamp of their own, against the
 * end the page kept (start + latency).
 */
export const clockBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  await withTable(root, async (table) => {
    for (const load of ['idle', 'busy'] as const) {
      say(`${answersAsked} answers, page ${load}`);
      const found = await measure(table, load === 'busy');
      for (const [end, errors, aim] of [
        ['start', found.start, ''],
        ['end', found.end, ''],
        ['whole time', found.whole, 'median 8 ms, 95 in 100 within 17 ms'],
      ] as const) {
        const { median, p95, worst } = spread(errors);
        rows.push([load, end, String(errors.length), ms(median), ms(p95), ms(worst), aim]);
      }
      rows.push([load, 'times voided by frame gaps', String(found.voided), '', '', '', '']);
    }
  });
  return {
    title: 'Clock error',
    says: `Absolute error over ${answersAsked} scripted answers by the tutor's key, 500 to 6000 ms after the prompt, in headless Chromium. The start is held against the browser's element-timing render time read independently from the performance time line, the end against the time stamp the key was sent with. Busy: 40 ms of work every 90 ms on the page's own thread.`,
    columns: ['page', 'what', 'answers', 'median', '95 in 100', 'worst', 'aim'],
    rows,
  };
};

interface Found {
  readonly start: number[];
  readonly end: number[];
  readonly whole: number[];
  readonly voided: number;
}

async function measure(table: BenchTable, busy: boolean): Promise<Found> {
  const { page, cdp } = table;
  const random = createRandom(busy ? 2 : 1);
  const found = { start: [] as number[], end: [] as number[], whole: [] as number[], voided: 0 };
  let left = answersAsked;
  while (left > 0) {
    await longMinute(table, 'tutor');
    await page.evaluate((isBusy) => {
      const page = window as unknown as { paints: Map<string, number>; busyTimer?: number };
      page.paints = new Map();
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
          const one = entry as PerformanceEntry & { identifier: string; renderTime: number };
          page.paints.set(one.identifier, one.renderTime);
        }
      }).observe({ type: 'element', buffered: true });
      if (isBusy) {
        page.busyTimer = window.setInterval(() => {
          const until = performance.now() + 40;
          while (performance.now() < until);
        }, 90);
      }
    }, busy);
    const timeOrigin = await page.evaluate(() => performance.timeOrigin);
    // A minute of five minutes has room for about this many.
    const batch = Math.min(left, 60);
    const sent: { id: string; paintedAt: number; sentAt: number }[] = [];
    for (let nth = 0; nth < batch; nth += 1) {
      const id = (await prompt(page).getAttribute('elementtiming')) as string;
      const painted = await page.waitForFunction((wanted) => (window as unknown as { paints: Map<string, number> }).paints.get(wanted), id);
      const paintedAt = (await painted.jsonValue()) as number;
      const delay = random.int(500, 6000) / (busy || nth % 4 === 0 ? 1 : 2);
      const sentAt = paintedAt + Math.max(500, delay);
      await page.waitForFunction((until) => performance.now() >= until, sentAt, { polling: 20 });
      const timestamp = (timeOrigin + sentAt) / 1000;
      await cdp.send('Input.dispatchKeyEvent', { type: 'keyDown', key: 'ArrowRight', code: 'ArrowRight', windowsVirtualKeyCode: 39, timestamp });
      await cdp.send('Input.dispatchKeyEvent', { type: 'keyUp', key: 'ArrowRight', code: 'ArrowRight', windowsVirtualKeyCode: 39 });
      await page.waitForFunction((before) => document.querySelector('[data-fact]')?.getAttribute('elementtiming') !== before, id);
      sent.push({ id, paintedAt, sentAt });
    }
    const playId = page.url().split('/').at(-1) as string;
    const answers = await page.evaluate(
      (wanted) =>
        new Promise<{ latencyMs: number; voided: boolean }[]>((done) => {
          const opening = indexedDB.open('veldrift');
          opening.onsuccess = () => {
            const got = opening.result.transaction('plays').objectStore('plays').get(wanted);
            got.onsuccess = () => {
              opening.result.close();
              done((got.result as { state: { answers: { latencyMs: number; voided: boolean }[] } }).state.answers);
            };
          };
        }),
      playId,
    );
    answers.forEach((answer, nth) => {
      const truth = sent[nth];
      if (!truth) return;
      const wanted = truth.sentAt - truth.paintedAt;
      found.whole.push(answer.latencyMs - wanted);
      if (answer.voided) found.voided += 1;
    });
    left -= batch;
  }
  return found;
}
