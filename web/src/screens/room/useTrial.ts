import type { Policy, School } from '@veldrift/core';
import { useEffect, useState } from 'react';
import type { TryAsked, TryTold } from '../../workers/tryPolicy.ts';

const learners = 30;
const profiles = ['clean', 'patchy'] as const;

/** A trial of a policy on simulated learners under way, or done; cancelled by `cancel`, begun anew when the policy changes. */
export interface Trial {
  readonly told: TryTold | null;
  readonly running: boolean;
  readonly begin: () => void;
  readonly cancel: () => void;
}

export function useTrial(school: School, policy: Policy): Trial {
  const [asked, setAsked] = useState<string | null>(null);
  const [told, setTold] = useState<{ readonly of: string; readonly told: TryTold } | null>(null);
  const key = JSON.stringify([school, policy]);
  const running = asked === key && (told?.of !== key || told.told.done < told.told.of);
  useEffect(() => {
    if (asked === null || asked !== key) return;
    const worker = new Worker(new URL('../../workers/tryPolicy.ts', import.meta.url), { type: 'module' });
    const [wanted, numbers] = JSON.parse(asked) as [School, Policy];
    worker.onmessage = ({ data }: MessageEvent<TryTold>) => setTold({ of: asked, told: data });
    worker.postMessage({ school: wanted, policy: numbers, profiles, learners } satisfies TryAsked);
    return () => worker.terminate();
  }, [asked, key]);
  return {
    told: told?.of === key ? told.told : null,
    running,
    begin: () => {
      setTold(null);
      setAsked(key);
    },
    cancel: () => setAsked(null),
  };
}
