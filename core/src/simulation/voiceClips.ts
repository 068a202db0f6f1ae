import { normal, type RandomSource } from '../random/random.ts';

/** How a generated clip begins: with voice, or with a soft noise as in four, six, three. */
export const clipKinds = ['voiced', 'noiseLed'] as const;
export type ClipKind = (typeof clipKinds)[number];

/** A stretch of sound with spoken-like clips at known times. */
export interface ClipTrack {
  readonly samples: Float32Array;
  readonly onsets: readonly { readonly ms: number; readonly kind: ClipKind }[];
}

/** The room's noise under the clips, and the clips' level over it. */
export const roomNoiseDb = -58;
export const clipOverDb = 20;

/**
 * Clips over a quiet room: each a harmonic tone that swells as a voice does, half of them led by noise as f, s and th are;
 * `gapsMs` before each clip. The level of a clip is `overDb` over the floor. Made up entirely: nobody's voice.
 */
export function makeClips(
  sampleRate: number,
  kinds: readonly ClipKind[],
  gapsMs: readonly number[],
  random: RandomSource,
  overDb: number = clipOverDb,
): ClipTrack {
  const clips = kinds.map((kind) => makeClip(sampleRate, kind, random));
  const gaps = kinds.map((_, at) => Math.round(((gapsMs[at] ?? 1200) * sampleRate) / 1000));
  const length = clips.reduce((sum, clip, at) => sum + clip.length + (gaps[at] as number), 0) + sampleRate;
  const samples = new Float32Array(length);
  const noise = 10 ** (roomNoiseDb / 20);
  for (let at = 0; at < length; at += 1) samples[at] = noise * normal(random);
  const level = 10 ** ((roomNoiseDb + overDb) / 20);
  let place = 0;
  const onsets = clips.map((clip, nth) => {
    place += gaps[nth] as number;
    const start = place;
    const scale = level / rms(clip);
    clip.forEach((value, at) => {
      samples[start + at] = (samples[start + at] as number) + scale * value;
    });
    place += clip.length;
    return { ms: (1000 * start) / sampleRate, kind: kinds[nth] as ClipKind };
  });
  return { samples, onsets };
}

function makeClip(sampleRate: number, kind: ClipKind, random: RandomSource): Float32Array {
  const between = (low: number, high: number) => low + (high - low) * random.unit();
  const ms = (value: number) => Math.round((value * sampleRate) / 1000);
  const voice = tone(sampleRate, ms(between(180, 380)), ms(between(12, 40)), between(130, 300), random);
  if (kind === 'voiced') return voice;
  const lead = ms(between(70, 150));
  const swell = ms(between(10, 30));
  const softness = 10 ** (between(-9, -3) / 20) * rms(voice);
  const out = new Float32Array(lead + voice.length);
  let before = 0;
  for (let at = 0; at < lead; at += 1) {
    // Noise without its low end: the difference of neighbours of white noise.
    const white = normal(random);
    out[at] = softness * Math.SQRT1_2 * (white - before) * Math.min(1, at / swell);
    before = white;
  }
  out.set(voice, lead);
  return out;
}

/** A voiced sound: harmonics that fall off, a rise and a fall. */
function tone(
  sampleRate: number,
  length: number,
  riseSamples: number,
  hertz: number,
  random: RandomSource,
): Float32Array {
  const phases = Array.from({ length: 8 }, () => 2 * Math.PI * random.unit());
  const fall = Math.round(length * 0.3);
  return Float32Array.from({ length }, (_, at) => {
    const envelope = Math.min(1, at / riseSamples, (length - at) / fall);
    return (
      envelope *
      phases.reduce(
        (sum, phase, nth) =>
          sum + Math.sin((2 * Math.PI * hertz * (nth + 1) * at) / sampleRate + phase) / (nth + 1),
        0,
      )
    );
  });
}

function rms(samples: Float32Array): number {
  return Math.sqrt(samples.reduce((sum, one) => sum + one * one, 0) / samples.length);
}

/** Onsets heard in a track against those put there. Times in ms. */
export interface OnsetReport {
  /** Error of each onset found, by kind: heard less true. */
  readonly errorsMs: Readonly<Record<ClipKind, readonly number[]>>;
  readonly missed: number;
  readonly falseOnsets: number;
}

/** Matches what was heard with what was there: the nearest within `withinMs`, each used once. */
export function compareOnsets(
  track: Pick<ClipTrack, 'onsets'>,
  heardMs: readonly number[],
  withinMs = 200,
): OnsetReport {
  const errorsMs: Record<ClipKind, number[]> = { voiced: [], noiseLed: [] };
  const left = [...heardMs];
  let missed = 0;
  for (const { ms, kind } of track.onsets) {
    const at = left
      .map((heard, place) => ({ place, off: Math.abs(heard - ms) }))
      .filter((one) => one.off <= withinMs)
      .sort((a, b) => a.off - b.off)[0];
    if (!at) missed += 1;
    else errorsMs[kind].push((left.splice(at.place, 1)[0] as number) - ms);
  }
  return { errorsMs, missed, falseOnsets: left.length };
}
