import {
  defaultLargest,
  displaySigns,
  factAt,
  factKey,
  factKeyText,
  factStateNames,
  factsInRange,
  isRecalled,
  operationNames,
  parseFactKey,
  unorderedKey,
  type FactKey,
  type FactSet,
  type FactState,
  type Operation,
  type Pathway,
} from '@veldrift/core';
import type { FactOnMap } from '@veldrift/wire';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { msText } from '../app/format.ts';
import { Explained } from './AnswersBehind.tsx';
import { FactsBehind } from './FactsBehind.tsx';
import { StateMark } from './StateMark.tsx';
import './factMap.css';

interface Props {
  readonly operation: Operation;
  readonly facts: readonly FactOnMap[];
  readonly pathway: Pathway;
  readonly setId: string;
  readonly onOpen: (fact: FactKey) => void;
}

const axes: Readonly<Record<Operation, { readonly row: string; readonly column: string }>> = {
  add: { row: 'first number', column: 'second number' },
  sub: { row: 'taken away', column: 'what is left' },
  mul: { row: 'first number', column: 'second number' },
  div: { row: 'divided by', column: 'answer' },
};

/**
 * The map of facts as land: the grid of an operation, the pathway's sets as fenced plots, the present plot lit, plots
 * passed quiet. A table, walked with the arrow keys; Enter opens the answers of a fact.
 */
export function FactMap({ operation, facts, pathway, setId, onOpen }: Props) {
  const sets = pathway.sets[operation];
  const present = sets.findIndex((set) => set.id === setId);
  const byKey = useMemo(() => new Map(facts.map((one) => [one.fact, one])), [facts]);
  const plots = useMemo(() => plotsOf(sets), [sets]);
  const [at, setAt] = useState({ row: operation === 'div' ? 1 : 0, column: 0 });
  const table = useRef<HTMLTableElement>(null);
  const least = operation === 'div' ? 1 : 0;
  const rows = Array.from({ length: defaultLargest + 1 - least }, (_, nth) => nth + least);
  const columns = Array.from({ length: defaultLargest + 1 }, (_, nth) => nth);
  const keyOf = (row: number, column: number) => factKey(factAt(operation, row, column));
  const plotOf = (row: number, column: number) =>
    row < least || column < 0 || row > defaultLargest || column > defaultLargest
      ? -1
      : (plots.get(unorderedKey(factAt(operation, row, column))) ?? -1);

  const move = (event: KeyboardEvent) => {
    const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    const row = Math.min(defaultLargest, Math.max(least, at.row + (step[0] ?? 0)));
    const column = Math.min(defaultLargest, Math.max(0, at.column + (step[1] ?? 0)));
    setAt({ row, column });
    table.current?.querySelector<HTMLButtonElement>(`[data-cell="${row},${column}"]`)?.focus();
  };

  return (
    <table
      className="land"
      ref={table}
      aria-label={`Map of facts, ${operationNames[operation]}. Rows: ${axes[operation].row}. Columns: ${axes[operation].column}.`}
    >
      <thead>
        <tr>
          <td
            className="land-sign numeral"
            title={`Rows: ${axes[operation].row}; columns: ${axes[operation].column}`}
          >
            {displaySigns[operation]}
          </td>
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
              const found = byKey.get(key);
              const state: FactState = found?.state ?? 'untried';
              const plot = plotOf(row, column);
              const ground = plot === present ? 'lit' : plot < present ? 'passed' : 'ahead';
              const label = `${factKeyText(key)}, ${factStateNames[state]}${found && found.lastMs !== null ? `, ${msText(found.lastMs)}` : ''}`;
              return (
                <td
                  key={column}
                  className={`${ground} ${fences(plot, plotOf(row - 1, column), plotOf(row, column + 1), plotOf(row + 1, column), plotOf(row, column - 1))}`}
                >
                  <button
                    type="button"
                    data-cell={`${row},${column}`}
                    tabIndex={row === at.row && column === at.column ? 0 : -1}
                    onKeyDown={move}
                    onFocus={() => setAt({ row, column })}
                    onClick={() => onOpen(key)}
                    title={`${label}${sets[plot] ? ` (${sets[plot]?.name})` : ''}`}
                    aria-label={label}
                  >
                    <span aria-hidden>
                      <StateMark state={state} size={22} title="" />
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

/** Which set first holds each unordered fact. */
function plotsOf(sets: readonly FactSet[]): Map<FactKey, number> {
  return new Map(
    sets.flatMap((set, at) => set.introduces.map((key) => [unorderedKey(parseFactKey(key)), at] as const)),
  );
}

function fences(own: number, up: number, right: number, down: number, left: number): string {
  return [
    up !== own && 'fence-up',
    right !== own && 'fence-right',
    down !== own && 'fence-down',
    left !== own && 'fence-left',
  ]
    .filter(Boolean)
    .join(' ');
}

/** What each state means, in a sentence. */
const stateMeanings: Readonly<Record<FactState, string>> = {
  untried: 'No answer yet that is evidence either way.',
  missed: 'The latest answer with evidence was wrong or given up, and the fact was never recalled yet.',
  workingOut: 'Worked out, or recalled only the last time: never recalled for good yet.',
  nearly: 'The latest two answers with evidence were recalled.',
  recalled: 'Three of the last four with evidence recalled, the latest among them, on two days or more.',
  kept: 'Recalled again after seven days or more unseen.',
  slipped: 'Was recalled; two of the last three were not.',
  secure: 'Four of the last five right on two days, and explained once (schools without a clock).',
};

/** A count of facts that opens the facts behind it. */
export function CountedFacts({
  title,
  how,
  facts,
  of,
  onOpen,
}: {
  readonly title: string;
  readonly how: string;
  readonly facts: readonly { readonly fact: FactKey; readonly state: FactState }[];
  /** Counted of so many, where that is said. */
  readonly of?: number;
  readonly onOpen: (fact: FactKey) => void;
}) {
  const counted = of === undefined ? facts.length : facts.filter((one) => isRecalled(one.state)).length;
  const text = of === undefined ? String(counted) : `${counted} of ${of}`;
  return (
    <Explained
      className="linkish quiet numeral"
      title={title}
      label={`${text}, ${title}: show the facts`}
      how={
        <>
          <p>{how}</p>
          <FactsBehind facts={facts} onOpen={onOpen} />
        </>
      }
    >
      {text}
    </Explained>
  );
}

const legend: readonly FactState[] = [
  'untried',
  'missed',
  'workingOut',
  'nearly',
  'recalled',
  'kept',
  'slipped',
];

/** What the marks mean, with how many of each there are. */
export function MapLegend({
  operation,
  facts,
  onOpen,
}: {
  readonly operation: Operation;
  readonly facts: readonly FactOnMap[];
  readonly onOpen: (fact: FactKey) => void;
}) {
  const states = new Map(facts.map((one) => [one.fact, one.state]));
  const all = factsInRange(operation).map((one) => {
    const fact = factKey(one);
    return { fact, state: states.get(fact) ?? 'untried' };
  });
  return (
    <ul className="land-legend">
      {legend.map((state) => (
        <li key={state}>
          <span aria-hidden>
            <StateMark state={state} size={18} title="" />
          </span>
          {factStateNames[state]}{' '}
          <CountedFacts
            title={`${operationNames[operation]}: ${factStateNames[state]}`}
            how={stateMeanings[state]}
            facts={all.filter((one) => one.state === state)}
            onOpen={onOpen}
          />
        </li>
      ))}
    </ul>
  );
}
