import type { SchoolRun } from '@veldrift/core';
import { figuresBefore } from './before.ts';
import type { Result } from './jobs.ts';
import { bySchool, hundred, marginOf, quantileOf, table, wrongOf } from './page.ts';
import { cells, quickCells, type Cell } from './worlds.ts';

export const sensitivityHead = '## Children that are not ours';

/** The key of a cell's runs of one profile. */
export const keyOf = (cell: Cell, profile: string) => `cell ${cell.label} ${profile}`;

const runsOf = (results: readonly Result[], cell: Cell) =>
  cell.profiles.flatMap((profile) => bySchool(results, keyOf(cell, profile)));

const visitText = (runs: readonly SchoolRun[]) => {
  const middle = quantileOf(
    runs.map((one) => one.visits ?? Infinity),
    0.5,
  );
  return Number.isFinite(middle) ? String(middle) : 'over 60';
};
const neverOf = (list: readonly SchoolRun[]) =>
  hundred(list.filter((one) => one.visits === null).length, list.length);

/** Wrong advances, wrong holds, never, never among slow ones, visits: as they were and as they are. */
function figuresOf(results: readonly Result[], cell: Cell): string[] {
  const runs = runsOf(results, cell);
  const slow = bySchool(results, keyOf(cell, 'slow'));
  const { wrong, moved } = wrongOf(runs);
  const sum = (of: (run: SchoolRun) => number) => runs.reduce((all, run) => all + of(run), 0);
  const now = [
    `${hundred(wrong, moved)} ± ${marginOf(wrong, moved).toFixed(1)}`,
    hundred(
      sum((run) => run.heldVisits),
      sum((run) => run.readyVisits),
    ),
    neverOf(runs),
    slow.length === 0 ? '-' : neverOf(slow),
    visitText(runs),
  ];
  const before = figuresBefore[cell.label];
  return now.map((one, at) => (before === undefined || before[at] === one ? one : `${before[at]} → ${one}`));
}

/** Of those whose facts held, in how many of a hundred no more than one further visit came before they were moved on. */
function soonOf(runs: readonly SchoolRun[]): string {
  const held = runs.filter((one) => one.furtherVisits !== null);
  return hundred(held.filter((one) => (one.furtherVisits as number) <= 1).length, held.length);
}

/** Tenths of chances that are shown together. */
const bands = [
  [0, 2],
  [2, 5],
  [5, 8],
  [8, 9],
  [9, 10],
] as const;

/** Of the chances said in a band, how many of a hundred were so, and how many were said. */
function callsOf(runs: readonly SchoolRun[], of: 'fact' | 'set', [from, to]: (typeof bands)[number]): string {
  let said = 0;
  let so = 0;
  for (const { calls } of runs)
    for (const tenth of calls?.[of].slice(from, to) ?? []) {
      said += tenth.said;
      so += tenth.so;
    }
  return said < 20 ? '-' : `${Math.round((100 * so) / said)} (${said})`;
}

/** The part of docs/judgement.md on children with other constants, default school only. */
export function writeSensitivity(results: readonly Result[], learners: number): string {
  const columns = [
    'learners with',
    'wrong advances in 100',
    'wrong holds in 100',
    'never in 100',
    'slow: never in 100',
    'visits',
    'soon in 100',
  ];
  const row = (cell: Cell) => [cell.label, ...figuresOf(results, cell), soonOf(runsOf(results, cell))];
  const told = cells.filter((cell) => cell.calls);
  return `${sensitivityHead}

The constants of the yardstick are made up. Here each is turned to half and to double, and children of other shapes are tried:
_Each fact instant_ as preset, ${learners} learners a row, a quarter each clean, graded, patchy and slow. Where the school asks to watch
for counting, the tutor looks and sees nine in ten. Of each figure the one before, and the one since: the ceiling is taken from the
child's own recalled answers (before: from naming), the minute that confirms is offered on the visit on which the facts hold and asks of
the facts recalled (before: the next week's, at the whole aim), one slow day slips no fact, answers with an aid stand in no window, times
that cannot be are no evidence, an overhead that has shrunk is found out, and counting is looked for. One figure where both are the same.
**Soon**: of learners whose facts held, those moved on within one further visit.

${table(columns, cells.map(row))}

What this says. Slow children and slow typists, whose naming is quicker than their recalling, were never moved on in up to 100 of 100.
Where recalling takes so long that it lies at the limit itself (1.8 s on a limit of 2 s), no rule of times can tell recalling from working
out, and most are never moved on: the limit is to be set to own pace, as it is for the slow ones of that row. Where working out takes
1.7 s it is the other way round: those are the quick ones below. **Soon** falls short of 90 in 100 where answers are uneven: a wide
spread, tiredness, carelessness, an overhead too short. A recalled answer that comes late or wrong spoils the minute that confirms.

### Quick derivers and counters

Children who work a fact out as quickly as others recall it cannot be told by a clock. ${learners} finger-counting learners a row. Nobody
looks: what the rules of times alone come to, with the sign of counting holding a set back while it shows. Looked at when asked: the tutor watches the facts named, and marks nine in ten of what was worked out. Marked: so many of a
hundred answers are marked of the tutor's own accord, all along. Before: nobody was asked to look.

${table(
  columns.filter((one) => !one.startsWith('slow')),
  quickCells.map((cell) => row(cell).filter((_, at) => at !== 4)),
)}

### Whether the chances said are right

For each fact the chance that it is recalled is worked out by Bayes' rule from its last twelve answers (core/recall/recallChance.ts): three
things a child may know of it, the child's own times fitted by two lognormals, learning at each meeting, forgetting between. For a set, that
four fifths or more are recalled, as if its facts were independent of one another. Its constants were chosen on 24 learners each of
fourteen of these shapes, and are tried here on ${learners} of every shape, mostly others. Of the chances said in each band, how many of a
hundred were so (and how many were said; none shown under 20), at the end of every visit. A call of 80 to 90 in 100 should be right in 75 to
95.

${table(
  ['learners with', '0-20', '20-50', '50-80', '**80-90**', '90-100', 'a set, 80-90'],
  told.map((cell) => {
    const runs = runsOf(results, cell);
    return [cell.label, ...bands.map((band) => callsOf(runs, 'fact', band)), callsOf(runs, 'set', bands[3])];
  }),
)}

On every shape such a call is right in 75 to 96 of 100; it is too careful where recalling itself varies much. The chance of a set leans on
facts that learn and forget together, and is a little too sure where times vary or an overhead is off.

A fact that is derived within the limit passes for recalled here too: where working out takes 1.7 s the calls are too sure, and that row is
left out.
`;
}
