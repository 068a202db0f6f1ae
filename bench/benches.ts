import { clockBench } from './clock.ts';
import { faultsBench } from './faults.ts';
import { fieldUseBench } from './fieldUse.ts';
import { growthBench } from './growth.ts';
import { judgementBench } from './judgement.ts';
import { liveBench } from './live.ts';
import { longPlayBench } from './longPlay.ts';
import { modelGamesBench } from './modelGames.ts';
import { mutationsBench } from './mutations.ts';
import { paintBench } from './paint.ts';
import { pupilPageBench } from './pupilPage.ts';
import { roomBench } from './room.ts';
import { sizeBench } from './size.ts';
import { solverBench } from './solver.ts';
import { tapsBench } from './taps.ts';
import { turnBench } from './turn.ts';
import type { Bench } from './section.ts';
import { voiceBench } from './voice.ts';
import { writesBench } from './writes.ts';

/** Every bench, in the order of docs/measurements.md. */
export const benches: Readonly<Record<string, Bench>> = {
  clock: clockBench,
  paint: paintBench,
  turn: turnBench,
  taps: tapsBench,
  fieldUse: fieldUseBench,
  longPlay: longPlayBench,
  size: sizeBench,
  page: pupilPageBench,
  room: roomBench,
  writes: writesBench,
  growth: growthBench,
  solver: solverBench,
  modelGames: modelGamesBench,
  faults: faultsBench,
  mutations: mutationsBench,
  live: liveBench,
  voice: voiceBench,
  judgement: judgementBench,
};
