import { newTurns, type FactSet, type PlacementPlan } from '@veldrift/core';
import { takesNoTime, type Me, type Pupil, type PupilPage } from '@veldrift/wire';
import { findPathway } from '../../app/book.ts';
import type { TurnsRow } from '../../app/deviceDb.ts';
import type { SignedIn } from '../../app/session.tsx';
import { measuringFor } from '../measuringOf.ts';
import { newSeed, playHead, startPlay } from '../startPlay.ts';

/** A keypad nobody measured is timed on facts that need no thought. */
export function isUnmeasuredKeypad(pupil: Pupil, me: Me): boolean {
  if (pupil.capture !== 'keypad' || takesNoTime(pupil)) return false;
  const { overheadFor } = measuringFor(pupil, me);
  return ![1, 2].every((digits) => overheadFor(digits).calibrated);
}

/**
 * Puts a placement on the table, on this device's disk and on record; `from`: one of another day that it goes on from. Gives the play's
 * id.
 */
export async function beginPlacement(
  { me, outbox }: Pick<SignedIn, 'me' | 'outbox'>,
  pupil: Pupil,
  set: FactSet,
  { startAt, from }: { readonly startAt: number; readonly from: PupilPage['openPlacement'] | null },
): Promise<string> {
  const sets = findPathway(pupil.pathwayId)?.sets[pupil.operation] ?? [];
  const seed = from?.seed ?? newSeed();
  const plan: PlacementPlan = {
    sets: sets.map(({ id, name, introduces }) => ({ id, name, introduces })),
    startAt: from?.startAt ?? startAt,
    seed,
    timed: !takesNoTime(pupil),
    opens: from?.opens ?? true,
    warmsUp: from?.warmsUp ?? isUnmeasuredKeypad(pupil, me),
  };
  const row: TurnsRow = {
    kind: 'turns',
    ...(await playHead(pupil, me.userId)),
    setId: set.id,
    purpose: 'placement',
    way: pupil.capture,
    limitMs: measuringFor(pupil, me).limitMs,
    title: 'Placement',
    deal: {
      form: 'placement',
      operation: pupil.operation,
      pathwayId: pupil.pathwayId,
      startAt: plan.startAt,
      continues: from?.playId ?? null,
      timed: plan.timed,
      opens: plan.opens ?? false,
      warmsUp: plan.warmsUp ?? false,
    },
    seed,
    plan: { kind: 'placement', ...plan },
    earlier: from?.answers.length ?? 0,
    state: newTurns(from?.answers ?? []),
  };
  await startPlay(outbox, row, { seed, lengthMs: 300_000 });
  return row.playId;
}
