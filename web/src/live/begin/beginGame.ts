import { readPack, recipeWith, type GamePlan, type Recipe } from '@veldrift/core';
import { findGame, playTrouble, withSetting } from '@veldrift/core/games';
import type { Pupil } from '@veldrift/wire';
import type { SignedIn } from '../../app/session.tsx';
import { sitDown } from '../game/sitDown.ts';
import { newSeed } from '../startPlay.ts';

/**
 * Sits a pupil down to a step of a game, with the grown-up where it takes two, on the screen. Gives the play's id. Throws an Error
 * with a sentence where it cannot be played.
 */
export async function beginGame(
  session: Pick<SignedIn, 'me' | 'outbox'>,
  pupil: Pupil,
  of: {
    readonly id: string;
    readonly step: number;
    /** A pack put together for it, as text; null: its own. */
    readonly pack: string | null;
    /** After which it ends, where that is sooner than it usually does; null: it ends by its rule. */
    readonly minutes: number | null;
  },
): Promise<string> {
  const game = findGame(of.id);
  const given = game?.steps[of.step]?.rules;
  if (!game || given === undefined)
    throw new Error('This game is not on the shelf of this version: choose another.');
  const deck = readPack(of.pack);
  const recipe = (given as { readonly recipe?: Recipe | null }).recipe ?? null;
  const fitted = deck && recipe ? withSetting(given, 'recipe', recipeWith(recipe, deck)) : given;
  // A pack that was put together for other rules may be too small for these.
  const rules = playTrouble(game, fitted) === null ? fitted : given;
  const seats = Math.min(2, game.seats.most);
  const plan: GamePlan = {
    ...{ version: game.version, game: game.id, step: of.step, house: null, rules, mode: 'screen' },
    ...{ seats, against: seats > 1, seed: newSeed(), packs: null, adults: seats > 1 ? [1] : [], app: null },
    ...{
      erring: false,
      levelled: false,
      roles: [],
      minutes: of.minutes !== null && of.minutes < game.minutes ? of.minutes : null,
    },
  };
  const ids = seats > 1 ? [pupil.id, ''] : [pupil.id];
  const playId = await sitDown(session, plan, { ids, pupils: [pupil], way: 'tutor' });
  if (!playId) throw new Error('It could not be put on the table. Try again.');
  return playId;
}
