import { chromium as launch, type Page } from '@playwright/test';
import { answerOf, parseFactKey } from '@veldrift/core';
import { ensureDatabase, migrate, openDb, startCluster } from '@veldrift/server';
import { pupilsOf, type PupilList } from '@veldrift/wire';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { signIn } from '../e2e/house.ts';
import { chromium } from '../e2e/playwright.config.ts';
import { ensureBuilt } from './build.ts';
import { loadDemo } from './demo/load.ts';
import { portFrom, serve } from './serve.ts';

const root = resolve(import.meta.dirname, '..');
const out = join(root, 'docs/screenshots');

/** Today at twenty to ten: one visit behind, one under way. */
const morning = new Date(new Date().setHours(9, 40, 0, 0));

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
    await loadDemo(db, morning);
    await db.end();
    const serving = await serve(root, {
      db: cluster.appUrl('demo'),
      port: await portFrom(18_500, '127.0.0.1'),
      host: '127.0.0.1',
    });
    const base = `http://127.0.0.1:${serving.port}`;
    const open = () => browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    const records = await open();
    // The pages of the day show a morning; the tables run on the real clock.
    await records.clock.setFixedTime(morning);
    await recordViews(records, base);
    await records.context().close();
    await tableViews(await open(), base);
    await serving.stop();
  } finally {
    await browser.close();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Finding partners before a class, with devices of its own. */
async function classView(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/class/partners-about`);
  await page.getByRole('button', { name: 'On paper' }).click();
  await page.getByLabel('Seed of the printed cards').fill('12');
  await page.getByRole('button', { name: 'The cards are dealt' }).click();
  await page.getByRole('button', { name: 'Start' }).click();
  for (const [one, other] of [
    [3, 8],
    [1, 2],
  ] as const) {
    await page.getByLabel('Card', { exact: true }).fill(String(one));
    await page.getByLabel('and card').fill(String(other));
    await page.getByRole('button', { name: 'Together?' }).click();
  }
  await shot(page, 'class');
  await page.getByRole('button', { name: 'Other cards' }).click();
}

async function recordViews(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/sign-in`);
  await page.getByRole('button', { name: 'Sign in' }).waitFor();
  await page.evaluate(() => document.fonts.ready);
  await signIn(page, base);
  await page.getByRole('button', { name: /^Start with Ilse/ }).waitFor();
  await shot(page, 'today');
  await page.goto(`${base}/week`);
  await page.getByText('Minutes of practice').waitFor();
  await shot(page, 'week');
  const idOf = await pupilIds(page, base);
  await page.goto(`${base}/pupils/${idOf('Odalys B.')}`);
  await page.locator('.js-plotly-plot .main-svg').first().waitFor();
  await shot(page, 'pupil');
  await page.goto(`${base}/room`);
  await page.getByLabel('Facts recalled, in 100').fill('60');
  await page.getByLabel('Facts short, at most').fill('9');
  await page.getByText(/^Each fact instant: /).waitFor({ timeout: 90_000 });
  await shot(page, 'numbers');
  await page.goto(`${base}/room/pathways`);
  await page.getByRole('button', { name: 'Make a copy to change' }).click();
  await page.getByRole('button', { name: /^6 4 as double 2/ }).click();
  for (const fact of ['11 × 4', '12 × 4'])
    await page.getByRole('button', { name: fact, exact: true }).click();
  await shot(page, 'pathway');
  await page.goto(`${base}/checker`);
  await page.getByLabel('Numbers, or what the dice show').fill('2 3 6');
  await page.getByLabel('To be made').fill('24');
  await page.getByLabel('A line that someone claims').fill('2 + 6 = 8 x 3 = 24');
  await page.getByRole('button', { name: '16, can be made' }).click();
  await shot(page, 'checker');
  await page.goto(`${base}/print/grid-call?seed=2026`);
  await page.getByRole('button', { name: 'Print' }).waitFor();
  await shot(page, 'print');
  await classView(page, base);
  await page.goto(`${base}/shelf?pupil=${idOf('Bram')}`);
  await page.getByRole('link', { name: 'Outweigh' }).first().waitFor();
  await shot(page, 'shelf');
  await page.goto(`${base}/shelf/outweigh?pupil=${idOf('Bram')}`);
  await page.getByText(/in a play/).waitFor();
  await page.getByRole('progressbar').waitFor({ state: 'detached' });
  await shot(page, 'game');
  await page.goto(`${base}/shelf/bench?pupil=${idOf('Odalys B.')}&pack=2:2,3:5,6:2,7:2,10:2`);
  await page.getByRole('button', { name: /^3 × 7, / }).click();
  await shot(page, 'bench');
  await page.evaluate(() =>
    localStorage.setItem('veldrift.settings', JSON.stringify({ theme: 'dark', hand: 'right' })),
  );
  await page.goto(`${base}/pupils/${idOf('Odalys B.')}`);
  await page.locator('.js-plotly-plot .main-svg').first().waitFor();
  await shot(page, 'pupil-dark');
}

async function tableViews(page: Page, base: string): Promise<void> {
  await signIn(page, base);
  const idOf = await pupilIds(page, base);
  await gameView(page, base, idOf('Bram'));
  await drillViews(page, base, idOf('Rafi'));
  await page.goto(`${base}/table/new/${idOf('Rafi')}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).waitFor();
  await shot(page, 'sheet');
  await page.goto(`${base}/table/new/${idOf('Rafi')}`);
  await page.getByRole('button', { name: 'To the table' }).waitFor();
  await toPrompt(page);
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown'])
    await turn(page, () => page.keyboard.press(key));
  await page.keyboard.press('f');

  await page.goto(`${base}/table/new/${idOf('Tomasz')}`);
  await toPrompt(page);
  const begun = Date.now();
  for (let nth = 0; Date.now() - begun < 57_000; nth += 1) {
    const fact = parseFactKey((await page.locator('[data-fact]').getAttribute('data-fact')) as string);
    // Every sixth answer is the next multiple, every fourth is slow.
    const slip = nth % 6 === 4 && fact.operation === 'mul' ? fact.left : 0;
    await page.waitForTimeout(nth % 4 === 3 ? 3600 : 1100);
    await page.keyboard.type(String(answerOf(fact) + slip), { delay: 60 });
    if (nth === 4) await shot(page, 'table-keypad');
    await turn(page, () => page.keyboard.press('Enter'));
  }
  await page.getByRole('button', { name: 'Open the review' }).click({ timeout: 20_000 });
  await page.getByRole('heading', { name: /Facts met/ }).waitFor();
  await page.getByRole('button', { name: /^Accept/ }).waitFor();
  await shot(page, 'review');
}

/** A game under way: an array laid under what is asked. */
async function gameView(page: Page, base: string, id: string): Promise<void> {
  await page.goto(`${base}/shelf/outweigh?pupil=${id}`);
  await page
    .getByRole('button', { name: /^Products/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  for (const key of [' ', 'ArrowRight', 'ArrowRight', ' ']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(700);
  }
  await page.keyboard.press('a');
  await page.getByRole('button', { name: 'Array', exact: true }).click();
  await shot(page, 'table-game');
}

/** A drill with a miss, the child's own screen, and the table lying flat. */
async function drillViews(page: Page, base: string, id: string): Promise<void> {
  const next = async (key: string) => {
    await page.waitForTimeout(700);
    await page.keyboard.press(key);
  };
  await page.goto(`${base}/table/new/${id}?what=drill`);
  await page.getByRole('button', { name: 'Quick pairs' }).click();
  await toPrompt(page);
  for (const key of ['ArrowRight', ' ', 'ArrowRight', ' ', 'ArrowLeft']) await next(key);
  await shot(page, 'drill');
  await page.keyboard.press(' ');
  await page.getByRole('button', { name: 'Screens' }).click();
  await page.getByRole('button', { name: 'Lay this screen flat between you' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await shot(page, 'table-flat');
  await page.getByRole('button', { name: 'Screens' }).click();
  await page.getByRole('button', { name: 'Lies flat: turn it back' }).click();
  const opening = page.waitForEvent('popup');
  await page.getByRole('button', { name: 'A second window' }).click();
  const child = await opening;
  await child.setViewportSize({ width: 1280, height: 800 });
  await child.locator('[data-fact]').waitFor();
  await child.evaluate(() => document.fonts.ready);
  await shot(child, 'child');
  await child.close();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'End', exact: true }).click();
}

async function shot(page: Page, name: string): Promise<void> {
  await page.mouse.move(0, 0);
  await page.screenshot({ path: join(out, `${name}.png`) });
  process.stdout.write(`${name}\n`);
}

async function pupilIds(page: Page, base: string): Promise<(name: string) => string> {
  const list = pupilsOf((await (await page.request.get(`${base}/api/pupils`)).json()) as PupilList);
  return (name) => list.find((one) => one.name === name)?.id ?? '';
}

async function toPrompt(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
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
