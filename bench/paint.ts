import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { prompt } from '../e2e/house.ts';
import type { Bench } from './benches.ts';
import { keptAnswers, longMinute, ms, spread, withTable, type BenchTable } from './table.ts';

const promptsAsked = 120;
const categories = ['cc', 'benchmark', 'blink.user_timing'];

/**
 * The start of the clock against a truth of its own: the time at which the compositor reports the first frame with the
 * prompt in it as presented, out of a trace of the browser. The page itself takes the element-timing render time.
 */
export const paintBench: Bench = async (root, say) => {
  const errors = await withTable(root, async (table) => {
    say(`${promptsAsked} prompts, traced`);
    return measure(table);
  });
  const { median, p95, worst } = spread(errors);
  const signed = [...errors].sort((a, b) => a - b)[Math.floor(errors.length / 2)] as number;
  return {
    title: 'Start of the clock against the frame presented',
    says: `Start the page took less the presentation time of the first frame that holds the prompt, from the browser's own trace (category cc), ${promptsAsked} prompts turned by the tutor's key. Absolute, and the median with its sign: above 0 the page begins late.`,
    columns: ['prompts', 'median', '95 in 100', 'worst', 'median with sign'],
    rows: [[String(errors.length), ms(median), ms(p95), ms(worst), ms(signed)]],
  };
};

interface Noted {
  readonly put: [id: string, at: number][];
  readonly keys: number[];
}

async function measure(table: BenchTable): Promise<number[]> {
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
  // The nth key ends the nth prompt; the prompt it ended was put in by the key before.
  return noted.put.slice(0, -1).flatMap(([, putAt], nth) => {
    const keyAt = noted.keys[nth + 1];
    const answer = answers[nth + 1];
    const frame = frames.find((one) => one.commitAt >= putAt);
    if (keyAt === undefined || !answer || !frame) return [];
    return [keyAt - answer.latencyMs - frame.presentedAt];
  });
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
    noted.put.push([id, performance.now()]);
  }).observe(document.body, { subtree: true, childList: true, attributes: true });
  window.addEventListener('keydown', (event) => noted.keys.push(event.timeStamp), true);
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
  const byId = new Map<string, { commit?: number; presented?: number }>();
  for (const one of events) {
    if (one.pid !== zero.pid) continue;
    const id = one.id2?.local ?? one.id2?.global ?? one.id;
    if (id === undefined) continue;
    const frame = byId.get(id) ?? {};
    if (one.name === 'Commit' && one.ph === 'b') frame.commit = onPage(one.ts);
    if (one.name === 'SubmitCompositorFrameToPresentationCompositorFrame' && one.ph === 'e')
      frame.presented = onPage(one.ts);
    byId.set(id, frame);
  }
  return [...byId.values()]
    .flatMap(({ commit, presented }) =>
      commit === undefined || presented === undefined ? [] : [{ commitAt: commit, presentedAt: presented }],
    )
    .sort((a, b) => a.presentedAt - b.presentedAt);
}
