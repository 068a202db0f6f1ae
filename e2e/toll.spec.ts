import { expect, test } from '@playwright/test';

import { addPupil, deletePupil, house, keptReview, painted, signIn } from './house.ts';

test('a toll is found on the shelf, asked before each move, and on record as any drill', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  await page.goto(`${house().base}/shelf?pupil=${pupil.id}`);
  await page.getByLabel('Name').fill('toll');
  await page.getByRole('link', { name: 'Set it up' }).click();
  await expect(page.getByLabel('A toll before each move of a game')).toBeChecked();
  await expect(page.getByRole('button', { name: 'One new among known' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  // The same facts on slips, known among new.
  await page.getByRole('link', { name: 'print slips of these facts' }).click();
  const sheet = page.getByRole('region', { name: 'As it will be printed' });
  await expect(sheet).toContainText('Cards of a set, 40');
  await expect(page.getByRole('button', { name: /^Print/ })).toBeEnabled();
  await page.goBack();
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page).toHaveURL(/\/table\/[0-9a-f-]{36}$/);
  const playId = page.url().split('/').at(-1) as string;
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.locator('.prompt')).toBeVisible();
  await painted(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Your move.')).toBeVisible();
  await expect(page.locator('.prompt')).toHaveCount(0);
  await page.getByRole('button', { name: 'Next toll' }).first().click();
  await expect(page.locator('.prompt')).toBeVisible();
  await painted(page);
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Say it once more, then your move.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.locator('.prompt')).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.play.title).toMatch(/^Toll: /);
  expect(kept.answers.map((one) => one.judgement)).toEqual(['right', 'wrong']);
  await deletePupil(page, pupil);
});

test('without a pupil the shelf asks for one first; a search for other things leaves the toll out', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf`);
  await page.getByLabel('Name').fill('Toll');
  await expect(page.getByText('Choose whom it is for above.')).toBeVisible();
  await page.goto(`${house().base}/shelf?with=dice`);
  await expect(page.getByRole('heading', { name: 'Shelf', level: 1 })).toBeVisible();
  await expect(page.getByText('Choose whom it is for above.')).toHaveCount(0);
});
