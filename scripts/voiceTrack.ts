import { createRandom, makeClips, type ClipKind, type ClipTrack } from '@veldrift/core';
import { writeFileSync } from 'node:fs';

export const trackRate = 48_000;

/** A track of generated clips for the browser's fake capture device: voiced and noise-led in turn, silence at both ends. */
export function voiceTrack(clips: number, gapMs: number, seed: number): ClipTrack {
  const random = createRandom(seed);
  const kinds = Array.from({ length: clips }, (_, at): ClipKind => (at % 2 === 0 ? 'voiced' : 'noiseLed'));
  return makeClips(
    trackRate,
    kinds,
    kinds.map(() => gapMs * (0.75 + 0.5 * random.unit())),
    random,
  );
}

/** Writes a track as a WAV file, 16 bits, one channel. */
export function writeWav(path: string, samples: Float32Array): void {
  const data = Buffer.alloc(44 + samples.length * 2);
  data.write('RIFF', 0);
  data.writeUInt32LE(36 + samples.length * 2, 4);
  data.write('WAVEfmt ', 8);
  data.writeUInt32LE(16, 16);
  data.writeUInt16LE(1, 20);
  data.writeUInt16LE(1, 22);
  data.writeUInt32LE(trackRate, 24);
  data.writeUInt32LE(trackRate * 2, 28);
  data.writeUInt16LE(2, 32);
  data.writeUInt16LE(16, 34);
  data.write('data', 36);
  data.writeUInt32LE(samples.length * 2, 40);
  samples.forEach((value, at) => {
    data.writeInt16LE(Math.round(32_767 * Math.max(-1, Math.min(1, value))), 44 + at * 2);
  });
  writeFileSync(path, data);
}

/** Chromium's switches for a microphone that plays a file, round and round. */
export const fakeMicrophone = (wav: string): string[] => [
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
  `--use-file-for-fake-audio-capture=${wav}`,
  '--autoplay-policy=no-user-gesture-required',
];
