import { expect, test } from '@playwright/test';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  keptReview,
  pupilOf,
  rightAnswer,
  signIn,
  startMinute,
  toReview,
  typeAnswer,
  typeDigits,
} from './house.ts';

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

test('accepting moves the pupil\u2019s set and is on record with policy and answers', async ({ page }) => {
  // Eight right in eight seconds are sixty a minute: beyond any aim.
  const made = await addPupil(page, { policy: { minuteMs: 8000, aimPerMinute: 20 } });
  await startMinute(page, made.id);
  for (let at = 0; at < 4; at += 1) await typeAnswer(page);
  await toReview(page);
  await expect(page.getByRole('heading', { name: 'Ready for 4 as double 2' })).toBeVisible();
  await page.getByRole('button', { name: 'Accept: go on to 4 as double 2' }).click();
  await expect(page.getByRole('heading', { name: 'On record' })).toBeVisible();
  await page.getByRole('link', { name: `${made.name}\u2019s page` }).click();
  await expect(page.getByText('set 6 of 11')).toBeVisible();
  const record = page.getByRole('region', { name: 'Decisions' });
  await expect(record).toContainText('squares → 4 as double 2');
  await record.getByRole('button', { name: 'all that it rests on' }).first().click();
  await expect(page.getByRole('dialog')).toContainText('Policy in force: 20 right a minute');
  await page.keyboard.press('Escape');
  // The set passed is looked back at, and what that says goes on record as well.
  await page.goto(`${house().base}/table/new/${made.id}?what=retention`);
  await page.getByRole('button', { name: 'Look back', exact: true }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  for (let at = 0; at < 6; at += 1) {
    await typeDigits(page, await rightAnswer(page));
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Turn the next' }).click();
    await expect(page.locator('.told')).toBeHidden();
  }
  await toReview(page);
  await expect(page.getByRole('heading', { name: 'Held: squares' })).toBeVisible();
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'Accept: go on with 4 as double 2' }).click();
  await page.getByRole('link', { name: `${made.name}\u2019s page` }).click();
  await expect(record).toContainText('Held: squares; on with 4 as double 2');
  await deletePupil(page, made);
});

test('deciding otherwise asks for a reason and keeps what was typed', async ({ page }) => {
  const made = await addPupil(page, { policy: { minuteMs: 8000, aimPerMinute: 20 } });
  const playId = await startMinute(page, made.id);
  await typeAnswer(page, '3');
  await toReview(page);
  await expect(page.getByRole('heading', { name: 'Stay on squares for now' })).toBeVisible();
  await page.getByRole('button', { name: 'Decide otherwise' }).click();
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByText('needs a reason')).toBeVisible();
  await page.getByLabel('Why').fill('He knows them: it was a bad day.');
  await page.goto(`${new URL(page.url()).origin}/`);
  await page.goto(`${new URL(page.url()).origin}/review/${playId}`);
  await page.getByRole('button', { name: 'Decide otherwise' }).click();
  await expect(page.getByLabel('Why')).toHaveValue('He knows them: it was a bad day.');
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByText('decided otherwise').first()).toBeVisible();
  expect((await pupilOf(page, made.name)).setId).toBe('strategy/mul/4-as-double-2');
  await deletePupil(page, made);
});

test('every number on a review opens the answers behind it', async ({ page }) => {
  const made = await addPupil(page);
  await startMinute(page, made.id);
  await typeAnswer(page);
  await typeAnswer(page, '7');
  await toReview(page);
  await expect(page.getByRole('heading', { name: /Stay on squares/ })).toBeVisible();
  const numbers = page
    .locator('.work')
    .getByRole('button')
    .filter({ hasText: /\d/ })
    .filter({ hasNotText: /Accept/ });
  const count = await numbers.count();
  expect(count).toBeGreaterThan(8);
  for (let at = 0; at < count; at += 1) {
    await numbers.nth(at).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toBeVisible();
    expect(((await dialog.textContent()) ?? '').length).toBeGreaterThan(60);
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(dialog).toHaveCount(0);
  }
  await deletePupil(page, made);
});

test('a wrong judgement is put right where its number opens, and everything follows', async ({ page }) => {
  const made = await addPupil(page, { policy: { minuteMs: 8000, aimPerMinute: 20, wrongAllowed: 0 } });
  const playId = await startMinute(page, made.id);
  for (let at = 0; at < 4; at += 1) await typeAnswer(page);
  await typeAnswer(page, '3');
  await toReview(page);
  await expect(page.getByRole('heading', { name: 'Stay on squares for now' })).toBeVisible();
  await page.getByRole('button', { name: /^1 wrong: show/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /^Correct the answer/ }).click();
  await expectNoViolations(page);
  await dialog.getByRole('button', { name: 'Put it right' }).click();
  await expect(dialog.getByText('No answers yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: /^0 wrong: show/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Ready for 4 as double 2' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^0 wrong: show/ })).toBeVisible();
  const { answers } = await keptReview(page, playId);
  expect(answers).toHaveLength(5);
  expect(answers.filter((one) => one.replaces !== null)).toHaveLength(1);
  await deletePupil(page, made);
});

test('the demo room has something true to show', async ({ page }) => {
  const ilse = await pupilOf(page, 'Ilse');
  await page.goto(`${new URL(page.url()).origin}/pupils/${ilse.id}`);
  await expect(page.getByRole('heading', { name: /^Ready for / })).toBeVisible();
  const tomasz = await pupilOf(page, 'Tomasz');
  await page.goto(`${new URL(page.url()).origin}/pupils/${tomasz.id}`);
  await page.getByText('The checks as a list').click();
  await page
    .getByRole('link', { name: /Review of/ })
    .first()
    .click();
  await expect(page.getByText('A pattern: next or previous multiple')).toBeVisible();
  const hana = await pupilOf(page, 'Hana');
  await page.goto(`${new URL(page.url()).origin}/pupils/${hana.id}`);
  await expect(page.getByText('The ceiling limits the aim').first()).toBeVisible();
});
