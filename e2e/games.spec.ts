import { expect, test, type Page } from '@playwright/test';
import { beginGame, childrenType, dealsByHand, need, press } from './gameHouse.ts';
import { keys, move } from './gameWalk.ts';
import { games } from '@veldrift/core/games';
import type { PupilGame, ReviewPage } from '@veldrift/wire';
import {
  addPupil,
  deletePupil,
  expectNoSideways,
  expectNoViolations,
  house,
  joinedDevice,
  keptReview,
  painted,
  pupilOf,
  signIn,
} from './house.ts';

const review = async (page: Page, playId: string): Promise<ReviewPage> => keptReview(page, playId);

test('house rules are made under a name, the game is played to its end, and every fact is on record', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { operation: 'add', setId: 'strategy/add/bonds-to-ten' });
  // The list of pupils comes late: a game chosen meanwhile is still for the pupil of the address.
  let listed!: () => void;
  const late = new Promise<void>((done) => (listed = done));
  await page.route('**/api/pupils', async (route) => {
    await late;
    await route.continue();
  });
  await page.goto(`${house().base}/shelf?pupil=${pupil.id}&practises=add&with=cards`);
  await page.getByRole('link', { name: 'Outweigh' }).click();
  await expect(page).toHaveURL(new RegExp(`/shelf/outweigh\\?pupil=${pupil.id}$`));
  listed();
  await expect(page.getByText(/in a play/)).toBeVisible();
  await page.getByRole('button', { name: /^Sums to 10/ }).click();
  await page.getByRole('button', { name: 'Make rules of the house' }).click();
  // What cannot be played is said before it is saved.
  await page.getByLabel('Cards turned, 1 to 4').fill('9');
  await expect(page.getByText('Cards turned should be a whole number from 1 to 4.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await page.getByLabel('Cards turned, 1 to 4').fill('4');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Give the rules a name')).toBeVisible();
  await page.getByLabel('Name, as the children give it').fill('Four at once');
  await page.getByLabel(/Proposed by/).fill('Tove');
  // Leaving the form loses nothing.
  await page.getByRole('button', { name: 'Leave', exact: true }).click();
  await page.getByRole('button', { name: 'Make rules of the house' }).click();
  await expect(page.getByLabel('Name, as the children give it')).toHaveValue('Four at once');
  await page.getByLabel('Cards turned, 1 to 4').fill('2');
  await page.getByLabel('Pack').last().click();
  await page.getByRole('option', { name: '1 to 5' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(
    page.getByRole('button', { name: /^Four at once · rules of the house, by Tove/ }),
  ).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  const playId = page.url().split('/').at(-1) as string;
  let said = 0;
  for (let nth = 0; nth < 80 && (await page.locator('.game-field:not(.ended)').count()) > 0; nth += 1) {
    const asked = await need(page);
    if (asked === 'say') said += 1;
    await press(page, asked === 'say' ? 'ArrowRight' : 'Space');
  }
  await expect(page.getByText('The pack is out.').first()).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Outweigh', exact: true })).toBeVisible();
  await expect(page.getByText('No step hangs on this play')).toBeVisible();
  const kept = await review(page, playId);
  expect(kept.pupil.id).toBe(pupil.id);
  // Both seats said theirs; only the pupil's are recorded, each timed by the tutor's key.
  expect(kept.answers.length).toBe(said / 2);
  expect(kept.answers.every((one) => one.latencyMs !== null && one.way === 'tutor')).toBe(true);
  expect(kept.game?.moves.filter((one) => one.move.kind === 'said')).toHaveLength(said);
  await page.getByRole('button', { name: /moves$/ }).click();
  await expect(page.locator('.game-told li')).toHaveCount(kept.game?.moves.length ?? -1);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Play it again' }).click();
  await page.getByRole('button', { name: /^Four at once/ }).click();
  await page.getByRole('button', { name: 'Change these rules' }).click();
  await page.getByRole('button', { name: 'Take them away' }).click();
  await expect(page.getByRole('button', { name: /^Four at once/ })).toHaveCount(0);
  await deletePupil(page, pupil);
});

test('two pupils race: the first key has it, two at once are a tie, and each has a record of their own', async ({
  page,
}) => {
  await signIn(page);
  const one = await addPupil(page, { name: 'Aino T.' });
  const two = await addPupil(page, { name: 'Pelle T.' });
  const playId = await beginGame(page, 'first-voice', one, { step: /^Products/, second: 'Pelle T.' });
  await page.keyboard.press('Space');
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  await painted(page);
  // Two keys in one frame: nobody was first, it lies there.
  await page.evaluate(() => {
    for (const key of ['z', 'm'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  });
  await expect(page.getByText('It lies there for the next.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  await painted(page);
  await page.keyboard.press('m');
  await expect(page.locator('[data-need="say"]')).toBeVisible();
  await expect(page.locator('.game-need')).toHaveText('Pelle T.: say it.');
  // Not right: the other may take it.
  await press(page, 'ArrowLeft');
  await expect(page.locator('.game-need')).toHaveText(/Aino T./);
  await press(page, 'ArrowRight');
  await expect(page.getByText(/Aino T\. takes 4\./)).toBeVisible();
  // Undo takes the turn back, and its answer with it.
  await page.keyboard.press('Backspace');
  await expect(page.locator('.game-need')).toHaveText(/Aino T./);
  await press(page, 'ArrowDown');
  // Someone leaves mid-game; the other goes on alone.
  await page.getByRole('button', { name: 'Someone leaves' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Pelle T.' }).click();
  await expect(page.getByText('has left')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await press(page, 'Space');
  await expect(page.locator('.game-need')).toHaveText(/Aino T./);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await review(page, playId);
  expect(kept.answers.map((answer) => answer.judgement)).toEqual(['workedOut']);
  expect(kept.answers[0]?.latencyMs).toBeNull();
  const theirs = kept.game?.table.find((seat) => seat.name === 'Pelle T.');
  const other = await review(page, theirs?.playId ?? '');
  expect(other.answers).toHaveLength(1);
  // Timed from the prompt to the child's own key.
  expect(other.answers[0]).toMatchObject({ judgement: 'wrong', way: 'keypad' });
  expect(other.answers[0]?.latencyMs).toBeGreaterThan(0);
  await page.goto(`${house().base}/review/${playId}`);
  await page.getByRole('link', { name: 'Pelle T.' }).click();
  await expect(page.getByRole('heading', { name: /^Pelle T\./ })).toBeVisible();
  await deletePupil(page, one);
  await deletePupil(page, two);
});

test('a game is paused, left, taken up where it stood after a reload, and offered on Today', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { operation: 'add', setId: 'strategy/add/bonds-to-ten' });
  await beginGame(page, 'lamps', pupil, { second: null });
  // A card chosen proves nothing: what it makes is said, and only then it counts.
  const value = page.locator('.game-total strong').first();
  for (let turn = 0; turn < 2; turn += 1) {
    const before = await value.innerText();
    await page.locator('.card-key').first().click();
    await expect(page.locator('[data-need="say"]')).toBeVisible();
    await expect(value).toHaveText(before);
    await painted(page);
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('[data-need="choose"]')).toBeVisible();
  }
  const total = await page.locator('.game-total strong').first().innerText();
  expect(Number(total)).toBeGreaterThan(0);
  // What was looked at beside the game makes way for a pause as the game does: nothing of it can be read meanwhile.
  await page.getByRole('button', { name: 'Best line' }).click();
  await expect(page.locator('.game-best')).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByText('A little pause.')).toBeVisible();
  await expect(page.locator('.game-field')).toHaveCount(0);
  await expect(page.locator('.game-best')).toHaveCount(0);
  await page.goto(`${house().base}/`);
  await expect(page.getByText(/game of Lamps.* stands still after 4 moves/)).toBeVisible();
  await page
    .getByText(/game of Lamps/)
    .locator('..')
    .getByRole('link')
    .click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.locator('.game-total strong').first()).toHaveText(total);
  await page.keyboard.press('Backspace');
  await expect(page.locator('.game-total strong').first()).not.toHaveText(total);
  const playId = page.url().split('/').at(-1) as string;
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await review(page, playId);
  expect(kept.game?.moves).toHaveLength(3);
  // On the bead frame a fact is at most worked out: the aid is on record.
  expect(kept.answers.every((one) => one.aided && one.aid === 'beadFrame')).toBe(true);
  await deletePupil(page, pupil);
});

test('real dice are typed; a seven on six-sided dice, a number used twice and a division by nothing are said', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await beginGame(page, 'two-to-hold', pupil, { step: /^Products/, second: null, where: /real dice typed/ });
  const dice = page.getByLabel('The two six-sided dice show');
  await dice.fill('3 7');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A six-sided die shows 1 to 6, not 7.')).toBeVisible();
  await dice.fill('35');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-need="say"]')).toBeVisible();
  await press(page, 'ArrowRight');
  await expect(page.getByText('Place a counter on 15.').first()).toBeVisible();
  // A square that is not the product is refused; the right one is walked to with the arrow keys.
  await page.locator('.square-cell:not(:has-text("15"))').first().click();
  await expect(page.getByText(/cannot be made with these, or not now/)).toBeVisible();
  await page.getByRole('button', { name: '15', exact: true }).first().press('Enter');
  await expect(dice).toBeVisible();

  await beginGame(page, 'into-the-middle', pupil, { step: /^All four signs/, second: null });
  // A target that something here makes.
  for (let nth = 0; nth < 20 && (await need(page)) === 'go'; nth += 1) await press(page, 'Space');
  const line = page.getByLabel('The line', { exact: true });
  const [number = ''] = await page.locator('.token:not(.sign)').allInnerTexts();
  const lay = async (text: string, says: RegExp) => {
    await line.fill(text);
    await page.getByRole('button', { name: 'Lay it' }).click();
    await expect(page.getByText(says).first()).toBeVisible();
    await expect(line).toHaveValue(text);
  };
  await lay(`${number} + ${number} + ${number} + ${number} + ${number}`, /is used more often|lies there/);
  await lay(`${number} ÷ 0`, /nothing can be divided by 0|There is no 0/);
  await lay('99 + 1', /There is no 99/);
  await lay('(', /./);
  await page.getByRole('button', { name: 'Pass' }).click();
  // After the turn the best line is on request.
  await page.keyboard.press('Tab');
  await page.locator('.game-says').click();
  await page.getByRole('button', { name: 'Best line' }).click();
  await expect(page.locator('.game-best')).toContainText(/wins \d cards/);
  await deletePupil(page, pupil);
});

test('a play begun by another version says so, and what was played stays', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page);
  const playId = await beginGame(page, 'stretch-or-fold', pupil, { second: null });
  await press(page, 'Space');
  await page.goto(`${house().base}/`);
  await page.evaluate(
    (id) =>
      new Promise<void>((done, fail) => {
        const opened = indexedDB.open('veldrift');
        opened.onerror = () => fail(new Error('no store'));
        opened.onsuccess = () => {
          const writing = opened.result.transaction('plays', 'readwrite');
          // Kept only when the whole of it is: a page that is left before takes it back.
          writing.oncomplete = () => done();
          const store = writing.objectStore('plays');
          const got = store.get(id);
          got.onsuccess = () => {
            const row = got.result as { plan: { version: number } };
            row.plan.version = 99;
            store.put(row);
          };
        };
      }),
    playId,
  );
  await page.goto(`${house().base}/table/${playId}`);
  await expect(page.getByText(/begun by another version of the app/)).toBeVisible();
  await page.getByRole('link', { name: 'What was played' }).click();
  await expect(page.getByRole('heading', { name: /game/ }).first()).toBeVisible();
  await deletePupil(page, pupil);
});

test('real cards shuffled by hand: one tap a turn, a miss set down by exception survives a reload', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page);
  const playId = await beginGame(page, 'outweigh', pupil, { step: /^Products/, where: /shuffled by hand/ });
  await page.getByRole('button', { name: `${pupil.name} took it` }).click();
  await expect(page.getByText(`${pupil.name} takes it.`)).toBeVisible();
  // By key: the second seat, nobody, and taken back.
  await page.keyboard.press('2');
  await expect(page.getByText('Maren takes it.')).toBeVisible();
  await page.keyboard.press('0');
  await expect(page.getByText('Maren takes it.')).toHaveCount(0);
  await page.keyboard.press('Backspace');
  await expect(page.getByText('Maren takes it.')).toBeVisible();
  await page.keyboard.press('Backspace');
  await page.getByRole('button', { name: 'Set down' }).click();
  await expect(page.getByText('Give the two numbers: which fact was it?')).toBeVisible();
  await page.getByLabel('First card').fill('17');
  await page.getByLabel('Second card').fill('8');
  await page.getByRole('button', { name: 'Set down' }).click();
  await expect(page.getByText('There is no 17 in this pack.')).toBeVisible();
  await page.getByLabel('First card').fill('7');
  await page.getByLabel('Second card').fill('8');
  await page.getByLabel('Said').fill('54');
  await page.getByRole('button', { name: 'Set down' }).click();
  await expect(page.getByText(/7 × 8, said 54/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText(/7 × 8, said 54/)).toBeVisible();
  // Ended in a pause, before another tap: what was set down goes on record all the same.
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByText('A little pause.')).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await review(page, playId);
  expect(kept.play.tally).toBe(1);
  expect(kept.answers).toMatchObject([
    { fact: '7x8', given: '54', judgement: 'wrong', way: 'loose', latencyMs: null },
  ]);
  await deletePupil(page, pupil);
});

test('an aid is called under a drill’s prompt, and the answer is recorded as aided', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', setId: 'strategy/mul/2' });
  await page.goto(`${house().base}/table/new/${pupil.id}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  const playId = page.url().split('/').at(-1) as string;
  await painted(page);
  await page.keyboard.press('a');
  await page.getByRole('button', { name: 'Array', exact: true }).click();
  await expect(page.getByRole('img', { name: /array of/ })).toBeVisible();
  await expectNoViolations(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.told')).toBeVisible();
  await page.keyboard.press('Space');
  // The shelf is empty again for the next prompt.
  await expect(page.getByRole('group', { name: 'Aids' })).toHaveCount(0);
  await painted(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.told')).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await review(page, playId);
  expect(kept.answers.map((one) => [one.aided, one.aid])).toEqual([
    [true, 'array'],
    [false, undefined],
  ]);
  await deletePupil(page, pupil);
});

test('a child on a device of their own lays, claims and types there', async ({ page, browser }) => {
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, {
    capture: 'keypad',
    operation: 'add',
    setId: 'strategy/add/bonds-to-ten',
  });
  const playId = await beginGame(page, 'two-to-hold', pupil, {
    step: /^Sums of two dice/,
    second: null,
    flips: ['The children type what they say'],
  });
  const { context, child } = await joinedDevice(browser, page);
  await child.getByRole('button', { name: 'Roll' }).click();
  await expect(child.locator('[data-need="say"]')).toBeVisible();
  await painted(child);
  const [a, b] = ((await child.locator('.prompt').innerText()).match(/\d+/g) ?? []).map(Number) as [
    number,
    number,
  ];
  // Half a second of thought, by the page's own clock: it is in the time taken there.
  await child.waitForFunction(
    (at) => performance.now() > at,
    await child.evaluate(() => performance.now() + 500),
  );
  await child.keyboard.type(String(a + b), { delay: 40 });
  await child.keyboard.press('Enter');
  await expect(child.locator('[data-need="choose"]')).toBeVisible();
  await child
    .getByRole('button', { name: String(a + b), exact: true })
    .first()
    .click();
  await expect(child.locator('[data-need="roll"]')).toBeVisible();
  await expectNoViolations(child);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await expect(child.getByText('Done. Thank you.')).toBeVisible();
  // It waits for the next table, and asks for no code.
  await expect(child.getByRole('button', { name: 'Join a table' })).toHaveCount(0);
  // At the next table, loaded anew, it is there; let go, it keeps the last words, and asks for no code until somebody wants to.
  await page.goto(`${house().base}/table/new/${pupil.id}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(child.getByText('Ready')).toBeVisible();
  await page.getByRole('button', { name: 'Screens' }).click();
  await page.getByRole('button', { name: 'One screen again' }).click();
  await expect(child.getByRole('button', { name: 'Join a table' })).toBeVisible();
  await expect(child.getByText('Done. Thank you.')).toBeVisible();
  const kept = await review(page, playId);
  expect(kept.answers).toHaveLength(1);
  expect(kept.answers[0]).toMatchObject({ judgement: 'right', way: 'keypad', given: String(a + b) });
  expect(kept.answers[0]?.latencyMs).toBeGreaterThan(500);
  expect(kept.answers[0]?.latencyMs).toBeLessThan(6000);
  expect(kept.game?.moves.map((one) => one.move.kind)).toEqual(['roll', 'said', 'choose']);
  await context.close();
  await deletePupil(page, pupil);
});

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 768, height: 1024 }, hasTouch: true });
  test('a hundred square is swept by taps alone, with no violation, lying flat too', async ({ page }) => {
    await signIn(page);
    const pupil = await addPupil(page);
    await beginGame(page, 'hundred-sweep', pupil, { step: /^× joins/, second: null });
    await page.getByRole('button', { name: 'Roll', exact: true }).tap();
    await expect(page.locator('[data-need="choose"]')).toBeVisible();
    await expectNoViolations(page);
    const shown = await page
      .locator('.die')
      .evaluateAll((dice) =>
        dice.map((die) => Number((die.getAttribute('aria-label') ?? '').replace(/\D/g, ''))),
      );
    const sum = shown.reduce((total, one) => total + one, 0);
    await page.getByRole('button', { name: String(sum), exact: true }).tap();
    // Tapping it marks nothing: its line is said and judged first.
    await expect(page.locator('[data-need="say"]')).toBeVisible();
    await expect(page.getByRole('button', { name: new RegExp(`^${sum}, `) })).toHaveCount(0);
    await painted(page);
    await page.getByRole('button', { name: /^Right/ }).tap();
    await expect(page.getByRole('button', { name: new RegExp(`^${sum}, `) })).toBeVisible();
    await page.getByRole('button', { name: '97', exact: true }).tap();
    await expect(page.getByText(/^97 cannot be made of .* Look again\.$/)).toBeVisible();
    await expect(page.getByRole('button', { name: '97', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Done', exact: true }).tap();
    await page.getByRole('button', { name: 'More' }).tap();
    await page.getByRole('button', { name: 'Screens' }).tap();
    await page
      .getByRole('button', { name: /[Ff]lat/ })
      .first()
      .tap();
    // The list of screens, and what else lay behind the key.
    await page.getByRole('button', { name: 'Close' }).tap();
    await page.getByRole('button', { name: 'Close' }).tap();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(page.locator('.live.game.flat')).toBeVisible();
    await expectNoViolations(page);
    // One number made and one claimed that cannot be: both are on record, and no fact that was not said.
    const playId = page.url().split('/').at(-1) as string;
    await page.getByRole('button', { name: 'More' }).tap();
    await page.getByRole('button', { name: 'End', exact: true }).tap();
    const kept = await review(page, playId);
    expect(kept.skills.map((one) => [one.skill, one.right, one.given])).toEqual([
      ['make', true, null],
      ['make', false, '97'],
    ]);
    await page.goto(`${house().base}/review/${playId}`);
    await expect(page.getByText('Making a number from others')).toBeVisible();
    await expectNoViolations(page);
    await page.goto(`${house().base}/pupils/${pupil.id}`);
    await expect(page.getByRole('heading', { name: 'Skills, beyond the map' })).toBeVisible();
    await page.getByRole('button', { name: /^Making a number from others/ }).tap();
    await expect(page.getByText(/97 from/)).toBeVisible();
    await deletePupil(page, pupil);
  });
});

test('a child with a keyboard alone plays Fact line to a whole line', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page);
  const playId = await beginGame(page, 'fact-line', pupil, { step: /^Products/, second: null });
  const board = page.getByRole('group', { name: 'Facts' });
  // Tab goes to the board once; the arrow keys walk it; Enter chooses; the live region says what happened.
  for (let nth = 0; nth < 3; nth += 1) {
    const square = board.getByRole('button').nth(nth);
    await square.focus();
    if (nth > 0) await expect(square).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-need="say"]')).toBeVisible();
    // What is asked is read out to a child who does not see it.
    await expect(page.locator('.game-words[aria-live="polite"] .sr-only')).toHaveText(
      new RegExp(`^${pupil.name}: \\d+ × \\d+$`),
    );
    await press(page, 'ArrowRight');
    if (nth < 2) await expect(page.locator('.game-says').filter({ hasText: '=' })).toBeVisible();
    if (nth === 0) {
      await board.getByRole('button').first().focus();
      await page.keyboard.press('ArrowRight');
      await expect(board.getByRole('button').nth(1)).toBeFocused();
    }
  }
  await expect(page.getByText(/line/i).first()).toBeVisible();
  await page.keyboard.press('Space');
  const kept = await review(page, playId);
  expect(kept.answers).toHaveLength(3);
  await deletePupil(page, pupil);
});

test('the word on a game’s step is on record with its reason, and the next play begins there', async ({
  page,
}) => {
  await signIn(page);
  const bram = await pupilOf(page, 'Bram');
  const games = (await (
    await page.request.get(`${house().base}/api/pupils/${bram.id}/games`)
  ).json()) as PupilGame[];
  await page.goto(`${house().base}/review/${games.find((one) => one.game === 'outweigh')?.lastPlayId}`);
  await expect(page.getByText(/Now at step \d of 8/)).toBeVisible();
  // A sentence opens the answers of both plays it rests on.
  await page.getByRole('button', { name: /plays of Outweigh at this step on 2 days/ }).click();
  await expect(page.getByRole('dialog').getByRole('row').nth(20)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Decide otherwise' }).click();
  await page.getByLabel('Bram plays Outweigh at').click();
  await page.getByRole('option', { name: '4. Differences' }).click();
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByText('Deciding otherwise needs a reason: one line is enough.')).toBeVisible();
  await page.getByLabel('Why').fill('Taking away first.');
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByText(/decided otherwise: Differences\. “Taking away first\.”/)).toBeVisible();
  await page.getByRole('link', { name: 'Play it again' }).click();
  await expect(page.getByRole('button', { name: 'Differences · Bram is here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.goto(`${house().base}/pupils/${bram.id}`);
  await expect(page.getByText('Outweigh: now “Differences”')).toBeVisible();
});

test('a game is begun with two presses from today: the pupil\u2019s games, each drawn, and the table', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', name: 'Wim Q.' });
  await page.goto(`${house().base}/`);
  await page.getByRole('link', { name: 'A game for Wim Q.' }).click();
  const shelved = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'First voice' }) });
  await expect(shelved.getByText('New to Wim Q.; begins at: Products')).toBeVisible();
  // Its table stands there drawn, and nothing of the drawing can be pressed or is read out.
  const drawing = shelved.locator('.drawing');
  await expect(drawing.locator('.card').first()).toBeVisible();
  expect(
    await drawing.evaluate((one) => [one.getAttribute('aria-hidden'), one.hasAttribute('inert')]),
  ).toEqual(['true', true]);
  await shelved.getByRole('button', { name: 'First voice with Wim Q., to the table' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Wim Q\., .*: First voice: Products/);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.locator('[data-status="playing"]')).toBeVisible();
  await deletePupil(page, pupil);
});

test('the table of every game is laid out without an axe violation', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page);
  const pupil = await addPupil(page);
  for (const { id } of games) {
    await beginGame(page, id, pupil, { next: true });
    const asked = await need(page);
    if (asked === 'go' || asked === 'roll') await press(page, 'Space');
    await expectNoViolations(page);
    await expectNoSideways(page);
  }
  await deletePupil(page, pupil);
});

test('real dice in a race: what they show is typed, the first key has it, and no time is taken of what was seen before', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { operation: 'add', setId: 'strategy/add/bonds-to-ten' });
  const playId = await beginGame(page, 'first-voice', pupil, {
    step: /^Dice, sums/,
    where: /real dice typed/,
  });
  await page.getByLabel('The two six-sided dice show').fill('46');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-need="claim"]')).toBeVisible();
  await page.keyboard.press('z');
  await expect(page.locator('.game-need')).toHaveText(`${pupil.name}: say it.`);
  await press(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const kept = await review(page, playId);
  expect(kept.answers).toMatchObject([{ fact: '4+6', judgement: 'right', latencyMs: null }]);
  await deletePupil(page, pupil);
});

test('facts that the child wrote lie on the board; what cannot be read is said, and nothing is begun by it', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await page.goto(`${house().base}/shelf/fact-line?pupil=${pupil.id}`);
  await page.getByText('The child writes the facts').first().click();
  const box = page.getByLabel('Facts as the child wrote them');
  const go = page.getByRole('button', { name: 'To the table' });
  await box.fill('7 x 8, seven');
  await expect(page.getByText('“seven” is no fact such as 7 × 8.')).toBeVisible();
  await go.click();
  await expect(page.getByRole('alert')).toContainText('cannot be read yet');
  await box.fill('7 x 8, 6 x 9');
  await go.click();
  await expect(page.getByRole('alert')).toContainText('16 facts at least, each once; there are 2.');
  const own = Array.from({ length: 16 }, (_, nth) => `${3 + (nth % 4)} × ${6 + Math.floor(nth / 4)}`);
  await box.fill(own.join('\n'));
  await go.click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.locator('.square-cell').first()).toBeVisible();
  const shown = await page.locator('.square-cell').allInnerTexts();
  expect(shown.map((text) => text.trim()).toSorted()).toEqual(own.toSorted());
  await deletePupil(page, pupil);
});

test('where the child types, what is no number is said and judged: digits and Enter judge nothing', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'keypad' });
  await beginGame(page, 'tall-number', pupil, { second: null, flips: [childrenType] });
  const field = page.locator('.game-field');
  for (let nth = 0; nth < 4 && (await need(page)) !== 'say'; nth += 1) await move(page, keys);
  await expect(field).toHaveAttribute('data-need', 'say');
  await painted(page);
  await expect(page.locator('.keypad')).toHaveCount(0);
  await expect(page.locator('.judge')).toHaveCount(4);
  const before = await field.innerText();
  await page.keyboard.press('9');
  await page.keyboard.press('Enter');
  await painted(page);
  expect(await field.innerText()).toBe(before);
  // And the first key that judges takes it.
  await press(page, 'ArrowRight');
  await expect(page.locator('.game-says')).not.toBeEmpty();
  await deletePupil(page, pupil);
});
