import type { GamePlan } from '@veldrift/core';
import type { AnyGame } from '@veldrift/core/games';
import type { Me, Pupil } from '@veldrift/wire';
import { sitDown } from '../../live/game/sitDown.ts';
import { newSeed } from '../../live/startPlay.ts';
import type { Outbox } from '../../live/outbox.ts';
import { adult } from './SeatField.tsx';

/** Sits a pupil down with the tutor to a step of a game, as the start sheet has it when nothing is changed there. Gives the play's id; undefined: nobody sat down. */
export function startAtOnce(
  session: { readonly me: Me; readonly outbox: Outbox },
  { game, step, pupil }: { readonly game: AnyGame; readonly step: number; readonly pupil: Pupil },
): Promise<string | undefined> {
  const ids = game.seats.most > 1 ? [pupil.id, adult] : [pupil.id];
  const plan: GamePlan = {
    ...{ version: game.version, game: game.id, step, house: null, rules: game.steps[step]?.rules },
    ...{ mode: 'screen', seats: ids.length, against: ids.length > 1, seed: newSeed(), packs: null },
    ...{ adults: ids.length > 1 ? [1] : [], erring: false, levelled: false, roles: [], minutes: null },
  };
  return sitDown(session, plan, { ids, pupils: [pupil], way: 'tutor' });
}
