import { chromium as launch, type Page } from '@playwright/test';
import { answerOf, parseFactKey } from '@veldrift/core';
import { ensureDatabase, migrate, openDb, startCluster } from '@veldrift/server';
import type { Pupil } from '@veldrift/wire';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { chromium } from '../e2e/playwright.config.ts';
import { ensureBuilt } from './build.ts';
import { demoPassword, demoTutors, loadDemo } from './demo/load.ts';
import { portFrom, serve } from './serve.ts';

const root = resolve(import.meta.dirname, '..');
const out = join(root, 'docs/screenshots');

/** `npm run shots`: one picture of each main view, from a fresh demo room. */
async function shots(): Promise<void> {
  ensureBuilt(root);
  mkdirSync(out, { recursive: true });
  const dir = mkdtempSync(join('/tmp', 'veldrift-shots-'));
  const cluster = await startCluster(dir);
  const browser = await launch.launch(chromium);
  try {
    await ensureDatabase(cluster, 'demo');
    await migrate(cluster.adminUrl('demo'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('demo'));
    await loadDemo(db, new Date());
    await db.end();
    const serving = await serve(root, {
      db: cluster.appUrl('demo'),
      port: await portFrom(18_500, '127.0.0.1'),
      host: '127.0.0.1',
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    await views(page, `http://127.0.0.1:${serving.port}`);
    await serving.stop();
  } finally {
    await browser.close();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

async function views(page: Page, base: string): Promise<void> {
  const shot = async (name: string) => {
    await page.mouse.move(0, 0);
    await page.screenshot({ path: join(out, `${name}.png`) });
    process.stdout.write(`${name}\n`);
  };
  await page.goto(`${base}/sign-in`);
  await page.getByRole('button', { name: 'Sign in' }).waitFor();
  await page.evaluate(() => document.fonts.ready);
  await shot('sign-in');
  await page.getByLabel('E-mail address').fill(demoTutors[0].email);
  await page.getByLabel('Password').fill(demoPassword);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.getByRole('link', { name: 'Start with Ilse' }).waitFor();
  await shot('today');
  await page.goto(`${base}/pupils`);
  await page.getByRole('grid').waitFor();
  await shot('pupils');
  const list = (await (await page.request.get(`${base}/api/pupils`)).json()) as Pupil[];
  const idOf = (name: string) => list.find((one) => one.name === name)?.id ?? '';
  await page.goto(`${base}/pupils/${idOf('Odalys B.')}`);
  await page.locator('.js-plotly-plot .main-svg').first().waitFor();
  await shot('pupil');
  await page.goto(`${base}/pupils/${idOf('Odalys B.')}/edit`);
  await page.getByLabel('Shown name').waitFor();
  await shot('change');
  await page.goto(`${base}/settings`);
  await page.getByRole('heading', { name: 'Settings' }).waitFor();
  await shot('settings');

  await page.goto(`${base}/table/new/${idOf('Rafi')}`);
  await page.getByRole('button', { name: 'To the table' }).waitFor();
  await shot('sheet');
  await toPrompt(page);
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown'])
    await turn(page, () => page.keyboard.press(key));
  await page.keyboard.press('f');
  await shot('table-mark');

  await page.goto(`${base}/table/new/${idOf('Tomasz')}`);
  await toPrompt(page);
  const begun = Date.now();
  for (let nth = 0; Date.now() - begun < 57_000; nth += 1) {
    const fact = parseFactKey((await page.locator('[data-fact]').getAttribute('data-fact')) as string);
    // Every sixth answer is the next multiple, every fourth is slow.
    const slip = nth % 6 === 4 && fact.operation === 'mul' ? fact.left : 0;
    await page.waitForTimeout(nth % 4 === 3 ? 3600 : 1100);
    await page.keyboard.type(String(answerOf(fact) + slip), { delay: 60 });
    if (nth === 4) await shot('table-keypad');
    await turn(page, () => page.keyboard.press('Enter'));
  }
  await page.getByRole('button', { name: 'Open the review' }).click({ timeout: 20_000 });
  await page.getByRole('heading', { name: /Facts met/ }).waitFor();
  await page.getByRole('button', { name: /^Accept/ }).waitFor();
  await shot('review');
  await page
    .getByRole('button', { name: /recalled; \d+ are needed/ })
    .first()
    .click();
  await page.getByRole('dialog').getByRole('table').waitFor();
  await shot('answers-behind');

  await page.evaluate(() =>
    localStorage.setItem('veldrift.settings', JSON.stringify({ theme: 'dark', hand: 'right' })),
  );
  await page.goto(`${base}/pupils/${idOf('Odalys B.')}`);
  await page.locator('.js-plotly-plot .main-svg').first().waitFor();
  await shot('pupil-dark');
}

async function toPrompt(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.locator('[data-fact]').waitFor();
}

async function turn(page: Page, press: () => Promise<void>): Promise<void> {
  const before = await page.locator('[data-fact]').getAttribute('elementtiming');
  await page.waitForTimeout(60);
  await press();
  await page.waitForFunction(
    (old) => document.querySelector('[data-fact]')?.getAttribute('elementtiming') !== old,
    before,
  );
}

await shots();
