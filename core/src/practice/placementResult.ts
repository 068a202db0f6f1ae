import type { PlacementPlan, PlacementReading } from './placement.ts';
import { bandOf, mostLikely, type SetTally } from './placementOdds.ts';

/** The band holds the true first set with this chance, by the model of placementOdds. */
export const bandChance = 0.975;

/** What a placement comes to. */
export interface PlacementResult {
  /** The set to begin with; null when every set is instant. */
  readonly begin: number | null;
  /** The sets it may be confused with, and itself, in order; one past the last means all instant. */
  readonly band: readonly number[];
  readonly chance: number;
  readonly reasons: readonly string[];
  /** Of the answers on sets before that one an eighth or more were not recalled: what is known has holes. */
  readonly patchy: { readonly short: number; readonly of: number } | null;
  /** What would narrow the band; empty when it holds one set. */
  readonly wouldNarrow: string;
}

/** The result so far; undefined before any answer gave evidence. */
export function placementResult(plan: PlacementPlan, reading: PlacementReading): PlacementResult | undefined {
  const { tallies, odds } = reading;
  if (tallies.every((one) => one.recalled + one.short === 0)) return undefined;
  const [begin] = mostLikely(odds);
  const band = bandOf(odds, bandChance);
  const name = (at: number) => plan.sets[at]?.name ?? 'beyond the last set';
  const found = tallies.flatMap((tally, at) =>
    tally.recalled + tally.short === 0
      ? []
      : [`${name(at)}: ${tally.recalled} of ${tally.recalled + tally.short} recalled.`],
  );
  const others = band.filter((at) => at !== begin);
  const skipped = others.filter((at) => at < begin && at < tallies.length);
  const lower = skipped[0];
  const wouldNarrow =
    others.length === 0
      ? ''
      : lower !== undefined
        ? `Four more facts of ${name(lower)}, ${askedOf(tallies[lower])}.`
        : begin < tallies.length
          ? `Four more facts of ${name(begin)}: it may be instant after all.`
          : 'Another look at the last set.';
  return {
    begin: begin < tallies.length ? begin : null,
    band,
    chance: odds[begin] as number,
    reasons: found,
    patchy: patchyOf(tallies.slice(0, begin)),
    wouldNarrow,
  };
}

/** Answers from which it is told that what is known has holes, and the share of them not recalled. */
export const patchyFrom = { answers: 8, share: 1 / 8 } as const;

function patchyOf(before: readonly SetTally[]): PlacementResult['patchy'] {
  const short = before.reduce((sum, one) => sum + one.short, 0);
  const of = before.reduce((sum, one) => sum + one.recalled + one.short, 0);
  return of >= patchyFrom.answers && short >= patchyFrom.share * of ? { short, of } : null;
}

function askedOf(tally: SetTally | undefined): string {
  const asked = tally ? tally.recalled + tally.short : 0;
  return asked === 0
    ? 'which was passed over'
    : `of which only ${asked} ${asked === 1 ? 'was' : 'were'} asked`;
}
