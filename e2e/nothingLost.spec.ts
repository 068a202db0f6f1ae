import { expect, type BrowserContext, type Page } from '@playwright/test';
import { withClient } from '@veldrift/server';
import type { PupilInput } from '@veldrift/wire';
import { chromium as launch } from '@playwright/test';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { ensureDatabase, migrate, openDb, startCluster, type Cluster } from '@veldrift/server';
import { demoPassword, demoTutors } from '../scripts/demo/house.ts';
import { loadDemo } from '../scripts/demo/load.ts';
import { portFrom, serve, type Serving } from '../scripts/serve.ts';
import {
  addPupil,
  cached,
  house,
  keptReview,
  prompt,
  signIn,
  startMinute,
  toReview,
  typeAnswer,
} from './house.ts';
import { chromium } from './playwright.config.ts';
import { test } from './steady.ts';

/** Facts kept by the server must be those answered, each once. */
async function expectKept(page: Page, playId: string, answers: number) {
  const review = await keptReview(page, playId);
  expect(review.answers).toHaveLength(answers);
  expect(new Set(review.answers.map((one) => one.id)).size).toBe(answers);
  return review;
}

test('a reload in mid-minute loses nothing and goes on with the time left', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await typeAnswer(page);
  await page.reload();
  await expect(page.getByText('A little pause.')).toBeVisible();
  await page.keyboard.press('Space');
  await typeAnswer(page);
  await toReview(page);
  const { play, answers } = await expectKept(page, playId, 3);
  expect(play).toMatchObject({ endReason: 'time', interrupted: true, counts: true });
  expect(play.summary.usedMs).toBe(8000);
  expect(answers[2]?.voided).toBe(true);
});

test('a minute that stands still is offered on Today, and is on one table at a time', async ({
  page,
  context,
}) => {
  await signIn(page);
  const made = await addPupil(page);
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await page.goto(`${house().base}/`);
  await expect(page.getByText(/minute stands still, \d seconds? left; goes on until/)).toBeVisible();
  await page.getByRole('link', { name: `Go on with ${made.name}` }).click();
  await expect(page.getByText('A little pause.')).toBeVisible();
  const second = await context.newPage();
  await second.goto(`${house().base}/table/${playId}`);
  await expect(second.getByText('on the table in another window')).toBeVisible();
  await page.bringToFront();
  await page.keyboard.press('Space');
  await typeAnswer(page);
  await page.close();
  await expect(second.getByText('A little pause.')).toBeVisible();
  await second.keyboard.press('Space');
  await typeAnswer(second);
  await toReview(second);
  const { play } = await expectKept(second, playId, 3);
  expect(play).toMatchObject({ endReason: 'time', interrupted: true });
});

test('a minute left and never taken up is closed by itself, with the time it had used', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  await page.clock.install();
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await page.goto(`${house().base}/`);
  await expect(page.getByText(/minute stands still/)).toBeVisible();
  await page.clock.fastForward('11:00');
  await expect(page.getByText(/minute stands still/)).toHaveCount(0);
  const { play } = await expectKept(page, playId, 1);
  expect(play).toMatchObject({ endReason: 'closed', counts: false });
  expect(play.summary.usedMs).toBeLessThan(8000);
});

test('a minute left open for more than ten minutes is closed honestly', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  await page.clock.install();
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await page.keyboard.press('p');
  await expect(page.getByText('A little pause.')).toBeVisible();
  await page.clock.fastForward('11:00');
  await page.reload();
  await expect(page.getByText('closed; there is no rate')).toBeVisible();
  const { play } = await expectKept(page, playId, 1);
  expect(play).toMatchObject({ endReason: 'closed', counts: false });
  expect(play.summary.usedMs).toBeLessThan(8000);
});

test('a frozen page voids the time and is not counted to the minute', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  const playId = await startMinute(page, made.id);
  const begun = Date.now();
  await typeAnswer(page);
  await page.evaluate(() => {
    const until = performance.now() + 3000;
    while (performance.now() < until);
  });
  await typeAnswer(page);
  await typeAnswer(page);
  await toReview(page);
  expect(Date.now() - begun).toBeGreaterThan(10_500);
  const { play, answers } = await expectKept(page, playId, 3);
  expect(play).toMatchObject({ interrupted: true, endReason: 'time' });
  expect(answers.map((one) => one.voided)).toEqual([false, true, false]);
});

test('a killed browser loses no answer', async () => {
  const profile = mkdtempSync(join('/tmp', 'veldrift-profile-'));
  const open = () =>
    launch.launchPersistentContext(profile, {
      ...chromium,
      headless: true,
      viewport: { width: 1280, height: 800 },
    });
  let context: BrowserContext = await open();
  try {
    let page = await context.newPage();
    await signIn(page);
    const made = await addPupil(page);
    // Nothing reaches the server: what survives is what the device kept.
    await context.route('**/api/events', (route) => route.abort());
    const playId = await startMinute(page, made.id);
    await typeAnswer(page);
    await typeAnswer(page);
    await expect.poll(() => outboxCount(page)).toBe(4);
    // The processes of this profile, and no others, are killed without warning.
    killProcessesOf(profile);
    await context.close().catch(() => undefined);
    context = await open();
    page = await context.newPage();
    await page.goto(`${house().base}/table/${playId}`);
    await expect(page.getByText('A little pause.')).toBeVisible();
    await page.keyboard.press('Space');
    await typeAnswer(page);
    await toReview(page);
    // The cookie of the sign-in may have died with the browser; the answers have not.
    await signIn(page);
    await expectKept(page, playId, 3);
  } finally {
    await context.close().catch(() => undefined);
    rmSync(profile, { recursive: true, force: true });
  }
});

test('without a network the application opens, a minute is given, and all arrives afterwards', async ({
  page,
  context,
}) => {
  await signIn(page);
  const made = await addPupil(page);
  await page.goto(`${house().base}/`);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await expect(page.getByText(/visits?, .* with children, \d+ checks? due/)).toBeVisible();
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  // What was fetched is put on this device a moment later.
  await expect.poll(() => cached(page, made.name)).toBe(true);
  await context.setOffline(true);
  await page.goto(`${house().base}/table/new/${made.id}`);
  await page.getByRole('button', { name: /^Weekly minute/ }).click();
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(prompt(page)).toBeVisible();
  const playId = page.url().split('/').at(-1) as string;
  await typeAnswer(page);
  await typeAnswer(page, '5');
  await toReview(page);
  await expect(page.getByRole('row', { name: /said 5/ })).toBeVisible();
  await expect(page.getByText('kept on this device').first()).toBeVisible();
  await page.reload();
  await expect(page.getByRole('row', { name: /said 5/ })).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByRole('heading', { name: /Stay on squares/ })).toBeVisible({ timeout: 40_000 });
  const { play } = await expectKept(page, playId, 2);
  expect(play.counts).toBe(true);
});

test('a sign-in that ends in mid-minute loses nothing', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await withClient(house().admin, (client) => client.query('delete from sessions'));
  await typeAnswer(page);
  await typeAnswer(page);
  await toReview(page);
  await expect(page.getByText(/Your sign-in has ended\. \d+ things are kept/)).toBeVisible();
  await page.getByRole('button', { name: 'Sign in again' }).click();
  await page.getByLabel('E-mail address').fill(demoTutors[0].email);
  await page.getByLabel('Password').fill(demoPassword);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('link', { name: 'Today' })).toBeVisible();
  await expectKept(page, playId, 3);
  await expect.poll(() => outboxCount(page)).toBe(0);
});

test('a sign-in that has ended shows no more of the room until someone signs in', async ({ page }) => {
  await signIn(page);
  await page.goto(`${house().base}/pupils`);
  await expect(page.getByRole('grid')).toBeVisible();
  await withClient(house().admin, (client) => client.query('delete from sessions'));
  await page.getByRole('link', { name: 'Odalys B.' }).last().click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.goto(`${house().base}/pupils`);
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await signIn(page);
});

test('the same events sent twice over are kept once, and one refused blocks no other', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  let batches = 0;
  await page.route('**/api/events', async (route) => {
    batches += 1;
    // The first answers of the server are lost on the way back: the outbox sends again.
    const response = await route.fetch();
    if (batches <= 2) await route.abort();
    else await route.fulfill({ response });
  });
  const playId = await startMinute(page, made.id);
  await typeAnswer(page);
  await typeAnswer(page);
  await toReview(page);
  await expect.poll(() => outboxCount(page), { timeout: 20_000 }).toBe(0);
  expect(batches).toBeGreaterThan(2);
  await expectKept(page, playId, 2);
});

test('events of a pupil deleted meanwhile stay to be seen, with the reason', async ({ page, context }) => {
  await signIn(page);
  const made: PupilInput = await addPupil(page);
  const other = await addPupil(page);
  await page.goto(`${house().base}/`);
  await startMinute(page, made.id);
  await context.setOffline(true);
  await typeAnswer(page);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await withClient(house().admin, (client) => client.query('delete from pupils where id = $1', [made.id]));
  await context.setOffline(false);
  await page.goto(`${house().base}/`);
  await expect(page.getByText(/the server would not take/)).toBeVisible({ timeout: 40_000 });
  await page.getByRole('button', { name: 'See why' }).click();
  await expect(page.getByText(/perhaps the pupil was deleted/).first()).toBeVisible();
  const playId = await startMinute(page, other.id);
  await typeAnswer(page);
  await toReview(page);
  await expectKept(page, playId, 1);
});

test.describe('a killed server', () => {
  let cluster: Cluster;
  let serving: Serving;
  const dir = mkdtempSync(join('/tmp', 'veldrift-killed-'));
  const root = resolve(import.meta.dirname, '..');

  test.beforeAll(async () => {
    test.setTimeout(120_000);
    cluster = await startCluster(dir);
    await ensureDatabase(cluster, 'demo');
    await migrate(cluster.adminUrl('demo'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('demo'));
    await loadDemo(db, new Date());
    await db.end();
    serving = await serve(root, {
      db: cluster.appUrl('demo'),
      port: await portFrom(18_300, '127.0.0.1'),
      host: '127.0.0.1',
    });
  });
  test.afterAll(async () => {
    await serving.stop();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  });

  test('in mid-minute loses nothing; a new one takes it all', async ({ page }) => {
    const base = `http://127.0.0.1:${serving.port}`;
    await signIn(page, base);
    const made = await addPupil(page);
    await page.goto(`${base}/`);
    const playId = await startMinute(page, made.id);
    await typeAnswer(page);
    serving.process.kill('SIGKILL');
    await typeAnswer(page);
    await typeAnswer(page);
    await toReview(page);
    await expect(page.getByText('No connection').first()).toBeVisible();
    serving = await serve(root, { db: cluster.appUrl('demo'), port: serving.port, host: '127.0.0.1' });
    await expect(page.getByRole('heading', { name: /on squares/ })).toBeVisible({ timeout: 60_000 });
    const response = await page.request.get(`${base}/api/plays/${playId}`);
    const { answers } = (await response.json()) as { answers: { id: string }[] };
    expect(new Set(answers.map((one) => one.id)).size).toBe(3);
    expect(answers).toHaveLength(3);
  });
});

/** Kills every process that was started with this profile, without warning. */
function killProcessesOf(profile: string): void {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`user-data-dir=${profile}`))
        process.kill(Number(pid), 'SIGKILL');
    } catch {
      // It has ended by itself in the meantime.
    }
  }
}

/** How many events wait on this device. */
function outboxCount(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((done) => {
        const opening = indexedDB.open('veldrift');
        opening.onsuccess = () => {
          const count = opening.result.transaction('outbox').objectStore('outbox').count();
          count.onsuccess = () => {
            opening.result.close();
            done(count.result);
          };
        };
      }),
  );
}
