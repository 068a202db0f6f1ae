import { dayNumber, dayOf, retentionDue, type FactSet } from '@veldrift/core';
import { policyOf, type Pupil } from '@veldrift/wire';
import type { PlannedPart } from '@veldrift/core/planning';
import { findSet } from '../../app/book.ts';
import { pupilPageQuery, queryClient } from '../../app/queries.ts';
import type { SignedIn } from '../../app/session.tsx';
import { passedSets } from '../../parts/today.ts';
import { beginDrillPlay } from '../begin/beginDrillPlay.ts';
import { beginLookBack } from '../begin/beginLookBack.ts';
import { beginMinute } from '../begin/beginMinute.ts';
import { beginPlacement } from '../begin/beginPlacement.ts';
import { drillPlanFor, firstDrill, warmUpFor } from '../begin/drillPlanFor.ts';
import { newSeed } from '../startPlay.ts';

/** Prompts a minute of a drill, to choose how many; a child takes about so many with what is said between them. */
const promptsAMinute = 8;
const drillLengths = [20, 40, 60] as const;

/**
 * Puts a part of a visit on the table. Gives its play's id; null: it has none, as talking has none. Throws an Error with a sentence
 * where it cannot be begun.
 */
export async function beginPart(
  session: Pick<SignedIn, 'me' | 'outbox'>,
  pupil: Pupil,
  part: PlannedPart,
): Promise<string | null> {
  const set = findSet(pupil.setId) as FactSet;
  const today = dayNumber(dayOf(new Date().toISOString(), session.me.timeZone));
  switch (part.kind) {
    case 'placement': {
      const page = queryClient.getQueryData(pupilPageQuery(pupil.id).queryKey);
      return beginPlacement(session, pupil, set, { startAt: 0, from: page?.openPlacement ?? null });
    }
    case 'warmUp':
      return beginDrillPlay(session, pupil, set, warmUpFor(pupil, set, newSeed(), today), pupil.capture);
    case 'drill': {
      const most = drillLengths.find((one) => one >= promptsAMinute * part.minutes) ?? 60;
      const choice = { ...firstDrill(set), most };
      const made = drillPlanFor(pupil, set, choice, newSeed(), today);
      return beginDrillPlay(session, pupil, set, made, pupil.capture);
    }
    case 'retention': {
      const due = passedSets(pupil, session.me.timeZone).filter(
        (one) => retentionDue(one, today, policyOf(pupil)) !== null,
      );
      const passed = findSet((due.at(-1) ?? passedSets(pupil, session.me.timeZone).at(-1))?.setId ?? '');
      if (!passed) throw new Error('No set was passed yet that could be looked back at.');
      return beginLookBack(session, pupil, passed);
    }
    case 'check':
    case 'probe':
      return beginMinute(session, pupil, set, part.kind);
    case 'game': {
      // Fetched only where a game is played.
      const { beginGame } = await import('../begin/beginGame.ts');
      const { id = '', step = 0, pack = null } = part.game ?? {};
      return beginGame(session, pupil, { id, step, pack, minutes: part.minutes });
    }
    case 'close':
      return null;
  }
}
