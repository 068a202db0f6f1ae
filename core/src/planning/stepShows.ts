import { tryParseFactKey, type FactKey } from '../facts/fact.ts';
import shows from './stepShows.json' with { type: 'json' };

/** What one play of a step shows, as model games told. */
export interface StepShows {
  /** Facts that come in one play, to all seats together. */
  readonly perPlay: number;
  /** How often each comes; empty where the game tells its facts exactly by its draw. */
  readonly facts: ReadonlyMap<FactKey, number>;
}

const none: StepShows = { perPlay: 0, facts: new Map() };
const read = new Map<string, readonly StepShows[]>();

/** What a step of a game shows in one play, from model games counted once (`npm run docs`). */
export function stepShows(game: string, step: number): StepShows {
  let steps = read.get(game);
  if (!steps) {
    steps = ((shows as Readonly<Record<string, readonly string[]>>)[game] ?? []).map(readShows);
    read.set(game, steps);
  }
  return steps[step] ?? none;
}

function readShows(text: string): StepShows {
  const [perPlay = '0', ...facts] = text.split(' ');
  const out = new Map<FactKey, number>();
  for (const one of facts) {
    const at = one.lastIndexOf(':');
    const key = one.slice(0, at);
    if (tryParseFactKey(key)) out.set(key as FactKey, Number(one.slice(at + 1)));
  }
  return { perPlay: Number(perPlay), facts: out };
}

/** The text that is kept of it. */
export const showsText = ({ perPlay, facts }: StepShows): string =>
  [
    String(Math.round(100 * perPlay) / 100),
    ...[...facts].flatMap(([key, times]) =>
      times < 0.05 ? [] : [`${key}:${Math.round(100 * times) / 100}`],
    ),
  ].join(' ');
