import { newTurns, type CaptureWay, type FactSet } from '@veldrift/core';
import { takesNoTime, type Pupil } from '@veldrift/wire';
import type { TurnsRow } from '../../app/deviceDb.ts';
import type { SignedIn } from '../../app/session.tsx';
import { measuringFor } from '../measuringOf.ts';
import { playHead, startPlay } from '../startPlay.ts';
import type { MadeDrill } from './drillPlanFor.ts';
import { newErrorsToday } from './newErrorsToday.ts';

/** Puts a drill on the table, on this device's disk and on record. Gives the play's id. */
export async function beginDrillPlay(
  { me, outbox }: Pick<SignedIn, 'me' | 'outbox'>,
  pupil: Pupil,
  set: FactSet,
  { plan, title, deal }: MadeDrill,
  way: CaptureWay,
): Promise<string> {
  const row: TurnsRow = {
    kind: 'turns',
    ...(await playHead(pupil, me.userId)),
    setId: set.id,
    purpose: 'drill',
    way,
    limitMs: measuringFor(pupil, me, way).limitMs,
    title,
    deal,
    seed: plan.seed,
    plan: {
      kind: 'drill',
      timed: !takesNoTime(pupil),
      ...plan,
      newErrorsToday: await newErrorsToday(pupil.id, new Date().toISOString(), me.timeZone),
    },
    earlier: 0,
    state: newTurns(),
  };
  await startPlay(outbox, row, { seed: plan.seed, lengthMs: 600_000 });
  return row.playId;
}
