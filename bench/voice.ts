import { chromium as launch } from '@playwright/test';
import {
  clipKinds,
  compareOnsets,
  createBands,
  createListener,
  quantile,
  quantumSamples,
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
import type { Bench } from './benches.ts';
import { ms } from './table.ts';

const clips = 40;
const gapMs = 1500;

/**
 * Onset error of the voice key on generated clips 20 dB over the floor: in core alone, and in the browser through Chromium's fake
 * capture device, AudioWorklet and the page's clock. The device begins its file at an unknown moment, so there the errors are
 * taken against the one shift that fits all onsets best: a constant delay is what the ten clicks measure.
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
    const page = await browser.newPage();
    await page.addInitScript(() => {
      (window as unknown as { onsets: number[] }).onsets = [];
      addEventListener('veldrift-onset', (event) =>
        (window as unknown as { onsets: number[] }).onsets.push((event as CustomEvent<number>).detail),
      );
    });
    await signIn(page, `http://127.0.0.1:${serving.port}`);
    await page.goto(`http://127.0.0.1:${serving.port}/calibrate/voice`);
    await page.getByText('The room is at').waitFor();
    const lengthMs = (1000 * track.samples.length) / trackRate;
    say(`listening for ${Math.round(lengthMs / 1000)} s`);
    await page.waitForTimeout(lengthMs + 1500);
    const heard = await page.evaluate(() => (window as unknown as { onsets: number[] }).onsets);
    const inBrowser = bestFit(heard, lengthMs, track);
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
      says: `${clips} generated clips, half of them led by noise as in four, six and three, 20 dB over the floor; error of the onset heard. In the browser less the constant delay of the device, which the ten clicks measure. Missed: ${alone.missed} in core, ${inBrowser.missed} in the browser; false: ${alone.falseOnsets} and ${inBrowser.falseOnsets}.`,
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

/** The report at the shift of the looped track that fits the onsets heard best: found coarsely, then to half a millisecond. */
function bestFit(
  heard: readonly number[],
  lengthMs: number,
  track: ReturnType<typeof voiceTrack>,
): OnsetReport {
  const at = (shift: number) => {
    const once = heard.map((one) => (((one - shift) % lengthMs) + lengthMs) % lengthMs);
    // Round once only: what is heard again in a second round of the file is left out.
    return compareOnsets(track, once.slice(0, clips), 120);
  };
  const cost = (report: OnsetReport) => {
    const errors = clipKinds.flatMap((kind) => report.errorsMs[kind].map(Math.abs));
    return report.missed * 1000 + (errors.length === 0 ? 1e6 : quantile(errors, 0.5));
  };
  let best = 0;
  for (let shift = 0; shift < lengthMs; shift += 25) if (cost(at(shift)) < cost(at(best))) best = shift;
  for (let shift = best - 60; shift <= best + 60; shift += 0.5)
    if (cost(at(shift)) < cost(at(best))) best = shift;
  return at(best);
}
