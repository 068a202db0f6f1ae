import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import { quantile } from '../recall/quantile.ts';
import {
  createBands,
  createListener,
  isTooLoud,
  quantumSamples,
  type BandLevels,
} from '../recall/voiceOnset.ts';
import { compareOnsets, makeClips, type ClipKind, type ClipTrack } from './voiceClips.ts';

/** What the listener hears of a track: onsets, ms. */
function listen(track: Pick<ClipTrack, 'samples'>, sampleRate: number) {
  const bands = createBands(sampleRate);
  const hear = createListener(sampleRate);
  const heard: number[] = [];
  let floor: BandLevels | null = null;
  for (let at = 0; at + quantumSamples <= track.samples.length; at += quantumSamples) {
    const found = hear(bands(track.samples.subarray(at, at + quantumSamples)));
    if (found.onsetMs !== null) heard.push(found.onsetMs);
    floor = found.floor ?? floor;
  }
  return { heard, floor };
}

const tracks = (sampleRate: number, seeds: readonly number[], overDb?: number) =>
  seeds.map((seed) => {
    const random = createRandom(seed);
    const kinds = Array.from({ length: 20 }, (_, at): ClipKind => (at % 2 === 0 ? 'voiced' : 'noiseLed'));
    const gaps = kinds.map(() => 900 + 900 * random.unit());
    return makeClips(sampleRate, kinds, gaps, random, overDb);
  });

describe('voice key', () => {
  it.each([44_100, 48_000])(
    'hears onsets 20 dB over the floor: 20 ms voiced, 40 ms noise-led, 95 in 100, at %i Hz',
    (sampleRate) => {
      const reports = tracks(sampleRate, [1, 2, 3]).map((track) =>
        compareOnsets(track, listen(track, sampleRate).heard),
      );
      const errors = (kind: ClipKind) => reports.flatMap((one) => one.errorsMs[kind].map(Math.abs));
      const clips = 3 * 20;
      expect(reports.reduce((sum, one) => sum + one.missed, 0) / clips).toBeLessThan(0.01);
      expect(reports.reduce((sum, one) => sum + one.falseOnsets, 0) / clips).toBeLessThan(0.01);
      expect(quantile(errors('voiced'), 0.95)).toBeLessThanOrEqual(20);
      expect(quantile(errors('noiseLed'), 0.95)).toBeLessThanOrEqual(40);
    },
  );

  it('hears nothing in a minute of quiet', () => {
    const random = createRandom(9);
    const { samples } = makeClips(44_100, [], [], random);
    const quiet = new Float32Array(44_100 * 60);
    const noise = 10 ** (-58 / 20);
    for (let at = 0; at < quiet.length; at += 1)
      quiet[at] = noise * (random.unit() + random.unit() + random.unit() - 1.5) * 2;
    expect(listen({ samples: quiet }, 44_100).heard).toEqual([]);
    expect(samples.length).toBe(44_100);
  });

  it('hears no click: what is shorter than 60 ms is no voice', () => {
    const random = createRandom(4);
    const { samples } = makeClips(44_100, ['voiced'], [3000], random);
    const clicks = samples.slice(0, 44_100 * 3);
    for (const at of [50_000, 80_000, 110_000])
      for (let n = 0; n < 400; n += 1) clicks[at + n] = 0.5 * Math.sin(n / 3);
    expect(listen({ samples: clicks }, 44_100).heard).toEqual([]);
  });

  it('learns a room afresh that has become loud, and says that it is', () => {
    const random = createRandom(8);
    const rate = 44_100;
    const room = Float32Array.from(
      { length: rate * 8 },
      (_, at) => (at < rate * 2 ? 0.002 : 0.2) * (random.unit() - 0.5),
    );
    const { heard, floor } = listen({ samples: room }, rate);
    expect(heard.length).toBeLessThanOrEqual(1);
    expect(floor && isTooLoud(floor)).toBe(true);
  });

  it('knows a room that is too loud', () => {
    const random = createRandom(5);
    const loud = Float32Array.from({ length: 44_100 * 2 }, () => 0.1 * (random.unit() - 0.5));
    const found = listen({ samples: loud }, 44_100).floor;
    expect(found && isTooLoud(found)).toBe(true);
    const quiet = listen(makeClips(44_100, [], [], createRandom(6)), 44_100).floor;
    expect(quiet && isTooLoud(quiet)).toBe(false);
  });
});
