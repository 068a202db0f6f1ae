import { useSyncExternalStore } from 'react';

/** What a live table has to say of itself beside the play. */
export interface TableTrouble {
  /** This device's disk does not take what happens; it is written down beside it. */
  readonly disk: boolean;
  /** Why times are not counting now; null: they are. */
  readonly times: 'otherWindow' | 'stoodStill' | null;
}

const none: TableTrouble = { disk: false, times: null };
let trouble = none;
const listeners = new Set<() => void>();

export function tellTable(change: Partial<TableTrouble>): void {
  const next = { ...trouble, ...change };
  if (next.disk === trouble.disk && next.times === trouble.times) return;
  trouble = next;
  listeners.forEach((listener) => listener());
}

/** The time of the prompt now shown is void: frames went missing while it was to be seen. */
export function timesVoid(): void {
  tellTable({ times: document.hasFocus() ? 'stoodStill' : 'otherWindow' });
}

/** An answer came with a time that counts. */
export function timesCount(): void {
  tellTable({ times: null });
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** What is to be said now. */
export const troubleNow = (): TableTrouble => trouble;

export function useTableTrouble(): TableTrouble {
  return useSyncExternalStore(subscribe, troubleNow);
}

/** The trouble in words, the graver first; null: none. */
export function troubleWords({ disk, times }: TableTrouble): string | null {
  if (disk)
    return 'This device\u2019s disk is not taking what happens. It is written down and tried again: leave the page open.';
  switch (times) {
    case 'otherWindow':
      return 'Times are not counting: another window was in front.';
    case 'stoodStill':
      return 'Times are not counting: this device stood still for a moment.';
    case null:
      return null;
  }
}
