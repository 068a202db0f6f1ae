export * from './random/random.ts';
export * from './facts/fact.ts';
export * from './facts/factSet.ts';
export * from './facts/family.ts';
export * from './facts/gradeRange.ts';
export * from './facts/operation.ts';
export * from './facts/ownPathway.ts';
export * from './facts/pathway.ts';
export * from './facts/pathwayBook.ts';
export * from './facts/range.ts';
export * from './recall/answer.ts';
export * from './recall/answerClass.ts';
export * from './recall/calibration.ts';
export * from './recall/day.ts';
export * from './recall/digits.ts';
export * from './recall/factState.ts';
export * from './recall/mark.ts';
export * from './recall/measuring.ts';
export * from './recall/quantile.ts';
export * from './recall/rate.ts';
export * from './recall/rateBands.ts';
export * from './recall/recallLimit.ts';
export * from './recall/reviewDate.ts';
export * from './recall/slip.ts';
export * from './recall/voiceOnset.ts';
export * from './practice/checkForm.ts';
export * from './practice/copyForm.ts';
export * from './practice/dealDrill.ts';
export * from './practice/drill.ts';
export * from './practice/drillReading.ts';
export * from './practice/lookBack.ts';
export * from './practice/minute.ts';
export * from './practice/orderedPack.ts';
export * from './practice/placement.ts';
export * from './practice/placementOdds.ts';
export * from './practice/probeForm.ts';
export * from './practice/purpose.ts';
export * from './practice/sayNow.ts';
export * from './practice/turns.ts';
export * from './advance/accurateExplained.ts';
export * from './advance/aimLine.ts';
export * from './advance/decide.ts';
export * from './advance/decision.ts';
export * from './advance/eachFactInstant.ts';
export * from './advance/growth.ts';
export * from './advance/minuteAim.ts';
export * from './advance/minuteCheck.ts';
export * from './advance/placing.ts';
export * from './advance/policy.ts';
export * from './advance/policyWords.ts';
export * from './advance/publishedRate.ts';
export * from './advance/retention.ts';
export * from './advance/trend.ts';
export * from './numbers/allLines.ts';
export * from './numbers/checkLine.ts';
export * from './numbers/expression.ts';
export * from './numbers/fraction.ts';
export * from './numbers/nearest.ts';
export * from './numbers/reach.ts';
export * from './numbers/readLine.ts';
export * from './numbers/underLine.ts';
export * from './planning/checkDue.ts';
export * from './planning/drillPool.ts';
export * from './simulation/learner.ts';
export * from './simulation/measureLearner.ts';
export * from './simulation/profiles.ts';
export * from './simulation/simulatePlacement.ts';
export * from './simulation/simulateSchool.ts';
export * from './simulation/trial.ts';
export * from './simulation/voiceClips.ts';
export {
  countText,
  factListText,
  joinText,
  numberText,
  secondsText,
  wholeFactText,
} from './advance/words.ts';
