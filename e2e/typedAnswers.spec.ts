import { expect, type Page } from '@playwright/test';
import { beginGame, childrenType, dealtBy, need } from './gameHouse.ts';
import { move, shown, showsOtherThan, taps } from './gameWalk.ts';
import { addPupil, deletePupil, keptReview, painted, signIn } from './house.ts';
import { test } from './steady.ts';

test.use({ hasTouch: true, viewport: { width: 1024, height: 768 } });

/** Taps an answer key by key, and Done. */
async function tapAnswer(page: Page, answer: string): Promise<void> {
  await painted(page);
  const pad = page.locator('.keypad');
  for (const sign of answer)
    await pad
      .getByRole('button', {
        name: sign === 'r' ? 'remainder' : sign === '\u2212' ? 'Minus' : sign,
        exact: true,
      })
      .tap();
  await pad.getByRole('button', { name: 'Done' }).tap();
}

/** Plays until the child has been asked so often; answers come from what stands there. */
async function answers(
  page: Page,
  times: number,
  answerTo: (asked: readonly number[], text: string) => string,
): Promise<string[]> {
  const given: string[] = [];
  for (let turns = 0; given.length < times && turns < 120 && (await need(page)) !== 'over'; turns += 1) {
    const before = await shown(page);
    if ((await need(page)) === 'say' && (await page.locator('.keypad').isVisible())) {
      const text = (await page.locator('.prompt').innerText()).replace(/\s+/g, ' ');
      const answer = answerTo((text.match(/\d+/g) ?? []).map(Number), text);
      await tapAnswer(page, answer);
      given.push(answer);
    } else await move(page, taps);
    await showsOtherThan(page, before);
  }
  return given;
}

/** How the answers of a game were judged, to facts and to skills. */
async function judgements(page: Page, playId: string): Promise<string[]> {
  const { answers: facts, skills } = await keptReview(page, playId);
  return [...facts.map((one) => one.judgement), ...skills.map((one) => (one.right ? 'right' : 'wrong'))];
}

test('a quotient with what is left over is typed by touch, judged, and on record as it was said', async ({
  page,
}) => {
  await dealtBy(page, 20261130);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'keypad' });
  const playId = await beginGame(page, 'outweigh', pupil, {
    step: /^Quotients/,
    second: null,
    flips: [childrenType],
  });
  let wrong = 0;
  const given = await answers(page, 6, ([left = 0, right = 1]) => {
    const rest = left % right;
    const whole = rest === 0 ? String(left / right) : `${Math.floor(left / right)}r${rest}`;
    // Once with a remainder that is not left over.
    if (rest === 0 || wrong > 0) return whole;
    wrong += 1;
    return `${Math.floor(left / right)}r${rest + 1}`;
  });
  expect(given.length).toBe(6);
  expect(given.some((one) => one.includes('r'))).toBe(true);
  expect(wrong).toBe(1);
  await page.getByRole('button', { name: 'End' }).tap();
  const said = await judgements(page, playId);
  expect(said.filter((one) => one !== 'right').length).toBe(1);
  expect(said.length).toBe(6);
  const { skills } = await keptReview(page, playId);
  expect(skills.map((one) => one.given)).toEqual(
    given.filter((one) => one.includes('r')).map((one) => one.replace('r', ' remainder ')),
  );
  await deletePupil(page, pupil);
});

test('a number below nothing is typed by touch and judged', async ({ page }) => {
  // Dealt so that the total falls below 0 soon.
  await dealtBy(page, 3);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'keypad' });
  const playId = await beginGame(page, 'up-and-down', pupil, {
    step: /^Below 0/,
    second: null,
    flips: [childrenType],
  });
  // The total is kept in the head: what is asked is what is added to it or taken from it.
  let total = 10;
  const given = await answers(page, 9, ([change = 0], text) => {
    total += text.trim().startsWith('\u2212') ? -change : change;
    return String(total).replace('-', '\u2212');
  });
  expect(given.length).toBeGreaterThan(3);
  expect(given.some((one) => one.startsWith('\u2212'))).toBe(true);
  await page.getByRole('button', { name: 'End' }).tap();
  expect(await judgements(page, playId)).toEqual(given.map(() => 'right'));
  await deletePupil(page, pupil);
});
