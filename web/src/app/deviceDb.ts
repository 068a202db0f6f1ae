import type { MinuteState } from '@veldrift/core';
import type { Pupil, TableEvent } from '@veldrift/wire';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** An event waiting to be sent, or refused and kept to be seen. */
export interface OutboxRow {
  readonly id: string;
  readonly userId: string;
  readonly order: number;
  readonly event: TableEvent;
  readonly refused: { readonly message: string; readonly field?: string } | null;
}

/** A minute as this device last saw it, with all that is needed to take it up again. */
export interface PlayRow {
  readonly playId: string;
  readonly userId: string;
  readonly pupilId: string;
  /** As the pupil was when it began, so that it can be taken up on this device alone. */
  readonly pupil: Pupil;
  readonly visitId: string;
  readonly setId: string;
  readonly purpose: 'check' | 'practice';
  readonly way: 'keypad' | 'tutor';
  readonly limitMs: number;
  readonly startedAt: string;
  readonly savedAt: string;
  readonly state: MinuteState;
}

interface DeviceSchema extends DBSchema {
  outbox: { key: string; value: OutboxRow; indexes: { byUser: [string, number] } };
  plays: { key: string; value: PlayRow };
  cache: { key: string; value: string };
}

export type DeviceDb = IDBPDatabase<DeviceSchema>;

let opened: Promise<DeviceDb> | undefined;

/** This device's own store. One connection for the page. */
export function deviceDb(name = 'veldrift'): Promise<DeviceDb> {
  opened ??= openDeviceDb(name);
  return opened;
}

export function openDeviceDb(name: string): Promise<DeviceDb> {
  return openDB<DeviceSchema>(name, 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'id' }).createIndex('byUser', ['userId', 'order']);
      db.createObjectStore('plays', { keyPath: 'playId' });
      db.createObjectStore('cache');
    },
  });
}
