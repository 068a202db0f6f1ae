import { provisionalOverhead } from '@veldrift/core';
import { expect, test, type Page } from '@playwright/test';
import type { ReviewPage } from '@veldrift/wire';
import { minuteIds, wholeMinute } from '../server/src/testing/room.ts';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  judge,
  keptReview,
  painted,
  prompt,
  pupilOf,
  signIn,
  startMinute,
  typeAnswer,
} from './house.ts';
import { beginGame } from './gameHouse.ts';

/** From now on this device's disk takes nothing of plays: each write is undone as it is made. */
const breakDisk = (page: Page) =>
  page.evaluate(() => {
    // Called below with the store it is of.
    // eslint-disable-next-line @typescript-eslint/unbound-method
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...given: Parameters<typeof put>) {
      if (this.name === 'outbox' || this.name === 'plays') {
        this.transaction.abort();
        throw new DOMException('The disk is full.', 'QuotaExceededError');
      }
      return put.apply(this, given);
    };
  });

const goOn = async (page: Page) => {
  await page.getByRole('button', { name: 'Go on' }).click();
};

test.describe('a disk that fails, and a page that goes away, at every point', () => {
  test('of a game: no question is asked twice, and no answer is lost', async ({ page }) => {
    await signIn(page);
    const pupil = await addPupil(page, {
      operation: 'add',
      setId: 'strategy/add/bonds-to-ten',
      capture: 'tutor',
    });
    const playId = await beginGame(page, 'outweigh', pupil, { step: /^Sums to 10/ });
    let answered = 0;
    for (let point = 0; point < 8; point += 1) {
      const field = page.locator('.game-field');
      await breakDisk(page);
      const before = await field.innerText();
      await painted(page);
      const says = (await field.getAttribute('data-need')) === 'say';
      const whose = says ? (await page.locator('.game-need').innerText()).split(':')[0] : '';
      await page.keyboard.press(says ? 'ArrowRight' : 'Space');
      await expect.poll(async () => field.innerText()).not.toBe(before);
      if (says && whose === pupil.name) answered += 1;
      const after = await field.innerText();
      await expect(page.getByText('disk is not taking what happens').first()).toBeAttached();
      await page.reload();
      await goOn(page);
      // It stands where it stood: what was made is made.
      await expect.poll(async () => field.innerText()).toBe(after);
    }
    await page.getByRole('button', { name: 'End', exact: true }).click();
    const review = await keptReview(page, playId);
    expect(review.game?.moves).toHaveLength(8);
    // What the grown-up said is on nobody's record.
    expect(answered).toBeGreaterThan(1);
    expect(review.answers).toHaveLength(answered);
    await deletePupil(page, pupil);
  });

  test('of a minute: every answer is on record once', async ({ page }) => {
    await signIn(page);
    const pupil = await addPupil(page, { capture: 'tutor', policy: { minuteMs: 120_000 } });
    const playId = await startMinute(page, pupil.id);
    const asked: string[] = [];
    for (let point = 0; point < 6; point += 1) {
      await breakDisk(page);
      asked.push((await prompt(page).getAttribute('data-fact')) as string);
      await judge(page, point % 2 === 0 ? 'ArrowRight' : 'ArrowDown');
      const next = await prompt(page).getAttribute('data-fact');
      await page.reload();
      await goOn(page);
      await expect(prompt(page)).toHaveAttribute('data-fact', next as string);
    }
    await page.getByRole('button', { name: 'End', exact: true }).click();
    const { answers } = await keptReview(page, playId);
    expect(answers.map((one) => one.fact)).toEqual(asked);
    expect(answers.map((one) => one.judgement)).toEqual(
      asked.map((_, at) => (at % 2 === 0 ? 'right' : 'workedOut')),
    );
    await deletePupil(page, pupil);
  });

  test('of a drill: every answer is on record once', async ({ page }) => {
    await signIn(page);
    const pupil = await addPupil(page, { capture: 'tutor', school: 'eachFactInstant' });
    await page.goto(`${house().base}/table/new/${pupil.id}?what=drill`);
    await page.getByRole('button', { name: 'To the table' }).click();
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    const playId = page.url().split('/').at(-1) as string;
    const asked: string[] = [];
    for (let point = 0; point < 5; point += 1) {
      await expect(prompt(page)).toBeVisible();
      asked.push((await prompt(page).getAttribute('data-fact')) as string);
      await painted(page);
      await breakDisk(page);
      await page.keyboard.press('ArrowRight');
      await expect(page.locator('.told')).toBeVisible();
      await page.reload();
      await goOn(page);
      // The answer stands: either it is still told, or the next card is up.
      if ((await page.locator('.told').count()) > 0) await page.keyboard.press('Space');
    }
    await page.getByRole('button', { name: 'End', exact: true }).click();
    const { answers } = await keptReview(page, playId);
    expect(answers.map((one) => one.fact)).toEqual(asked);
    await deletePupil(page, pupil);
  });
});

test('a new pupil is placed first: nothing is decided without answers, it opens with an easy one, and is taken back', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, {
    capture: 'tutor',
    setId: 'strategy/mul/squares',
    school: 'eachFactInstant',
  });
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await expect(page.getByRole('heading', { name: 'Nothing to decide yet' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Accept/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Start a visit' }).click();
  await expect(page.getByRole('button', { name: /^Placement: find/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const playId = page.url().split('/').at(-1) as string;
  await expect(prompt(page)).toHaveAttribute('data-fact', /^(1x1|1x2|2x1)$/);
  for (let nth = 0; nth < 40 && (await prompt(page).count()) > 0; nth += 1) {
    const before = await prompt(page).getAttribute('elementtiming');
    await painted(page);
    await page.keyboard.press(nth === 0 ? 'ArrowRight' : 'ArrowLeft');
    await expect(page.locator(`[elementtiming="${before}"]`)).toHaveCount(0);
    if ((await page.locator('.told').count()) > 0) await page.keyboard.press('Space');
    await expect(prompt(page).or(page.getByRole('button', { name: 'Open the review' }))).toBeVisible();
  }
  await page.getByRole('button', { name: 'Open the review' }).click();
  await keptReview(page, playId);
  await page.reload();
  await page.getByRole('button', { name: /^Accept: begin with/ }).click();
  await expect(page.getByText('It can be taken back until this visit is over.')).toBeVisible();
  expect((await pupilOf(page, pupil.name)).setId).not.toBe('strategy/mul/squares');
  await page.getByRole('button', { name: /^Take it back: on squares again/ }).click();
  await expect(page.getByRole('button', { name: /^Accept: begin with/ })).toBeVisible();
  expect((await pupilOf(page, pupil.name)).setId).toBe('strategy/mul/squares');
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await expect(page.getByText('Placement taken back: on squares again')).toBeVisible();
  await deletePupil(page, pupil);
});

test('deciding otherwise settles it: the panel says so, the lists say nothing, and it can be decided again', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { policy: {} });
  // A minute at the aim: the school says to go on.
  const sent = await page.request.post(`${house().base}/api/events`, {
    data: { deviceNow: new Date().toISOString(), events: wholeMinute(minuteIds(pupil.id), { rounds: 3 }) },
  });
  expect(sent.ok()).toBe(true);
  expect((await pupilOf(page, pupil.name)).verdict).toBe('advance');
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await page.getByRole('button', { name: 'Decide otherwise' }).click();
  await page.getByRole('dialog').getByRole('combobox').click();
  await page.getByRole('option', { name: /\(now\)/ }).click();
  await page.getByLabel('Why').fill('After the holidays.');
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByRole('heading', { name: 'Decided: stay on squares' })).toBeVisible();
  await expect(page.getByText('After the holidays.').first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Accept/ })).toHaveCount(0);
  const after = await pupilOf(page, pupil.name);
  expect([after.setId, after.verdict]).toEqual([pupil.setId, null]);
  await page.goto(`${house().base}/pupils`);
  await expect(page.getByRole('row', { name: new RegExp(pupil.name) })).toBeVisible();
  await expect(page.getByRole('row', { name: new RegExp(pupil.name) })).not.toContainText('ready to move on');
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await page.getByRole('button', { name: 'Decide again' }).click();
  await expect(page.getByRole('button', { name: /^Accept: go on/ })).toBeVisible();
  await deletePupil(page, pupil);
});

test('a minute ended at once has no rate and is no check; a set changed in the form is on record', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', policy: { minuteMs: 60_000 } });
  const playId = await startMinute(page, pupil.id);
  await judge(page, 'ArrowRight');
  await judge(page, 'ArrowRight');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  const { play } = (await keptReview(page, playId)) as ReviewPage;
  expect(play.summary.rightPerMinute).toBeNull();
  await page.goto(`${house().base}/review/${playId}`);
  await expect(page.getByText(/says nothing of a minute, so there is no rate/)).toBeVisible();
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await expect(page.getByText('No check yet.')).toBeVisible();
  await page.goto(`${house().base}/pupils/${pupil.id}/edit`);
  await page.getByLabel(/^Set/).click();
  await page.getByRole('option').first().click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  await expect(page.getByText(/^Changed in the form: squares/)).toBeVisible();
  await deletePupil(page, pupil);
});

test('the example of a game is of the step that is chosen', async ({ page }) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/outweigh`);
  const example = page.locator('.game-example');
  await page.getByRole('button', { name: /^Differences/ }).click();
  await expect(example).toContainText('nine take away three is six');
  await page.getByRole('button', { name: /^Quotients/ }).click();
  await expect(example).toContainText('eight divided by two is four');
});

test('how often a game comes out is told before it is played, by the step chosen, with how it was reckoned', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${house().base}/shelf/close-the-gaps`);
  const share = page.getByRole('button', { name: /^[\d.]+ of 100 games$/ });
  await expect(share).toBeVisible();
  const twelve = await share.innerText();
  await page.getByRole('button', { name: 'Nine spaces' }).click();
  await expect(share).not.toHaveText(twelve);
  expect(parseFloat(await share.innerText())).toBeLessThan(parseFloat(twelve));
  await share.click();
  await expect(page.getByRole('dialog', { name: 'How often it comes out' })).toContainText('95 times in 100');
  await page.keyboard.press('Escape');
  await page.goto(`${house().base}/shelf/first-voice`);
  await expect(page.getByText('It ends')).toBeVisible();
  await expect(page.getByText('It comes out')).toBeHidden();
});

test('a keypad nobody measured is timed on facts that need no thought before a placement asks, and a fact says how likely it is recalled', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, {
    capture: 'keypad',
    setId: 'strategy/mul/squares',
    school: 'eachFactInstant',
  });
  await page.goto(`${house().base}/table/new/${pupil.id}?what=placement`);
  await expect(page.getByText(/first come some that need no thought/)).toBeVisible();
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const playId = page.url().split('/').at(-1) as string;
  // Six with a time; where a machine stood still and a time is void another is asked, eight in all at most.
  await expect(prompt(page)).toHaveAttribute('data-fact', /^[2-9]x1$/);
  // The placement's own first fact may be such a one too.
  for (let nth = 0; nth < 9; nth += 1) {
    if (!/^[2-9]x1$/.test((await prompt(page).getAttribute('data-fact')) ?? '')) break;
    await typeAnswer(page);
  }
  const asked = (await prompt(page).getAttribute('data-fact')) as string;
  await typeAnswer(page);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await page.getByRole('button', { name: 'Open the review' }).click();
  const { answers } = await keptReview(page, playId);
  // What is taken off is the default until six are in, and then what they took.
  const hasTime = (one: (typeof answers)[number]) => !one.voided && one.latencyMs !== null;
  const sixth = answers.findIndex((_, at) => answers.slice(0, at + 1).filter(hasTime).length === 6);
  const easy = sixth < 0 ? 8 : Math.min(8, sixth + 1);
  expect(answers.length).toBeGreaterThan(easy);
  for (const { fact } of answers.slice(0, easy)) expect(fact).toMatch(/^[2-9]x1$/);
  const timed = answers.slice(0, easy).flatMap((one) => (hasTime(one) ? [one.latencyMs as number] : []));
  expect(answers.slice(0, easy).map((one) => one.overheadMs)).toEqual(
    Array.from({ length: easy }, () => 650),
  );
  // Too uneven (a machine that stands still now and then) it is the default all along.
  const provisional = provisionalOverhead(timed)?.overheadMs ?? 650;
  expect(answers[easy]?.overheadMs).toBeCloseTo(provisional, 6);
  expect(answers[easy]?.calibrated).toBe(false);
  // Sooner than the default overhead: no evidence, and it says so.
  await expect(page.getByText(/sooner than can be: less than 150 ms is left/)).toBeVisible();
  await page.goto(`${house().base}/pupils/${pupil.id}`);
  const [left = '', right = ''] = asked.split('x');
  await page.locator(`[data-cell="${left},${right}"]`).click();
  await expect(page.getByText(/^That it is recalled now is|^No answer tells yet/)).toBeVisible();
  await expectNoViolations(page);
  await deletePupil(page, pupil);
});

test('what is chosen on the sheet is what begins, however quickly it is begun', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page);
  await page.goto(`${house().base}/table/new/${pupil.id}`);
  await expect(page.getByRole('button', { name: 'Weekly minute' })).toBeVisible();
  // One press right after the other, before anything else has a turn.
  await page.evaluate(async () => {
    const key = (says: RegExp) =>
      [...document.querySelectorAll('button')].find((one) =>
        says.test(one.getAttribute('aria-label') ?? one.textContent ?? ''),
      );
    key(/^Weekly minute/)?.click();
    await Promise.resolve();
    key(/^To the table/)?.click();
  });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/weekly minute/i);
  await deletePupil(page, pupil);
});
