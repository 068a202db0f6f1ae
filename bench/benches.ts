import { clockBench } from './clock.ts';
import { judgementBench } from './judgement.ts';
import { liveBench } from './live.ts';
import { paintBench } from './paint.ts';
import { pupilPageBench } from './pupilPage.ts';
import { roomBench } from './room.ts';
import { sizeBench } from './size.ts';
import { solverBench } from './solver.ts';
import { turnBench } from './turn.ts';
import { voiceBench } from './voice.ts';

/** One table of figures. */
export interface Section {
  readonly title: string;
  readonly says: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Null: its section stays as it was. */
export type Bench = (root: string, say: (text: string) => void) => Promise<Section | null>;

export const benches: Readonly<Record<string, Bench>> = {
  clock: clockBench,
  paint: paintBench,
  turn: turnBench,
  size: sizeBench,
  page: pupilPageBench,
  room: roomBench,
  solver: solverBench,
  live: liveBench,
  voice: voiceBench,
  judgement: judgementBench,
};
