import { addThenTimes } from './shelf/make/addThenTimes.ts';
import { askForPartner } from './shelf/partners/askForPartner.ts';
import { bondHunt } from './shelf/partners/bondHunt.ts';
import { coverTheBoard } from './shelf/make/coverTheBoard.ts';
import { factLine } from './shelf/boards/factLine.ts';
import { fillTheField } from './shelf/totals/fillTheField.ts';
import { firstVoice } from './shelf/first/firstVoice.ts';
import { bondWatch } from './shelf/first/bondWatch.ts';
import { backToBack } from './shelf/first/backToBack.ts';
import { doublesWatch } from './shelf/first/doublesWatch.ts';
import { turnabout } from './shelf/first/turnabout.ts';
import type { Game, GameState } from './game.ts';
import { hundredSweep } from './shelf/make/hundredSweep.ts';
import { longRoad } from './shelf/make/longRoad.ts';
import { spendTheHand } from './shelf/make/spendTheHand.ts';
import { intoTheMiddle } from './shelf/make/intoTheMiddle.ts';
import { lamps } from './shelf/totals/lamps.ts';
import { powerPair } from './shelf/compare/powerPair.ts';
import { partOfWhole } from './shelf/compare/partOfWhole.ts';
import { outweigh } from './shelf/compare/outweigh.ts';
import { stretchOrFold } from './shelf/totals/stretchOrFold.ts';
import { closeTheGaps } from './shelf/partners/closeTheGaps.ts';
import { inStep } from './shelf/partners/inStep.ts';
import { handful } from './shelf/partners/handful.ts';
import { trueLines } from './shelf/partners/trueLines.ts';
import { upAndDown } from './shelf/totals/upAndDown.ts';
import { behindTheBack } from './shelf/partners/behindTheBack.ts';
import { numberTrail } from './shelf/boards/numberTrail.ts';
import { ontoTen } from './shelf/talk/ontoTen.ts';
import { oddLine } from './shelf/boards/oddLine.ts';
import { gridCall } from './shelf/boards/gridCall.ts';
import { twoHeads } from './shelf/compare/twoHeads.ts';
import { downThePack } from './shelf/recall/downThePack.ts';
import { pointSayWrite } from './shelf/recall/pointSayWrite.ts';
import { biggerSmaller } from './shelf/talk/biggerSmaller.ts';
import { roundTheCircle } from './shelf/talk/roundTheCircle.ts';
import { pipsAtGlance } from './shelf/talk/pipsAtGlance.ts';
import { signsAndWords } from './shelf/talk/signsAndWords.ts';
import { twoToHold } from './shelf/boards/twoToHold.ts';
import { tallNumber } from './shelf/compare/tallNumber.ts';
import { underTheLine } from './shelf/compare/underTheLine.ts';
import { ruleBox } from './shelf/talk/ruleBox.ts';
import { whatSlipped } from './shelf/talk/whatSlipped.ts';

/** A game whose rules and state only it knows. */
export type AnyGame = Game<unknown, GameState>;

/** Every game of the shelf by its id, in the order of the families. A new one is a line here. */
export const shelf = {
  'down-the-pack': downThePack,
  'point-say-write': pointSayWrite,
  'first-voice': firstVoice,
  turnabout,
  'doubles-watch': doublesWatch,
  'bond-watch': bondWatch,
  'back-to-back': backToBack,
  outweigh,
  'power-pair': powerPair,
  'part-of-whole': partOfWhole,
  'tall-number': tallNumber,
  'under-the-line': underTheLine,
  'two-heads': twoHeads,
  'bond-hunt': bondHunt,
  'ask-for-partner': askForPartner,
  'true-lines': trueLines,
  'close-the-gaps': closeTheGaps,
  'behind-the-back': behindTheBack,
  handful,
  'in-step': inStep,
  'into-the-middle': intoTheMiddle,
  'spend-the-hand': spendTheHand,
  'long-road': longRoad,
  'hundred-sweep': hundredSweep,
  'cover-the-board': coverTheBoard,
  'add-then-times': addThenTimes,
  'fact-line': factLine,
  'odd-line': oddLine,
  'grid-call': gridCall,
  'two-to-hold': twoToHold,
  'number-trail': numberTrail,
  'stretch-or-fold': stretchOrFold,
  'up-and-down': upAndDown,
  lamps,
  'fill-the-field': fillTheField,
  'what-slipped': whatSlipped,
  'rule-box': ruleBox,
  'onto-ten': ontoTen,
  'bigger-smaller': biggerSmaller,
  'pips-at-a-glance': pipsAtGlance,
  'signs-and-words': signsAndWords,
  'round-the-circle': roundTheCircle,
} as const satisfies Readonly<Record<string, AnyGame>>;

export type GameId = keyof typeof shelf;

export const games: readonly AnyGame[] = Object.values(shelf);

export const findGame = (id: string): AnyGame | undefined => games.find((one) => one.id === id);
