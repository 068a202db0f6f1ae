import { expect } from '@playwright/test';
import { addPupil, deletePupil, judge, signIn, startMinute } from './house.ts';
import { test } from './steady.ts';

test('void times are told while they happen, once read out, and no more when times count again', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', policy: { minuteMs: 120_000 } });
  await startMinute(page, pupil.id);
  await judge(page, 'ArrowRight');
  await expect(page.locator('.table-trouble')).toHaveCount(0);
  // The page stands still for a while, as one behind another window does.
  const stand = () =>
    page.evaluate(() => {
      const until = performance.now() + 400;
      while (performance.now() < until);
    });
  await stand();
  await expect(page.locator('.table-trouble')).toContainText('Times are not counting');
  await expect(page.getByRole('status').filter({ hasText: 'Times are not counting' })).toHaveCount(1);
  await judge(page, 'ArrowRight');
  await judge(page, 'ArrowRight');
  await expect(page.locator('.table-trouble')).toHaveCount(0);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await deletePupil(page, pupil);
});
