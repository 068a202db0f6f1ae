import type { TableMoment, TableStep } from '@veldrift/core';
import { useLayoutEffect, useState, useSyncExternalStore } from 'react';
import { v7 as uuid } from 'uuid';
import { timesCount, timesVoid } from './tableTrouble.ts';

/** A table outside React: what stands on it, and who hears of a change. */
export interface TableStore<T, P, H, S extends { readonly table: T }> {
  readonly now: () => T;
  readonly subscribe: (listener: () => void) => () => void;
  /** Does something at the table. Gives what came of it. */
  readonly press: (press: P) => S;
  /** How the table runs from now on, and who hears of each step that changed it before those who look at it do. */
  readonly runAs: (how: H, onStep: (step: S, before: T) => void) => void;
}

export function createTableStore<T, P, H, S extends { readonly table: T }>(
  first: T,
  advance: (how: H, table: T, press: P) => S,
  how: H,
): TableStore<T, P, H, S> {
  let table = first;
  let now: { readonly how: H; readonly onStep: (step: S, before: T) => void } = {
    how,
    onStep: () => undefined,
  };
  const listeners = new Set<() => void>();
  return {
    now: () => table,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    press: (press) => {
      const before = table;
      const step = advance(now.how, before, press);
      if (step.table !== before) {
        table = step.table;
        now.onStep(step, before);
        for (const listener of listeners) listener();
      }
      return step;
    },
    runAs: (as, onStep) => {
      now = { how: as, onStep };
    },
  };
}

/** Now, as a table takes it. */
export const moment = (): TableMoment => ({
  at: performance.now(),
  now: new Date().toISOString(),
  id: uuid(),
});

/** A table as React sees it. `onStep` hears of each step that changed it; whether a time counts is told of by itself. */
export function useTableStore<T, P, H, S extends { readonly table: T } & Pick<TableStep<T>, 'times'>>(
  first: () => T,
  advance: (how: H, table: T, press: P) => S,
  how: H,
  onStep: (step: S, before: T) => void,
): TableStore<T, P, H, S> & { readonly table: T } {
  const [store] = useState(() => createTableStore(first(), advance, how));
  // Before any press can come: how it runs, and where it is kept, may have changed.
  useLayoutEffect(() =>
    store.runAs(how, (step, before) => {
      if (step.times === 'count') timesCount();
      else if (step.times === 'void') timesVoid();
      onStep(step, before);
    }),
  );
  return { ...store, table: useSyncExternalStore(store.subscribe, store.now) };
}
