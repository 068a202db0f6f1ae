import { expect, test, type Page } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy, press } from './gameHouse.ts';
import { keys, move, shown, showsOtherThan, type Hand } from './gameWalk.ts';
import { atEverySize } from './hidden.ts';
import { addPupil, deletePupil, expectNoViolations, house, prompt, secondWindow, signIn } from './house.ts';

/** Draws a line on the paper, in hundredths of its width and height. */
async function draw(page: Page, places: readonly (readonly [number, number])[]): Promise<void> {
  const box = await page.locator('.draw-paper').boundingBox();
  if (!box) throw new Error('There is no paper.');
  const [first, ...others] = places.map(
    ([x, y]) => [box.x + (box.width * x) / 100, box.y + (box.height * y) / 100] as const,
  );
  if (!first) throw new Error('There is no place.');
  await page.mouse.move(...first);
  await page.mouse.down();
  for (const to of others) await page.mouse.move(...to, { steps: 3 });
  await page.mouse.up();
}

test('a picture is drawn for a fact, kept with it, drawn anew, saved as a drawing and deleted', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  await page.goto(`${house().base}/pupils/${pupil.id}/pictures`);
  await expect(page.getByText('No picture yet')).toBeVisible();
  await page.getByLabel('Fact').fill('7 x 8 = 54');
  await page.getByRole('button', { name: 'Draw' }).click();
  await expect(page.getByText('7 × 8 is not 54')).toBeVisible();
  await page.getByLabel('Fact').fill('7 x 8');
  await page.getByRole('button', { name: 'Draw' }).click();
  await expect(page.getByRole('heading', { name: '7 × 8 = 56' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await draw(page, [
    [10, 10],
    [50, 60],
    [90, 10],
  ]);
  await draw(page, [
    [20, 80],
    [80, 80],
  ]);
  await expect(page.locator('.draw-pad .pen-line')).toHaveCount(2);
  await page.getByRole('button', { name: 'Take back the last line' }).click();
  await page.getByLabel('Sentence').fill('Seven spiders have fifty-six legs.');
  await expectNoViolations(page);
  // Left half-made, it is there again.
  await page.reload();
  await expect(page.locator('.draw-pad .pen-line')).toHaveCount(1);
  await expect(page.getByLabel('Sentence')).toHaveValue('Seven spiders have fifty-six legs.');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('heading', { name: 'A picture for a fact' })).toBeVisible();
  await expect(page.locator('.picture-list li')).toHaveCount(1);
  await expectNoViolations(page);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a drawing' }).click();
  expect((await saved).suggestedFilename()).toBe('7×8.svg');
  await page.getByRole('link', { name: '7 × 8 = 56' }).click();
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByText('No picture yet')).toBeVisible();
  const left = await page.request.get(`${house().base}/api/pupils/${pupil.id}/pictures`);
  expect(await left.json()).toEqual([]);
  await deletePupil(page, pupil);
});

test('what cannot be kept says so, and stays on the paper until it can', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await page.goto(`${house().base}/pupils/${pupil.id}/pictures/6%2B4`);
  await page.getByLabel('Sentence').fill('Six and four are friends.');
  await page.route('**/pictures', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'What was drawn stays here.' })).toBeVisible();
  await page.unroute('**/pictures');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('Six and four are friends.')).toBeVisible();
  await page.goto(`${house().base}/pupils/${pupil.id}/pictures/7*8`);
  await expect(page.getByText('That is no fact')).toBeVisible();
  await deletePupil(page, pupil);
});

test('a full picture says so, keeps what was drawn as it is, and takes no line more', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page);
  const lines = Array.from({ length: 200 }, (_, nth) => [nth * 4, 10, nth * 4, 60]);
  await page.request.put(`${house().base}/api/pupils/${pupil.id}/pictures`, {
    data: { fact: '6+4', sentence: '', lines },
  });
  await page.goto(`${house().base}/pupils/${pupil.id}/pictures/6%2B4`);
  await expect(page.getByText('The picture is full')).toBeVisible();
  const drawn = () =>
    page.locator('.draw-pad .pen-line').evaluateAll((all) => all.map((one) => one.getAttribute('d')));
  const before = await drawn();
  expect(before).toHaveLength(200);
  await draw(page, [
    [10, 60],
    [80, 90],
  ]);
  expect(await drawn()).toEqual(before);
  // With the last taken back there is room for one.
  await page.getByRole('button', { name: 'Take back the last line' }).click();
  await draw(page, [
    [10, 60],
    [80, 90],
  ]);
  const after = await drawn();
  expect(after).toHaveLength(200);
  expect(after.slice(0, -1)).toEqual(before.slice(0, -1));
  expect(after.at(-1)).not.toBe(before.at(-1));
  await deletePupil(page, pupil);
});

test('the picture is the hint of its fact in a drill, on the child\u2019s own screen too, and of nobody else', async ({
  page,
}) => {
  await signIn(page);
  const over = { operation: 'mul', setId: 'strategy/mul/squares', capture: 'tutor' } as const;
  const pupil = await addPupil(page, { ...over, name: 'Runa P.' });
  const other = await addPupil(page, { ...over, name: 'Emil P.' });
  // Of every fact of the tables, so that whatever is asked has one.
  for (let nth = 0; nth < 13 * 13; nth += 1) {
    const fact = `${nth % 13}x${Math.floor(nth / 13)}`;
    const kept = await page.request.put(`${house().base}/api/pupils/${pupil.id}/pictures`, {
      data: {
        fact,
        sentence: `What ${fact} is like: a spider with so many legs, and all its friends.`,
        lines: [[100, 100, 700, 100, 700, 700]],
      },
    });
    expect(kept.status()).toBe(200);
  }
  const begin = async (id: string) => {
    await page.goto(`${house().base}/table/new/${id}?what=drill`);
    await page.getByRole('button', { name: 'To the table' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(prompt(page)).toBeVisible();
  };
  await begin(pupil.id);
  const fact = (await prompt(page).getAttribute('data-fact')) ?? '';
  const sentence = `What ${fact} is like: a spider`;
  const child = await secondWindow(page);
  await expect(child.locator('.game-field, .asked')).toBeVisible();
  await page.bringToFront();
  await page.keyboard.press('a');
  await expect(page.locator('.aid-list button').first()).toHaveText('Own picture');
  await page.getByRole('button', { name: 'Own picture' }).click();
  await expect(page.locator('.aid-shelf .own-picture')).toContainText(sentence);
  const hidden: string[] = [];
  await atEverySize(page, 'aided', hidden);
  await expect(child.locator('.own-picture')).toContainText(sentence);
  await page.keyboard.press('ArrowUp');
  // Missed, it is what is shown first.
  await expect(page.locator('.shown-way .own-picture')).toContainText(sentence);
  await child.close();
  // It hides nothing, at any size.
  await atEverySize(page, 'missed', hidden);
  expect(hidden).toEqual([]);
  await begin(other.id);
  await page.keyboard.press('a');
  await expect(page.locator('.aid-list button').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Own picture' })).toHaveCount(0);
  for (const one of [pupil, other]) await deletePupil(page, one);
});

test('in a game it is the hint of the child whose turn it is, found from the shelf', async ({ page }) => {
  await signIn(page);
  const over = { operation: 'add', setId: 'strategy/add/bonds-to-ten', capture: 'tutor' } as const;
  const pupil = await addPupil(page, { ...over, name: 'Runa Q.' });
  const other = await addPupil(page, { ...over, name: 'Emil Q.' });
  for (let nth = 0; nth < 11 * 11; nth += 1) {
    const kept = await page.request.put(`${house().base}/api/pupils/${pupil.id}/pictures`, {
      data: { fact: `${nth % 11}+${Math.floor(nth / 11)}`, sentence: 'Two of a kind.', lines: [] },
    });
    expect(kept.status()).toBe(200);
  }
  await page.goto(`${house().base}/shelf?pupil=${pupil.id}`);
  await page.getByLabel('Name').fill('picture');
  await page.getByRole('link', { name: 'A picture for a fact' }).click();
  await expect(page.locator('.picture-list li').first()).toContainText('Two of a kind.');
  await beginGame(page, 'outweigh', pupil, { step: /^Sums to 5/, second: 'Emil Q.' });
  await press(page, 'Space');
  await page.keyboard.press('a');
  await page.getByRole('button', { name: 'Own picture' }).click();
  await expect(page.locator('.aid-shelf .own-picture')).toHaveText('Two of a kind.');
  // It hides nothing here either, at any size.
  const hidden: string[] = [];
  await atEverySize(page, 'aided in a game', hidden);
  expect(hidden).toEqual([]);
  await press(page, 'ArrowRight');
  // The next to say is the other child, who made none.
  await page.keyboard.press('a');
  await expect(page.locator('.aid-list button').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Own picture' })).toHaveCount(0);
  for (const one of [pupil, other]) await deletePupil(page, one);
});

for (const game of ['down-the-pack', 'fact-line'])
  test(`after a miss in a game the child\u2019s picture is shown, and hides nothing at any size (${game})`, async ({
    page,
  }) => {
    test.setTimeout(240_000);
    await dealtBy(page, 20261130);
    await dealsByHand(page);
    await signIn(page);
    const pupil = await addPupil(page, { capture: 'tutor', name: 'Runa R.' });
    for (const sign of ['x', '+'])
      for (let nth = 0; nth < 12 * 12; nth += 1)
        await page.request.put(`${house().base}/api/pupils/${pupil.id}/pictures`, {
          data: {
            fact: `${(nth % 12) + 1}${sign}${Math.floor(nth / 12) + 1}`,
            sentence: 'Two spiders on a wall, and all their friends, who have as many legs as they.',
            lines: [[100, 100, 900, 100, 900, 700, 100, 700, 100, 100]],
          },
        });
    await beginGame(page, game, pupil, { second: null });
    const missed: Hand = { ...keys, judge: async (at) => press(at, 'ArrowUp') };
    const shownOwn = page.locator('.shown-way .own-picture');
    for (let nth = 0; nth < 12 && (await shownOwn.count()) === 0; nth += 1) {
      const before = await shown(page);
      await move(page, missed);
      await showsOtherThan(page, before);
    }
    await expect(shownOwn).toBeVisible();
    const hidden: string[] = [];
    await atEverySize(page, game, hidden);
    expect(hidden).toEqual([]);
    await deletePupil(page, pupil);
  });
