import { createBands, createListener, isTooLoud, quantumSamples } from '@veldrift/core';

/** What the audio thread tells the page. Frames count samples since its clock began. */
export type VoiceMessage =
  | { readonly kind: 'onset'; readonly frame: number }
  | {
      readonly kind: 'level';
      readonly frame: number;
      /** Loudness now, dB of full scale, and of the room when it is quiet; null while that is learnt. */
      readonly levelDb: number;
      readonly floorDb: number | null;
      readonly voice: boolean;
      readonly tooLoud: boolean;
    };

declare const sampleRate: number;
declare const currentFrame: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, made: unknown): void;

const levelEveryQuanta = 16;

/** Listens on the audio thread: sound goes in, onsets and levels come out. Nothing of the sound itself is kept or passed on. */
class VoiceProcessor extends AudioWorkletProcessor {
  private readonly bands = createBands(sampleRate);
  private readonly hear = createListener(sampleRate);
  private firstFrame: number | undefined;
  private quanta = 0;

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    const samples = inputs[0]?.[0];
    if (!samples) return true;
    this.firstFrame ??= currentFrame;
    const levels = this.bands(samples);
    const found = this.hear(levels);
    if (found.onsetMs !== null)
      this.tell({ kind: 'onset', frame: this.firstFrame + (found.onsetMs * sampleRate) / 1000 });
    this.quanta += 1;
    if (this.quanta % levelEveryQuanta === 0) {
      this.tell({
        kind: 'level',
        frame: currentFrame + quantumSamples,
        levelDb: Math.max(levels.lowDb, levels.highDb),
        floorDb: found.floor ? Math.max(found.floor.lowDb, found.floor.highDb) : null,
        voice: found.voice,
        tooLoud: found.floor !== null && isTooLoud(found.floor),
      });
    }
    return true;
  }

  private tell(message: VoiceMessage): void {
    this.port.postMessage(message);
  }
}

registerProcessor('veldrift-voice', VoiceProcessor);
