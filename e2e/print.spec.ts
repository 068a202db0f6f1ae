import { findSheet } from '@veldrift/core/print';
import { expect, test, type Page } from '@playwright/test';
import { goInside } from './gameHouse.ts';
import { addPupil, deletePupil, house, signIn } from './house.ts';

/** How many pages a browser makes of this page when it prints it. */
async function pagesPrinted(page: Page): Promise<number> {
  const pdf = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1');
  return pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0;
}

/** What of a sheet reaches into the white margin of its paper, by the browser's own measure of what it drew. */
const intoMargin = (page: Page) =>
  page.locator('.print-pages .paper-page').evaluateAll((pages) =>
    pages.flatMap((one) => {
      const svg = one as unknown as SVGSVGElement;
      const { width, height } = svg.viewBox.baseVal;
      return [...svg.querySelectorAll<SVGGraphicsElement>('text, line, rect, circle')].flatMap((piece) => {
        const box = piece.getBBox();
        const out =
          box.x < 9.9 || box.y < 9.5 || box.x + box.width > width - 9.9 || box.y + box.height > height - 9;
        return out
          ? [`${piece.tagName} ${piece.textContent}: ${box.x} ${box.y} ${box.width} ${box.height}`]
          : [];
      });
    }),
  );

test('every sheet leaves the margins white on either paper, and prints as many pages as it says', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await signIn(page);
  await page.goto(`${house().base}/print`);
  await expect(page.getByRole('heading', { name: 'Print', level: 1 })).toBeVisible();
  const links = await page
    .locator('.print-family a')
    .evaluateAll((all) => all.map((one) => one.getAttribute('href') ?? ''));
  expect(links.length).toBeGreaterThan(40);
  for (const [nth, to] of links.entries())
    for (const paper of ['a4', 'letter']) {
      await goInside(page, `${to}?paper=${paper}&seed=12`);
      const print = page.getByRole('button', { name: /^Print( \d+ pages)?$/ });
      await expect(print).toBeEnabled();
      await expect(page.locator('h1')).toHaveText(findSheet(to.split('/').at(-1) ?? '')?.name ?? 'no sheet');
      expect(await intoMargin(page), `${to} on ${paper}`).toEqual([]);
      // Of the sheets of games, which are made alike, every tenth.
      if (/(rules|board|order|home)-/.test(to) && nth % 10 > 0) continue;
      const said = /\d+/.exec(await print.innerText())?.[0] ?? '1';
      expect(await pagesPrinted(page), `${to} on ${paper}`).toBe(Number(said));
    }
});

test('a sheet is chosen from a game’s page, by its step, and made again by its seed', async ({ page }) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/fact-line`);
  await expect(page.getByRole('heading', { name: 'Fact line' })).toBeVisible();
  await page.getByRole('button', { name: 'Products' }).click();
  await page.getByRole('link', { name: 'Print the board' }).click();
  const sheet = page.getByRole('region', { name: 'As it will be printed' });
  await expect(sheet).toContainText('\u00d7');
  await page.getByLabel('Seed').fill('41');
  await page.getByLabel('For (initials; may be left out)').fill('O. B.');
  await expect(sheet).toContainText('for O. B.');
  await expect(sheet).toContainText('seed 41');
  const first = await sheet.locator('text').allTextContents();
  await page.getByRole('button', { name: 'Another' }).click();
  await expect.poll(() => sheet.locator('text').allTextContents()).not.toEqual(first);
  await page.getByLabel('Seed').fill('41');
  await expect.poll(() => sheet.locator('text').allTextContents()).toEqual(first);
});

test('what cannot be made is said in a sentence, and nothing is printed', async ({ page }) => {
  await signIn(page);
  await page.goto(`${house().base}/print/grid-call`);
  await page.getByLabel('Numbers to, 4 to 12').fill('4');
  await page.getByLabel('Squares').click();
  await page.getByRole('option', { name: '5 by 5' }).click();
  await expect(page.getByRole('alert')).toContainText('too few facts');
  await expect(page.getByRole('button', { name: 'Print', exact: true })).toBeDisabled();
  await page.getByLabel('Numbers to, 4 to 12').fill('99');
  await expect(page.getByRole('alert')).toContainText('from 4 to 12');
  await page.goto(`${house().base}/print/nothing-like-it`);
  await expect(page.getByText('There is no such sheet')).toBeVisible();
});

test('any other page is printed whole, after sheets and stacks were looked at', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  // What is fetched for the stack and for the sheets stays on the page: its print rules must not reach the others.
  await page.goto(`${house().base}/table/new/${pupil.id}`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await goInside(page, '/print/number-cards');
  await expect(page.getByRole('region', { name: 'As it will be printed' })).toBeVisible();
  await goInside(page, `/pupils/${pupil.id}`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(pupil.name);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  expect(await page.locator('h1').evaluate((one) => getComputedStyle(one).visibility)).toBe('visible');
  await page.emulateMedia({ media: null });
  await deletePupil(page, pupil);
});

test('rules of the house are printed with their name, whose they are, and what is otherwise', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/tall-number`);
  await page.getByRole('button', { name: 'Make rules of the house' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name, as the children give it').fill('Four high');
  await form.getByLabel('Proposed by (may be left out)').fill('the Tuesday two');
  await form.getByLabel('Cards of a number, 2 to 5').fill('4');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toBeHidden();
  await page.getByRole('link', { name: 'Print the rules' }).click();
  const sheet = page.getByRole('region', { name: 'As it will be printed' });
  // Words lie in lines of their own.
  await expect
    .poll(async () => (await sheet.locator('text').allTextContents()).join(' '))
    .toContain('Four high: rules of the house, proposed by the Tuesday two');
  await expect(sheet).toContainText('Cards of a number: 4.');
  await expect(sheet).toContainText('Tall number, Four high');
  await page.goBack();
  await page.getByRole('button', { name: /^Four high/ }).click();
  await page.getByRole('button', { name: 'Change these rules' }).click();
  await page.getByRole('button', { name: 'Take them away' }).click();
  await expect(page.getByRole('button', { name: /^Four high/ })).toHaveCount(0);
});
