import { createRandom } from '@veldrift/core';
import { prompt } from '../e2e/house.ts';
import type { Bench } from './section.ts';
import { keptAnswers, longMinute, ms, spread, withTable, type BenchTable } from './table.ts';

const answersAsked = 200;
/** Answers in one minute of five minutes. */
const answersAMinute = 50;

/**
 * The error of the clock, its two ends apart so that no error cancels. The start the page took (end it saw less the
 * latency it kept) against the render time that the browser reports of the prompt; the end it saw against the time stamp
 * the key was sent with.
 */
export const clockBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  await withTable(root, async (table) => {
    for (const load of ['idle', 'busy'] as const) {
      say(`${answersAsked} answers, page ${load}`);
      const found = await measure(table, load === 'busy', say);
      for (const [what, errors, aim] of [
        ['start', found.start, ''],
        ['end', found.end, ''],
        ['whole time', found.whole, 'median 8 ms or less, 95 in 100 within 17 ms'],
      ] as const) {
        const { median, p95, worst } = spread(errors);
        rows.push([load, what, String(errors.length), ms(median), ms(p95), ms(worst), aim]);
      }
      rows.push([
        load,
        'times voided (a gap between frames over 100 ms)',
        String(found.voided),
        '',
        '',
        '',
        '',
      ]);
    }
  });
  return {
    title: 'Clock error',
    says: `Absolute error over ${answersAsked} scripted answers by the tutor's key, 500 to 6000 ms after the prompt, in headless Chromium. Start: against the browser's own element-timing render time of that prompt. End: against the time stamp with which the key event was sent. Both ends are taken from the browser's stamps, so what is left is only what the page's own handling adds: nothing may, however busy it is. How good the stamps are is measured apart (\`paint\`). Busy: 40 ms of work every 90 ms on the page's thread.`,
    columns: ['page', 'what', 'answers', 'median', '95 in 100', 'worst', 'aim'],
    rows,
  };
};

interface Found {
  readonly start: number[];
  readonly end: number[];
  readonly whole: number[];
  voided: number;
}

/** What the page itself notes while it is measured. */
interface Noted {
  readonly paints: Map<string, number>;
  readonly keys: number[];
}

async function measure(table: BenchTable, busy: boolean, say: (text: string) => void): Promise<Found> {
  const { page, cdp } = table;
  const random = createRandom(busy ? 2 : 1);
  const found: Found = { start: [], end: [], whole: [], voided: 0 };
  for (let left = answersAsked; left > 0; left -= answersAMinute) {
    await longMinute(table, 'tutor');
    await page.evaluate(note, busy);
    const timeOrigin = await page.evaluate(() => performance.timeOrigin);
    const sent: { paintedAt: number; sentAt: number }[] = [];
    for (let nth = 0; nth < Math.min(left, answersAMinute); nth += 1) {
      const id = (await prompt(page).getAttribute('elementtiming')) as string;
      const painted = await page.waitForFunction(
        (wanted) => (window as unknown as { noted: Noted }).noted.paints.get(wanted),
        id,
        { polling: 30 },
      );
      const paintedAt = (await painted.jsonValue()) as number;
      const sentAt = paintedAt + random.int(500, 6000);
      await page.waitForFunction((until) => performance.now() >= until, sentAt, { polling: 20 });
      const key = { key: 'ArrowRight', code: 'ArrowRight', windowsVirtualKeyCode: 39 };
      await cdp.send('Input.dispatchKeyEvent', {
        type: 'keyDown',
        ...key,
        timestamp: (timeOrigin + sentAt) / 1000,
      });
      await cdp.send('Input.dispatchKeyEvent', { type: 'keyUp', ...key });
      await page.waitForFunction(
        (before) => document.querySelector('[data-fact]')?.getAttribute('elementtiming') !== before,
        id,
        { polling: 20 },
      );
      sent.push({ paintedAt, sentAt });
    }
    const answers = await keptAnswers(table);
    const keys = await page.evaluate(() => (window as unknown as { noted: Noted }).noted.keys);
    sent.forEach((truth, nth) => {
      const answer = answers[nth];
      const keyAt = keys[nth];
      if (!answer || keyAt === undefined)
        throw new Error('An answer was not kept: the bench and the page disagree.');
      found.start.push(keyAt - answer.latencyMs - truth.paintedAt);
      found.end.push(keyAt - truth.sentAt);
      found.whole.push(answer.latencyMs - (truth.sentAt - truth.paintedAt));
      if (answer.voided) found.voided += 1;
    });
    say(`${answersAsked - left + sent.length} done`);
  }
  return found;
}

/** Runs in the page: notes render times and key time stamps, and keeps it busy if asked. */
function note(busy: boolean): void {
  const noted: Noted = { paints: new Map(), keys: [] };
  (window as unknown as { noted: Noted }).noted = noted;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries() as (PerformanceEntry & {
      identifier: string;
      renderTime: number;
    })[])
      noted.paints.set(entry.identifier, entry.renderTime);
  }).observe({ type: 'element', buffered: true });
  window.addEventListener('keydown', (event) => noted.keys.push(event.timeStamp), true);
  if (!busy) return;
  setInterval(() => {
    const until = performance.now() + 40;
    while (performance.now() < until);
  }, 90);
}
