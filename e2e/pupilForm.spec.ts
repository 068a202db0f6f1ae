import { expect, test } from '@playwright/test';
import { addPupil, cached, deletePupil, house, pupilOf, signIn } from './house.ts';

test('a form opened on an old list takes in what was changed elsewhere, keeps what was typed, and sends no other field', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { notes: 'At first.', aids: '' });
  const form = `${house().base}/pupils/${pupil.id}/edit`;
  await page.goto(form);
  await expect(page.getByLabel('Notes')).toHaveValue('At first.');
  await expect.poll(() => cached(page, 'At first.')).toBe(true);
  const changeElsewhere = async (fields: object) =>
    expect(await page.request.patch(`${house().base}/api/pupils/${pupil.id}`, { data: fields })).toBeOK();
  await changeElsewhere({ notes: 'Changed elsewhere.', readAloud: true, hand: 'left' });

  // The list from this device comes first; the server's is held back while something is typed.
  let release = () => {};
  const held = new Promise<void>((done) => {
    release = done;
  });
  await page.route('**/api/pupils', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(form);
  await expect(page.getByLabel('Notes')).toHaveValue('At first.');
  await page.getByLabel('Aids').fill('Ten frames');
  release();
  await expect(page.getByLabel('Notes')).toHaveValue('Changed elsewhere.');
  await expect(page.getByLabel(/^Read aloud/)).toBeChecked();
  await expect(page.getByLabel('Aids')).toHaveValue('Ten frames');

  // What is typed and left is there again, beside what was changed since.
  await page.unroute('**/api/pupils');
  await changeElsewhere({ notes: 'And once more.' });
  await page.goto(`${house().base}/`);
  await page.goto(form);
  await expect(page.getByLabel('Aids')).toHaveValue('Ten frames');
  await expect(page.getByLabel('Notes')).toHaveValue('And once more.');
  // Changed behind an open form that hears nothing of it.
  await changeElsewhere({ homeLanguage: 'Faroese' });
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/pupils/${pupil.id}$`));
  expect(await pupilOf(page, pupil.name)).toMatchObject({
    notes: 'And once more.',
    aids: 'Ten frames',
    readAloud: true,
    hand: 'left',
    homeLanguage: 'Faroese',
  });
  await deletePupil(page, pupil);
});
