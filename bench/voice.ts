import { chromium as launch } from '@playwright/test';
import {
  clipKinds,
  compareOnsets,
  createBands,
  createListener,
  quantile,
  quantumSamples,
  type ClipTrack,
  type OnsetReport,
} from '@veldrift/core';
import { ensureDatabase, migrate, openDb, startCluster } from '@veldrift/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { signIn } from '../e2e/house.ts';
import { chromium } from '../e2e/playwright.config.ts';
import { ensureBuilt } from '../scripts/build.ts';
import { loadDemo } from '../scripts/demo/load.ts';
import { portFrom, serve } from '../scripts/serve.ts';
import { fakeMicrophone, trackRate, voiceTrack, writeWav } from '../scripts/voiceTrack.ts';
import type { Bench } from './section.ts';
import { arrivals, tappedSound, tapSound } from './soundTap.ts';
import { ms } from './table.ts';

/** An onset the page heard, ms since 1970; not steady: it takes no time from it. */
interface Heard {
  readonly at: number;
  readonly steady: boolean;
}
type Onset = ClipTrack['onsets'][number];

const clips = 100;
const gapMs = 1500;
/** The track begins at an unknown place of the tap, and may come round: its first clip is looked for this far. */
const firstOnsetWithinMs = 4000;

/**
 * Onset error of the voice key on generated clips 20 dB over the floor: in core alone, and in the browser through Chromium's fake
 * capture device, AudioWorklet and the page's clock. That device plays its file late by ever more where it is short of time, so the
 * truth there is when the sound of each clip arrived on the audio thread, found by laying the clip over what a tap beside the
 * voice key heard. The errors are less their median: a constant delay is what the ten clicks measure.
 */
export const voiceBench: Bench = async (root, say) => {
  ensureBuilt(root);
  const dir = mkdtempSync(join('/tmp', 'veldrift-bench-'));
  const track = voiceTrack(clips, gapMs, 11);
  const wav = join(dir, 'clips.wav');
  writeWav(wav, track.samples);
  const cluster = await startCluster(dir);
  const browser = await launch.launch({ ...chromium, args: [...chromium.args, ...fakeMicrophone(wav)] });
  let stop: (() => Promise<void>) | undefined;
  try {
    await ensureDatabase(cluster, 'demo');
    await migrate(cluster.adminUrl('demo'), join(root, 'server/migrations'));
    const db = openDb(cluster.appUrl('demo'));
    await loadDemo(db, new Date());
    await db.end();
    const serving = await serve(root, {
      db: cluster.appUrl('demo'),
      port: await portFrom(18_800, '127.0.0.1'),
      host: '127.0.0.1',
    });
    stop = serving.stop;
    const page = await browser.newPage({ bypassCSP: true });
    await tapSound(page);
    await page.addInitScript(() => {
      const window_ = window as unknown as { onsets: Heard[] };
      window_.onsets = [];
      addEventListener('veldrift-onset', (event) => {
        const { at, steady } = (event as CustomEvent<Heard>).detail;
        window_.onsets.push({ at: at + Date.now() - performance.now(), steady });
      });
    });
    await signIn(page, `http://127.0.0.1:${serving.port}`);
    await page.goto(`http://127.0.0.1:${serving.port}/calibrate/voice`);
    await page.getByText('The room is at').waitFor();
    const lengthMs = (1000 * track.samples.length) / trackRate;
    say(`listening for ${Math.round(lengthMs / 1000)} s`);
    await page.waitForTimeout(lengthMs + 1500);
    const heard = await page.evaluate(() => (window as unknown as { onsets: Heard[] }).onsets);
    const tapped = await tappedSound(page);
    const arrived = arrivals(
      tapped,
      track.samples,
      track.onsets.map((one) => one.ms),
      firstOnsetWithinMs,
    );
    const there = track.onsets.flatMap((one, at) => {
      const ms = arrived[at];
      return ms === undefined ? [] : [{ ...one, ms }];
    });
    const { report: inBrowser, distrusted } = lessDelay(there, heard);
    const alone = compareOnsets(track, listen(track.samples));
    const rows = clipKinds.flatMap((kind) => [
      [
        'core alone',
        kind === 'voiced' ? 'voiced' : 'noise-led',
        ...cells(alone, kind),
        kind === 'voiced' ? '20 ms' : '40 ms',
      ],
      [
        'browser, fake capture device',
        kind === 'voiced' ? 'voiced' : 'noise-led',
        ...cells(inBrowser, kind),
        kind === 'voiced' ? '20 ms' : '40 ms',
      ],
    ]);
    return {
      title: 'Onset of the voice',
      says: `${clips} generated clips, half of them led by noise as in four, six and three, 20 dB over the floor; error of the onset heard. In the browser against the moment its sound arrived on the audio thread, by a tap on the same sound (${there.length} of ${clips} clips found there), less the median, since a constant delay is what the ten clicks measure; ${distrusted} onsets heard while the audio thread stood still were given no time by the page, as the answer would be. Missed: ${alone.missed} of ${clips} in core with ${alone.falseOnsets} false onsets, ${inBrowser.missed} of those found in the browser.`,
      columns: ['where', 'clips', 'heard', 'median with sign', '95 in 100', 'worst', 'aim, 95 in 100'],
      rows,
    };
  } finally {
    await browser.close();
    await stop?.();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
};

function cells(report: OnsetReport, kind: (typeof clipKinds)[number]): string[] {
  const errors = report.errorsMs[kind];
  if (errors.length === 0) return ['0', '-', '-', '-'];
  const sizes = errors.map(Math.abs);
  return [
    String(errors.length),
    ms(quantile(errors, 0.5)),
    ms(quantile(sizes, 0.95)),
    ms(Math.max(...sizes)),
  ];
}

function listen(samples: Float32Array): number[] {
  const bands = createBands(trackRate);
  const hear = createListener(trackRate);
  const heard: number[] = [];
  for (let at = 0; at + quantumSamples <= samples.length; at += quantumSamples) {
    const { onsetMs } = hear(bands(samples.subarray(at, at + quantumSamples)));
    if (onsetMs !== null) heard.push(onsetMs);
  }
  return heard;
}

/**
 * The report of what was heard less the delay that fits it best: coarsely by nearest pairs, then less their median. Onsets the
 * page does not trust, since the audio thread stood still about then, are left out, and their clips with them.
 */
function lessDelay(
  there: readonly Onset[],
  heard: readonly Heard[],
): { readonly report: OnsetReport; readonly distrusted: number } {
  const all = (report: OnsetReport) => clipKinds.flatMap((kind) => report.errorsMs[kind]);
  const delay = quantile(
    all(
      compareOnsets(
        { onsets: there },
        heard.map((one) => one.at),
        400,
      ),
    ),
    0.5,
  );
  const unsteady = heard.filter((one) => !one.steady).map((one) => one.at - delay);
  const clear = there.filter(({ ms }) => !unsteady.some((at) => Math.abs(at - ms) < 200));
  return {
    report: compareOnsets(
      { onsets: clear },
      heard.filter((one) => one.steady).map((one) => one.at - delay),
    ),
    distrusted: unsteady.length,
  };
}
