import { addThenTimes } from './shelf/make/addThenTimes.ts';
import { bondHunt } from './shelf/partners/bondHunt.ts';
import { coverTheBoard } from './shelf/make/coverTheBoard.ts';
import { factLine } from './shelf/boards/factLine.ts';
import { fillTheField } from './shelf/totals/fillTheField.ts';
import { firstVoice } from './shelf/first/firstVoice.ts';
import { turnabout } from './shelf/first/turnabout.ts';
import type { Game, GameState } from './game.ts';
import { hundredSweep } from './shelf/make/hundredSweep.ts';
import { intoTheMiddle } from './intoTheMiddle.ts';
import { lamps } from './shelf/totals/lamps.ts';
import { outweigh } from './shelf/compare/outweigh.ts';
import { stretchOrFold } from './shelf/totals/stretchOrFold.ts';
import { trueLines } from './trueLines.ts';
import { twoToHold } from './shelf/boards/twoToHold.ts';
import { underTheLine } from './underTheLine.ts';
import { whatSlipped } from './whatSlipped.ts';

/** A game whose rules and state only it knows. */
export type AnyGame = Game<unknown, GameState>;

/** Every game of the shelf, by family. A new one is a file of its own and a line here. */
export const games: readonly AnyGame[] = [
  firstVoice,
  turnabout,
  outweigh,
  underTheLine,
  bondHunt,
  trueLines,
  intoTheMiddle,
  hundredSweep,
  coverTheBoard,
  addThenTimes,
  factLine,
  twoToHold,
  stretchOrFold,
  lamps,
  fillTheField,
  whatSlipped,
] as unknown as readonly AnyGame[];

export const findGame = (id: string): AnyGame | undefined => games.find((one) => one.id === id);
