import { createFrameClock, type FrameTime } from './frameClock.ts';
import { standInStream } from './standIn.ts';
import type { VoiceMessage } from './voiceProcessor.ts';
import processorUrl from './voiceProcessor.ts?worker&url';

/** Where the sound comes from. */
export type VoiceSource = 'microphone' | 'standIn';

/** Why no voice is heard, and what to do about it. */
export type VoiceTrouble = 'insecure' | 'refused' | 'none' | 'unplugged' | 'failed' | 'loud';

export const voiceTroubles: Readonly<Record<VoiceTrouble, string>> = {
  insecure: 'A microphone needs https or this machine itself. Judge by your own mark until then.',
  refused:
    'The microphone was refused. Allow it beside the address of this page; until then your own mark times the answers.',
  none: 'No microphone was found. Plug one in, or go on with your own mark.',
  unplugged: 'The microphone was unplugged. Plug it in again; meanwhile your own mark times the answers.',
  failed: 'The microphone could not be opened; another program may hold it. Your own mark times the answers.',
  loud: 'The room is too loud to hear when a child begins. Find a quieter place, or go on with your own mark.',
};

export interface VoiceLevel {
  readonly levelDb: number;
  readonly floorDb: number | null;
  readonly voice: boolean;
}

export interface VoiceHears {
  /** When a voice began. */
  readonly onOnset: (onset: FrameTime) => void;
  readonly onLevel: (level: VoiceLevel) => void;
  readonly onTrouble: (trouble: VoiceTrouble | null) => void;
}

export interface OpenVoice {
  readonly close: () => void;
  /** Sounds a short tone from the speaker; gives when it leaves, as a time stamp of the page. */
  readonly click: () => number;
}

/** Opens the microphone and listens. Nothing is recorded, kept or sent. Rejects with a VoiceTrouble. */
export async function openVoice(source: VoiceSource, hears: VoiceHears): Promise<OpenVoice> {
  if (source === 'microphone' && !navigator.mediaDevices) throw trouble('insecure');
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule(processorUrl);
    const standIn = source === 'standIn' ? standInStream(context) : undefined;
    const stream = standIn?.stream ?? (await microphone());
    await context.resume();
    const clock = createFrameClock(context.sampleRate);
    const node = new AudioWorkletNode(context, 'veldrift-voice', { numberOfOutputs: 0, channelCount: 1 });
    let loud = false;
    node.port.onmessage = ({ data }: MessageEvent<VoiceMessage>) => {
      const now = performance.now();
      const pageToEpochMs = Date.now() - now;
      for (const { frame, epochMs } of data.worked) clock.note(frame, epochMs - pageToEpochMs);
      if (data.kind === 'onset') {
        const onset = clock.timeOf(data.frame, now);
        hears.onOnset(onset);
        // For measuring the voice key from outside (bench).
        dispatchEvent(new CustomEvent('veldrift-onset', { detail: onset }));
        return;
      }
      hears.onLevel(data);
      if (data.tooLoud !== loud) {
        loud = data.tooLoud;
        hears.onTrouble(loud ? 'loud' : null);
      }
    };
    context.createMediaStreamSource(stream).connect(node);
    for (const track of stream.getAudioTracks()) track.onended = () => hears.onTrouble('unplugged');
    return {
      close: () => {
        for (const track of stream.getTracks()) {
          track.onended = null;
          track.stop();
        }
        standIn?.stop();
        void context.close();
      },
      click: () => {
        const at = context.currentTime + 0.05;
        const tone = clickTone(context);
        tone.connect(standIn?.input ?? context.destination);
        tone.start(at);
        // The sound leaves the speaker later than it is made by what the device says.
        const speakerMs = standIn ? 0 : 1000 * (context.outputLatency || context.baseLatency || 0);
        return clock.timeOf(at * context.sampleRate, performance.now()).at + speakerMs;
      },
    };
  } catch (error) {
    void context.close();
    throw isTrouble(error) ? error : trouble('failed');
  }
}

async function microphone(): Promise<MediaStream> {
  try {
    return await navigator.mediaDevices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    });
  } catch (error) {
    const name = (error as DOMException).name;
    if (name === 'NotAllowedError' || name === 'SecurityError') throw trouble('refused');
    if (name === 'NotFoundError' || name === 'OverconstrainedError') throw trouble('none');
    throw trouble('failed');
  }
}

/** A tone long enough to be taken for a voice. */
function clickTone(context: AudioContext): AudioBufferSourceNode {
  const samples = Math.round(context.sampleRate * 0.12);
  const buffer = context.createBuffer(1, samples, context.sampleRate);
  const data = buffer.getChannelData(0);
  for (let at = 0; at < samples; at += 1)
    data[at] =
      0.6 * Math.sin((2 * Math.PI * 440 * at) / context.sampleRate) * Math.min(1, (samples - at) / 400);
  const source = context.createBufferSource();
  source.buffer = buffer;
  return source;
}

class Trouble extends Error {
  constructor(readonly trouble: VoiceTrouble) {
    super(voiceTroubles[trouble]);
  }
}
const trouble = (name: VoiceTrouble) => new Trouble(name);
const isTrouble = (error: unknown): error is Trouble => error instanceof Trouble;

/** The trouble an error stands for. */
export function troubleOf(error: unknown): VoiceTrouble {
  return isTrouble(error) ? error.trouble : 'failed';
}
