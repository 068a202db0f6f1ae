import { judgeByExplained } from './accurateExplained.ts';
import { withChance } from './chance.ts';
import type { Decision, Evidence } from './decision.ts';
import { judgeByEachFact } from './eachFactInstant.ts';
import { judgeByMinuteAim } from './minuteAim.ts';
import { judgeByPublishedRate } from './publishedRate.ts';
import { isUntimed, type School } from './policy.ts';

const judges: Readonly<Record<School, (evidence: Evidence) => Decision>> = {
  minuteAim: judgeByMinuteAim,
  eachFactInstant: judgeByEachFact,
  publishedRate: judgeByPublishedRate,
  accurateExplained: judgeByExplained,
};

/** What the rule of a school says of a set, without how likely it is that the set is done. */
export function judgeByRule(evidence: Evidence): Decision {
  return judges[evidence.school](evidence);
}

/** What a school says of a set, from the evidence handed in. Pure: the same evidence gives the same decision. */
export function decide(evidence: Evidence): Decision {
  const decision = judgeByRule(evidence);
  return isUntimed(evidence.school) ? decision : withChance(evidence, decision);
}
