import { judgeByExplained } from './accurateExplained.ts';
import type { Decision, Evidence } from './decision.ts';
import { judgeByEachFact } from './eachFactInstant.ts';
import { judgeByMinuteAim } from './minuteAim.ts';
import { judgeByPublishedRate } from './publishedRate.ts';
import type { School } from './policy.ts';

const judges: Readonly<Record<School, (evidence: Evidence) => Decision>> = {
  minuteAim: judgeByMinuteAim,
  eachFactInstant: judgeByEachFact,
  publishedRate: judgeByPublishedRate,
  accurateExplained: judgeByExplained,
};

/** What a school says of a set, from the evidence handed in. Pure: the same evidence gives the same decision. */
export function decide(evidence: Evidence): Decision {
  return judges[evidence.school](evidence);
}
