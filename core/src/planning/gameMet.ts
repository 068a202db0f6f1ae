import { parseFactKey, type FactKey } from '../facts/fact.ts';
import { deckSize } from '../materials/deckOdds.ts';
import type { Draw } from '../materials/draw.ts';
import { packText } from '../materials/packText.ts';
import { eitherWay, exposureOf, type Exposure } from './exposure.ts';
import { fitPacks } from './fitPack.ts';
import { mostRanks } from './packWish.ts';

/** What is wished of a pack unasked: as many of the facts as a child takes in, half of play known; only shares matter, so of 100 deals. */
const usual = { facts: 4, deals: 100, knownShare: 0.5, mostCards: 24, leastCards: 12, copies: 4 } as const;

/** Facts to be met and facts known, each with its turnaround as one. */
export interface MetFacts {
  readonly want: ReadonlySet<FactKey>;
  readonly known: ReadonlySet<FactKey>;
}
export const factsToMeet = (want: readonly FactKey[], known: readonly FactKey[]): MetFacts => {
  const wanted = new Set(want.map(eitherWay));
  return { want: wanted, known: new Set(known.map(eitherWay).filter((one) => !wanted.has(one))) };
};

/** What comes to be met: shares of play, with the pack that does it. */
export interface Met {
  readonly want: number;
  readonly known: number;
  readonly pack: string | null;
  readonly facts: readonly FactKey[];
}

/** By an exact draw, with a pack put together where the game takes one and it shows more. */
export function metByDraw(draw: Draw, facts: MetFacts, canFit: boolean, fits: Map<string, Met>): Met {
  const of = draw.kind === 'dice' ? draw.dice.join() : packText(draw.deck);
  const key = `${draw.kind} ${draw.operation} ${draw.kind === 'fixed' ? draw.number : ''} ${of} ${canFit}`;
  const before = fits.get(key);
  if (before) return before;
  const plain = metOf(exposureOf(draw), facts, null);
  const fitted = draw.kind !== 'dice' && canFit ? fittedTo(draw, facts) : null;
  const met = fitted && fitted.want > plain.want ? fitted : plain;
  fits.set(key, met);
  return met;
}

function fittedTo(draw: Exclude<Draw, { readonly kind: 'dice' }>, facts: MetFacts): Met | null {
  const ranks = [...draw.deck.keys()].sort((a, b) => a - b);
  const fixed = draw.kind === 'fixed' ? draw.number : null;
  if (ranks.length > mostRanks || ranks.some((one) => one < 0)) return null;
  const want = [...facts.want].filter((key) => comesOff(key, ranks, fixed)).slice(0, usual.facts);
  if (want.length === 0) return null;
  const { deals, mostCards, leastCards, copies } = usual;
  const knownShare = facts.known.size === 0 ? 0 : usual.knownShare;
  // As often as the known ones leave room for: wished more often, those would give way.
  const times = ((1 - knownShare) * deals) / want.length;
  const [best] = fitPacks({
    ...{ operation: draw.operation, want, times, deals, known: [...facts.known], knownShare },
    ...{ ranks, copies, mostCards, leastCards, fixed },
  });
  if (!best || deckSize(best.deck) < leastCards) return null;
  return metOf(exposureOf({ ...draw, deck: best.deck }), facts, packText(best.deck));
}

function comesOff(key: FactKey, ranks: readonly number[], fixed: number | null): boolean {
  const { left, right } = parseFactKey(key);
  if (fixed === null) return ranks.includes(left) && ranks.includes(right);
  return (left === fixed && ranks.includes(right)) || (right === fixed && ranks.includes(left));
}

function metOf({ facts: shares }: Exposure, { want, known }: MetFacts, pack: string | null): Met {
  let [wanted, knows] = [0, 0];
  const comes = new Map<FactKey, number>();
  for (const [fact, { top, bottom }] of shares) {
    const key = eitherWay(fact);
    if (want.has(key)) {
      wanted += top / bottom;
      comes.set(key, (comes.get(key) ?? 0) + top / bottom);
    } else if (known.has(key)) knows += top / bottom;
  }
  return { want: wanted, known: knows, pack, facts: mostFirst(comes) };
}

/** By what model games showed. */
export function metInPlay(
  counted: ReadonlyMap<FactKey, number>,
  all: number,
  { want, known }: MetFacts,
): Met {
  let [wanted, knows] = [0, 0];
  const comes = new Map<FactKey, number>();
  for (const [fact, times] of counted) {
    const key = eitherWay(fact);
    if (want.has(key)) {
      wanted += times;
      comes.set(key, (comes.get(key) ?? 0) + times);
    } else if (known.has(key)) knows += times;
  }
  return { want: wanted / all, known: knows / all, pack: null, facts: mostFirst(comes) };
}

const mostFirst = (comes: ReadonlyMap<FactKey, number>): FactKey[] =>
  [...comes].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([fact]) => fact);
