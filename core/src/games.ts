// The games and their face: a second door of this package, so that screens without a game need not fetch them.
export * from './classroom/classGame.ts';
export * from './classroom/gridCaller.ts';
export * from './classroom/partnerCards.ts';
export * from './classroom/partnersRound.ts';
export * from './games/boardAtFirst.ts';
export * from './games/catalogue.ts';
export * from './games/claims.ts';
export * from './games/erring.ts';
export * from './games/evidence.ts';
export * from './games/factsShown.ts';
export {
  nextSignal,
  rollsPlayed,
  type FirstToSayRules,
  type FirstToSayState,
} from './games/bodies/firstToSay.ts';
export * from './games/game.ts';
export * from './games/move.ts';
export * from './games/need.ts';
export * from './games/scene.ts';
export type { Part } from './numbers/part.ts';
export * from './games/gamePlan.ts';
export * from './games/headline.ts';
export * from './games/homeVersion.ts';
export * from './games/layOut.ts';
export { tookBy, tookSeat } from './games/looseGame.ts';
export * from './games/modelPlayer.ts';
export * from './games/pickedChoices.ts';
export * from './games/playGame.ts';
export * from './games/roles.ts';
export * from './games/turnClock.ts';
export * from './games/setting.ts';
export * from './games/flights.ts';
export { skillsShownBy } from './games/skillsShown.ts';
export * from './games/gameEnd.ts';
export * from './games/sampleTable.ts';
export * from './games/table/advanceGameTable.ts';
export * from './games/table/appSeat.ts';
export * from './games/table/calmMove.ts';
export { headStartsAt, settlesAt, type MadeClaim, type SeatShown } from './games/table/claimRace.ts';
export * from './games/table/gamePress.ts';
export * from './games/table/gameTable.ts';
export * from './games/table/seatAnswer.ts';
export { say, tell, valuesOf, written, type Words } from './games/tell/sentence.ts';
export * from './games/typedReply.ts';
export { aidFactOf, factAsShown } from './games/askFact.ts';
export { partsDrawn } from './games/askPart.ts';
export * from './games/writtenFacts.ts';
