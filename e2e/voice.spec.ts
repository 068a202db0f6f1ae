import { chromium as launcher, expect, type Page } from '@playwright/test';
import type { ReviewPage } from '@veldrift/wire';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fakeMicrophone, voiceTrack, writeWav } from '../scripts/voiceTrack.ts';
import {
  addPupil,
  deletePupil,
  expectNoViolations,
  house,
  keptReview,
  prompt,
  signIn,
  toReview,
} from './house.ts';
import { chromium } from './playwright.config.ts';
import { test, type Witness } from './steady.ts';

let dir: string;
test.beforeAll(() => {
  dir = mkdtempSync('/tmp/veldrift-voice-');
});
test.afterAll(() => rmSync(dir, { recursive: true, force: true }));

/** A page of a browser whose microphone plays generated clips. */
async function withMicrophone(witness: Witness, work: (page: Page) => Promise<void>): Promise<void> {
  const wav = join(dir, 'clips.wav');
  writeWav(wav, voiceTrack(12, 1400, 5).samples);
  const browser = await launcher.launch({ ...chromium, args: [...chromium.args, ...fakeMicrophone(wav)] });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    await witness.watch(context);
    const page = await context.newPage();
    await signIn(page, house().base);
    await work(page);
  } finally {
    await browser.close();
  }
}

/** From the sheet of a drill to its first prompt. */
async function beginDrill(page: Page, pupilId: string): Promise<string> {
  await page.goto(`${house().base}/table/new/${pupilId}?what=drill`);
  await page.getByRole('button', { name: 'To the table' }).click();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible();
  return page.url().split('/').at(-1) as string;
}

test('the voice key times an answer from the onset of the voice, not from the tutor\u2019s key', async ({
  witness,
}) => {
  test.setTimeout(120_000);
  await withMicrophone(witness, async (page) => {
    const pupil = await addPupil(page, { capture: 'voice', setId: 'strategy/mul/2' });
    const playId = await beginDrill(page, pupil.id);
    await expect(page.getByText('Listening')).toBeVisible();
    await page.keyboard.press('Space');
    await expect(prompt(page)).toBeVisible();
    // Where the thread of sound itself stands still, an answer rightly has no time: another one is asked for.
    const answers = async (of: number) => {
      let kept: ReviewPage['answers'] = [];
      await expect
        .poll(async () => {
          const response = await page.request.get(`${house().base}/api/plays/${playId}`);
          kept = response.ok() ? ((await response.json()) as ReviewPage).answers : [];
          return kept.length;
        })
        .toBe(of);
      return kept;
    };
    const timedOf = (all: ReviewPage['answers']) => all.filter((one) => one.latencyMs !== null);
    let kept: ReviewPage['answers'] = [];
    for (let asked = 1; asked <= 12 && timedOf(kept).length < 3; asked += 1) {
      // The child speaks; the tutor judges well after that.
      await expect(page.getByText('Hears a voice')).toBeVisible({ timeout: 8000 });
      await expect(page.getByText('Listening')).toBeVisible({ timeout: 8000 });
      await page.keyboard.press('ArrowRight');
      await expect(page.locator('.told')).toBeVisible();
      kept = await answers(asked);
      // The next question comes into a quiet room.
      await expect(page.getByText('Listening')).toBeVisible({ timeout: 8000 });
      await page.keyboard.press('Space');
      await expect(page.locator('.told')).toBeHidden();
    }
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await toReview(page);
    expect(timedOf(kept)).toHaveLength(3);
    for (const answer of kept) {
      expect(answer.way).toBe('voice');
      expect(answer.overheadMs).toBe(60);
      expect(answer.calibrated).toBe(false);
      // A voice came within the gaps of the track; the key came at least a quarter of a second later.
      expect(answer.latencyMs ?? 0).toBeLessThan(2600);
    }
    await deletePupil(page, pupil);
  });
});

test('the microphone can be tried: level, a word heard; clicks that are not heard are said to be', async ({
  witness,
}) => {
  test.setTimeout(60_000);
  await withMicrophone(witness, async (page) => {
    await page.goto(`${house().base}/calibrate/voice`);
    await expect(page.getByText(/The room is at −?-?\d+ dB/)).toBeVisible();
    await expect(page.getByText(/^Heard /)).toBeVisible({ timeout: 8000 });
    await expectNoViolations(page);
  });
});

test('the stand-in microphone ships: it is measured by its own clicks', async ({ page }) => {
  test.setTimeout(60_000);
  await signIn(page);
  await page.goto(`${house().base}/settings`);
  await page.getByRole('button', { name: 'Stand-in, for trying out' }).click();
  await page.getByRole('link', { name: 'Test and measure the microphone' }).click();
  await expect(page.getByText(/The room is at/)).toBeVisible();
  await page.getByRole('button', { name: 'Send the clicks' }).click();
  await expect(page.getByText(/The way of the sound takes|Not calibrated/)).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('link', { name: 'Go on' })).toBeVisible();
});

for (const [name, error, sentence] of [
  ['refused', 'NotAllowedError', 'The microphone was refused.'],
  ['not there', 'NotFoundError', 'No microphone was found.'],
  ['held by another program', 'NotReadableError', 'The microphone could not be opened'],
] as const)
  test(`a microphone ${name} has a sentence, and the visit goes on by the tutor's mark`, async ({ page }) => {
    await page.addInitScript((kind) => {
      const refuse = () => Promise.reject(new DOMException('no', kind));
      Object.defineProperty(navigator.mediaDevices, 'getUserMedia', { value: refuse });
    }, error);
    await signIn(page);
    const pupil = await addPupil(page, { capture: 'voice', setId: 'strategy/mul/2' });
    const playId = await beginDrill(page, pupil.id);
    await expect(page.getByText(sentence)).toBeVisible();
    await page.keyboard.press('Space');
    await expect(prompt(page)).toBeVisible();
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
    );
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('.told')).toBeVisible();
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await toReview(page);
    const kept = await keptReview(page, playId);
    expect(kept.answers[0]?.way).toBe('tutor');
    // The tutor's own judging time is taken off, not the way of a sound.
    expect(kept.answers[0]?.overheadMs).toBeGreaterThan(300);
    expect(kept.answers[0]?.latencyMs).not.toBeNull();
    await deletePupil(page, pupil);
  });

test('a microphone unplugged midway says so and is taken up again; a loud room says so', async ({ page }) => {
  await page.addInitScript(() => {
    // A microphone of the test's own: quiet, until it is made loud, and it can be pulled out.
    const made: { track?: MediaStreamTrack; gain?: GainNode } = {};
    (window as unknown as { mic: object }).mic = made;
    const open = () => {
      const audio = new AudioContext();
      const noise = audio.createBufferSource();
      const buffer = audio.createBuffer(1, audio.sampleRate, audio.sampleRate);
      buffer.getChannelData(0).forEach((_, at, data) => {
        data[at] = 0.002 * (Math.random() - 0.5);
      });
      noise.buffer = buffer;
      noise.loop = true;
      const gain = audio.createGain();
      const out = audio.createMediaStreamDestination();
      noise.connect(gain).connect(out);
      noise.start();
      made.gain = gain;
      made.track = out.stream.getAudioTracks()[0];
      return Promise.resolve(out.stream);
    };
    Object.defineProperty(navigator.mediaDevices, 'getUserMedia', { value: open });
  });
  await signIn(page);
  const pupil = await addPupil(page, { capture: 'voice', setId: 'strategy/mul/2' });
  await beginDrill(page, pupil.id);
  await page.keyboard.press('Space');
  await expect(page.getByText('Listening')).toBeVisible();
  await page.evaluate(() =>
    (window as unknown as { mic: { track: MediaStreamTrack } }).mic.track.dispatchEvent(new Event('ended')),
  );
  await expect(page.getByText('The microphone was unplugged.')).toBeVisible();
  // It is back by itself; nothing was pressed.
  await expect(page.getByText('Listening')).toBeVisible({ timeout: 8000 });
  await page.evaluate(() => {
    (window as unknown as { mic: { gain: GainNode } }).mic.gain.gain.value = 400;
  });
  await expect(page.getByText('The room is too loud')).toBeVisible({ timeout: 12_000 });
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await deletePupil(page, pupil);
});
