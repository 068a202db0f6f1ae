import type { FactKey, Operation } from '@veldrift/core';

/** One thing taken down of a loose pack. */
export interface LooseEntry {
  readonly id: string;
  /** Null: an instant right answer, counted and not by fact. */
  readonly fact: FactKey | null;
  readonly says: string;
}

/** A loose pack under way, as this device holds it. */
export interface LooseDraft {
  readonly pupilId: string;
  readonly visitId: string;
  readonly name: string;
  readonly operation: Operation;
  readonly startedAt: string;
  readonly kept: readonly LooseEntry[];
}

export const looseDraft = (playId: string): string => `loose.${playId}`;
