import type { TableHow, TableMoment, TableSent, TableStep } from '@veldrift/core';
import { useLayoutEffect, useState, useSyncExternalStore } from 'react';
import { v7 as uuid } from 'uuid';
import { timesCount, timesVoid } from './tableTrouble.ts';

/** What is done with each step that changed a table. */
export type OnStep<T> = (step: TableStep<T>, before: T) => void;

/** A table outside React: what stands on it, and who hears of a change. */
export interface TableStore<T, P> {
  readonly now: () => T;
  readonly subscribe: (listener: () => void) => () => void;
  /** Does something at the table. Gives whether it was taken. */
  readonly press: (press: P) => boolean;
  /** How the table runs from now on, and who hears of each step before those who look at it do. */
  readonly runAs: (how: TableHow, onStep: OnStep<T>) => void;
}

export function createTableStore<T, P>(
  first: T,
  advance: (how: TableHow, table: T, press: P) => TableStep<T>,
  how: TableHow,
): TableStore<T, P> {
  let table = first;
  let now: { readonly how: TableHow; readonly onStep: OnStep<T> } = { how, onStep: () => undefined };
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
      return step.taken;
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

/** A play on a table as React sees it: each step that changes the play is kept with what it sends. */
export function useTableStore<T extends { readonly play: unknown }, P>(
  first: () => T,
  advance: (how: TableHow, table: T, press: P) => TableStep<T>,
  how: TableHow,
  keep: (table: T, sent: readonly TableSent[]) => void,
): TableStore<T, P> & { readonly table: T } {
  const [store] = useState(() => createTableStore(first(), advance, how));
  // Before any press can come: how it runs, and where it is kept, may have changed.
  useLayoutEffect(() =>
    store.runAs(how, (step, before) => {
      if (step.times === 'count') timesCount();
      else if (step.times === 'void') timesVoid();
      if (step.table.play !== before.play) keep(step.table, step.sent);
    }),
  );
  return { ...store, table: useSyncExternalStore(store.subscribe, store.now) };
}
