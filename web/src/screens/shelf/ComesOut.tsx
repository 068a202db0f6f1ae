import { numberText, wilsonInterval } from '@veldrift/core';
import type { AnyGame } from '@veldrift/core/games';
import { useEffect, useState } from 'react';
import { Explained } from '../../parts/AnswersBehind.tsx';
import type { ComesOutAsked, ComesOutTold } from '../../workers/comesOut.ts';

const deals = 10_000;
const seed = 44;

/** How often a game comes out by some rules: told before it is played. */
export function ComesOut({ game, rules }: { readonly game: AnyGame; readonly rules: unknown }) {
  const key = JSON.stringify(rules);
  const [told, setTold] = useState<{ readonly of: string } & ComesOutTold>();
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/comesOut.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ComesOutTold>) => setTold({ of: key, ...data });
    worker.postMessage({
      game: game.id,
      rules: JSON.parse(key) as unknown,
      deals,
      seed,
    } satisfies ComesOutAsked);
    return () => worker.terminate();
  }, [game.id, key]);
  if (told?.of === key && told.won === null)
    return <p className="quiet">How often it comes out is not known by these rules.</p>;
  const won = told?.of === key ? told.won : null;
  return (
    <p className="comes-out">
      <strong>It comes out</strong> in {won === null ? '\u2026 of 100 games' : <Share won={won} />}.
    </p>
  );
}

function Share({ won }: { readonly won: number }) {
  const inHundred = (share: number) => (100 * share).toFixed(share < 0.1 ? 1 : 0);
  const { low, high } = wilsonInterval(won, deals);
  return (
    <Explained
      title="How often it comes out"
      how={`${numberText(deals)} games were dealt, and what lay there most often was covered first: ${numberText(won)} of them came out. With other deals it would be ${inHundred(low)} to ${inHundred(high)} of 100, 95 times in 100. Whoever looks ahead wins a little more often.`}
    >
      {inHundred(won / deals)} of 100 games
    </Explained>
  );
}
