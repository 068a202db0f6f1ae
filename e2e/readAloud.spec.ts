import { expect, test, type Page } from '@playwright/test';
import { factKeyText, parseFactKey, readOut, sayNowLine } from '@veldrift/core';
import { beginGame, dealsByHand } from './gameHouse.ts';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  painted,
  prompt,
  secondWindow,
  signIn,
} from './house.ts';

declare global {
  interface Window {
    readonly saidAloud: string[];
  }
}

/** A voice in every page of this one's context: what it is given to say is kept, and whether it was stopped. */
const withVoice = (page: Page) =>
  page.context().addInitScript(() => {
    const said: string[] = [];
    const voice = { lang: 'en-GB', localService: true, name: 'made up', default: true, voiceURI: 'made-up' };
    class Utterance {
      voice: unknown;
      lang = '';
      readonly text: string;
      constructor(text: string) {
        this.text = text;
      }
    }
    Object.assign(window, { saidAloud: said, SpeechSynthesisUtterance: Utterance });
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        getVoices: () => [{ ...voice, lang: 'nb-NO' }, voice],
        speak: ({ text, lang }: Utterance) => said.push(lang === 'en-GB' ? text : `in ${lang}: ${text}`),
        cancel: () => said.push('(stopped)'),
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
      },
    });
  });

const saidIn = (page: Page) => page.evaluate(() => window.saidAloud.filter((one) => one !== '(stopped)'));
const factOf = (page: Page) => prompt(page).getAttribute('data-fact') as Promise<string>;

/** From the sheet of a drill to its first prompt. */
async function drill(page: Page, pupilId: string) {
  await page.goto(`${house().base}/table/new/${pupilId}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(prompt(page)).toBeVisible();
}

test('what is asked and the way to what was missed are read out, once each, on the screen that shows them', async ({
  page,
}) => {
  await withVoice(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', readAloud: true, setId: 'strategy/mul/2' });
  await drill(page, pupil.id);
  const fact = await factOf(page);
  await expect.poll(() => saidIn(page)).toEqual([readOut(factKeyText(fact))]);
  await painted(page);
  await page.keyboard.press('ArrowUp');
  await expect(page.locator('.told.missed')).toBeVisible();
  await expect.poll(async () => (await saidIn(page))[1]).toBe(readOut(sayNowLine(parseFactKey(fact))));
  // Another way is another line; what was said before is not said over it.
  const another = page.getByRole('button', { name: 'Another way' });
  if (await another.isVisible()) {
    await another.click();
    await expect.poll(async () => (await saidIn(page)).length).toBe(3);
  }
  const heard = await saidIn(page);
  const child = await secondWindow(page);
  await page.bringToFront();
  await page.keyboard.press('Space');
  await expect(prompt(child)).toBeVisible();
  const next = await factOf(child);
  await expect.poll(() => saidIn(child)).toContain(readOut(factKeyText(next)));
  expect(await saidIn(page)).toEqual(heard);
  await child.close();
  await deletePupil(page, pupil);
});

test('in a game what is asked of the child who wishes it is read out, of another not', async ({ page }) => {
  await withVoice(page);
  await dealsByHand(page);
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', readAloud: true, name: 'Una R.' });
  const other = await addPupil(page, { capture: 'tutor', name: 'Wim S.' });
  await beginGame(page, 'outweigh', pupil, { second: 'Wim S.' });
  const need = page.locator('.game-need');
  for (let own = 0, others = 0; own === 0 || others === 0;) {
    const field = page.locator('.game-field');
    const before = (await field.getAttribute('data-prompt')) as string;
    await painted(page);
    if ((await field.getAttribute('data-need')) === 'go')
      await page.getByRole('button', { name: 'Go on' }).click();
    else if ((await need.innerText()).startsWith('Una R.')) {
      own += 1;
      await expect.poll(async () => (await saidIn(page)).length).toBe(own);
      expect((await saidIn(page)).at(-1)).toMatch(/^\d+ (plus|times) \d+$/);
      await page.locator('.judge.right').click();
    } else {
      others += 1;
      expect(await saidIn(page)).toHaveLength(own);
      await page.locator('.judge.right').click();
    }
    await expect(field).not.toHaveAttribute('data-prompt', before);
  }
  for (const one of [pupil, other]) await deletePupil(page, one);
});

test('nothing speaks while a microphone listens, nor where nobody wished it; without a voice the table says so', async ({
  page,
}) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor', readAloud: true });
  // Debian's Chromium has no voices.
  await drill(page, pupil.id);
  await expect(page.getByText('This device has no voice to read aloud with.')).toBeVisible();
  await expectNoViolations(page);
  await withVoice(page);
  await page.evaluate(() => localStorage.setItem('veldrift.settings', '{"microphone":"standIn"}'));
  const listened = await addPupil(page, { capture: 'voice', readAloud: true, setId: 'strategy/mul/2' });
  const silent = await addPupil(page, { capture: 'tutor' });
  for (const one of [listened, silent]) {
    await page.goto(`${house().base}/table/new/${one.id}?what=drill`);
    await page.getByRole('button', { name: 'To the table' }).click();
    if (one === listened) await expect(page.getByText('Listening')).toBeVisible({ timeout: 20_000 });
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(prompt(page)).toBeVisible();
    await painted(page);
    expect(await saidIn(page)).toEqual([]);
  }
  await expect(page.getByText(/no voice to read aloud/)).toHaveCount(0);
  for (const one of [pupil, listened, silent]) await deletePupil(page, one);
});

test('reading aloud is wished for in the pupil\u2019s form', async ({ page }) => {
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'tutor' });
  await page.goto(`${house().base}/pupils/${pupil.id}/edit`);
  await page.getByLabel(/^Read aloud/).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/pupils/${pupil.id}$`));
  await page.goto(`${house().base}/pupils/${pupil.id}/edit`);
  await expect(page.getByLabel(/^Read aloud/)).toBeChecked();
  await deletePupil(page, pupil);
});
