import { expect, test, type Browser, type Page } from '@playwright/test';
import type { Planned } from '@veldrift/wire';
import { demoPassword, demoTutors } from '../scripts/demo/house.ts';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  painted,
  prompt,
  rightAnswer,
  signIn,
  startMinute,
  toReview,
  typeAnswer,
  typeDigits,
} from './house.ts';

const plannedOf = async (page: Page) =>
  (await (await page.request.get(`${house().base}/api/planned`)).json()) as Planned;
const changesOf = async (page: Page, pupilId: string, kind: string) =>
  (await plannedOf(page)).changes.filter((one) => one.pupilId === pupilId && one.kind === kind);
/** Every day of the week, whichever the room has today; where no visit of the demo stands, so that nothing on the day line moves for it. */
const everyDay = Array.from({ length: 7 }, (_, weekday) => ({
  weekday,
  startsAtMin: 12 * 60 + 30,
  minutes: 25,
}));

test('a visit runs by its plan: Start begins the next part, the review offers the one after, and both are kept', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'keypad', school: 'minuteAim' });
  await startMinute(page, pupil.id);
  await typeAnswer(page);
  await toReview(page);
  // No plan was begun with it: nothing says what comes next.
  await expect(page.getByRole('button', { name: /^Next: / })).toHaveCount(0);
  await page.goto(`${house().base}/table/new/${pupil.id}`);
  const plan = page.getByRole('region', { name: 'The plan of the visit' });
  await expect(plan.getByRole('heading', { name: '20 minutes' })).toBeVisible();
  await expect(plan.getByRole('listitem')).toHaveCount(4);
  await plan.getByRole('button', { name: /^Start: / }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  await expect(page.getByText(/min left, then Drill/)).toBeVisible();
  await page.keyboard.press('Space');
  await expect(prompt(page)).toBeVisible();
  // Whatever comes after it: the next fact, or the way to this one.
  await typeDigits(page, await rightAnswer(page));
  await page.keyboard.press('Enter');
  await painted(page);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await toReview(page);
  const next = page.getByRole('button', { name: /^Next: Drill, \d+ min$/ });
  await expect(next).toBeFocused();
  const begun = await changesOf(page, pupil.id, 'begun');
  expect(begun).toHaveLength(1);
  expect((await changesOf(page, pupil.id, 'part')).length).toBe(4);
  const done = (await plannedOf(page)).done.filter((one) => one.pupilId === pupil.id);
  expect(done.map((one) => one.playId)).toContain((begun[0]?.value as { playId: string }).playId);
  await next.click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  await page.goto(`${house().base}/table/new/${pupil.id}`);
  await expect(plan.getByText('Done.')).toHaveCount(2);
  await expect(plan.getByText(/of 20 minutes left/)).toBeVisible();
  await deletePupil(page, pupil);
});

test('parts are moved by keys and by drawing, lengthened, dropped and swapped; another device has it so', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { setId: 'strategy/mul/2' });
  // Somebody known: a play is on record.
  await startMinute(page, pupil.id, 'Practice minute');
  await typeAnswer(page);
  await toReview(page);
  await page.goto(`${house().base}/table/new/${pupil.id}`);
  const parts = page.getByRole('list', { name: /^Parts of the visit/ }).getByRole('listitem');
  const names = () => parts.locator('strong').allTextContents();
  await expect(parts).toHaveCount(5);
  await expect(parts.nth(2)).not.toContainText('A game');
  const first = await names();
  expect(first[0]).toBe('Warm-up');
  expect(first.slice(-2)).toEqual(['Minute', 'Talk']);
  const minutes = (nth: number) => parts.nth(nth).locator('.part-minutes');
  const long = Number(await minutes(1).textContent());
  // The very first thing that is changed of a plan nobody has kept.
  await page.getByRole('button', { name: 'Minute: earlier' }).click();
  await expect.poll(names).toEqual([first[0], first[1], first[3], first[2], first[4]]);
  await page.getByRole('button', { name: 'Drill: a minute more' }).click();
  await expect(minutes(1)).toHaveText(String(long + 1));
  expect(await names()).toEqual([first[0], first[1], first[3], first[2], first[4]]);
  // By keys on the grip: two places up.
  const grip = page.getByRole('button', { name: 'Move Minute' });
  await grip.focus();
  await page.keyboard.press('Space');
  await painted(page);
  await page.keyboard.press('ArrowUp');
  await painted(page);
  await page.keyboard.press('ArrowUp');
  await painted(page);
  await page.keyboard.press('Space');
  await expect.poll(names).toEqual([first[3], first[0], first[1], first[2], first[4]]);
  await page.getByRole('button', { name: 'Drop Warm-up' }).click();
  await expect(parts).toHaveCount(4);
  await page.getByRole('button', { name: 'Swap' }).click();
  const other = page.getByRole('menuitem').first();
  const swapped = (await other.locator('strong').textContent()) ?? '';
  await other.click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  await expect.poll(names).toEqual([first[3], first[1], swapped, first[4]]);
  await expectNoViolations(page);
  const elsewhere = await (await browser.newContext()).newPage();
  await signIn(elsewhere);
  await elsewhere.goto(`${house().base}/table/new/${pupil.id}`);
  const there = elsewhere.getByRole('list', { name: /^Parts of the visit/ }).getByRole('listitem');
  await expect.poll(() => there.locator('strong').allTextContents()).toEqual(await names());
  await expect(there.nth(1).locator('.part-minutes')).toHaveText(String(long + 1));
  await elsewhere.context().close();
  await deletePupil(page, pupil);
});

test('a visit is moved by drawing and by its form; bad minutes are a sentence; a holiday and an absence show', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { visits: [{ weekday: 4, startsAtMin: 7 * 60 + 5, minutes: 20 }] });
  await page.goto(`${house().base}/week?from=${await nextMonday(page)}`);
  const day = (name: RegExp) =>
    page.getByRole('listitem').filter({ has: page.getByRole('heading', { name }) });
  const visit = (where: ReturnType<typeof day>) =>
    where.getByRole('button', { name: new RegExp(pupil.name) });
  const thursday = day(/^Thu/);
  const friday = day(/^Fri/);
  await expect(visit(thursday)).toContainText('7:05');
  // Next Wednesday is a holiday of the demo room: no weekly visit comes.
  await expect(day(/^Wed/)).toContainText('Founders’ day');
  await expect(day(/^Wed/).getByRole('button', { name: / min/ })).toHaveCount(0);
  const [from, to] = [await visit(thursday).boundingBox(), await friday.boundingBox()];
  if (!from || !to) throw new Error('The days are not there.');
  await page.mouse.move(from.x + 30, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 20, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + 60, { steps: 8 });
  await page.mouse.up();
  await expect(visit(friday)).toContainText('moved');
  await expect(visit(thursday)).toHaveCount(0);
  // By its form, with keys alone.
  await visit(friday).press('Enter');
  const dialog = page.getByRole('dialog');
  for (const wrong of ['0', '240', 'ten']) {
    await dialog.getByLabel('Minutes').fill(wrong);
    await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(dialog.getByRole('alert')).toHaveText('A visit is 5 to 180 minutes long.');
  }
  await dialog.getByLabel('Minutes').fill('35');
  await dialog.getByLabel('At', { exact: true }).fill('half past');
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(dialog.getByRole('alert')).toHaveText('Write the time such as 9:15.');
  await dialog.getByLabel('At', { exact: true }).fill('6:30');
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  await expect(visit(friday)).toContainText('6:30');
  await expect(visit(friday)).toContainText('35 min');
  await visit(friday).click();
  await dialog.getByRole('button', { name: 'As every week' }).click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  await expect(visit(thursday)).toContainText('7:05');
  await visit(thursday).click();
  await dialog.getByRole('button', { name: 'Absent' }).click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  await expect(visit(thursday)).toContainText('absent');
  await expectNoViolations(page);
  await deletePupil(page, pupil);
});

test('what is changed without a network is on the device, is sent later, and both tutors hear where they differ', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { visits: everyDay });
  const ansel = await secondTutor(browser);
  await ansel.goto(`${house().base}/`);
  await page.goto(`${house().base}/`);
  const absent = (of: Page, name: string) => of.getByRole('button', { name });
  await openPast(page);
  await expect(absent(page, `${pupil.name} is absent today`)).toBeVisible();
  await page.context().setOffline(true);
  await absent(page, `${pupil.name} is absent today`).click();
  await expect(absent(page, `${pupil.name} is here after all`)).toBeVisible();
  // Meanwhile the other says so, and takes it back.
  await openPast(ansel);
  await absent(ansel, `${pupil.name} is absent today`).click();
  await absent(ansel, `${pupil.name} is here after all`).click();
  await expect.poll(async () => (await changesOf(ansel, pupil.id, 'absent'))[0]?.value).toBe(false);
  expect(await changesOf(ansel, pupil.id, 'absent')).toHaveLength(1);
  await page.context().setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  for (const of of [page, ansel]) {
    await expect(async () => {
      await of.reload();
      const told = of.getByRole('list', { name: 'Changed by two at once' }).getByText(pupil.name);
      await expect(told).toBeVisible({ timeout: 4000 });
    }).toPass({ timeout: 40_000 });
  }
  // The later holds: the one that took it back.
  expect((await changesOf(page, pupil.id, 'absent'))[0]?.value).toBe(false);
  const line = page
    .getByRole('list', { name: 'Changed by two at once' })
    .getByRole('listitem')
    .filter({ hasText: pupil.name });
  await expect(line).toContainText('Maren set “absent”');
  await line.getByRole('button', { name: 'Take the other' }).click();
  await expect(line).toHaveCount(0);
  await expect.poll(async () => (await changesOf(page, pupil.id, 'absent'))[0]?.value).toBe(true);
  await ansel.context().close();
  await deletePupil(page, pupil);
});

test('groups are proposed and changed, go round stations by a timer that a reload does not stop, and say what is wrong', async ({
  page,
}) => {
  await signIn(page);
  const one = await addPupil(page, {
    name: `Ada ${stamp()}`,
    pathwayId: 'strategy',
    setId: 'strategy/mul/squares',
  });
  const other = await addPupil(page, {
    name: `Bo ${stamp()}`,
    pathwayId: 'strategy',
    setId: 'strategy/mul/squares',
  });
  await page.goto(`${house().base}/groups`);
  await page.getByRole('button', { name: 'A new group' }).click();
  await page
    .getByRole('button', { name: /^Rename / })
    .last()
    .waitFor();
  await page.getByLabel(`Group of ${one.name}`).click();
  await page.getByRole('option', { name: 'Lanterns' }).click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  const group = (name: string) => page.locator('.group').filter({ has: page.getByRole('heading', { name }) });
  await expect(group('Lanterns')).toContainText(one.name);
  // By drawing, on a screen high enough to see both.
  await page.setViewportSize({ width: 1280, height: 2600 });
  const grip = page.locator('.member-grip').filter({ hasText: other.name });
  const [from, to] = [await grip.boundingBox(), await group('Lanterns').boundingBox()];
  if (!from || !to) throw new Error('The groups are not there.');
  await page.mouse.move(from.x + 20, from.y + 15);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(group('Lanterns')).toContainText(other.name);
  await page.getByLabel('Minutes each').fill('0');
  await page.getByRole('button', { name: 'Begin the round' }).click();
  await expect(page.getByRole('alert')).toHaveText('A turn is 2 to 30 whole minutes.');
  await page.getByLabel('Minutes each').fill('2');
  await page.getByRole('button', { name: 'Begin the round' }).click();
  const timer = page.getByRole('timer');
  await expect(timer).toContainText(/^1:5\d$/);
  await expect(page.getByRole('status').filter({ hasText: 'Turn 1 of 3' })).toBeVisible();
  await page.getByRole('button', { name: 'Change now' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Turn 2 of 3' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('status').filter({ hasText: 'Turn 2 of 3' })).toBeVisible();
  // Moved in the middle of it, a pupil goes with the other group from now on.
  await page.getByLabel(`Group of ${one.name}`).click();
  await page.getByRole('option', { name: 'Kites' }).click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  await expect(page.locator('.rotation-places li').filter({ hasText: 'Kites' })).toContainText(one.name);
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'End the round' }).click();
  await page.getByRole('button', { name: 'Part Lanterns' }).click();
  await expect(group('Lanterns')).toHaveCount(0);
  await expect(group('In no group')).toContainText(other.name);
  for (const pupil of [one, other]) await deletePupil(page, pupil);
});

test('a note rides with the pupil until it is read; a heart stays; the game is begun as it was suggested', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', setId: 'strategy/mul/2', visits: everyDay });
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await page.getByRole('button', { name: 'Leave the note' }).click();
  await expect(page.getByRole('alert')).toHaveText('Write the note first.');
  await page.getByLabel('A note, until it is read').fill('Fives are ready. ½ hour was too long.');
  // Half-written it survives the page.
  await page.reload();
  await expect(page.getByLabel('A note, until it is read')).toHaveValue(
    'Fives are ready. ½ hour was too long.',
  );
  await page.getByRole('button', { name: 'Leave the note' }).click();
  await expect(page.getByLabel('A note, until it is read')).toHaveValue('');
  const games = page.getByRole('region', { name: 'Which game today' });
  await expect(games.getByRole('listitem')).toHaveCount(3);
  const heart = games.getByRole('button', { name: /likes/ }).first();
  await heart.click();
  await expect(heart).toHaveAttribute('aria-pressed', 'true');
  await expect(games.getByText('The child’s heart is on it.')).toBeVisible();
  const ansel = await secondTutor(browser);
  await ansel.goto(`${house().base}/`);
  await openPast(ansel);
  const note = ansel.getByRole('list', { name: `Notes on ${pupil.name}` });
  await expect(note).toContainText('Maren');
  await expect(note).toContainText('Fives are ready. ½ hour was too long.');
  await note.getByRole('button', { name: 'Read' }).click();
  await expect(note).toHaveCount(0);
  await expect.poll(async () => (await changesOf(ansel, pupil.id, 'read'))[0]?.value).toBe(true);
  await ansel.context().close();
  await page.reload();
  await expect(page.getByText('Fives are ready.')).toHaveCount(0);
  await games
    .getByRole('button', { name: /as suggested, to the table/ })
    .first()
    .click();
  await expect(page.getByRole('main')).toBeVisible();
  await expect(page).toHaveURL(/\/table\//);
  await deletePupil(page, pupil);
});

test('a calendar program gets the visits at a secret address until it is withdrawn; without a server it says so', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/week`);
  await page.getByRole('button', { name: 'In my calendar' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Make an address' }).click();
  const address = await dialog.getByLabel('The address, shown this once').inputValue();
  const feed = await page.request.get(address);
  expect(feed.headers()['content-type']).toContain('text/calendar');
  const text = await feed.text();
  expect(text).toMatch(/^BEGIN:VCALENDAR/);
  expect(text).toContain('SUMMARY:A visit');
  expect(text).not.toContain('Odalys');
  await expectNoViolations(page);
  await page.context().setOffline(true);
  await dialog.getByRole('button', { name: 'Withdraw' }).first().click();
  await expect(dialog.getByRole('alert')).toContainText('The server is away');
  await page.context().setOffline(false);
  await dialog.getByRole('button', { name: 'Withdraw' }).first().click();
  await expect(dialog.getByRole('button', { name: 'Withdraw' })).toHaveCount(0);
  expect((await page.request.get(address)).status()).toBe(404);
});

const stamp = () => Math.random().toString(36).slice(2, 7);

/** The room's other tutor, in a browser of their own. */
async function secondTutor(browser: Browser): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  const response = await page.request.post(`${house().base}/api/sign-in`, {
    data: { email: demoTutors[1].email, password: demoPassword },
  });
  expect(response.status()).toBe(200);
  return page;
}

/** Visits before now are folded away. */
async function openPast(page: Page): Promise<void> {
  const folded = page.locator('details.day-past');
  await expect(page.locator('ol.day').first()).toBeAttached();
  if ((await folded.count()) > 0 && (await folded.getAttribute('open')) === null)
    await folded.locator('summary').click();
}

async function nextMonday(page: Page): Promise<string> {
  const { today } = await plannedOf(page);
  const at = new Date(`${today}T00:00:00Z`);
  at.setUTCDate(at.getUTCDate() + 7 - ((at.getUTCDay() + 6) % 7));
  return at.toISOString().slice(0, 10);
}
