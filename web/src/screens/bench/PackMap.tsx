import {
  displaySigns,
  factAt,
  factKey,
  factKeyText,
  factStateNames,
  largestOnMap,
  numberText,
  operationNames,
  type FactKey,
  type FactState,
  type Operation,
} from '@veldrift/core';
import type { CSSProperties } from 'react';
import { StateMark } from '../../parts/StateMark.tsx';

interface Props {
  readonly operation: Operation;
  /** Times each fact is expected in a game. */
  readonly times: ReadonlyMap<FactKey, number>;
  readonly stateOf: (fact: FactKey) => FactState;
  /** Facts of the pupil's set. */
  readonly set: ReadonlySet<FactKey>;
  readonly opened: FactKey | null;
  readonly onOpen: (fact: FactKey) => void;
}

/** The child's map, each fact shaded by how often it will come. */
export function PackMap({ operation, times, stateOf, set, opened, onOpen }: Props) {
  const cells = [...times.keys()];
  const most = Math.max(...times.values(), 0);
  const least = operation === 'div' ? 1 : 0;
  const all = Array.from({ length: largestOnMap + 1 - least }, (_, at) => at + least);
  const columnsOf = Array.from({ length: largestOnMap + 1 }, (_, at) => at);
  const keyOf = (row: number, column: number) => factKey(factAt(operation, row, column));
  // Rows and columns in which nothing comes are left out at the ends, so that what comes is large.
  const comes = new Set(cells);
  const rows = trimmed(all, (row) => columnsOf.some((column) => comes.has(keyOf(row, column))));
  const columns = trimmed(columnsOf, (column) => all.some((row) => comes.has(keyOf(row, column))));
  return (
    <table className="pack-map" aria-label={`How often facts come, ${operationNames[operation]}`}>
      <thead>
        <tr>
          <td className="numeral">{displaySigns[operation]}</td>
          {columns.map((column) => (
            <th key={column} scope="col" className="numeral">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row}>
            <th scope="row" className="numeral">
              {row}
            </th>
            {columns.map((column) => {
              const key = keyOf(row, column);
              const count = times.get(key) ?? 0;
              const state = stateOf(key);
              const says = `${factKeyText(key)}, ${count === 0 ? 'never' : `${timesText(count)} times`}, ${factStateNames[state]}`;
              return (
                <td key={column} className={set.has(key) ? 'of-set' : ''}>
                  <button
                    type="button"
                    aria-label={says}
                    title={says}
                    aria-pressed={opened === key}
                    onClick={() => onOpen(key)}
                    style={
                      { '--share': `${most === 0 ? 0 : Math.round((100 * count) / most)}%` } as CSSProperties
                    }
                  >
                    <span aria-hidden>
                      <StateMark state={state} size={16} title="" />
                    </span>
                  </button>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A number of times as it is told: a decimal where it is small. */
export const timesText = (count: number): string =>
  numberText(count < 10 ? Math.round(10 * count) / 10 : Math.round(count));

function trimmed(numbers: readonly number[], comes: (number: number) => boolean): readonly number[] {
  const first = numbers.findIndex(comes);
  const last = numbers.findLastIndex(comes);
  return first < 0 ? numbers : numbers.slice(first, last + 1);
}
