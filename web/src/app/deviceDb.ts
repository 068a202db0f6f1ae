import type {
  Answer,
  AnswerWay,
  CaptureWay,
  FactKey,
  GamePlan,
  GameTableState,
  KeptMove,
  MinuteState,
  Purpose,
  SeatAnswer,
  TurnsPlan,
  TurnsState,
} from '@veldrift/core';
import type { Deal, Pupil, TableEvent } from '@veldrift/wire';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** An event waiting to be sent, or refused and kept to be seen. */
export interface OutboxRow {
  readonly id: string;
  readonly userId: string;
  readonly order: number;
  readonly event: TableEvent;
  readonly refused: { readonly message: string; readonly field?: string } | null;
}

/** A play as this device last saw it, with all that is needed to take it up again. */
interface PlayBase {
  readonly playId: string;
  readonly userId: string;
  readonly pupilId: string;
  /** As the pupil was when it began, so that it can be taken up on this device alone. */
  readonly pupil: Pupil;
  readonly visitId: string;
  readonly setId: string;
  readonly purpose: Purpose;
  readonly way: AnswerWay;
  readonly limitMs: number;
  readonly startedAt: string;
  readonly savedAt: string;
}

/** A play against a minute of time. Rows kept before there were others say no kind. */
export interface MinuteRow extends PlayBase {
  readonly kind?: 'minute';
  readonly way: CaptureWay;
  readonly state: MinuteState;
}

/** A play that goes turn by turn: a drill, a placement, a look back. */
export interface TurnsRow extends PlayBase {
  readonly kind: 'turns';
  readonly way: CaptureWay;
  readonly title: string;
  readonly deal: Deal;
  readonly seed: number;
  readonly plan: TurnsPlan;
  /** Answers of the same placement on another day, with which `state.answers` begins. */
  readonly earlier: number;
  readonly state: TurnsState;
}

/** Who sits at a game: a pupil with a play of their own, or a grown-up. */
export interface GameSeat {
  readonly name: string;
  /** Null: a grown-up, of whom nothing is recorded. */
  readonly pupil: Pupil | null;
  readonly playId: string | null;
  readonly visitId: string | null;
  /** Facts the pupil knew when the game began: recalled or kept. */
  readonly known: readonly FactKey[];
  /** The pupil's usual time on facts, ms: for levelled races. */
  readonly timesMs: Readonly<Record<FactKey, number>>;
  readonly usualMs: number | null;
}

/** A game on the table: its plan and moves are all there is to it. Kept under the play of its first pupil. */
export interface GameRow extends PlayBase {
  readonly kind: 'game';
  readonly way: CaptureWay;
  readonly title: string;
  readonly deal: Deal;
  readonly plan: GamePlan;
  readonly seats: readonly GameSeat[];
  readonly moves: readonly KeptMove[];
  /** Answers set down by exception that go on record with the next move. */
  readonly noted?: readonly SeatAnswer[];
  readonly state: GameTableState;
}

export type PlayRow = MinuteRow | TurnsRow | GameRow;

export function isGame(row: PlayRow): row is GameRow {
  return row.kind === 'game';
}

export function isTurns(row: PlayRow): row is TurnsRow {
  return row.kind === 'turns';
}

/** A play without what was given in it, and how much that is. A row that does not say is whole: builds before wrote them so. */
export type PlayHead = PlayRow & { readonly parts?: number };

/** What is given in a play, one after another: an answer, or a move of a game with its answers. */
export type PlayPart = Answer | KeptMove;

/** One of the parts of a play, in its place. */
export interface KeptPart {
  readonly playId: string;
  readonly nth: number;
  readonly part: PlayPart;
}

export interface DeviceSchema extends DBSchema {
  outbox: { key: string; value: OutboxRow; indexes: { byUser: [string, number] } };
  /** Read and written by `playStore.ts`. */
  plays: { key: string; value: PlayHead };
  parts: { key: [string, number]; value: KeptPart };
  cache: { key: string; value: string };
  /** What a user left on signing out, locked up. */
  sealed: {
    key: string;
    value: { readonly userId: string; readonly iv: Uint8Array<ArrayBuffer>; readonly data: ArrayBuffer };
  };
}

export type DeviceDb = IDBPDatabase<DeviceSchema>;

let opened: Promise<DeviceDb> | undefined;

/** This device's own store. One connection for the page. */
export function deviceDb(name = 'veldrift'): Promise<DeviceDb> {
  opened ??= openDeviceDb(name);
  return opened;
}

export function openDeviceDb(name: string): Promise<DeviceDb> {
  return openDB<DeviceSchema>(name, 3, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('outbox', { keyPath: 'id' }).createIndex('byUser', ['userId', 'order']);
        db.createObjectStore('plays', { keyPath: 'playId' });
        db.createObjectStore('cache');
      }
      if (before < 2) db.createObjectStore('sealed', { keyPath: 'userId' });
      db.createObjectStore('parts', { keyPath: ['playId', 'nth'] });
    },
    // Another window brought a newer build: this one lets go of the store, and opens it anew on its next load.
    blocking: (_, __, event) => (event.target as IDBDatabase).close(),
  });
}
