import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { prompt } from '../e2e/house.ts';
import type { Bench } from './section.ts';
import { keptAnswers, longMinute, ms, spread, withTable, type BenchTable } from './table.ts';

const promptsAsked = 120;
const keysAsked = 60;
const categories = ['cc', 'benchmark', 'blink.user_timing'];

/**
 * The start of the clock against a truth of its own: the time at which the compositor reports the first frame with the
 * prompt in it as presented, out of a trace of the browser. The page itself takes the element-timing render time.
 */
export const paintBench: Bench = async (root, say) => {
  const [starts, stamps] = await withTable(root, async (table) => {
    say(`${promptsAsked} prompts, traced`);
    const found = await measure(table);
    say(`${keysAsked} keys sent from the page`);
    return [found, await stampDelays(table)] as const;
  });
  const row = (what: string, errors: readonly number[]) => {
    const { median, p95, worst } = spread(errors);
    const signed = [...errors].sort((a, b) => a - b)[Math.floor(errors.length / 2)] as number;
    return [what, String(errors.length), ms(median), ms(p95), ms(worst), ms(signed)];
  };
  return {
    title: 'Both ends of the clock against truths of their own',
    says: `Start: less the presentation time of the first frame that holds the prompt, from the browser's trace (category cc), ${promptsAsked} prompts turned by the tutor's key. End: the browser's stamp on a key less the moment a timer in the page asked for it, through a binding and back; it holds the way there, so it is a bound from above. With sign: above 0 is late. Headless Chromium has no screen: a real one adds a delay of its own, the same in a calibration and in a minute.`,
    columns: ['what', 'how many', 'median', '95 in 100', 'worst', 'median with sign'],
    rows: [
      ['start, as the page takes it (element timing)', ...row('', starts.taken).slice(1)],
      [
        'start, where a browser gives no element timing (first frame and a message)',
        ...row('', starts.fallback).slice(1),
      ],
      ['end, stamp less asked', ...row('', stamps).slice(1)],
    ],
  };
};

interface Noted {
  /** When each prompt was put in, and when a message posted from the first frame after came. */
  readonly put: [id: string, at: number, afterFrame: number][];
  readonly keys: number[];
}

async function measure(
  table: BenchTable,
): Promise<{ readonly taken: number[]; readonly fallback: number[] }> {
  const { page } = table;
  const browser = page.context().browser();
  if (!browser) throw new Error('The bench needs a browser that it can trace.');
  await longMinute(table, 'tutor');
  const file = join(tmpdir(), `veldrift-trace-${process.pid}.json`);
  await browser.startTracing(page, { path: file, categories });
  await page.evaluate(note);
  for (let nth = 0; nth < promptsAsked; nth += 1) {
    const before = (await prompt(page).getAttribute('elementtiming')) as string;
    await page.waitForTimeout(300);
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(
      (old) => document.querySelector('[data-fact]')?.getAttribute('elementtiming') !== old,
      before,
      { polling: 20 },
    );
  }
  await page.waitForTimeout(300);
  await browser.stopTracing();
  const noted = await page.evaluate(() => (window as unknown as { noted: Noted }).noted);
  const answers = await keptAnswers(table);
  const trace = JSON.parse(readFileSync(file, 'utf8')) as { traceEvents: TraceEvent[] };
  rmSync(file);
  const frames = framesOf(trace.traceEvents);
  const taken: number[] = [];
  const fallback: number[] = [];
  // The nth key ends the nth prompt; the prompt it ended was put in by the key before.
  noted.put.slice(0, -1).forEach(([, putAt, afterFrame], nth) => {
    const keyAt = noted.keys[nth + 1];
    const answer = answers[nth + 1];
    const frame = frames.find((one) => one.commitAt >= putAt);
    if (keyAt === undefined || !answer || !frame) throw new Error('The trace and the page disagree.');
    taken.push(keyAt - answer.latencyMs - frame.presentedAt);
    fallback.push(afterFrame - frame.presentedAt);
  });
  return { taken, fallback };
}

/** Runs in the page: notes when each prompt was put into it, and the keys; leaves a mark that the trace shows too. */
function note(): void {
  const noted: Noted = { put: [], keys: [] };
  (window as unknown as { noted: Noted }).noted = noted;
  performance.mark('veldrift-zero');
  let last = document.querySelector('[data-fact]')?.getAttribute('elementtiming');
  new MutationObserver(() => {
    const id = document.querySelector('[data-fact]')?.getAttribute('elementtiming');
    if (!id || id === last) return;
    last = id;
    const entry: Noted['put'][number] = [id, performance.now(), 0];
    noted.put.push(entry);
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => {
        entry[2] = performance.now();
        channel.port1.close();
      };
      channel.port2.postMessage(null);
    });
  }).observe(document.body, { subtree: true, childList: true, attributes: true });
  window.addEventListener('keydown', (event) => noted.keys.push(event.timeStamp), true);
}

/** Keys asked for by a timer in the page: how much later the browser stamps them. A stamp out of order is an error. */
async function stampDelays({ page, cdp }: BenchTable): Promise<number[]> {
  await page.exposeBinding('veldriftPress', async () => {
    const key = { key: 'Shift', code: 'ShiftLeft', windowsVirtualKeyCode: 16 };
    await cdp.send('Input.dispatchKeyEvent', { type: 'keyDown', ...key });
    await cdp.send('Input.dispatchKeyEvent', { type: 'keyUp', ...key });
  });
  return page.evaluate(async (asked) => {
    const found: number[] = [];
    for (let nth = 0; nth < asked; nth += 1) {
      await new Promise((done) => setTimeout(done, 120));
      const heard = new Promise<{ stamp: number; heardAt: number }>((done) =>
        window.addEventListener(
          'keydown',
          (event) => done({ stamp: event.timeStamp, heardAt: performance.now() }),
          { once: true, capture: true },
        ),
      );
      const sentAt = performance.now();
      void (window as unknown as { veldriftPress: () => Promise<void> }).veldriftPress();
      const { stamp, heardAt } = await heard;
      if (stamp < sentAt || stamp > heardAt) throw new Error('The browser stamped a key out of order.');
      found.push(stamp - sentAt);
    }
    return found;
  }, keysAsked);
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  /** µs. */
  readonly ts: number;
  readonly id2?: { readonly local?: string; readonly global?: string };
  readonly id?: string;
  readonly pid: number;
  readonly args?: {
    readonly data?: { readonly startTime?: number };
    readonly chrome_frame_reporter?: { readonly state?: string };
  };
}

interface Frame {
  readonly commitAt: number;
  readonly presentedAt: number;
}

/** Frames with the main thread's changes in them that were presented, on the page's time line (ms), in order. */
function framesOf(events: readonly TraceEvent[]): Frame[] {
  const zero = events.find((one) => one.name === 'veldrift-zero');
  const startTime = zero?.args?.data?.startTime;
  if (!zero || startTime === undefined) throw new Error('The trace does not show the mark of the page.');
  const onPage = (ts: number) => (ts - zero.ts) / 1000 + startTime;
  // Ids are used again once a frame is over.
  const underWay = new Map<string, number>();
  const frames: Frame[] = [];
  for (const one of [...events].sort((a, b) => a.ts - b.ts)) {
    const id = one.id2?.local ?? one.id2?.global ?? one.id;
    if (one.pid !== zero.pid || id === undefined) continue;
    if (one.name === 'Commit' && one.ph === 'b') underWay.set(id, onPage(one.ts));
    const commitAt = underWay.get(id);
    if (
      one.name === 'SubmitCompositorFrameToPresentationCompositorFrame' &&
      one.ph === 'e' &&
      commitAt !== undefined
    ) {
      frames.push({ commitAt, presentedAt: onPage(one.ts) });
      underWay.delete(id);
    }
    if (one.name === 'PipelineReporter' && one.ph === 'e') underWay.delete(id);
  }
  return frames.sort((a, b) => a.presentedAt - b.presentedAt);
}
