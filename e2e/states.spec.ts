import { expect, test, type Page } from '@playwright/test';
import {
  addPupil,
  cached,
  deletePupil,
  house,
  keptReview,
  pupilOf,
  signIn,
  startMinute,
  toReview,
  typeAnswer,
} from './house.ts';

// The application is kept on the device for where there is no network.
test.use({ serviceWorkers: 'allow' });

/** Screens that show what the server keeps: address, what is fetched for it, what shows that it is there. */
async function screens(page: Page) {
  const odalys = await pupilOf(page, 'Odalys B.');
  const response = await page.request.get(`${house().base}/api/pupils/${odalys.id}`);
  const { lastPlayId: play } = (await response.json()) as { lastPlayId: string };
  return [
    ['today', '/', '**/api/pupils', 'heading', /\d/],
    ['week', '/week', '**/api/planned', 'heading', 'This week'],
    ['groups', '/groups', '**/api/planned', 'heading', 'Groups'],
    ['to lay out', '/lay-out', '**/api/planned', 'heading', 'To lay out'],
    ['pupils', '/pupils', '**/api/pupils', 'grid', /./],
    ['pupil', `/pupils/${odalys.id}`, `**/api/pupils/${odalys.id}`, 'heading', 'Odalys B.'],
    [
      'pictures',
      `/pupils/${odalys.id}/pictures`,
      `**/api/pupils/${odalys.id}/pictures`,
      'heading',
      'A picture for a fact',
    ],
    ['change', `/pupils/${odalys.id}/edit`, '**/api/pupils', 'heading', 'Delete for good'],
    ['sheet', `/table/new/${odalys.id}`, '**/api/pupils', 'heading', 'Odalys B.'],
    ['review', `/review/${play}`, `**/api/plays/${play}`, 'heading', /Facts met/],
  ] as const;
}

/** Forgets what this device holds, so that a screen has to be fetched. */
async function forget(page: Page): Promise<void> {
  await page.goto(`${house().base}/icon.svg`);
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        const opening = indexedDB.open('veldrift');
        opening.onsuccess = () => {
          const tx = opening.result.transaction('cache', 'readwrite');
          tx.objectStore('cache').clear();
          tx.oncomplete = () => {
            opening.result.close();
            done();
          };
        };
      }),
  );
}

test('every screen says that it is being fetched, and what went wrong, and tries again', async ({ page }) => {
  test.setTimeout(180_000);
  await signIn(page);
  for (const [name, path, fetched, role, title] of await screens(page)) {
    await test.step(name, async () => {
      await forget(page);
      let answer: () => void = () => undefined;
      const held = new Promise<void>((done) => (answer = done));
      await page.route(fetched, async (route) => {
        await held;
        await route.fulfill({
          status: 500,
          contentType: 'application/json',
          body: '{"message":"Something failed here, and it is on record. Nothing was lost; try again."}',
        });
      });
      await page.goto(`${house().base}${path}`);
      await expect(page.getByText(/^Fetching/).first()).toBeVisible();
      answer();
      await expect(page.getByRole('alert')).toContainText('Nothing was lost; try again.');
      await page.unroute(fetched);
      await page.getByRole('button', { name: 'Try again' }).click();
      await expect(page.getByRole(role, role === 'grid' ? {} : { name: title }).first()).toBeVisible();
    });
  }
});

test('every screen seen before opens without a network, and says how old it is', async ({
  page,
  context,
}) => {
  test.setTimeout(180_000);
  await signIn(page);
  const list = await screens(page);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  for (const [name, path, , role, title] of list) {
    await page.goto(`${house().base}${path}`);
    await expect(page.getByRole(role, role === 'grid' ? {} : { name: title }).first()).toBeVisible();
    // What was fetched is put on this device a moment later.
    const id = path.split('/').at(-1) ?? '';
    const key =
      name === 'pictures'
        ? `"pictures","${path.split('/').at(-2) ?? ''}"`
        : name === 'pupil' || name === 'review'
          ? `"${name}","${id}"`
          : '"pupils"';
    await expect.poll(() => cached(page, key)).toBe(true);
  }
  await context.setOffline(true);
  for (const [name, path, , role, title] of list) {
    await test.step(name, async () => {
      await page.goto(`${house().base}${path}`);
      await expect(page.getByRole(role, role === 'grid' ? {} : { name: title }).first()).toBeVisible();
      if (!['change', 'sheet'].includes(name))
        await expect(page.getByText(/No connection: this is what was fetched at/)).toBeVisible();
    });
  }
  // A screen never seen says so, with the way on.
  await page.goto(`${house().base}/pupils/01900000-0000-7000-8000-0000000000aa`);
  await expect(page.getByRole('alert')).toContainText('The server cannot be reached');
  await page.goto(`${house().base}/settings`);
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
  await context.setOffline(false);
});

for (const [year, when] of [
  ['1900', '1900-03-01T10:00:00Z'],
  ['2999', '2999-12-31T23:00:00Z'],
] as const) {
  test(`a device whose clock says ${year} gives a minute all the same, set right and flagged`, async ({
    page,
  }) => {
    await signIn(page);
    const made = await addPupil(page);
    await page.clock.setFixedTime(new Date(when));
    const playId = await startMinute(page, made.id);
    await typeAnswer(page);
    await typeAnswer(page, '5');
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await toReview(page);
    await expect(page.getByText('clock was wrong; dates were set right')).toBeVisible();
    const { play, answers } = await keptReview(page, playId);
    expect(answers).toHaveLength(2);
    expect(play.clockCorrected).toBe(true);
    for (const { at, clockCorrected, latencyMs } of answers) {
      expect(Math.abs(Date.parse(at) - Date.now())).toBeLessThan(120_000);
      expect(clockCorrected).toBe(true);
      // The time of the answer is measured on the page's own clock and does not mind.
      expect(latencyMs).toBeGreaterThan(0);
      expect(latencyMs).toBeLessThan(10_000);
    }
    await deletePupil(page, made);
  });
}

test('a review asked for before the server has the answers does not stand in their way', async ({ page }) => {
  await signIn(page);
  const made = await addPupil(page);
  const playId = await startMinute(page, made.id);
  let letGo!: () => void;
  const asked = new Promise<void>((done) => (letGo = done));
  let nth = 0;
  await page.route('**/api/events', async (route) => {
    await asked;
    await route.continue();
  });
  await page.route(`**/api/plays/${playId}`, async (route) => {
    nth += 1;
    // The first asking hangs for good; by then the answers may go.
    if (nth === 1) return letGo();
    await route.continue();
  });
  // Wrong, so that what it changes hangs on no time taken.
  await typeAnswer(page, '99');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  // What only the server says.
  await expect(page.getByText('was untried').first()).toBeVisible();
  expect(nth).toBeGreaterThan(1);
  await deletePupil(page, made);
});

test.describe('before the device holds the application', () => {
  // A first visit: no service worker has fetched the other pages yet.
  test.use({ serviceWorkers: 'block' });

  test('a page whose script cannot be fetched says so, and opens by itself when it can', async ({ page }) => {
    await signIn(page);
    const away = [/\/assets\/Settings-.*\.js$/, '**/api/setup'];
    for (const one of away) await page.route(one, (route) => route.abort());
    await page.getByRole('link', { name: 'Settings' }).click();
    await expect(page.getByRole('alert')).toContainText('This page is not on this device yet');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('alert')).toContainText('still cannot be reached');
    // Other pages are shown meanwhile as ever.
    await page.getByRole('link', { name: 'Pupils', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Pupils' })).toBeVisible();
    await page.getByRole('link', { name: 'Settings' }).click();
    await expect(page.getByRole('alert')).toBeVisible();
    for (const one of away) await page.unroute(one);
    await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
  });
});
