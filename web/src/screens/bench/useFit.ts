import type { FittedPack, PackWish } from '@veldrift/core';
import { useEffect, useRef, useState } from 'react';
import type { FitTold } from '../../workers/fit.ts';

interface Found {
  readonly wish: PackWish;
  readonly packs: readonly FittedPack[];
}

export interface Fit {
  /** Packs for the wish that was asked last; null: none was asked yet. */
  readonly found: Found | null;
  readonly trouble: string | null;
  readonly busy: boolean;
  readonly ask: (wish: PackWish) => void;
  readonly cancel: () => void;
}

/** Packs for a wish, put together off the page's thread. */
export function useFit(): Fit {
  const worker = useRef<Worker | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  return {
    found,
    trouble,
    busy,
    ask: (wish) => {
      stop();
      const own = new Worker(new URL('../../workers/fit.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      setBusy(true);
      setTrouble(null);
      own.onmessage = ({ data }: MessageEvent<FitTold>) => {
        setBusy(false);
        if (data.kind === 'found') setFound({ wish, packs: data.packs });
        else setTrouble(data.says);
        stop();
      };
      own.onerror = () => {
        setBusy(false);
        setTrouble('It could not be tried on this device. Try again.');
        stop();
      };
      own.postMessage(wish);
    },
    cancel: () => {
      stop();
      setBusy(false);
    },
  };
}
