import { bandChance, type PlacementRun } from '@veldrift/core';
import type { Result } from './jobs.ts';
import { hundred, quantileOf, table } from './page.ts';

function byPlacement(results: readonly Result[], key: string): PlacementRun[] {
  return results.flatMap((one) => (one.kind === 'placement' && one.key === key ? one.runs : []));
}

/** The head of the part on placement: what stands before it in the file is of the schools. */
export const placementHead = '## Placement';

/** The part of docs/judgement.md on placement. */
export function writePlacement(
  results: readonly Result[],
  placements: readonly (readonly [string, string])[],
): string {
  return `${placementHead}

At most 36 prompts: gallop, bisect by 4 of 4 or 5 of 6, then a second look where it tells most. The true first set is the first of which a
fifth or more of what it introduces is not truly recalled. One patchy child of three has a hole of a whole set
before it. The band is what the page names: sets that hold the truth with ${100 * bandChance} in 100 by the
model of core/practice/placementOdds.ts. Aims: clean, the true set or a neighbour in 95 of 100; patchy and slow, the band holds it in 95.

${table(
  [
    'pathway',
    'profile',
    'learners',
    'named',
    'named or a neighbour',
    'in the band',
    'band, median (90 in 100)',
    'sets',
    'prompts',
    'said to be patchy',
  ],
  placements.map(([key, says]) => placementRow(results, key, says)),
)}

How wide a band is says how little 36 answers can tell of a child who knows in patches: where one fact in ten is missing everywhere, which
small set is the first to miss a fifth is close to chance. Then the placement says so, names what would narrow it, and the weekly minute and
the drill find the rest; a set begun too early is left within a few visits, since each fact recalled is seen to be. A slow child placed with
the limit of 2 s is placed too low: the page before a placement says to set own pace first. A placement asks on until one
set has, and names as its band the sets that have together, ${100 * bandChance} in 100: at 97 the band held the truth in 97.3 of 100 patchy
learners (addition by strategy), and at 98 clean learners were named three sets at the median where one is enough.
`;
}

function placementRow(results: readonly Result[], key: string, says: string): string[] {
  const runs = byPlacement(results, key);
  const [pathway = '', operation = '', profile = ''] = says.split('|');
  const share = (fits: (run: PlacementRun) => boolean) => hundred(runs.filter(fits).length, runs.length);
  const widths = runs.map((one) => one.band.length);
  const most = Math.max(...runs.map((one) => one.truth), 1);
  return [
    `${pathway}, ${operation}`,
    profile,
    String(runs.length),
    share((one) => one.named === one.truth),
    share((one) => Math.abs(one.named - one.truth) <= 1),
    share((one) => one.band.includes(one.truth)),
    `${quantileOf(widths, 0.5)} (${quantileOf(widths, 0.9)})`,
    String(most),
    String(
      Math.round(
        quantileOf(
          runs.map((one) => one.prompts),
          0.5,
        ),
      ),
    ),
    share((one) => one.patchy),
  ];
}
