import { chromium as launch, type Browser, type CDPSession, type Page } from '@playwright/test';
import { ensureDatabase, migrate, openDb, startCluster } from '@veldrift/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '../e2e/playwright.config.ts';
import { ensureBuilt } from '../scripts/build.ts';
import { demoPassword, demoTutors } from '../scripts/demo/house.ts';
import { loadDemo } from '../scripts/demo/load.ts';
import { portFrom, serve } from '../scripts/serve.ts';
import { addPupil, prompt, startMinute } from '../e2e/house.ts';

/** A live table in a real browser against a real server, with a minute of five minutes under way. */
export interface BenchTable {
  readonly page: Page;
  readonly cdp: CDPSession;
}

/** Opens everything, hands over the table, and puts it all away. */
export async function withTable<T>(root: string, work: (table: BenchTable) => Promise<T>): Promise<T> {
  ensureBuilt(root);
  const dir = mkdtempSync(join('/tmp', 'veldrift-bench-'));
  const cluster = await startCluster(dir);
  let browser: Browser | undefined;
  let stop: (() => Promise<void>) | undefined;
  try {
    await ensureDatabase(cluster, 'demo');
    await migrate(cluster.adminUrl('demo'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('demo'));
    await loadDemo(db, new Date());
    await db.end();
    const serving = await serve(root, {
      db: cluster.appUrl('demo'),
      port: await portFrom(18_400, '127.0.0.1'),
      host: '127.0.0.1',
    });
    stop = serving.stop;
    browser = await launch.launch(chromium);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const base = `http://127.0.0.1:${serving.port}`;
    await page.goto(`${base}/sign-in`);
    await page.getByLabel('E-mail address').fill(demoTutors[0].email);
    await page.getByLabel('Password').fill(demoPassword);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('link', { name: 'Today' }).waitFor();
    const cdp = await page.context().newCDPSession(page);
    return await work({ page, cdp });
  } finally {
    await browser?.close();
    await stop?.();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Puts a fresh long minute on the table, for a pupil of its own. */
export async function longMinute({ page }: BenchTable, capture: 'keypad' | 'tutor'): Promise<void> {
  const pupil = await addPupil(page, { capture, policy: { minuteMs: 300_000 } });
  await startMinute(page, pupil.id);
  await prompt(page).waitFor();
}

/** The answers of the minute on the table, as kept on the device, oldest first. */
export function keptAnswers({
  page,
}: BenchTable): Promise<{ readonly latencyMs: number; readonly voided: boolean }[]> {
  return page.evaluate(
    (playId) =>
      new Promise((done) => {
        // The last answer is written a moment after its key.
        setTimeout(() => {
          const opening = indexedDB.open('veldrift');
          opening.onsuccess = () => {
            const range = IDBKeyRange.bound([playId, 0], [playId, Infinity]);
            const got = opening.result.transaction('parts').objectStore('parts').getAll(range);
            got.onsuccess = () => {
              opening.result.close();
              done((got.result as { part: { latencyMs: number; voided: boolean } }[]).map((one) => one.part));
            };
          };
        }, 700);
      }),
    page.url().split('/').at(-1) as string,
  );
}

/** The middle and the 95th of a hundred, of absolute values. */
export function spread(values: readonly number[]): {
  readonly median: number;
  readonly p95: number;
  readonly worst: number;
} {
  const sorted = values.map(Math.abs).sort((a, b) => a - b);
  const at = (p: number) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))] as number;
  return { median: at(0.5), p95: at(0.95), worst: sorted.at(-1) as number };
}

export const ms = (value: number) => `${value.toFixed(1)} ms`;
