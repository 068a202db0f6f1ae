import { expect, test, type Page } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { keys, move, shown } from './gameWalk.ts';
import { addPupil, deletePupil, expectNoViolations, house, keptReview, signedIn, signIn } from './house.ts';

// The application is kept on the device for where there is no network.
test.use({ serviceWorkers: 'allow' });

/** Two pupils at Fact line, on the table of this page. */
async function twoPlay(page: Page, names: readonly [string, string]) {
  await dealtBy(page, 3);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: names[0] });
  const second = await addPupil(page, { capture: 'tutor', name: names[1] });
  return { pupil, second, playId: await beginGame(page, 'fact-line', pupil, { second: names[1] }) };
}

async function makeMoves(on: Page, count: number): Promise<void> {
  for (let nth = 0; nth < count; nth += 1) {
    const before = await shown(on);
    await move(on, keys);
    await expect.poll(() => shown(on)).not.toBe(before);
  }
}

/** How many moves of a game are on record. */
async function movesKept(of: Page, playId: string): Promise<number> {
  const response = await of.request.get(`${house().base}/api/tables/${playId}`);
  return ((await response.json()) as { readonly moves: readonly unknown[] }).moves.length;
}

test('a device dies in the middle of a game: another of the same tutor goes on where it stood, and all is on record once', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  const { pupil, second, playId } = await twoPlay(page, ['Ike V.', 'Joa W.']);
  await makeMoves(page, 6);
  const stood = (await page.locator('.game-field').innerText()).trim();
  await expect.poll(() => movesKept(page, playId)).toBeGreaterThanOrEqual(6);
  const moves = await movesKept(page, playId);
  // Without a word: nothing is ended, nothing is said.
  await page.close();

  const other = await signedIn(browser);
  await dealsByHand(other);
  await other.goto(`${house().base}/`);
  await expect(other.getByRole('heading', { name: 'On another device' })).toBeVisible();
  await expect(other.getByText(/^Ike V\.\s*: Fact line/)).toBeVisible();
  await expectNoViolations(other);
  await other.getByRole('link', { name: 'Take up the game of Ike V.' }).click();
  await expect(other.getByText(`after ${moves} moves`)).toBeVisible();
  await expectNoViolations(other);
  await other.getByRole('button', { name: 'Take it up here' }).click();
  await other.getByRole('button', { name: 'Go on' }).click();
  await expect(other.locator('.game-field')).toBeVisible();
  expect((await other.locator('.game-field').innerText()).trim()).toBe(stood);
  // What is undone here was given there.
  await other.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(async () => (await other.locator('.game-field').innerText()).trim()).not.toBe(stood);
  await makeMoves(other, 5);
  await other.getByRole('button', { name: 'End', exact: true }).click();
  const reviews = [await keptReview(other, playId)];
  const joa = reviews[0]?.game?.table.find((one) => one.name === 'Joa W.');
  reviews.push(await keptReview(other, joa?.playId as string));
  const said = reviews[0]?.game?.moves.filter((one) => one.move.kind === 'said') ?? [];
  const answers = reviews.flatMap((one) => one.answers);
  expect(new Set(answers.map((one) => one.id)).size).toBe(answers.length);
  expect(answers.length).toBe(said.length);
  expect(reviews[0]?.game?.moves.length).toBe(moves - 1 + 5);
  // It stands nowhere any more.
  await other.goto(`${house().base}/`);
  await expect(other.getByRole('heading', { name: /\d/ }).first()).toBeVisible();
  await expect(other.getByText(/Fact line/)).toHaveCount(0);
  for (const one of [pupil, second]) await deletePupil(other, one);
  await other.context().close();
});

test('a game that is not one\u2019s own, or is over, cannot be taken up; without a server it says so', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/table/01900000-0000-7000-8000-000000000001`);
  await expect(page.getByText('This is not on this device')).toBeVisible();
  await expectNoViolations(page);
});

test('both devices go on with one game: what comes second in a place is refused with the reason, and every place is on record once', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  const { pupil, second, playId } = await twoPlay(page, ['Kaja T.', 'Lev O.']);
  await makeMoves(page, 4);
  await expect.poll(() => movesKept(page, playId)).toBeGreaterThanOrEqual(4);
  const before = await movesKept(page, playId);
  // The first device loses its connection and is played on at; the second takes the game up meanwhile.
  await page.context().setOffline(true);
  await makeMoves(page, 3);
  const other = await signedIn(browser);
  await dealsByHand(other);
  await other.goto(`${house().base}/table/${playId}`);
  await other.getByRole('button', { name: 'Take it up here' }).click();
  await other.getByRole('button', { name: 'Go on' }).click();
  await expect(other.locator('.game-field')).toBeVisible();
  await makeMoves(other, 4);
  await expect.poll(() => movesKept(other, playId)).toBe(before + 4);

  await page.context().setOffline(false);
  await makeMoves(page, 1);
  await page.goto(`${house().base}/`);
  await expect(page.getByText(/would not take/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'See why' }).click();
  await expect(page.getByText(/^A move at .+: .+\./).first()).toBeVisible();
  await makeMoves(other, 1);
  await other.getByRole('button', { name: 'End', exact: true }).click();
  const reviews = [await keptReview(other, playId)];
  const lev = reviews[0]?.game?.table.find((one) => one.name === 'Lev O.');
  reviews.push(await keptReview(other, lev?.playId as string));
  // Each move's answer once, whoever gave it.
  const said = reviews[0]?.game?.moves.filter((one) => one.move.kind === 'said') ?? [];
  const answers = reviews.flatMap((one) => one.answers);
  expect(new Set(answers.map((one) => one.id)).size).toBe(answers.length);
  expect(answers.length).toBe(said.length);
  for (const one of [pupil, second]) await deletePupil(other, one);
  await other.context().close();
});
