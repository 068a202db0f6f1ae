import { expect, test } from '@playwright/test';
import { hasPractised, press } from './gameHouse.ts';
import { addPupil, deletePupil, expectNoViolations, house, keptReview, painted, signIn } from './house.ts';

test('a pack is put together by tap, drawing and keys; the map follows, and it is what lies on the table', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', setId: 'strategy/mul/2' });
  await page.goto(`${house().base}/shelf?pupil=${pupil.id}`);
  await page.getByRole('link', { name: 'Deck bench' }).click();
  await expect(page.getByRole('heading', { name: 'Deck bench', level: 1 })).toBeVisible();
  const row = (number: number) => page.getByRole('slider', { name: `Cards of ${number}`, exact: true });
  await expect(row(7)).toHaveAttribute('aria-valuenow', '4');
  await expect(page.getByText('40 cards.')).toBeVisible();
  const cell = (says: RegExp) => page.getByRole('table').getByRole('button', { name: says });
  // In 40 pairs of a whole pack 2 × 7 comes 40 × 16 / 780 / 2 times.
  await expect(cell(/^2 × 7, 0\.4 times/)).toBeVisible();
  // By keys, to none.
  await row(9).focus();
  await page.keyboard.press('Home');
  await expect(row(9)).toHaveAttribute('aria-valuenow', '0');
  await expect(cell(/^2 × 9, never/)).toBeVisible();
  // By a tap: the third card of 7 is pulled out, with the one after it.
  const track = await row(7).boundingBox();
  if (!track) throw new Error('The row of 7 is not there.');
  const at = (place: number) =>
    [track.x + ((place - 0.5) / 8) * track.width, track.y + track.height / 2] as const;
  await page.mouse.click(...at(3));
  await expect(row(7)).toHaveAttribute('aria-valuenow', '2');
  // By drawing along the row: five more are dropped in.
  await page.mouse.move(...at(3));
  await page.mouse.down();
  await page.mouse.move(...at(5), { steps: 4 });
  await page.mouse.move(...at(7), { steps: 4 });
  await page.mouse.up();
  await expect(row(7)).toHaveAttribute('aria-valuenow', '7');
  await expect(page.getByText('Add three 7s from a second pack.')).toBeVisible();
  // All others out but the 2s: what comes is 2 × 2, 2 × 7 and 7 × 7, and the share is told.
  for (const number of [1, 3, 4, 5, 6, 8, 10]) {
    await row(number).focus();
    await page.keyboard.press('Home');
  }
  await expect(page.getByText('11 cards.')).toBeVisible();
  // 28 of 55 pairs, each in either order.
  await cell(/^2 × 7, 10 times/).click();
  await expect(page.getByText('2 × 7 comes 10 times in 40 pairs.')).toBeVisible();
  await expectNoViolations(page);
  // The pack stands in the address: a reload keeps it.
  await page.reload();
  await expect(page.getByText('11 cards.')).toBeVisible();
  await page.getByRole('link', { name: 'Play First voice with it' }).click();
  await expect(page.getByRole('button', { name: 'Products' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page).toHaveURL(/\/table\//);
  const playId = page.url().split('/').at(-1) as string;
  await page.getByRole('button', { name: 'Begin' }).click();
  for (let nth = 0; nth < 3; nth += 1) {
    await page.keyboard.press('Space');
    await expect(page.locator('[data-need="claim"]')).toBeVisible();
    await painted(page);
    await expect(page.locator('.prompt')).toHaveText(/^[27]\s*×\s*[27]$/);
    await page.keyboard.press('z');
    await expect(page.locator('[data-need="say"]')).toBeVisible();
    await press(page, 'ArrowRight');
  }
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.answers).toHaveLength(3);
  for (const { fact } of kept.answers) expect(['2x2', '2x7', '7x2', '7x7']).toContain(fact);
  await deletePupil(page, pupil);
});

test('a pack is fitted to a pupil: what is not known is chosen, up to three packs say what they give up', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', setId: 'strategy/mul/2' });
  await hasPractised(page, pupil, ['2x3', '3x2', '2x4', '4x2'], 900);
  await page.goto(`${house().base}/shelf/down-the-pack?pupil=${pupil.id}&operation=mul`);
  await page.getByRole('button', { name: `Fit the pack to ${pupil.name}` }).click();
  const facts = page.getByRole('group', { name: 'Facts to be met' });
  await expect(facts.getByRole('button', { name: '2 × 3' })).toHaveAttribute('aria-pressed', 'false');
  await expect(facts.getByRole('button', { name: '2 × 5' })).toHaveAttribute('aria-pressed', 'true');
  const fit = page.getByRole('region', { name: 'Fit the pack' });
  // A wish that cannot be read is told at once, and nothing is asked.
  await fit.getByLabel('Cards at most').fill('200');
  await expect(fit.getByRole('alert')).toHaveText('Cards at most: from 2 to 108, the cards of two packs.');
  await expect(fit.getByRole('button', { name: /^Fit the pack/ })).toBeDisabled();
  await fit.getByLabel('Cards at most').fill('24');
  // A field emptied on the way tells nothing that is no number.
  await fit.getByLabel('In so many pairs').fill('');
  await expect(fit.getByRole('alert')).toHaveText('How many come in a game: 1 to 1,000.');
  await expect(page.getByRole('table').getByRole('button', { name: /NaN/ })).toHaveCount(0);
  await fit.getByLabel('In so many pairs').fill('40');
  // A wish stays while the pack is pulled apart.
  await fit.getByLabel('Times each').fill('7');
  for (const number of Array.from({ length: 10 }, (_, at) => at + 1)) {
    await page.getByRole('slider', { name: `Cards of ${number}`, exact: true }).focus();
    await page.keyboard.press('Home');
  }
  await expect(page.getByText('Two cards at least')).toBeVisible();
  await expect(fit.getByLabel('Times each')).toHaveValue('7');
  await page.getByRole('button', { name: 'Back to the whole pack' }).click();
  // A wish that no pack can meet says which part to relax.
  await fit.getByLabel('Times each').fill('30');
  await fit.getByRole('button', { name: /^Fit the pack/ }).click();
  await expect(
    fit.getByText(/rarest wanted fact comes .* not 30: wish for fewer facts/).first(),
  ).toBeVisible();
  await fit.getByLabel('Times each').fill('2');
  await fit.getByLabel('Known, in 100').fill('5');
  await fit.getByRole('button', { name: /^Fit the pack/ }).click();
  await expect(fit.getByText('All that was wished.').first()).toBeVisible();
  const found = fit.getByRole('list', { name: 'Packs that fit' }).getByRole('listitem');
  expect(await found.count()).toBeLessThanOrEqual(3);
  const cards = /^(\d+) cards/.exec((await found.first().innerText()).trim())?.[1];
  await found.first().getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText(`${cards} cards.`)).toBeVisible();
  // Other rules are played with their own pack again.
  await page.getByRole('button', { name: 'To 6', exact: true }).click();
  await expect(page.getByRole('button', { name: `Fit the pack to ${pupil.name}` })).toBeVisible();
  await deletePupil(page, pupil);
});

test('a pack of no card, of one, and for nobody: each says what to do', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { setId: 'strategy/mul/2' });
  await page.goto(`${house().base}/shelf/bench?pack=0:0`);
  await expect(page.getByText('Choose whom it is for')).toBeVisible();
  await expect(page.getByText('Drop some in.')).toBeVisible();
  await page.goto(`${house().base}/shelf/bench?pupil=${pupil.id}&pack=7:1`);
  await expect(page.getByText('One card.')).toBeVisible();
  await expect(page.getByText('Two cards at least')).toBeVisible();
  await page.getByLabel('A number that stays').fill('x');
  await expect(page.getByText('A whole number from 0 to 99.')).toBeVisible();
  await page.getByLabel('A number that stays').fill('2');
  await expect(page.getByRole('button', { name: /^2 × 7, 20 times/ })).toBeVisible();
  await page.goto(`${house().base}/shelf/first-voice?pupil=${pupil.id}&operation=mul&pack=7:1`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(
    page.getByText('The pack has one card, too few to play with: drop in 6 or more.'),
  ).toBeVisible();
  await expect(page).not.toHaveURL(/\/table\//);
  await deletePupil(page, pupil);
});

test('a pack is kept under a name, for a pupil or for everyone, offered again, and let go', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { setId: 'strategy/mul/2' });
  const other = await addPupil(page, { setId: 'strategy/mul/2' });
  const bench = (id: string, pack = '') => page.goto(`${house().base}/shelf/bench?pupil=${id}&pack=${pack}`);
  await bench(pupil.id, '2:4,7:3,8:3');
  const kept = page.getByRole('region', { name: 'Kept packs' });
  await expect(kept.getByText('None yet.')).toBeVisible();
  await kept.getByRole('button', { name: `Keep it for ${pupil.name}` }).click();
  await expect(kept.getByRole('alert')).toHaveText('Give the pack a name, to find it again.');
  // Without a server nothing is kept, and nothing typed is lost.
  await page.route('**/api/packs', (route) => route.abort());
  await kept.getByLabel('Name of this pack').fill('Two lanterns');
  await kept.getByRole('button', { name: `Keep it for ${pupil.name}` }).click();
  await expect(kept.getByRole('alert')).toContainText('nothing was kept');
  await expect(kept.getByLabel('Name of this pack')).toHaveValue('Two lanterns');
  await page.unroute('**/api/packs');
  await kept.getByRole('button', { name: `Keep it for ${pupil.name}` }).click();
  await expect(kept.getByRole('button', { name: 'Two lanterns', exact: true })).toBeVisible();
  await expect(kept.getByRole('listitem')).toContainText('four 2s, three 7s and three 8s');
  const shared = `Shared ${pupil.id.slice(-5)}`;
  await kept.getByLabel('Name of this pack').fill(shared);
  await kept.getByRole('button', { name: 'Keep it for everyone' }).click();
  await expect(kept.getByRole('button', { name: shared, exact: true })).toBeVisible();
  await expectNoViolations(page);
  // Another pupil is offered the one for everyone, and lays it on the bench.
  await bench(other.id);
  await expect(kept.getByRole('button', { name: shared, exact: true })).toBeVisible();
  await expect(kept.getByRole('button', { name: 'Two lanterns', exact: true })).toHaveCount(0);
  await kept.getByRole('button', { name: shared, exact: true }).click();
  await expect(page.getByText('10 cards.')).toBeVisible();
  await kept.getByRole('button', { name: `Let ${shared} go` }).click();
  await expect(kept.getByRole('button', { name: shared, exact: true })).toHaveCount(0);
  // What was on the bench still lies there.
  await expect(page.getByText('10 cards.')).toBeVisible();
  await deletePupil(page, pupil);
  await deletePupil(page, other);
});
