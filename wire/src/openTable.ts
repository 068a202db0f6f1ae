import type { CaptureWay, KeptMove } from '@veldrift/core';
import type { Deal } from './event.ts';

/** How long a table that stands may be taken up on another device of the same tutor, hours. */
export const tableStandsHours = 12;

/** A game of one’s own that was begun and not ended. */
export interface OpenTable {
  /** The play of its first pupil. */
  readonly playId: string;
  readonly pupilId: string;
  readonly title: string;
  readonly startedAt: string;
  /** When it was last heard of. */
  readonly lastAt: string;
}

/** A game as it is on record: all that a device needs to go on with it, but who the pupils are. */
export interface TableOnRecord extends OpenTable {
  readonly visitId: string;
  readonly setId: string;
  readonly way: CaptureWay;
  readonly limitMs: number;
  readonly deal: Deal;
  readonly usedMs: number;
  /** The pupils at it, by seat, each with a play of their own. */
  readonly seats: readonly {
    readonly seat: number;
    readonly pupilId: string;
    readonly playId: string;
    readonly visitId: string;
  }[];
  /** What was played, in order, with what it gave each pupil. */
  readonly moves: readonly KeptMove[];
}
