import { expect } from '@playwright/test';
import { addPupil, deletePupil, house, keptReview, painted, signIn } from './house.ts';
import { beginGame, hasPractised, need, press, sumsTo } from './gameHouse.ts';
import { test } from './steady.ts';

test('calm turns a game to what the pupil knows, takes no times, and stays through an undo', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, {
    operation: 'add',
    setId: 'strategy/add/bonds-to-ten',
    capture: 'tutor',
  });
  // +1 and +2 want the mark "no counting seen" before they count as recalled: they are not among the known.
  const known = sumsTo(8).filter((fact) => !/\b[12]\b/.test(fact));
  await hasPractised(page, pupil, known, 900);
  const playId = await beginGame(page, 'outweigh', pupil, { step: /^Sums to 10/, second: null });
  await press(page, 'Space');
  await press(page, 'ArrowRight');
  await press(page, 'ArrowRight');
  await page.keyboard.press('c');
  await expect(page.locator('.field[data-calm="true"]')).toBeVisible();
  const asked: string[] = [];
  for (let turns = 0; turns < 2; turns += 1) {
    await press(page, 'Space');
    for (let hands = 0; hands < 2; hands += 1) {
      asked.push((await page.locator('.prompt').innerText()).replace(/\s/g, ''));
      await press(page, 'ArrowRight');
    }
  }
  expect(asked.filter((fact) => known.includes(fact))).toEqual(asked);
  await page.keyboard.press('Backspace');
  await expect(page.locator('[data-need="say"]')).toBeVisible();
  await expect(page.locator('.field[data-calm="true"]')).toBeVisible();
  await press(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.play.calm).toBe(true);
  expect(kept.answers.map((one) => one.latencyMs !== null)).toEqual([true, true, false, false, false, false]);
  expect(kept.game?.moves.filter((one) => one.move.kind === 'calm')).toHaveLength(1);
  await deletePupil(page, pupil);
});

test('undo right after calm takes back the turn before it, and the table stays calm', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, {
    operation: 'add',
    setId: 'strategy/add/bonds-to-ten',
    capture: 'tutor',
  });
  const playId = await beginGame(page, 'outweigh', pupil, { step: /^Sums to 5/, second: null });
  await press(page, 'Space');
  const first = await page.locator('.prompt').innerText();
  await press(page, 'ArrowRight');
  await page.keyboard.press('c');
  await expect(page.locator('.field[data-calm="true"]')).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(page.locator('.prompt')).toHaveText(first);
  await press(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.game?.moves.map((one) => one.move.kind)).toEqual(['go', 'calm', 'said']);
  expect(kept.answers.map((one) => one.latencyMs)).toEqual([null]);
  await deletePupil(page, pupil);
});

test('a levelled race gives the slower one a head start from both their own times', async ({ page }) => {
  await signIn(page);
  const over = { operation: 'add', setId: 'strategy/add/bonds-to-ten', capture: 'tutor' } as const;
  const quick = await addPupil(page, { name: 'Juno Q.', ...over });
  const slow = await addPupil(page, { name: 'Ivo S.', ...over });
  await hasPractised(page, quick, sumsTo(6), 900);
  await hasPractised(page, slow, sumsTo(6), 2400);
  const playId = await beginGame(page, 'first-voice', quick, {
    step: /^Dice, sums/,
    second: 'Ivo S.',
    flips: ['Levelled: the slower one has a head start'],
  });
  await page.keyboard.press('Space');
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  // The tutor sees it; 2.4 s less 0.9 s.
  await expect(page.getByText('1.5 s ahead')).toBeVisible();
  await painted(page);
  // The quick one is first by the clock, the slow one within the head start.
  await page.keyboard.press('z');
  await page.keyboard.press('m');
  await expect(page.locator('.game-need')).toHaveText(/Ivo S./);
  await press(page, 'ArrowRight');
  // Alone within it, the quick one has it all the same.
  await page.keyboard.press('Space');
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  await painted(page);
  await page.keyboard.press('z');
  await expect(page.locator('.game-need')).toHaveText(/Juno Q./);
  await press(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.game?.moves.flatMap(({ move }) => (move.kind === 'claim' ? [move.seat] : []))).toEqual([1, 0]);
  await deletePupil(page, quick);
  await deletePupil(page, slow);
});

test('the grown-up errs on purpose on a known fact, the child judges, and it is said right after', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await signIn(page);
  const pupil = await addPupil(page, {
    operation: 'add',
    setId: 'strategy/add/bonds-to-ten',
    capture: 'tutor',
  });
  await hasPractised(page, pupil, sumsTo(10), 900);
  const veiled = page.getByRole('button', { name: 'For you, veiled' });
  let playId = '';
  // About one turn in four: a pack may go by without one.
  for (let packs = 0; packs < 5 && (await veiled.count()) === 0; packs += 1) {
    if (packs > 0) await page.getByRole('button', { name: 'End', exact: true }).click();
    playId = await beginGame(page, 'outweigh', pupil, {
      step: /^Sums to 10/,
      flips: ['I err on purpose now and then'],
    });
    while ((await veiled.count()) === 0 && (await page.locator('.game-field:not(.ended)').count()) > 0)
      await press(page, (await need(page)) === 'say' ? 'ArrowRight' : 'Space');
  }
  // The child sees the screen too: what to say wrongly shows when it is asked for.
  await expect(veiled).not.toContainText('on purpose');
  await veiled.click();
  await expect(veiled).toContainText(/say \d+, on purpose/);
  const wrong = /say (\d+)/.exec(await veiled.innerText())?.[1];
  const sum = (await page.locator('.prompt').innerText()).match(/\d+/g)?.map(Number) ?? [];
  expect(Number(wrong)).not.toBe((sum[0] ?? 0) + (sum[1] ?? 0));
  await page.getByRole('button', { name: 'The child saw it' }).click();
  await expect(page.locator('.told')).toContainText('Said right, together.');
  await expect(page.locator('.told-fact')).toHaveText(
    `${sum[0]} + ${sum[1]} = ${(sum[0] ?? 0) + (sum[1] ?? 0)}`,
  );
  await page.keyboard.press('Space');
  await expect(page.locator('.told')).toHaveCount(0);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  const errors = kept.game?.moves.filter(({ move }) => move.kind === 'said' && move.erred !== undefined);
  expect(errors?.map((one) => one.move)).toMatchObject([{ seat: 1, right: true, erred: 'caught' }]);
  // A grown-up's error is no answer of the child.
  expect(kept.answers.every((one) => one.judgement === 'right')).toBe(true);
  await deletePupil(page, pupil);
});

test('a child gives the signal: everyone freezes, and another sign holds', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, {
    operation: 'add',
    setId: 'strategy/add/bonds-to-ten',
    capture: 'tutor',
  });
  const playId = await beginGame(page, 'turnabout', pupil, { step: /^A child gives the signal/ });
  await page.keyboard.press('Space');
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  const signOf = async () => /[+−×]/.exec(await page.locator('.prompt').innerText())?.[0];
  const before = await signOf();
  await page.getByRole('button', { name: 'Signal' }).click();
  await expect(page.getByRole('alert')).toContainText(
    /Freeze\. Now: (addition|subtraction|multiplication)\./,
  );
  await expect(page.locator('.game-field')).toHaveCount(0);
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  expect(await signOf()).not.toBe(before);
  await painted(page);
  await page.keyboard.press('z');
  await expect(page.locator('[data-need="say"]')).toBeVisible();
  await press(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.game?.moves.map((one) => one.move.kind)).toEqual(['go', 'signal', 'claim', 'said']);
  expect(kept.answers).toHaveLength(1);
  await deletePupil(page, pupil);
});

test('a helped turn counts as worked out with credit to the helper, and a role goes round', async ({
  page,
}) => {
  await signIn(page);
  const over = { operation: 'add', setId: 'strategy/add/bonds-to-ten', capture: 'tutor' } as const;
  const one = await addPupil(page, { name: 'Sanna H.', ...over });
  const two = await addPupil(page, { name: 'Odo H.', ...over });
  const playId = await beginGame(page, 'outweigh', one, {
    step: /^Sums to 5/,
    second: 'Odo H.',
    roles: ['Scorekeeper'],
  });
  const keeper = page
    .getByRole('list', { name: 'Seats' })
    .getByRole('listitem')
    .filter({ hasText: 'scorekeeper' });
  await expect(keeper).toHaveCount(1);
  const first = await keeper.innerText();
  await press(page, 'Space');
  await page.getByRole('list', { name: 'Seats' }).getByRole('button', { name: 'helped' }).click();
  await press(page, 'ArrowRight');
  await press(page, 'ArrowRight');
  // A round is a turn of each; then the role has moved on by a seat.
  for (let turns = 0; turns < 2 && (await keeper.innerText()) === first; turns += 1) {
    await press(page, 'Space');
    await press(page, 'ArrowRight');
    await press(page, 'ArrowRight');
  }
  expect(await keeper.innerText()).not.toBe(first);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await keptReview(page, playId);
  expect(kept.answers[0]).toMatchObject({ judgement: 'workedOut', seen: ['helped'] });
  expect(kept.game?.moves[1]?.move).toMatchObject({ kind: 'said', seat: 0, right: true, helpedBy: 1 });
  await deletePupil(page, one);
  await deletePupil(page, two);
});

test('a pack of one’s own is dealt to its seat alone', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { operation: 'add', setId: 'strategy/add/bonds-to-ten' });
  await page.goto(`${house().base}/shelf/under-the-line?pupil=${pupil.id}`);
  await page.getByLabel('Pack').first().click();
  await page.getByRole('option', { name: '1 to 5' }).click();
  // Cards that are no tens and ones are not offered.
  await page.getByLabel('Pack').nth(1).click();
  await expect(page.getByRole('option', { name: '1 to 9' })).toBeVisible();
  await expect(page.getByRole('option', { name: '1 to 10' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  for (let rounds = 0; rounds < 3; rounds += 1) {
    const hand = page.getByRole('group', { name: 'Your cards' }).getByRole('button');
    await expect(hand).toHaveCount(4);
    for (const card of await hand.all()) expect(await card.getAttribute('aria-label')).toMatch(/^[1-5]$/);
    for (let seats = 0; seats < 2; seats += 1) {
      // The fourth card falls into the last place by itself, and all of it is laid.
      for (const place of (await page.locator('.place').all()).slice(0, 3)) await place.click();
      await expect(page.locator('[data-need="say"]')).toBeVisible();
      await press(page, 'ArrowRight');
    }
    await press(page, 'Space');
  }
  await deletePupil(page, pupil);
});

test('the look and the minute of a sweep are seen by the children, and calm takes them away', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await beginGame(page, 'hundred-sweep', pupil, { step: /^× joins/, second: null });
  await press(page, 'Space');
  await expect(page.getByRole('timer')).toHaveCount(0);
  await page.keyboard.press('k');
  await expect(page.getByRole('timer')).toHaveText(/^\d+$/);
  await expect(page.getByRole('button', { name: /^Looking/ })).toBeVisible();
  await page.keyboard.press('c');
  await expect(page.getByRole('timer')).toHaveCount(0);
  // What can be marked goes on as before.
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.locator('[data-need="roll"]')).toBeVisible();
  await deletePupil(page, pupil);
});

test('the best line is shown of the turn before, never of the one under way', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await beginGame(page, 'add-then-times', pupil, { step: /^Add two, times the third/, second: null });
  await press(page, 'Space');
  // Three dice alike leave nothing to choose: their line is asked at once.
  while ((await need(page)) !== 'choose')
    await press(page, (await need(page)) === 'say' ? 'ArrowRight' : 'Space');
  await page.keyboard.press('b');
  const best = page.getByRole('status', { name: 'Best line' });
  await expect(best).toContainText('Nothing was chosen at the last turn');
  await page.keyboard.press('b');
  const lines = await page.locator('.ask-choices button').allInnerTexts();
  const worth = (line: string) => {
    const [a = 0, b = 0, c = 0] = (line.match(/\d+/g) ?? []).map(Number);
    return (a + b) * c;
  };
  const most = Math.max(...lines.map(worth));
  await page.locator('.ask-choices button').first().click();
  await press(page, 'ArrowRight');
  await page.keyboard.press('b');
  await expect(best).toContainText(`= ${most}`);
  await deletePupil(page, pupil);
});

test('a game ended without a network has a review of each pupil on this device', async ({
  page,
  context,
}) => {
  await signIn(page);
  const over = { operation: 'add', setId: 'strategy/add/bonds-to-ten', capture: 'tutor' } as const;
  const one = await addPupil(page, { name: 'Runa W.', ...over });
  const two = await addPupil(page, { name: 'Emil W.', ...over });
  const playId = await beginGame(page, 'outweigh', one, { step: /^Sums to 5/, second: 'Emil W.' });
  await press(page, 'Space');
  await context.setOffline(true);
  await press(page, 'ArrowRight');
  await press(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Runa W\.: / })).toBeVisible();
  await expect(page.getByText('is worked out when it has reached the server')).toBeVisible();
  await page.getByRole('link', { name: 'Emil W.', exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Emil W\.: / })).toBeVisible();
  await expect(page.getByRole('heading', { name: /Facts met 1/ })).toBeVisible();
  await context.setOffline(false);
  const kept = await keptReview(page, playId);
  expect(kept.answers).toHaveLength(1);
  await deletePupil(page, one);
  await deletePupil(page, two);
});

/** How often pips are looked at until the machine has kept up with its frames three times. */
const mostLooks = 10;

test('pips are seen for just so long, by the browser\u2019s own trace of what it put on the screen', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  for (const [step, forMs] of [
    [/half a second/, 500],
    [/^Scattered/, 1500],
  ] as const) {
    await beginGame(page, 'pips-at-a-glance', pupil, { step });
    await page.getByRole('button', { name: 'Go on' }).click();
    const place = page.locator('.flash-place');
    // The first is to be judged, so that nothing else moves when the next one comes.
    await expect(place).toHaveAttribute('data-shown-ms');
    await page.locator('.judge.right').click();
    await expect(page.locator('.glance-place')).toBeVisible();
    // Looks in which the machine itself kept up with every frame: the middle of three tells.
    const longest: number[] = [];
    for (let look = 0; longest.length < 3; look += 1) {
      // A machine that drops frames all the time shows nothing for just so long: there is nothing to hold the application to.
      test.skip(
        look === mostLooks,
        `Of ${mostLooks} looks the machine kept up with its frames in ${longest.length}.`,
      );
      await page.evaluate(() => new Promise((done) => setTimeout(done, 300)));
      await browser.startTracing(page, { categories: ['viz', 'benchmark'] });
      await page.evaluate(() => {
        const own = window as unknown as { looked: { frames: number[]; goneAt: number } };
        const looked = (own.looked = { frames: [] as number[], goneAt: NaN });
        let seen = false;
        const note = (at: number) => {
          looked.frames.push(at);
          // The frame that took them away, once they were there: those of before may be hidden there still.
          const { visibility } = document.querySelector<HTMLElement>('.flash-place')?.style ?? {};
          seen ||= visibility === 'visible';
          if (seen && visibility === 'hidden' && Number.isNaN(looked.goneAt)) looked.goneAt = at;
          if (own.looked === looked) requestAnimationFrame(note);
        };
        requestAnimationFrame(note);
      });
      await page.getByRole('button', { name: 'Go on' }).click();
      await expect(place).toHaveAttribute('data-shown-ms');
      const own = Number(await place.getAttribute('data-shown-ms'));
      await expect(place).toBeHidden();
      await page.evaluate(
        () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
      );
      const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as {
        traceEvents: readonly { readonly name: string; readonly ts: number }[];
      };
      const { frames, goneAt } = await page.evaluate(() => {
        const own = window as unknown as { looked: { frames: number[]; goneAt: number } };
        const { looked } = own;
        own.looked = { frames: [], goneAt: NaN };
        return looked;
      });
      // From a little before they came to a little after they went.
      const meanwhile = frames.filter((at) => at > goneAt - own - 60 && at < goneAt + 60);
      const latest = Math.max(...meanwhile.slice(1).map((at, nth) => at - (meanwhile[nth] as number)));
      const shownAt = traceEvents
        .filter((one) => one.name === 'Display::FrameDisplayed')
        .map(({ ts }) => ts / 1000)
        .sort((one, other) => one - other);
      // A frame late by one is 33 ms.
      if (latest < 30) {
        expect(Math.abs(own - forMs)).toBeLessThanOrEqual(17);
        // Nothing moves while they lie there: the longest time without a new frame is theirs.
        longest.push(Math.max(...shownAt.slice(1).map((at, nth) => at - (shownAt[nth] as number))));
      }
      await page.locator('.judge.right').click();
      await expect(page.locator('.glance-place')).toBeVisible();
    }
    const [, middle = NaN] = longest.sort((one, other) => one - other);
    // A frame and a half, of sixty a second.
    expect(Math.abs(middle - forMs)).toBeLessThanOrEqual(25);
  }
  await deletePupil(page, pupil);
});
