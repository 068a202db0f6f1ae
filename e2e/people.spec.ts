import { expect, test, type Page } from '@playwright/test';
import {
  addPupil,
  deletePupil,
  expectNoSideways,
  expectNoViolations,
  house,
  judge,
  signIn,
} from './house.ts';

// The application is kept on the device for where there is no network.
test.use({ serviceWorkers: 'allow' });

const password = 'a word nobody else has';
let people = 0;
const address = () => `sefa${(people += 1)}-${process.pid}-${Date.now()}@lantern.example`;

// Browsers of others are closed with the test that opened them: they would go on asking beside the next.
test.afterEach(async ({ browser, context }) => {
  for (const other of browser.contexts()) if (other !== context) await other.close();
});

/** What the dialog with a new link shows. */
async function shownLink(page: Page): Promise<string> {
  const link = await page.getByRole('dialog').getByLabel('Link').inputValue();
  expect(link).toContain(`${house().base}/door#`);
  await page.getByRole('button', { name: 'Close' }).click();
  return link;
}

/** A tutor asked in by the page's own, in a browser of their own. */
async function joined(page: Page, name: string) {
  await page.goto(`${house().base}/room/people`);
  await page.getByRole('button', { name: 'Ask a tutor in' }).click();
  const link = await shownLink(page);
  const there = await (await page.context().browser()?.newContext())?.newPage();
  if (!there) throw new Error('A browser should be there.');
  await there.goto(link);
  const email = address();
  await there.getByLabel('Your name').fill(name);
  await there.getByLabel('E-mail address').fill(email);
  await there.getByLabel('Password').fill(password);
  await there.getByRole('button', { name: 'Come in' }).click();
  await expect(there.getByRole('link', { name: 'Today' })).toBeVisible();
  return { there, email, link };
}

test('a tutor asks another in by a link, and takes them out again', async ({ page, browser }) => {
  await signIn(page);
  const name = `Sefa ${Date.now() % 10_000}`;
  await page.goto(`${house().base}/room/people`);
  await page.getByRole('button', { name: 'Ask a tutor in' }).click();
  const link = await shownLink(page);
  // The invitation is listed, and what it opens reads well, on a phone too.
  await expect(page.getByRole('button', { name: /^Withdraw the invitation/ }).first()).toBeVisible();
  await expectNoViolations(page);
  const there = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await there.goto(link);
  await expect(there.getByRole('heading', { name: 'Come in to The Lantern Room' })).toBeVisible();
  await expectNoViolations(there);
  await expectNoSideways(there);
  await there.getByLabel('Your name').fill(name);
  await there.getByLabel('E-mail address').fill(address());
  // What is wrong is said at its field, and loses nothing of the others.
  await there.getByLabel('Password').fill('1234567890');
  await there.getByRole('button', { name: 'Come in' }).click();
  await expect(there.getByText('Many people have this password')).toBeVisible();
  await expect(there.getByLabel('Your name')).toHaveValue(name);
  await there.getByLabel('Password').fill(password);
  await there.getByRole('button', { name: 'Come in' }).click();
  await expect(there.getByRole('link', { name: 'Today' })).toBeVisible();
  await there.goto(`${house().base}/pupils`);
  await expect(there.getByText('Odalys B.').first()).toBeVisible();
  // Used once, the link lets nobody in.
  const third = await (await browser.newContext()).newPage();
  await third.goto(link);
  await expect(third.getByText('This link was used already')).toBeVisible();

  await page.reload();
  await expect(page.getByText(`${name} came in by an invitation`)).toBeVisible();
  await page.getByRole('button', { name: `Take ${name} out` }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText(`Maren took ${name} out`)).toBeVisible();
  await expect(page.getByRole('button', { name: `Take ${name} out` })).toHaveCount(0);
  await there.goto(`${house().base}/pupils`);
  await expect(there.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('a forgotten password is made anew by a link of another tutor, and a known one is changed', async ({
  page,
}) => {
  await signIn(page);
  const name = `Runa ${Date.now() % 10_000}`;
  const { there, email } = await joined(page, name);
  await page.reload();
  await page.getByRole('button', { name: `New password for ${name}` }).click();
  const link = await shownLink(page);
  const elsewhere = await (await page.context().browser()?.newContext())?.newPage();
  if (!elsewhere) throw new Error('A browser should be there.');
  await elsewhere.goto(link);
  await expect(elsewhere.getByText(`For ${name} (${email})`)).toBeVisible();
  await elsewhere.getByLabel('New password').fill('remembered this time');
  await elsewhere.getByRole('button', { name: 'Take this password' }).click();
  await expect(elsewhere.getByRole('link', { name: 'Today' })).toBeVisible();
  // Whoever was in with the old one is out.
  await there.goto(`${house().base}/pupils`);
  await expect(there.getByRole('heading', { name: 'Sign in' })).toBeVisible();

  // Changed by the old one: what is wrong is said at its field; other sign-ins end.
  await there.getByLabel('E-mail address').fill(email);
  await there.getByLabel('Password').fill('remembered this time');
  await there.getByRole('button', { name: 'Sign in' }).click();
  await expect(there.getByRole('link', { name: 'Today' })).toBeVisible();
  await there.goto(`${house().base}/settings`);
  const signIns = there.getByRole('list', { name: 'Your sign-ins' }).getByRole('listitem');
  await expect(signIns).toHaveCount(2);
  await expect(signIns.first()).toContainText('on Linux');
  await there.getByLabel('Password now').fill('not this one at all');
  await there.getByLabel('New password').fill('changed by the old one');
  await there.getByRole('button', { name: 'Change the password' }).click();
  await expect(there.getByText('That is not your password now.')).toBeVisible();
  await there.getByLabel('Password now').fill('remembered this time');
  await there.getByRole('button', { name: 'Change the password' }).click();
  await expect(there.getByText('Your password is changed')).toBeVisible();
  await expect(signIns).toHaveCount(1);
  await elsewhere.goto(`${house().base}/pupils`);
  await expect(elsewhere.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await page.goto(`${house().base}/room/people`);
  await page.getByRole('button', { name: `Take ${name} out` }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText(`Maren took ${name} out`)).toBeVisible();
});

test('a sign-in of one\u2019s own is ended from another device', async ({ page, browser }) => {
  await signIn(page);
  const name = `Emil ${Date.now() % 10_000}`;
  const { there, email } = await joined(page, name);
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${house().base}/sign-in`);
  await other.getByLabel('E-mail address').fill(email);
  await other.getByLabel('Password').fill(password);
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other.getByRole('link', { name: 'Today' })).toBeVisible();
  await there.goto(`${house().base}/settings`);
  await there.getByRole('button', { name: /^End the sign-in/ }).click();
  await expect(there.getByRole('button', { name: /^End the sign-in/ })).toHaveCount(0);
  await expect(there.getByText('(this one)')).toBeVisible();
  await other.goto(`${house().base}/pupils`);
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await page.goto(`${house().base}/room/people`);
  await page.getByRole('button', { name: `Take ${name} out` }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText(`Maren took ${name} out`)).toBeVisible();
});

/** All that can be read of what the application keeps on a device. */
const kept = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((done) => {
        const opening = indexedDB.open('veldrift');
        opening.onsuccess = () => {
          const db = opening.result;
          const names = [...db.objectStoreNames];
          const all: unknown[] = [JSON.stringify(localStorage), JSON.stringify(sessionStorage)];
          let left = names.length;
          const tx = db.transaction(names);
          for (const name of names) {
            const asked = tx.objectStore(name).getAll();
            asked.onsuccess = () => {
              all.push(
                name,
                JSON.stringify(asked.result, (_, value: unknown) =>
                  value instanceof ArrayBuffer ? `sealed ${value.byteLength}` : value,
                ),
              );
              left -= 1;
              if (left === 0) {
                db.close();
                done(all.join('\n'));
              }
            };
          }
        };
      }),
  );

test('signing out leaves nothing readable on the device, and what was unsent comes back with the sign-in', async ({
  page,
  context,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, {
    name: 'Melusine Q.',
    capture: 'tutor',
    policy: { minuteMs: 60_000 },
  });
  await page.goto(`${house().base}/pupils`);
  await expect(page.getByText('Melusine Q.').first()).toBeVisible();
  // Without a network a window opens from the device alone, once that has the application: from the next page on.
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.goto(`${house().base}/table/new/${pupil.id}?what=practice`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const playId = page.url().split('/').at(-1) as string;
  await expect(page.locator('[data-fact]')).toBeVisible();
  await expect
    .poll(async () => (await page.request.get(`${house().base}/api/plays/${playId}`)).status())
    .toBe(200);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await context.setOffline(true);
  for (let nth = 0; nth < 3; nth += 1) await judge(page, 'ArrowRight');
  // Another window of the browser shows the pupils all the while.
  const other = await context.newPage();
  await other.goto(`${house().base}/pupils`);
  await expect(other.getByText('Melusine Q.').first()).toBeVisible();
  await page.goto(`${house().base}/settings`);
  await expect(page.getByText(/No connection\. 3 things are kept/)).toBeVisible();
  expect(await kept(page)).toContain('Melusine');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByText('3 things had not reached the server. They are locked up')).toBeVisible();
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await other.close();
  const left = await kept(page);
  expect(left).not.toContain('Melusine');
  expect(left).not.toContain(pupil.id);
  expect(left).toContain('sealed ');
  await context.setOffline(false);
  // Nobody is in, although the server had not heard of it.
  await page.goto(`${house().base}/pupils`);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await signIn(page);
  await expect
    .poll(async () => {
      const review = await page.request.get(`${house().base}/api/plays/${playId}`);
      return ((await review.json()) as { answers: unknown[] }).answers.length;
    })
    .toBe(3);
  await deletePupil(page, pupil);
});

test('a first visit asks nothing that is refused', async ({ page }) => {
  const refused: string[] = [];
  page.on('response', (response) => {
    if (response.status() >= 400) refused.push(`${response.status()} ${response.url()}`);
  });
  await page.goto(`${house().base}/`);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await signIn(page);
  await expect(page.getByRole('heading', { name: /\d/ }).first()).toBeVisible();
  expect(refused).toEqual([]);
});
