import type { Page } from '@playwright/test';
import { trackRate } from '../scripts/voiceTrack.ts';

const quantum = 128;
/** Runs on the audio thread, beside the voice key and on the same sound: every sample, and when its quantum was worked through. */
const tapCode = `registerProcessor('bench-tap', class extends AudioWorkletProcessor {
  constructor() { super(); this.samples = []; this.epochs = []; }
  process([input]) {
    if (!input[0]) return true;
    this.samples.push(input[0].slice());
    this.epochs.push(Date.now());
    if (this.samples.length === 200) {
      this.port.postMessage({ samples: this.samples, epochs: this.epochs });
      this.samples = []; this.epochs = [];
    }
    return true;
  }
})`;

/** Puts a tap beside whatever listens to a microphone on this page. For measuring only: the application keeps no sound, and its page lets no such script in (the page must bypass its policy). */
export async function tapSound(page: Page): Promise<void> {
  await page.addInitScript((code) => {
    const window_ = window as unknown as {
      tapped: { samples: Float32Array[]; epochs: number[]; rate: number };
    };
    window_.tapped = { samples: [], epochs: [], rate: 0 };
    // Called below with the context it is of.
    // eslint-disable-next-line @typescript-eslint/unbound-method
    const made = AudioContext.prototype.createMediaStreamSource;
    AudioContext.prototype.createMediaStreamSource = function (this: AudioContext, stream: MediaStream) {
      const source = made.call(this, stream);
      window_.tapped.rate = this.sampleRate;
      void this.audioWorklet
        .addModule(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })))
        .then(() => {
          const tap = new AudioWorkletNode(this, 'bench-tap', { numberOfOutputs: 0 });
          tap.port.onmessage = ({ data }: MessageEvent<{ samples: Float32Array[]; epochs: number[] }>) => {
            window_.tapped.samples.push(...data.samples);
            window_.tapped.epochs.push(...data.epochs);
          };
          source.connect(tap);
        });
      return source;
    };
  }, tapCode);
}

/** What the tap heard. */
export interface Tapped {
  readonly rate: number;
  readonly samples: Float32Array;
  /** When each quantum of 128 samples was worked through, ms since 1970. */
  readonly epochs: readonly number[];
}

export async function tappedSound(page: Page): Promise<Tapped> {
  const { rate, text, epochs } = await page.evaluate(() => {
    const { tapped } = window as unknown as {
      tapped: { samples: Float32Array[]; epochs: number[]; rate: number };
    };
    const whole = new Int16Array(tapped.samples.length * 128);
    tapped.samples.forEach((part, at) =>
      part.forEach((value, nth) => (whole[at * 128 + nth] = Math.round(value * 32_767))),
    );
    const bytes = new Uint8Array(whole.buffer);
    let binary = '';
    for (let at = 0; at < bytes.length; at += 32_768)
      binary += String.fromCharCode(...bytes.subarray(at, at + 32_768));
    return { rate: tapped.rate, text: btoa(binary), epochs: tapped.epochs };
  });
  const bytes = Buffer.from(text, 'base64');
  const samples = Float32Array.from(
    { length: bytes.length / 2 },
    (_, at) => bytes.readInt16LE(2 * at) / 32_767,
  );
  return { rate, samples, epochs };
}

const beforeMs = 20;
const afterMs = 220;
const coarse = 8;

/**
 * When the sound of a clip arrived, ms since 1970, found by laying the clip over what the tap heard (cross-correlation), for
 * each onset of the track; undefined where nothing fits. `firstMs`: how far into the tap the track may begin.
 */
export function arrivals(
  tapped: Tapped,
  track: Float32Array,
  onsetsMs: readonly number[],
  firstMs: number,
): (number | undefined)[] {
  const { rate, samples, epochs } = tapped;
  const resampled = resample(track, trackRate, rate);
  const [slowHeard, slowTrack] = [thin(samples), thin(resampled)];
  const place = (ms: number) => Math.round((ms * rate) / 1000);
  let lag: number | undefined;
  return onsetsMs.map((onsetMs) => {
    const [from, to] = [place(onsetMs - beforeMs), place(onsetMs + afterMs)];
    const [low, high] =
      lag === undefined ? [-place(firstMs), place(firstMs)] : [lag - place(300), lag + place(1500)];
    const rough = bestLag(
      slowHeard,
      slowTrack,
      Math.floor(from / coarse),
      Math.floor(to / coarse),
      Math.floor(low / coarse),
      Math.ceil(high / coarse),
    );
    if (rough === undefined) return undefined;
    const fine = bestLag(samples, resampled, from, to, (rough - 2) * coarse, (rough + 2) * coarse);
    if (fine === undefined) return undefined;
    lag = fine;
    return epochs[Math.floor((place(onsetMs) + fine) / quantum)];
  });
}

/** The shift at which a stretch of `track` lies best over `heard`; undefined where the likeness is under 0.6. */
function bestLag(
  heard: Float32Array,
  track: Float32Array,
  from: number,
  to: number,
  low: number,
  high: number,
): number | undefined {
  let best: number | undefined;
  let most = 0.6;
  for (let lag = Math.max(low, -from); lag <= high && to + lag < heard.length; lag += 1) {
    let [both, a, b] = [0, 0, 0];
    for (let at = from; at < to; at += 1) {
      const [x, y] = [track[at] as number, heard[at + lag] as number];
      both += x * y;
      a += x * x;
      b += y * y;
    }
    const likeness = both / Math.sqrt(a * b || 1);
    if (likeness > most) [most, best] = [likeness, lag];
  }
  return best;
}

/** Every eighth sample, each the mean of its neighbours. */
function thin(samples: Float32Array): Float32Array {
  return Float32Array.from({ length: Math.floor(samples.length / coarse) }, (_, at) => {
    let sum = 0;
    for (let nth = 0; nth < coarse; nth += 1) sum += samples[at * coarse + nth] as number;
    return sum / coarse;
  });
}

/** Straight lines between samples. */
function resample(samples: Float32Array, from: number, to: number): Float32Array {
  return Float32Array.from({ length: Math.floor((samples.length * to) / from) }, (_, at) => {
    const place = (at * from) / to;
    const left = Math.floor(place);
    const [a, b] = [samples[left] as number, samples[Math.min(left + 1, samples.length - 1)] as number];
    return a + (b - a) * (place - left);
  });
}
