// The games and their face: a second door of this package, so that screens without a game need not fetch them.
export * from './games/catalogue.ts';
export * from './games/claims.ts';
export * from './games/erring.ts';
export * from './games/evidence.ts';
export * from './games/factsShown.ts';
export { nextSignal, type FirstToSayRules, type FirstToSayState } from './games/bodies/firstToSay.ts';
export * from './games/game.ts';
export * from './games/gamePlan.ts';
export { tookSeat } from './games/looseGame.ts';
export * from './games/modelPlayer.ts';
export * from './games/pickedChoices.ts';
export * from './games/playGame.ts';
export * from './games/roles.ts';
export { lookMs, sweepMs } from './games/shelf/make/hundredSweep.ts';
export * from './games/setting.ts';
export { say, tell, written, type Words } from './games/tell/sentence.ts';
export * from './games/writtenFacts.ts';
