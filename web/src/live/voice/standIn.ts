import { createRandom, makeClips, type ClipKind } from '@veldrift/core';

/** Clips in the loop of the stand-in, and the silence before each. */
const clipsInLoop = 8;
const silenceMs = 2200;

/**
 * A microphone that ships: generated clips over a quiet room, in a loop, for trying the voice key without one. What is sent into
 * `input` is heard as from the room.
 */
export function standInStream(context: AudioContext): {
  readonly stream: MediaStream;
  readonly input: AudioNode;
  readonly stop: () => void;
} {
  const random = createRandom(7);
  const kinds = Array.from({ length: clipsInLoop }, (_, at): ClipKind =>
    at % 2 === 0 ? 'voiced' : 'noiseLed',
  );
  const { samples } = makeClips(
    context.sampleRate,
    kinds,
    kinds.map(() => silenceMs),
    random,
  );
  const buffer = context.createBuffer(1, samples.length, context.sampleRate);
  buffer.getChannelData(0).set(samples);
  const loop = context.createBufferSource();
  loop.buffer = buffer;
  loop.loop = true;
  const out = context.createMediaStreamDestination();
  loop.connect(out);
  loop.start();
  return { stream: out.stream, input: out, stop: () => loop.stop() };
}
