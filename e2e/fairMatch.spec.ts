import { expect, test } from '@playwright/test';
import { hasPractised } from './gameHouse.ts';
import { addPupil, deletePupil, expectNoViolations, house, signIn } from './house.ts';

const facts = [2, 3, 4, 5, 6, 7, 8, 9].flatMap((a) => [2, 3, 4, 5, 6, 7, 8, 9].map((b) => `${a}+${b}`));

test('a race of a quick child and a slow one tells who wins before it is played, and is levelled in one tap', async ({
  page,
}) => {
  await signIn(page);
  const quick = await addPupil(page, { capture: 'tutor' });
  const slow = await addPupil(page, { capture: 'tutor' });
  await hasPractised(page, quick, facts, 1100);
  await hasPractised(page, slow, facts, 2600);
  await page.goto(`${house().base}/shelf/first-voice?pupil=${quick.id}`);
  await page.getByRole('button', { name: 'Cards to 10, sums' }).click();
  const start = page.getByRole('region', { name: 'Start' });
  // A grown-up's times are not known: nothing is told of them.
  await expect(start.getByText('Chance to win:')).toHaveCount(0);
  await start.getByRole('combobox', { name: 'Seat 2' }).click();
  await page.getByRole('option', { name: new RegExp(`^${slow.name}`) }).click();
  const told = start.getByRole('button', { name: /in 100$/ }).first();
  await expect(told).toBeVisible();
  const chances = async () =>
    [...(await told.innerText()).matchAll(/ (\d+)(?=,| in)/g)].map((one) => Number(one[1]));
  const [first = 0, second = 0] = await chances();
  expect(first).toBeGreaterThan(80);
  expect(second).toBeLessThan(20);
  await told.click();
  await expect(page.getByRole('dialog')).toContainText('common practice, not measured');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expectNoViolations(page);
  const level = start.getByRole('button', { name: /^Level it: / });
  const promised = (await level.innerText()).replace('Level it: ', '');
  await level.click();
  await expect(start.getByRole('switch', { name: /^Levelled/ })).toBeChecked();
  await expect(told).toHaveText(promised);
  const [one = 0, other = 0] = await chances();
  expect(Math.abs(one - other)).toBeLessThan(20);
  await expect(level).toHaveCount(0);
  // Not against one another there is nobody to win.
  await start.getByRole('switch', { name: 'Against one another' }).click();
  await expect(start.getByText('Chance to win:')).toHaveCount(0);
  await deletePupil(page, quick);
  await deletePupil(page, slow);
});
