import type { GamePlan } from '@veldrift/core';
import type { AnyGame } from '@veldrift/core/games';
import type { Me, Pupil } from '@veldrift/wire';
import { newGameRow, sitDown } from '../../live/game/sitDown.ts';
import { startGame } from '../../live/game/startGame.ts';
import { newSeed } from '../../live/startPlay.ts';
import type { Outbox } from '../../live/outbox.ts';
import { adult } from './SeatField.tsx';

/** Sits a pupil down with the tutor to a step of a game, on the screen, as the start sheet has it when nothing is changed. Gives the play's id; undefined: nobody sat down. */
export async function startAtOnce(
  { me, outbox }: { readonly me: Me; readonly outbox: Outbox },
  { game, step, pupil }: { readonly game: AnyGame; readonly step: number; readonly pupil: Pupil },
): Promise<string | undefined> {
  const rules = game.steps[step]?.rules;
  const ids = game.seats.most > 1 ? [pupil.id, adult] : [pupil.id];
  const sits = await sitDown(ids, [pupil], me);
  if (!sits) return undefined;
  const plan: GamePlan = {
    ...{ version: game.version, game: game.id, step, house: null, rules, mode: 'screen', seats: ids.length },
    ...{ against: ids.length > 1, seed: newSeed(), packs: null, adults: ids.length > 1 ? [1] : [] },
    ...{ erring: false, levelled: false, roles: [], minutes: null },
  };
  const row = newGameRow(sits, plan, {
    ...{ pupil, me, way: 'tutor', title: `${game.name}: ${game.steps[step]?.name ?? ''}` },
    operation: game.operations(rules)[0] ?? pupil.operation,
  });
  await startGame(outbox, row);
  return row.playId;
}
