import { hashKey } from '@tanstack/react-query';

/** Half-typed forms are kept on this device until they are sent, so that leaving a page loses nothing. */
const prefix = 'veldrift.draft.';

export function readDraft<T>(name: string): T | undefined {
  try {
    const text = localStorage.getItem(prefix + name);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}

export function keepDraft(name: string, value: unknown): void {
  try {
    localStorage.setItem(prefix + name, JSON.stringify(value));
  } catch {
    // A full disk keeps the page working; only the draft is not kept.
  }
}

export function dropDraft(name: string): void {
  localStorage.removeItem(prefix + name);
}

/** What of a form differs from what it began with, field by field. */
export function changedOf<T extends object>(value: Partial<T>, start: T): Partial<T> {
  const changed = Object.entries(value).filter(
    ([field, now]) => hashKey([now]) !== hashKey([start[field as keyof T]]),
  );
  return Object.fromEntries(changed) as Partial<T>;
}
