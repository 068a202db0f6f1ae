import type { SchoolRun } from '@veldrift/core';
import type { Result } from './jobs.ts';
import { bySchool, hundred, marginOf, quantileOf, table, wrongOf } from './page.ts';
import { cells, quickCells, type Cell } from './worlds.ts';

export const sensitivityHead = '## Children that are not ours';

/** The key of a cell's runs of one profile. */
export const keyOf = (cell: Cell, profile: string) => `cell ${cell.label} ${profile}`;

const visitText = (runs: readonly SchoolRun[]) => {
  const middle = quantileOf(
    runs.map((one) => one.visits ?? Infinity),
    0.5,
  );
  return Number.isFinite(middle) ? String(middle) : 'over 60';
};

function rowOf(results: readonly Result[], cell: Cell): string[] {
  const runs = cell.profiles.flatMap((profile) => bySchool(results, keyOf(cell, profile)));
  const slow = bySchool(results, keyOf(cell, 'slow'));
  const { wrong, moved } = wrongOf(runs);
  const sum = (of: (run: SchoolRun) => number) => runs.reduce((all, run) => all + of(run), 0);
  const never = (list: readonly SchoolRun[]) =>
    hundred(list.filter((one) => one.visits === null).length, list.length);
  return [
    cell.label,
    `${hundred(wrong, moved)} ± ${marginOf(wrong, moved).toFixed(1)}`,
    hundred(
      sum((run) => run.heldVisits),
      sum((run) => run.readyVisits),
    ),
    never(runs),
    slow.length === 0 ? '-' : never(slow),
    visitText(runs),
  ];
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
  ];
  return `${sensitivityHead}

The constants of the yardstick are made up. Here each is turned to half and to double, and children of other shapes are tried:
_Each fact instant_ as preset, ${learners} learners a row, a quarter each clean, graded, patchy and slow.

${table(
  columns,
  cells.map((cell) => rowOf(results, cell)),
)}

### Quick derivers and counters

Children who work a fact out as quickly as others recall it cannot be told by a clock. ${learners} finger-counting learners a row; the
tutor marks so many of a hundred answers that were worked out.

${table(
  columns.filter((one) => !one.startsWith('slow')),
  quickCells.map((cell) => rowOf(results, cell).filter((_, at) => at !== 4)),
)}
`;
}
