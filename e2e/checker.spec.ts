import { expect, test } from '@playwright/test';
import { expectNoViolations, house, signIn } from './house.ts';

test('the number checker shows what dice make, judges claims, and proves that there is no way', async ({
  page,
}) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Checker' }).click();
  await expect(page.getByText('Type the numbers that lie there')).toBeVisible();
  const numbers = page.getByLabel('Numbers, or what the dice show');
  await numbers.fill('2 3 6');
  // By hand: of 2, 3 and 6 with four signs 24 is (6 + 2) × 3.
  await page.getByRole('button', { name: '24, can be made' }).click();
  await expect(page.getByRole('status').filter({ hasText: '24: (6 + 2) × 3.' })).toBeVisible();
  await expect(page.getByRole('button', { name: '37, cannot be made' })).toBeDisabled();
  await expectNoViolations(page);
  // Claims, each kind of slip with its sentence.
  const claim = page.getByLabel('A line that someone claims');
  const target = page.getByLabel('To be made (may be left out)');
  await claim.fill('2 + 6 = 8 x 3 = 24');
  await expect(page.getByText('It holds.')).toBeVisible();
  await expect(page.getByText('2 + 6 = 8', { exact: true })).toBeVisible();
  await expect(page.getByText('8 × 3 = 24', { exact: true })).toBeVisible();
  await claim.fill('6 x 6');
  await expect(page.getByText('6 lies there once and is used more often.')).toBeVisible();
  await claim.fill('6 : (3 - 3)');
  await expect(page.getByText('6 ÷ 0: nothing can be divided by 0.')).toBeVisible();
  await claim.fill('');
  // A number that cannot be made is proved, with what is nearest; one that can has its lines.
  await target.fill('37');
  await expect(page.getByText(/^Nothing makes 37: all \d+ results/)).toBeVisible();
  await target.fill('24');
  await expect(page.getByText('(6 + 2) × 3 = 24')).toBeVisible();
  await numbers.fill('2 three');
  await expect(page.getByText('\u201cthree\u201d is no whole number from 0 to 9999.')).toBeVisible();
  await numbers.fill('1 2 3 4 5 6 7 8');
  await expect(page.getByText('At most 7 numbers; there are 8.')).toBeVisible();
  // Nothing typed is lost by leaving, and without a network it works on.
  await numbers.fill('25 50 75 100 3 6');
  await target.fill('952');
  await expect(page.getByText(/lines? that differ by more than order and brackets/)).toBeVisible({
    timeout: 20_000,
  });
  await page.goto(`${house().base}/settings`);
  await page.goto(`${house().base}/checker`);
  await expect(numbers).toHaveValue('25 50 75 100 3 6');
  await expect(page.getByText(/= 952$/).first()).toBeVisible();
  // Of seven numbers the shortest line is told and not all of them; nothing goes on working.
  await numbers.fill('1 2 3 4 5 6 7');
  await target.fill('100');
  await expect(page.getByText(/= 100$/).first()).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await numbers.fill('25 50 75 100 3 6');
  await target.fill('952');
  // Fewer signs make fewer numbers.
  await page.getByRole('button', { name: 'times' }).click();
  await page.getByRole('button', { name: 'divided by' }).click();
  await expect(page.getByText(/^Nothing makes 952/)).toBeVisible();
});
