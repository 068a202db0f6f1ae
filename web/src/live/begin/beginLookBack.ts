import { newTurns, retentionFacts, type FactSet, type LookPlan } from '@veldrift/core';
import { policyOf, takesNoTime, type Pupil } from '@veldrift/wire';
import type { TurnsRow } from '../../app/deviceDb.ts';
import type { SignedIn } from '../../app/session.tsx';
import { measuringFor } from '../measuringOf.ts';
import { newSeed, playHead, startPlay } from '../startPlay.ts';

/** Puts a look back at a set passed on the table, on this device's disk and on record. Gives the play's id. */
export async function beginLookBack(
  { me, outbox }: Pick<SignedIn, 'me' | 'outbox'>,
  pupil: Pupil,
  set: FactSet,
): Promise<string> {
  const policy = policyOf(pupil);
  const seed = newSeed();
  const plan: LookPlan = {
    facts: retentionFacts(set.practises, seed, 2 * policy.retentionFacts),
    retentionFacts: policy.retentionFacts,
    retentionShort: policy.retentionShort,
    timed: !takesNoTime(pupil),
  };
  const row: TurnsRow = {
    kind: 'turns',
    ...(await playHead(pupil, me.userId)),
    setId: set.id,
    purpose: 'retention',
    way: pupil.capture,
    limitMs: measuringFor(pupil, me).limitMs,
    title: `Look back at ${set.name}`,
    deal: { form: 'retention', operation: set.operation, pathwayId: pupil.pathwayId, timed: plan.timed },
    seed,
    plan: { kind: 'look', ...plan },
    earlier: 0,
    state: newTurns(),
  };
  await startPlay(outbox, row, { seed, lengthMs: 120_000 });
  return row.playId;
}
