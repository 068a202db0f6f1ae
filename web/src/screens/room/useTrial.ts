import type { Policy, School } from '@veldrift/core';
import { useEffect, useState } from 'react';
import type { TryAsked, TryTold } from '../../workers/tryPolicy.ts';

const learners = 30;
const profiles = ['clean', 'patchy'] as const;

/** How long a number must stand before it is tried, in ms: a tutor who still types is not kept busy. */
const settleMs = 700;

/** A trial of a policy on simulated learners: begins by itself when a number has changed and may be tried, not when the page is opened. */
export interface Trial {
  readonly told: TryTold | null;
  readonly running: boolean;
  readonly begin: () => void;
  readonly cancel: () => void;
}

export function useTrial(school: School, policy: Policy, able: boolean): Trial {
  const [cancelled, setCancelled] = useState<string | null>(null);
  // The numbers the page was opened with are tried only on request, whichever school is looked at.
  const [opened] = useState(() => JSON.stringify(policy));
  const [asked, setAsked] = useState<string | null>(null);
  const [told, setTold] = useState<{ readonly of: string; readonly told: TryTold } | null>(null);
  const key = JSON.stringify([school, policy]);
  const mine = told?.of === key ? told.told : null;
  const wanted = asked === key || JSON.stringify(policy) !== opened;
  const running = able && wanted && cancelled !== key && (mine === null || mine.done < mine.of);
  useEffect(() => {
    if (!running) return;
    let worker: Worker | undefined;
    const settled = setTimeout(() => {
      worker = new Worker(new URL('../../workers/tryPolicy.ts', import.meta.url), { type: 'module' });
      const [of, numbers] = JSON.parse(key) as [School, Policy];
      worker.onmessage = ({ data }: MessageEvent<TryTold>) => setTold({ of: key, told: data });
      worker.postMessage({ school: of, policy: numbers, profiles, learners } satisfies TryAsked);
    }, settleMs);
    return () => {
      clearTimeout(settled);
      worker?.terminate();
    };
  }, [running, key]);
  return {
    told: mine,
    running,
    begin: () => {
      setTold(null);
      setCancelled(null);
      setAsked(key);
    },
    cancel: () => setCancelled(key),
  };
}
