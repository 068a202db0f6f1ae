import { createBands, createListener, isTooLoud, quantumSamples } from '@veldrift/core';

/** When the audio thread had worked through everything before a frame: ms since 1970 by its own look at the clock. */
export interface WorkedThrough {
  readonly frame: number;
  readonly epochMs: number;
}

/** What the audio thread tells the page. Frames count samples since its clock began. */
export type VoiceMessage =
  | { readonly kind: 'onset'; readonly frame: number; readonly worked: readonly WorkedThrough[] }
  | {
      readonly kind: 'level';
      readonly worked: readonly WorkedThrough[];
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

/** About ten levels a second: the page has better things to do than to draw a bar. */
const levelEveryQuanta = 36;

/** Listens on the audio thread: sound goes in, onsets and levels come out. Nothing of the sound itself is kept or passed on. */
class VoiceProcessor extends AudioWorkletProcessor {
  private readonly bands = createBands(sampleRate);
  private readonly hear = createListener(sampleRate);
  private firstFrame: number | undefined;
  private quanta = 0;
  private worked: WorkedThrough[] = [];

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    const samples = inputs[0]?.[0];
    if (!samples) return true;
    this.firstFrame ??= currentFrame;
    const levels = this.bands(samples);
    const found = this.hear(levels);
    this.worked.push({ frame: currentFrame + quantumSamples, epochMs: Date.now() });
    if (found.onsetMs !== null)
      this.tell({
        kind: 'onset',
        frame: this.firstFrame + (found.onsetMs * sampleRate) / 1000,
        worked: this.worked,
      });
    this.quanta += 1;
    if (this.quanta % levelEveryQuanta === 0) {
      this.tell({
        kind: 'level',
        worked: this.worked,
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
    this.worked = [];
  }
}

registerProcessor('veldrift-voice', VoiceProcessor);
