import { expect, test, type Page } from '@playwright/test';
import { numeralStrokes, type Numeral, type Place } from '@veldrift/core';
import { expectNoViolations, house, signIn } from './house.ts';

const says = (page: Page) => page.locator('.numerals-says');

/** Where places of a numeral lie on the screen. */
async function onScreen(page: Page, places: readonly Place[]) {
  const to = await page.locator('.trace-pad > g').evaluate((drawing) => {
    const { a, b, c, d, e, f } = (drawing as SVGGElement).getScreenCTM() as DOMMatrix;
    return { a, b, c, d, e, f };
  });
  return places.map(({ x, y }) => ({
    x: to.a * 100 * x + to.c * 100 * y + to.e,
    y: to.b * 100 * x + to.d * 100 * y + to.f,
  }));
}

/** A mouse goes down at the first place, through the others, and up at the last. */
async function draw(page: Page, places: readonly Place[]): Promise<void> {
  const [first, ...others] = await onScreen(
    page,
    places.filter((_, at) => at % 6 === 0 || at === places.length - 1),
  );
  if (!first) throw new Error('There is no place.');
  await page.mouse.move(first.x, first.y);
  await page.mouse.down();
  for (const { x, y } of others) await page.mouse.move(x, y);
  await page.mouse.up();
}

const strokeOf = (numeral: Numeral, nth = 0) => {
  const stroke = numeralStrokes(numeral)[nth];
  if (!stroke) throw new Error('There is no such stroke.');
  return stroke;
};

test('a numeral is found on the shelf, traced from the top, and what went wrong is said where it did', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf`);
  await page.getByLabel('Name').fill('form the');
  await page.getByRole('link', { name: 'Form the numerals' }).click();
  await expect(page.getByRole('heading', { name: 'Form the numerals' })).toBeVisible();
  await expectNoViolations(page);
  await page.getByRole('button', { name: '7', exact: true }).click();
  await expect(says(page)).toHaveText('Begin at the dot.');

  await draw(page, strokeOf(7).toReversed());
  await expect(says(page)).toHaveText('That is where it ends. It begins at the dot.');
  await expect(page.locator('.trace-here')).toBeHidden();

  const half = Math.floor(strokeOf(7).length * 0.7);
  await draw(page, strokeOf(7).slice(0, half));
  await expect(says(page)).toHaveText('Lifted before the end. Go on from the ring.');
  await expect(page.locator('.trace-here')).toBeVisible();
  await draw(page, [...strokeOf(7).slice(half - 4, half + 10), { x: 0.9, y: 0.9 }]);
  await expect(says(page)).toHaveText('Here the way was left. Go on from the ring.');
  await draw(page, strokeOf(7));
  await expect(says(page)).toHaveText('All of its way was traced.');

  await page.getByRole('button', { name: 'Again' }).click();
  await expect(says(page)).toHaveText('Begin at the dot.');
  await expect(page.locator('.trace-ink')).toHaveCount(0);
});

test('two strokes come one after the other, also from memory and turned to the other side', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/numerals`);
  await page.getByRole('button', { name: '4', exact: true }).click();
  await page.getByRole('button', { name: 'Turn to a child opposite' }).click();
  await page.getByRole('combobox', { name: 'Shown' }).click();
  await page.getByRole('option', { name: 'Nothing: from memory' }).click();
  await expect(page.locator('.MuiModal-root')).toHaveCount(0);
  await expect(page.locator('.trace-way, .trace-dots, .trace-begin')).toHaveCount(0);
  // Opposite: what is at the top for the child lies below for this side.
  const [top, below] = await onScreen(page, [
    { x: 0.3, y: 0 },
    { x: 0.3, y: 1 },
  ]);
  expect(top?.y).toBeGreaterThan(below?.y ?? Infinity);
  await draw(page, strokeOf(4));
  await expect(says(page)).toHaveText('Now stroke 2, from its dot.');
  // Begun where nothing begins: now the dot is shown.
  await draw(page, [
    { x: 0.8, y: 0.9 },
    { x: 0.9, y: 0.9 },
  ]);
  await expect(says(page)).toHaveText('It begins at the dot.');
  await expect(page.locator('.trace-begin')).toHaveCount(1);
  await draw(page, strokeOf(4, 1));
  await expect(says(page)).toHaveText('All of its way was traced.');
  // What was wished stays on this device.
  await page.reload();
  await expect(page.getByRole('combobox', { name: 'Shown' })).toHaveText('Nothing: from memory');
  await page.getByRole('link', { name: 'Print to trace' }).click();
  await expect(page.getByRole('heading', { name: 'Numerals to trace' })).toBeVisible();
});

test.describe('on a tablet', () => {
  test.use({ hasTouch: true, viewport: { width: 1024, height: 768 } });
  test('a second finger, or a hand that rests, draws nothing, and the page stays where it is', async ({
    page,
  }) => {
    await signIn(page);
    await page.goto(`${house().base}/shelf/numerals`);
    await page.getByRole('button', { name: '1', exact: true }).click();
    const way = await onScreen(
      page,
      strokeOf(1).filter((_, at) => at % 5 === 0),
    );
    const devtools = await page.context().newCDPSession(page);
    const touch = (
      type: 'touchStart' | 'touchMove' | 'touchEnd',
      touchPoints: { x: number; y: number; id: number }[],
    ) => devtools.send('Input.dispatchTouchEvent', { type, touchPoints });
    const palm = { x: (way[0]?.x ?? 0) + 150, y: way.at(-1)?.y ?? 0, id: 2 };
    await touch('touchStart', [{ ...(way[0] as Place), id: 1 }]);
    await touch('touchStart', [{ ...(way[0] as Place), id: 1 }, palm]);
    for (const place of way) await touch('touchMove', [{ ...place, id: 1 }, palm]);
    await touch('touchEnd', []);
    await expect(says(page)).toHaveText('All of its way was traced.');
    await expect(page.locator('.trace-ink')).toHaveCount(1);
    expect(await page.evaluate(() => scrollY)).toBe(0);
  });
});
