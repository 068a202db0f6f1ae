import { expect, test } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { keys, move, shown } from './gameWalk.ts';
import { addPupil, deletePupil, expectNoViolations, house, keptReview, signedIn, signIn } from './house.ts';

test('a device dies in the middle of a game: another of the same tutor goes on where it stood, and all is on record once', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  await dealtBy(page, 3);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: 'Ike V.' });
  const second = await addPupil(page, { capture: 'tutor', name: 'Joa W.' });
  const playId = await beginGame(page, 'fact-line', pupil, { second: 'Joa W.' });
  for (let nth = 0; nth < 6; nth += 1) {
    const before = await shown(page);
    await move(page, keys);
    await expect.poll(() => shown(page)).not.toBe(before);
  }
  const stood = (await page.locator('.game-field').innerText()).trim();
  const onRecord = async () => {
    const response = await page.request.get(`${house().base}/api/tables/${playId}`);
    return ((await response.json()) as { readonly moves: readonly unknown[] }).moves.length;
  };
  await expect.poll(onRecord).toBeGreaterThanOrEqual(6);
  const moves = await onRecord();
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
  for (let nth = 0; nth < 5; nth += 1) {
    const before = await shown(other);
    await move(other, keys);
    await expect.poll(() => shown(other)).not.toBe(before);
  }
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
  await dealtBy(page, 3);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: 'Kaja T.' });
  const second = await addPupil(page, { capture: 'tutor', name: 'Lev O.' });
  const playId = await beginGame(page, 'fact-line', pupil, { second: 'Lev O.' });
  const moves = async (on: typeof page, count: number) => {
    for (let nth = 0; nth < count; nth += 1) {
      const before = await shown(on);
      await move(on, keys);
      await expect.poll(() => shown(on)).not.toBe(before);
    }
  };
  const kept = async (of: typeof page) => {
    const response = await of.request.get(`${house().base}/api/tables/${playId}`);
    return ((await response.json()) as { readonly moves: readonly unknown[] }).moves.length;
  };
  await moves(page, 4);
  await expect.poll(() => kept(page)).toBeGreaterThanOrEqual(4);
  const before = await kept(page);
  // The first device loses its connection and is played on at; the second takes the game up meanwhile.
  await page.context().setOffline(true);
  await moves(page, 3);
  const other = await signedIn(browser);
  await dealsByHand(other);
  await other.goto(`${house().base}/table/${playId}`);
  await other.getByRole('button', { name: 'Take it up here' }).click();
  await other.getByRole('button', { name: 'Go on' }).click();
  await expect(other.locator('.game-field')).toBeVisible();
  await moves(other, 4);
  await expect.poll(() => kept(other)).toBe(before + 4);

  await page.context().setOffline(false);
  await moves(page, 1);
  await page.goto(`${house().base}/`);
  await expect(page.getByText(/would not take/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'See why' }).click();
  await expect(page.getByText(/^A move at .+: .+\./).first()).toBeVisible();
  await moves(other, 1);
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
