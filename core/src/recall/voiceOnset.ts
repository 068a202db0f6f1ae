/** Samples of one render quantum of the audio engine. */
export const quantumSamples = 128;
/** Quiet listened to before anything is heard, ms. */
export const settleMs = 400;
/** How far back the floor looks, ms. */
const floorMs = 1500;
/** At least so much voice makes an onset, ms; gaps shorter than `gapMs` do not end it. */
export const leastVoiceMs = 60;
const gapMs = 40;
/** Silence after which the next voice is a new one, ms. */
const releaseMs = 250;
/** What goes on for longer is no voice but the room: its floor is learnt afresh, ms. */
const longestVoiceMs = 3000;
/** Thresholds over the floor in median absolute deviations, with a least rise in dB: to begin, to go on, to walk back to. */
const begin = { mads: 7, leastDb: 8 } as const;
const goOn = { mads: 4, leastDb: 5 } as const;
const rise = { mads: 3, leastDb: 3.5 } as const;
/** How far back an onset may be walked, ms: a soft first sound is no longer than that. */
const walkBackMs = 200;
/** A floor above this in either band is too loud a room, dB of full scale. */
export const loudFloorDb = -38;

/** What the ear hears of one quantum: energy of the voiced band and of the noise band, dB of full scale. */
export interface BandLevels {
  readonly lowDb: number;
  readonly highDb: number;
}

/** Splits sound into the two bands, one quantum at a time. State is kept between calls. */
export function createBands(sampleRate: number): (samples: Float32Array) => BandLevels {
  const lowCut = biquad('highpass', 90, sampleRate);
  const lowTop = biquad('lowpass', 1200, sampleRate);
  const highOne = biquad('highpass', 2500, sampleRate);
  const highTwo = biquad('highpass', 2500, sampleRate);
  return (samples) => {
    let lowSum = 0;
    let highSum = 0;
    for (let at = 0; at < samples.length; at += 1) {
      const sample = samples[at] as number;
      const l = lowTop(lowCut(sample));
      const h = highTwo(highOne(sample));
      lowSum += l * l;
      highSum += h * h;
    }
    return { lowDb: decibels(lowSum / samples.length), highDb: decibels(highSum / samples.length) };
  };
}

const decibels = (power: number) => 10 * Math.log10(power + 1e-12);

/** What the listener knows after a quantum. */
export interface Heard {
  /** An onset just made certain: the time its sound began, ms on the clock of the quanta; null mostly. */
  readonly onsetMs: number | null;
  /** Whether a voice is heard now. */
  readonly voice: boolean;
  /** The quieter bound of the room, dB; null while it is being learnt. */
  readonly floor: BandLevels | null;
}

/**
 * Listens for the onset of a voice: energy in two bands, so that soft first sounds (four, six, three) are caught; the floor a
 * rolling median, the threshold floor + k median absolute deviations with hysteresis, at least 60 ms of voice, the onset
 * walked back to its first rise. Times in ms from the first quantum. Source of the method: common practice in voice keys.
 */
export function createListener(sampleRate: number): (levels: BandLevels) => Heard {
  const quantumMs = (1000 * quantumSamples) / sampleRate;
  const count = (ms: number) => Math.max(1, Math.round(ms / quantumMs));
  const low = createFloor(count(floorMs));
  const high = createFloor(count(floorMs));
  const recent: boolean[] = [];
  let at = -1;
  let settledAt = count(settleMs);
  let began: number | undefined;
  let told = false;
  let voiced = 0;
  let silent = 0;

  return (levels) => {
    at += 1;
    const [lowFloor, highFloor] = [low.read(), high.read()];
    if (at < settledAt || !lowFloor || !highFloor) {
      low.learn(levels.lowDb);
      high.learn(levels.highDb);
      recent.push(false);
      return { onsetMs: null, voice: false, floor: null };
    }
    const over = (by: { readonly mads: number; readonly leastDb: number }) =>
      levels.lowDb > lowFloor.median + Math.max(by.leastDb, by.mads * lowFloor.mad) ||
      levels.highDb > highFloor.median + Math.max(by.leastDb, by.mads * highFloor.mad);
    recent.push(over(rise));
    if (recent.length > count(walkBackMs) + 1) recent.shift();
    let onsetMs: number | null = null;
    if (began === undefined) {
      if (over(begin)) {
        began = at - stepsBack(recent, count(12));
        voiced = 1;
        silent = 0;
        told = false;
      } else {
        low.learn(levels.lowDb);
        high.learn(levels.highDb);
      }
    } else if (over(goOn)) {
      voiced += 1;
      silent = 0;
    } else {
      silent += 1;
    }
    if (began !== undefined && !told && voiced >= count(leastVoiceMs)) {
      told = true;
      onsetMs = began * quantumMs;
    }
    if (began !== undefined && at - began > count(longestVoiceMs)) {
      began = undefined;
      low.forget();
      high.forget();
      settledAt = at + count(settleMs);
    }
    if (began !== undefined && silent > count(told ? releaseMs : gapMs)) began = undefined;
    return {
      onsetMs,
      voice: began !== undefined,
      floor: { lowDb: lowFloor.median, highDb: highFloor.median },
    };
  };
}

/** How many quanta back the rise goes without a gap of more than `gap`. */
function stepsBack(recent: readonly boolean[], gap: number): number {
  let back = 0;
  let missing = 0;
  for (let step = 1; step < recent.length; step += 1) {
    if (recent[recent.length - 1 - step]) {
      back = step;
      missing = 0;
    } else {
      missing += 1;
      if (missing >= gap) break;
    }
  }
  return back;
}

/** A rolling median with its median absolute deviation, worked out afresh every few quanta. */
function createFloor(most: number): {
  readonly learn: (db: number) => void;
  readonly forget: () => void;
  readonly read: () => { readonly median: number; readonly mad: number } | undefined;
} {
  const values: number[] = [];
  let known: { median: number; mad: number } | undefined;
  let since = 0;
  return {
    learn: (db) => {
      values.push(db);
      if (values.length > most) values.shift();
      since += 1;
      if (since < 24 && known) return;
      since = 0;
      const middle = middleOf(values);
      known = { median: middle, mad: middleOf(values.map((one) => Math.abs(one - middle))) };
    },
    forget: () => {
      values.length = 0;
      known = undefined;
    },
    read: () => known,
  };
}

function middleOf(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.floor(sorted.length / 2)] as number;
}

/** Whether a room is too loud to hear a child's onset in. */
export function isTooLoud(floor: BandLevels): boolean {
  return floor.lowDb > loudFloorDb || floor.highDb > loudFloorDb;
}

/** A second-order filter of Butterworth shape. Source: R. Bristow-Johnson's audio EQ cookbook formulae; from memory. */
function biquad(kind: 'highpass' | 'lowpass', hertz: number, sampleRate: number): (sample: number) => number {
  const w = (2 * Math.PI * Math.min(hertz, sampleRate * 0.45)) / sampleRate;
  const alpha = Math.sin(w) / Math.SQRT2;
  const cos = Math.cos(w);
  const edge = kind === 'highpass' ? 1 + cos : 1 - cos;
  const a0 = 1 + alpha;
  const b0 = edge / 2 / a0;
  const b1 = (kind === 'highpass' ? -edge : edge) / a0;
  const a1 = (-2 * cos) / a0;
  const a2 = (1 - alpha) / a0;
  let x1 = 0;
  let x2 = 0;
  let y1 = 0;
  let y2 = 0;
  return (x) => {
    const y = b0 * x + b1 * x1 + b0 * x2 - a1 * y1 - a2 * y2;
    x2 = x1;
    x1 = x;
    y2 = y1;
    y1 = y;
    return y;
  };
}
