import { expect, test, type Browser, type Page } from '@playwright/test';
import { codeDigits } from '@veldrift/wire';
import { expectNoViolations, house, signIn } from './house.ts';

/** A tablet of the class, joined by the code on the big screen. */
async function deviceIn(browser: Browser, code: string, size = { width: 390, height: 844 }): Promise<Page> {
  const context = await browser.newContext({ viewport: size, hasTouch: true });
  const device = await context.newPage();
  await device.goto(`${house().base}/child#${code}`);
  await device.getByRole('button', { name: 'Join' }).click();
  await expect(device.getByText('Wait for a card.')).toBeVisible();
  return device;
}

const answerOf = (fact: string) =>
  fact
    .split('×')
    .map(Number)
    .reduce((product, one) => product * one, 1);

/** What stands on a device’s card, and its number. */
async function cardOf(device: Page) {
  const card = device.locator('.partner-card');
  const text = await card.locator('.partner-text').innerText();
  const number = await card.locator('.partner-number').innerText();
  return { number, text, value: text.includes('×') ? answerOf(text) : Number(text) };
}

/** Card, what is said of it and every key lie whole on the screen, whichever way it is held. */
async function fitsEverySize(device: Page): Promise<void> {
  for (const [width, height] of [
    [1024, 768],
    [768, 1024],
    [844, 390],
    [360, 640],
    [320, 568],
    [390, 844],
  ] as const) {
    await device.setViewportSize({ width, height });
    const outside = await device.evaluate(() => {
      const parts = document.querySelectorAll(
        '.partner-card, .partner-number, .partner-text, .partner-dots, .partner-story, .class-verdict, .class-typed, .keypad-key',
      );
      const found = [...parts].flatMap((one) => {
        const box = one.getBoundingClientRect();
        const out = box.left < 0 || box.top < 0 || box.right > innerWidth + 1 || box.bottom > innerHeight + 1;
        const small = one.matches('.keypad-key') && Math.min(box.width, box.height) < 43.5;
        return out || small ? [`${one.className} ${Math.round(box.width)} by ${Math.round(box.height)}`] : [];
      });
      return document.documentElement.scrollHeight > innerHeight + 1 ? [...found, 'it scrolls'] : found;
    });
    expect([width, height, outside]).toEqual([width, height, []]);
  }
}

async function types(device: Page, number: string): Promise<void> {
  for (const digit of number) await device.getByRole('button', { name: digit, exact: true }).click();
  await device.getByRole('button', { name: 'Done', exact: true }).click();
}

test('a class finds its partners on devices: joined by one code, judged, timed, swapped and let go', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  await signIn(page);
  await page.goto(`${house().base}/shelf?where=class`);
  await page.getByRole('link', { name: 'Partners about' }).click();
  await page.getByRole('button', { name: 'On devices' }).click();
  await page.getByRole('button', { name: 'Make the code' }).click();
  const code = (await page.locator('.class-code').innerText()).replace(/\s/g, '');
  expect(code).toHaveLength(codeDigits);
  await expect(page.getByRole('button', { name: 'Deal a card to each' })).toBeDisabled();
  const devices: Page[] = [];
  for (let nth = 0; nth < 5; nth += 1) devices.push(await deviceIn(browser, code));
  await expect(page.getByText('5 devices here.')).toBeVisible();
  await expect(page.getByText('One waits, and plays in the next round.')).toBeVisible();
  await page.getByRole('button', { name: 'Deal a card to each' }).click();
  // Nobody sees a card before it begins.
  for (const device of devices) await expect(device.locator('.partner-card')).toHaveCount(0);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('0 of 2 pairs found')).toBeVisible();

  const waits = devices.filter(() => true);
  const playing: Page[] = [];
  for (const device of waits) {
    await expect(device.locator('.partner-card, .class-large')).toBeVisible();
    if ((await device.getByText('You wait this round.').count()) === 0) playing.push(device);
  }
  expect(playing).toHaveLength(4);
  const cards = await Promise.all(playing.map(async (device) => ({ device, ...(await cardOf(device)) })));
  expect(new Set(cards.map(({ number }) => number)).size).toBe(4);
  const [one, ...rest] = cards;
  const partner = rest.find(({ value }) => value === one?.value);
  const apart = rest.find(({ value }) => value !== one?.value);
  if (!one || !partner || !apart) throw new Error('The cards do not lie as they should.');
  await fitsEverySize(one.device);
  // A wrong number, its own, and one that no card has.
  await types(one.device, apart.number);
  await expect(one.device.getByText('These two do not belong together. Look again.')).toBeVisible();
  await types(one.device, one.number);
  await expect(one.device.getByText('That is the number of your own card.')).toBeVisible();
  await types(one.device, '77');
  await expect(one.device.getByText('There is no card of that number.')).toBeVisible();
  // Nothing of it is told to the others.
  await expect(apart.device.getByText('Find the card that belongs to yours.')).toBeVisible();
  await types(one.device, partner.number);
  for (const device of [one.device, partner.device])
    await expect(device.getByText('You belong together.')).toBeVisible();
  await expect(page.getByText('1 of 2 pairs found')).toBeVisible();
  // A device that is loaded anew has its card still.
  await apart.device.reload();
  await expect(apart.device.locator('.partner-number')).toHaveText(apart.number);
  const last = rest.find((card) => card !== partner && card !== apart);
  await types(apart.device, last?.number ?? '');
  await expect(page.getByText('Everybody has found the partner.')).toBeVisible();
  await expect(page.getByText(/Rounds so far: 0:\d\d\./)).toBeVisible();

  // The big screen is loaded anew in the middle: the class is there still.
  await page.reload();
  await page.getByRole('button', { name: 'Swap cards, and again' }).click();
  await expect(page.getByText('Round 2')).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  const waited = waits.find((device) => !playing.includes(device)) as Page;
  await expect(waited.locator('.partner-card')).toBeVisible();
  await page.getByRole('button', { name: 'Everybody stands with a partner' }).click();
  await expect(page.getByText(/Rounds so far: 0:\d\d, 0:\d\d\. .* the one before\./)).toBeVisible();
  await page.getByRole('button', { name: 'Other cards' }).click();
  await page.getByRole('button', { name: 'Let the devices go' }).click();
  for (const device of devices) await expect(device.getByText('Done. Thank you.')).toBeVisible();
  for (const device of devices) await device.context().close();
});

test('printed cards: the same by their seed, any two told apart by their numbers, an odd class and too few numbers said', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/class/partners-about`);
  await page.getByLabel('Children').fill('13');
  await page.getByLabel('Seed of the printed cards').fill('42');
  await expect(page.getByText('12 cards for 13 children')).toBeVisible();
  await expect(page.getByText('One waits, and plays in the next round.')).toBeVisible();
  await page.getByRole('link', { name: 'Print the cards' }).click();
  await expect(page.getByRole('heading', { name: 'Partner cards for a class' })).toBeVisible();
  await expect(page.getByText(/seed 42/).first()).toBeVisible();
  // The list at the end says which belong together.
  const pairs = (await page.locator('.paper-page').last().locator('text').allTextContents()).filter((text) =>
    /^\d+ and \d+$/.test(text),
  );
  expect(pairs).toHaveLength(6);
  const [one = '', other = ''] = (pairs[0] ?? '').split(' and ');
  const [third = ''] = (pairs[1] ?? '').split(' and ');
  await page.goBack();
  await page.getByRole('button', { name: 'The cards are dealt' }).click();
  await page.getByRole('button', { name: 'Start' }).click();
  const together = async (a: string, b: string) => {
    await page.getByLabel('Card', { exact: true }).fill(a);
    await page.getByLabel('and card').fill(b);
    await page.getByRole('button', { name: 'Together?' }).click();
  };
  await together(one, third);
  await expect(page.getByText(/^Not together\. /)).toBeVisible();
  await together(one, '40');
  await expect(page.getByText(/There are cards 1 to 12 in this deal\. Look at the seed/)).toBeVisible();
  await together(one, other);
  await expect(page.getByText(/^Together\. /)).toBeVisible();
  await expect(page.getByText('1 of 6 pairs found')).toBeVisible();
  await page.getByRole('button', { name: 'Other cards' }).click();
  await page.getByLabel('Numbers up to, 5 to 20').fill('5');
  await page.getByLabel('Children').fill('40');
  await page.getByRole('button', { name: 'The cards are dealt' }).click();
  await expect(page.getByRole('alert')).toHaveText(
    /There are \d+ pairs with these numbers, and 20 are needed/,
  );
  await page.getByLabel('Children').fill('90');
  await expect(page.getByText('2 to 40 children.')).toBeVisible();
});

test('a caller for printed cards calls one by one, tells of any card in one tap, and goes on after a reload', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/grid-call`);
  await page.getByRole('link', { name: 'With a whole class' }).click();
  await page.getByLabel('Cards, 1 to 36').fill('20');
  await page.getByLabel('Seed of the printed cards').fill('9');
  await page.getByRole('button', { name: 'Begin to call' }).click();
  await page.getByRole('button', { name: 'First call' }).click();
  const called = new Set<number>();
  const call = page.locator('.class-called');
  // Until some card has a line, by what is called and what stands on the cards alone.
  for (let nth = 0; nth < 12; nth += 1) {
    called.add(answerOf(await call.innerText()));
    const text = await call.innerText();
    await page.getByRole('button', { name: 'Next call' }).click();
    await expect(call).not.toHaveText(text);
  }
  called.add(answerOf(await call.innerText()));
  await expect(page.getByText('13 of 81 called')).toBeVisible();
  await page.reload();
  await expect(page.getByText('13 of 81 called')).toBeVisible();
  for (let card = 1; card <= 20; card += 1) {
    await page
      .locator('.class-cards')
      .getByRole('button', { name: String(card), exact: true })
      .click();
    const squares = (await page.locator('.class-card li').allInnerTexts()).map(Number);
    const lines = [0, 1, 2].flatMap((at) => [
      [at * 3, at * 3 + 1, at * 3 + 2],
      [at, at + 3, at + 6],
    ]);
    const full = [...lines, [0, 4, 8], [2, 4, 6]].some((line) =>
      line.every((at) => called.has(squares[at] ?? NaN)),
    );
    await expect(
      page.getByText(full ? `Card ${card} has a line.` : new RegExp(`^Card ${card} has no line yet: `)),
    ).toBeVisible();
  }
  await expectNoViolations(page);
  // Aloud where there is a voice; where there is none it says so.
  await page.getByLabel('Aloud').check();
  await expect(page.getByText('This device has no voice to read aloud with.')).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Begin to call' })).toBeVisible();
});

test('a warm-up before a whole class: no name anywhere, judged together, undone, next in the circle on request', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/round-the-circle`);
  await page.getByRole('link', { name: 'With a whole class' }).click();
  await expect(page.getByRole('heading', { name: 'Round the circle' })).toBeVisible();
  await page.getByLabel('Children in the circle').fill('3');
  for (let nth = 0; nth < 4; nth += 1) await page.getByRole('button', { name: 'They had it' }).click();
  await expect(page.getByText(/^Child \d/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Who is next?' }).click();
  // Four were said by three children: the second is next.
  await expect(page.getByText('Child 2, counted from whoever began.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Who is next?' }).click();
  await expect(page.getByText('Child 1, counted from whoever began.')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Who is next?' }).click();
  await expect(page.getByText('Child 1, counted from whoever began.')).toBeVisible();
  await page.goto(`${house().base}/class/outweigh`);
  await expect(page.getByText('This is no game for a whole class')).toBeVisible();
});

test('every kind of card is read on a small device: dots, dots struck out, two facts, a story', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  await signIn(page);
  await page.goto(`${house().base}/class/partners-about`);
  await page.getByRole('button', { name: 'On devices' }).click();
  await page.getByRole('button', { name: 'Make the code' }).click();
  const code = (await page.locator('.class-code').innerText()).replace(/\s/g, '');
  const devices = [await deviceIn(browser, code), await deviceIn(browser, code)];
  await expect(page.getByText('2 devices here.')).toBeVisible();
  for (const kind of ['dots and their number', 'dots struck out', 'two facts', 'a story and its fact']) {
    await page.getByLabel('Two cards of a pair').click();
    await page.getByRole('option', { name: new RegExp(kind) }).click();
    await expect(page.locator('.MuiModal-root')).toHaveCount(0);
    await page.getByRole('button', { name: 'Deal a card to each' }).click();
    await page.getByRole('button', { name: 'Start' }).click();
    for (const device of devices) {
      await expect(device.locator('.partner-card')).toBeVisible();
      await fitsEverySize(device);
    }
    await page.getByRole('button', { name: 'Other cards' }).click();
  }
  await page.getByRole('button', { name: 'Let the devices go' }).click();
  for (const device of devices) await device.context().close();
});
