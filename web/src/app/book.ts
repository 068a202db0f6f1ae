import {
  makeBook,
  type FactSet,
  type OwnPathway,
  type Pathway,
  type PathwayBook,
  type SetPlace,
} from '@veldrift/core';
import { useSyncExternalStore } from 'react';

/**
 * The pathways of the room that is signed in: those that ship and its own, as last fetched. A page holds one room at a time, so
 * there is one book; everything below `useBookVersion` is drawn again when it changes, and what is remembered by `useMemo` takes
 * the version among what it depends on.
 */
let book: PathwayBook = makeBook([]);
let known = '[]';
let version = 0;
const listeners = new Set<() => void>();

/** Takes the room's own pathways into the book. */
export function takeOwnPathways(own: readonly OwnPathway[]): void {
  const text = JSON.stringify(own);
  if (text === known) return;
  known = text;
  book = makeBook(own);
  version += 1;
  listeners.forEach((listener) => listener());
}

export const findSet = (id: string): FactSet | undefined => book.findSet(id);
export const findPathway = (id: string): Pathway | undefined => book.findPathway(id);
export const placeOfSet = (setId: string): SetPlace | undefined => book.placeOfSet(setId);
export const allPathways = (): readonly Pathway[] => book.pathways;

/** Grows whenever the book changes. */
export function useBookVersion(): number {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => version,
  );
}
