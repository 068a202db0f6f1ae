import { expect, test, type Locator } from '@playwright/test';
import { beginGame, dealsByHand, dealtBy } from './gameHouse.ts';
import { keys, move, shown, showsOtherThan } from './gameWalk.ts';
import { addPupil, deletePupil, house, painted, prompt, pupilOf, signIn, startMinute } from './house.ts';
import { screensOf } from './screenList.ts';
import { shifted, watchShifts } from './shifts.ts';

for (const [width, height] of [
  [390, 844],
  [320, 640],
  [640, 400],
] as const)
  test(`no screen is wider than ${width} px, and nothing moves once it is there`, async ({ page }) => {
    test.setTimeout(240_000);
    await page.setViewportSize({ width, height });
    await watchShifts(page);
    await signIn(page);
    const faults: string[] = [];
    for (const [name, path, shown] of await screensOf(page)) {
      await page.goto(`${house().base}${path}`);
      await shown();
      const wide = await page.evaluate(() => {
        const over = document.documentElement.scrollWidth - innerWidth;
        if (over <= 0) return null;
        const beyond = [...document.querySelectorAll('body *')].filter(
          (one) =>
            one.getBoundingClientRect().right > innerWidth + 1 && getComputedStyle(one).position !== 'fixed',
        );
        return `${over} px too wide: ${beyond
          .slice(-3)
          .map(
            (one) =>
              `${one.nodeName.toLowerCase()}.${one.className} \u201c${(one.textContent ?? '').slice(0, 30)}\u201d`,
          )
          .join(', ')}`;
      });
      if (wide !== null) faults.push(`${name}: ${wide}`);
      for (const one of await shifted(page)) faults.push(`${name}: moved ${one}`);
    }
    expect(faults).toEqual([]);
  });

test('every page has a title of its own without a name, and the focus is at its heading', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await page.goto(`${house().base}/`);
  const titles = new Set([await page.title()]);
  for (const name of ['Pupils', 'Shelf', 'Checker', 'Room', 'Settings', 'Today']) {
    await page.getByRole('link', { name, exact: true }).first().click();
    // A page that begins with a field puts it there itself.
    await expect(page.locator('h1:focus, main input:focus')).toHaveCount(1);
    titles.add(await page.title());
  }
  expect(titles.size).toBe(6);
  await page.keyboard.press('/');
  await expect(page.getByLabel('Find')).toBeFocused();
  await page.getByLabel('Find').fill(pupil.name);
  await page.getByRole('link', { name: pupil.name }).first().click();
  await expect(page.getByRole('heading', { name: pupil.name })).toBeFocused();
  expect(await page.title()).not.toContain(pupil.name);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys at the table' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto(`${house().base}/shelf`);
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.getByLabel('Name').fill('hundred');
  await expect(page.getByRole('link', { name: /Hundred sweep/ }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: /First voice/ })).toHaveCount(0);
  await deletePupil(page, pupil);
});

test('a letter at the table can be changed, and letters can be switched off', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', policy: { minuteMs: 60_000 } });
  await page.goto(`${house().base}/settings`);
  await page.getByText('Which letter does what').click();
  const pause = page.getByLabel('pause', { exact: true });
  await pause.fill('F');
  await expect(page.getByText('F means something else already.')).toBeVisible();
  await pause.fill('X');
  await expect(page.getByText('F means something else already.')).toHaveCount(0);
  await expect(pause).toBeFocused();
  await startMinute(page, pupil.id);
  await page.keyboard.press('p');
  await expect(prompt(page)).toBeVisible();
  await page.keyboard.press('x');
  await expect(page.getByText('A little pause.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(prompt(page)).toBeVisible();
  // What is asked is read out once, where a screen reader hears it.
  await expect(page.getByTestId('told')).toHaveText(/\d \u00d7 \d/);
  await page.goto(`${house().base}/settings`);
  await page.getByLabel('Single letters are keys').click();
  await page.goBack();
  await page.getByRole('button', { name: /Begin|Go on/ }).click();
  await page.keyboard.press('x');
  await page.keyboard.press('c');
  await expect(prompt(page)).toBeVisible();
  await expect(page.locator('[data-calm="true"]')).toHaveCount(0);
  await page.evaluate(() => localStorage.removeItem('veldrift.settings'));
  await deletePupil(page, pupil);
});

test('a tablet is turned while a list lies over the table: the keys go on, and nothing is lost', async ({
  page,
}) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', policy: { minuteMs: 60_000 } });
  await startMinute(page, pupil.id);
  for (const over of ['More', 'Screens'] as const) {
    await page.setViewportSize({ width: 768, height: 1024 });
    await page.getByRole('button', { name: 'More' }).click();
    if (over === 'Screens') await page.getByRole('button', { name: 'Screens' }).click();
    await page.setViewportSize({ width: 1024, height: 768 });
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await page.keyboard.press('p');
    await expect(page.getByText('A little pause.')).toBeVisible();
    await page.keyboard.press('Space');
    await expect(prompt(page)).toBeVisible();
  }
  // What was wanted is done: the list goes by itself.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Calm' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.locator('[data-calm="true"]')).toBeVisible();
  await deletePupil(page, pupil);
});

test('a name that is written from the right stands for itself: what follows it follows it', async ({
  page,
}) => {
  await dealsByHand(page);
  await signIn(page);
  const name = '\u05ea\u05de\u05e8';
  const pupil = await addPupil(page, { capture: 'tutor', name });
  // Where each character lies: the sign that follows the name lies to the right of all of it.
  const follows = (sign: string) =>
    page.evaluate(
      ([of, after]) => {
        const found: boolean[] = [];
        const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        const boxOf = (node: Node, at: number, length: number) => {
          const range = document.createRange();
          range.setStart(node, at);
          range.setEnd(node, at + length);
          return range.getBoundingClientRect();
        };
        const lines: { node: Node; at: number; char: string }[] = [];
        while (texts.nextNode()) {
          const node = texts.currentNode;
          if ((node.parentElement?.getBoundingClientRect().width ?? 0) > 1)
            [...(node.textContent ?? '')].forEach((char, at) => lines.push({ node, at, char }));
        }
        const all = lines.map(({ char }) => char).join('');
        for (let at = all.indexOf(of); at >= 0; at = all.indexOf(of, at + 1)) {
          const next = lines.slice(at + of.length).find(({ char }) => !/[\u2068\u2069]/.test(char));
          if (next?.char !== after) continue;
          const first = lines[at];
          if (!first) continue;
          const own = boxOf(first.node, first.at, of.length);
          found.push(boxOf(next.node, next.at, 1).left >= own.right - 1);
        }
        return found;
      },
      [name, sign] as const,
    );
  const playId = await beginGame(page, 'outweigh', pupil);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.locator('.game-need')).toContainText(name);
  expect(await follows(':')).toEqual([true]);
  await painted(page);
  await page.locator('.judge.right').click();
  await page.getByRole('button', { name: 'End' }).click();
  await expect(page).toHaveURL(new RegExp(`/review/${playId}`));
  await expect(page.getByRole('heading', { name: /Facts met|Outweigh/ }).first()).toBeVisible();
  // The review comes once what was played is fetched.
  const there = async () => [...(await follows(':')), ...(await follows('\u2019'))];
  await expect.poll(async () => (await there()).length).toBeGreaterThan(0);
  expect((await there()).every(Boolean)).toBe(true);
  await deletePupil(page, pupil);
});

test('where the system chooses the colours, what is chosen and whose an array is are told by lines', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await dealtBy(page, 20261130);
  await dealsByHand(page);
  await signIn(page);
  const line = (what: Locator, of: 'outlineStyle' | 'borderTopStyle' | 'borderLeftColor') =>
    what.evaluate((element, name) => getComputedStyle(element)[name], of);
  const odalys = await pupilOf(page, 'Odalys B.');
  await page.goto(`${house().base}/pupils/${odalys.id}`);
  const chosen = page.getByRole('button', { name: 'Multiplication', exact: true });
  await expect(chosen).toHaveAttribute('aria-pressed', 'true');
  expect(await line(chosen, 'outlineStyle')).toBe('solid');
  expect(await line(page.getByRole('button', { name: 'Addition', exact: true }), 'outlineStyle')).toBe(
    'none',
  );
  const nav = page.getByRole('navigation', { name: 'Screens' });
  const edge = async (name: string) => line(nav.getByRole('link', { name }), 'borderLeftColor');
  expect(await edge('Pupils')).not.toBe(await edge('Shelf'));
  expect(await edge('Today')).toBe(await edge('Shelf'));
  const pupil = await addPupil(page, { capture: 'tutor' });
  await beginGame(page, 'fill-the-field', pupil);
  const laid = (seat: number) => page.locator(`.plot.laid.seat-${seat}`).first();
  while (!((await laid(0).isVisible()) && (await laid(1).isVisible()))) {
    const before = await shown(page);
    await move(page, keys);
    await showsOtherThan(page, before);
  }
  const styles = [await line(laid(0), 'borderTopStyle'), await line(laid(1), 'borderTopStyle')];
  expect(styles).toEqual(['solid', 'double']);
  await deletePupil(page, pupil);
});
