import { chromium as launch } from '@playwright/test';
import { ensureDatabase, migrate, openDb, startCluster } from '@veldrift/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { addPupil, prompt, signIn } from '../e2e/house.ts';
import { chromium } from '../e2e/playwright.config.ts';
import { ensureBuilt } from '../scripts/build.ts';
import { loadDemo } from '../scripts/demo/load.ts';
import { portFrom, serve } from '../scripts/serve.ts';
import type { Bench } from './section.ts';
import { ms, spread } from './table.ts';

const turns = 60;

/**
 * How far the child's own screen is behind the table, on loopback: the tutor's table at one server process, the child's device at
 * another, a drill turned by the tutor's key. From Space to the prompt painted there, and from the child's Enter to the answer
 * on the table; both on one clock, that of this process.
 */
export const liveBench: Bench = async (root, say) => {
  ensureBuilt(root);
  const dir = mkdtempSync(join('/tmp', 'veldrift-bench-'));
  const cluster = await startCluster(dir);
  const browser = await launch.launch(chromium);
  const stops: (() => Promise<void>)[] = [];
  try {
    await ensureDatabase(cluster, 'demo');
    await migrate(cluster.adminUrl('demo'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('demo'));
    await loadDemo(db, new Date());
    await db.end();
    const at = async (first: number) => {
      const serving = await serve(root, {
        db: cluster.appUrl('demo'),
        port: await portFrom(first, '127.0.0.1'),
        host: '127.0.0.1',
      });
      stops.push(serving.stop);
      return `http://127.0.0.1:${serving.port}`;
    };
    const [tutorBase, childBase] = [await at(18_600), await at(18_700)];
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    const child = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await signIn(page, tutorBase);
    const pupil = await addPupil(page, { capture: 'keypad', setId: 'strategy/mul/2' });
    await page.goto(`${tutorBase}/table/new/${pupil.id}?what=drill`);
    await page.getByRole('button', { name: '60', exact: true }).click();
    await page.getByRole('button', { name: 'To the table' }).click();
    await page.getByRole('button', { name: 'Begin', exact: true }).waitFor();
    await page.getByRole('button', { name: 'Screens' }).click();
    await page.getByRole('button', { name: 'Another device, by code' }).click();
    const code = (await page.getByRole('dialog').locator('.numeral').textContent())?.replace(/\s/g, '') ?? '';
    await child.goto(`${childBase}/child`);
    await child.getByLabel('Eight figures').fill(code);
    await child.getByRole('button', { name: 'Join' }).click();
    await page.getByText('device shows the prompt').waitFor();
    await page.getByRole('button', { name: 'Close' }).click();
    // Both pages of this machine share its clock: timeOrigin and time stamp give when something was painted or heard.
    const painted = (id: string | null) =>
      child.evaluate(
        (before) =>
          new Promise<number>((done) => {
            // Watched, not polled: what measures must not slow what it measures.
            const watching = new MutationObserver(() => {
              const shown = document.querySelector('[data-fact]')?.getAttribute('elementtiming');
              if (!shown || shown === before) return;
              watching.disconnect();
              requestAnimationFrame(() => done(performance.timeOrigin + performance.now()));
            });
            watching.observe(document.body, { subtree: true, childList: true, attributes: true });
          }),
        id,
      );
    const there: number[] = [];
    const back: number[] = [];
    let before: string | null = null;
    for (let nth = 0; nth < turns; nth += 1) {
      const waiting = painted(before);
      const pressed = await page.evaluate(() => performance.timeOrigin + performance.now());
      await page.keyboard.press('Space');
      there.push((await waiting) - pressed);
      before = await prompt(child).getAttribute('elementtiming');
      await child.waitForTimeout(120);
      await child.keyboard.type('1');
      const told = page.evaluate(
        () =>
          new Promise<number>((done) => {
            const watching = new MutationObserver(() => {
              if (!document.querySelector('.told')) return;
              watching.disconnect();
              done(performance.timeOrigin + performance.now());
            });
            watching.observe(document.body, { subtree: true, childList: true });
          }),
      );
      const entered = await child.evaluate(() => performance.timeOrigin + performance.now());
      await child.keyboard.press('Enter');
      back.push((await told) - entered);
      if (nth % 20 === 0) say(`${nth} of ${turns} turns`);
    }
    return {
      title: 'The child\u2019s own screen in step',
      says: `${turns} turns of a drill on loopback, the tutor\u2019s table at one server process, the child\u2019s device at another; the way of the key through the test driver is in it.`,
      columns: ['what', 'how many', 'median', '95 in 100', 'worst', 'aim'],
      rows: [
        ['Space at the table to the prompt painted on the child\u2019s device', ...cells(there), '150 ms'],
        ['Done on the child\u2019s device to the answer on the table', ...cells(back), '150 ms'],
      ],
    };
  } finally {
    await browser.close();
    for (const stop of stops) await stop();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
};

function cells(values: readonly number[]): string[] {
  const { median, p95, worst } = spread(values);
  return [String(values.length), ms(median), ms(p95), ms(worst)];
}
