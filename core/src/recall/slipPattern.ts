import { answerOf, parseFactKey, type Fact, type FactKey } from '../facts/fact.ts';
import { slipKinds, slipsOf, type SlipKind } from './slip.ts';
import { wilsonInterval } from './wilson.ts';

/** A wrong answer as the reader of slips takes it. */
export interface ReadSlip {
  readonly id: string;
  readonly fact: FactKey;
  readonly given: string | null;
  readonly kind: SlipKind;
}

/** A kind of slip that comes more often than chance would have it. */
export interface SlipPattern {
  readonly kind: SlipKind;
  readonly slips: readonly ReadSlip[];
  /** The slips looked at. */
  readonly of: number;
  /** How many of them chance would make of this kind. */
  readonly byChance: number;
}

/** Slips of one kind that a pattern needs, the latest looked at, and how far from the answer a near miss lies. */
export const slipPatternRules = { needs: 5, looksBack: 20, nearMiss: 12 } as const;

/**
 * Patterns among slips, oldest first: kinds with five slips or more among the last twenty, whose share of them lies above twice
 * what chance would give (the whole of Wilson's interval at 95 per cent). Chance: every near miss of each fact asked is as likely
 * as another. What cannot be read makes no pattern. The most frequent first.
 */
export function slipPatterns(slips: readonly ReadSlip[]): SlipPattern[] {
  const lookedAt = slips.slice(-slipPatternRules.looksBack);
  const chances = lookedAt.map((one) => slipChances(one.fact));
  return slipKinds
    .filter((kind) => kind !== 'unread')
    .map((kind) => ({
      kind,
      slips: lookedAt.filter((one) => one.kind === kind),
      of: lookedAt.length,
      byChance: chances.reduce((sum, one) => sum + (one.get(kind) ?? 0), 0),
    }))
    .filter((one) => one.slips.length >= slipPatternRules.needs)
    .filter((one) => wilsonInterval(one.slips.length, one.of).low > (2 * one.byChance) / one.of)
    .sort((a, b) => b.slips.length - a.slips.length);
}

const known = new Map<FactKey, ReadonlyMap<SlipKind, number>>();

/** The share of each kind among the equally likely near misses of a fact. */
export function slipChances(key: FactKey): ReadonlyMap<SlipKind, number> {
  const found = known.get(key);
  if (found) return found;
  const fact = parseFactKey(key);
  const misses = nearMisses(fact);
  const shares = new Map<SlipKind, number>();
  for (const given of misses) {
    const kind = slipsOf(fact, given)[0] as SlipKind;
    shares.set(kind, (shares.get(kind) ?? 0) + 1 / misses.length);
  }
  known.set(key, shares);
  return shares;
}

/** Wrong answers that are near: within 12 of the answer, and the results of the neighbouring facts. */
export function nearMisses(fact: Fact): number[] {
  const answer = answerOf(fact);
  const near = new Set<number>();
  for (let by = -slipPatternRules.nearMiss; by <= slipPatternRules.nearMiss; by += 1) near.add(answer + by);
  for (const a of [-1, 0, 1])
    for (const b of [-1, 0, 1]) {
      const [left, right] = [fact.left + a, fact.right + b];
      if (left < 0 || right < 0 || (fact.operation === 'div' && (right === 0 || left % right !== 0)))
        continue;
      near.add(answerOf({ operation: fact.operation, left, right }));
    }
  near.delete(answer);
  return [...near].filter((one) => one >= 0).sort((a, b) => a - b);
}
