import { readOut } from '@veldrift/core';
import { createContext, use, useEffect, useState, useSyncExternalStore } from 'react';

/** How long a device may take to find its voices, ms. */
const patienceMs = 1500;

const speech = (): SpeechSynthesis | undefined =>
  'speechSynthesis' in window ? window.speechSynthesis : undefined;

/** The voice of this device that reads English; of several its own, which needs no network. */
function englishVoice(): SpeechSynthesisVoice | undefined {
  const voices = (speech()?.getVoices() ?? []).filter(({ lang }) => /^en\b/i.test(lang));
  return voices.find((one) => one.localService) ?? voices[0];
}

function subscribe(onChange: () => void): () => void {
  const from = speech();
  from?.addEventListener?.('voiceschanged', onChange);
  return () => from?.removeEventListener?.('voiceschanged', onChange);
}

/** Whether what stands on this screen now is read out: a child here wishes it, it is shown here, and no microphone listens. */
export const ReadsAloud = createContext(false);

const useHasVoice = () => useSyncExternalStore(subscribe, () => englishVoice() !== undefined);

/** Reads a line out as it comes, by the device's own voice, and stops when it goes. `showing`: it comes anew, though it be the same. */
export function useReadOut(line: string, showing = ''): void {
  const wished = use(ReadsAloud);
  const has = useHasVoice();
  useEffect(() => {
    const by = speech();
    const voice = englishVoice();
    if (!wished || !has || !by || !voice) return;
    const said = new SpeechSynthesisUtterance(readOut(line));
    said.voice = voice;
    said.lang = voice.lang;
    by.speak(said);
    return () => by.cancel();
  }, [line, showing, wished, has]);
}

/** What is to be said where a child wishes to have things read out and this device cannot; null: it can. */
export function useNoVoice(wished: boolean): string | null {
  const has = useHasVoice();
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!wished) return;
    const handle = setTimeout(() => setLate(true), patienceMs);
    return () => clearTimeout(handle);
  }, [wished]);
  return wished && late && !has ? 'This device has no voice to read aloud with.' : null;
}
