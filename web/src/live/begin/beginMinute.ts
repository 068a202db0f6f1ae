import {
  createRandom,
  earlierFacts,
  isRecalled,
  makeCheckForm,
  makeMixedForm,
  makeProbeForm,
  newMinute,
  type FactSet,
  type MinutePurpose,
} from '@veldrift/core';
import { gradeOf, policyOf, type Pupil } from '@veldrift/wire';
import { findPathway } from '../../app/book.ts';
import type { MinuteRow } from '../../app/deviceDb.ts';
import type { SignedIn } from '../../app/session.tsx';
import { measuringFor } from '../measuringOf.ts';
import { newSeed, playHead, startPlay } from '../startPlay.ts';

/** Prompts made for one minute: more than anyone answers in five. */
const formLength = 400;

/** Puts a minute on the table, on this device's disk and on record. Gives the play's id. */
export async function beginMinute(
  { me, outbox }: Pick<SignedIn, 'me' | 'outbox'>,
  pupil: Pupil,
  set: FactSet,
  purpose: MinutePurpose,
): Promise<string> {
  const seed = newSeed();
  const { minuteMs } = policyOf(pupil);
  const row: MinuteRow = {
    ...(await playHead(pupil, me.userId)),
    setId: set.id,
    purpose,
    way: pupil.capture,
    limitMs: measuringFor(pupil, me).limitMs,
    state: newMinute(
      formOf(purpose, pupil, set.practises, set.id, seed),
      minuteMs,
      calmForm(pupil, set.practises, seed),
    ),
  };
  await startPlay(outbox, row, { seed, lengthMs: minuteMs });
  return row.playId;
}

function formOf(
  purpose: MinutePurpose,
  pupil: Pupil,
  practises: readonly string[],
  setId: string,
  seed: number,
): string[] {
  switch (purpose) {
    case 'check':
    case 'practice':
      return makeCheckForm(practises, formLength, createRandom(seed));
    case 'mixed': {
      const sets = findPathway(pupil.pathwayId)?.sets[pupil.operation] ?? [];
      return makeMixedForm(practises, [...new Set(earlierFacts(sets, setId))], formLength, seed);
    }
    case 'probe':
      return makeProbeForm(gradeOf(pupil), pupil.operation, formLength);
  }
}

/** Known facts of the set, for a table turned calm. */
function calmForm(pupil: Pupil, practises: readonly string[], seed: number): string[] {
  const known = practises.filter((fact) => isRecalled(pupil.tried[fact]?.state ?? 'untried'));
  return known.length > 1 ? makeCheckForm(known, 60, createRandom(seed + 1)) : [];
}
