import type { FactKey } from '../facts/fact.ts';
import { latestOfEach, type FactState } from '../recall/factState.ts';
import { newUntimedFold, untimedFoldsOf, untimedStateIn, type ExplainedWay } from '../recall/untimedState.ts';
import { lookedBack, type Decision, type Evidence, type Reason } from './decision.ts';
import { countText, factListText, joinText } from './words.ts';

const wayNames: Readonly<Record<ExplainedWay, string>> = {
  fromTen: 'from a ten',
  fromDouble: 'from a double',
  countingOn: 'by counting on',
  fingers: 'on fingers',
  own: 'another way',
};

/**
 * The school *Accurate and explained*: move on when every fact the set practises is secure and two ways of finding one have
 * been explained. No clock is shown or used. Otherwise stay, with a task for talk.
 */
export function judgeByExplained(evidence: Evidence): Decision {
  const facts = [...new Set(evidence.set.practises)];
  const wanted = new Set(facts);
  const own = evidence.answers.filter((one) => wanted.has(one.fact));
  const folds = evidence.folds?.untimed ?? untimedFoldsOf(own, evidence.timeZone);
  const foldOf = (fact: FactKey) => folds.get(fact) ?? newUntimedFold();
  const stateOf = (fact: FactKey): FactState => untimedStateIn(foldOf(fact));
  const of = (state: FactState) => facts.filter((fact) => stateOf(fact) === state);
  const secure = of('secure');
  const explained = [...new Set(facts.flatMap((fact) => foldOf(fact).ways))].map((way) => wayNames[way]);
  const wanting = evidence.policy.waysExplained - explained.length;
  const onFacts = (text: string): Reason => ({ text, restsOn: 'facts' });
  const missed = of('missed');
  const untried = of('untried');
  const underWay = of('workingOut');
  const unexplained = underWay.filter((fact) => !foldOf(fact).explained);
  const reasons = [
    onFacts(
      `${secure.length} of ${countText(facts.length, 'fact')} secure: 4 of the last 5 right on two days, explained once.`,
    ),
    onFacts(
      explained.length === 0
        ? 'Nothing has been explained yet.'
        : `Explained in ${countText(explained.length, 'way')}: ${joinText(explained)}; ${evidence.policy.waysExplained} are asked.`,
    ),
    ...(missed.length > 0 ? [onFacts(`Missed when last asked: ${factListText(missed)}.`)] : []),
  ];
  const missing = [
    ...(untried.length > 0
      ? [onFacts(`${countText(untried.length, 'fact')} not asked yet: ${factListText(untried)}.`)]
      : []),
    ...(unexplained.length > 0 ? [onFacts(`Not explained yet: ${factListText(unexplained)}.`)] : []),
  ];
  const base = {
    about: 'set',
    strays: [],
    answerIds: latestOfEach(own, lookedBack).flatMap((one) => (one.id ? [one.id] : [])),
    checkIds: [],
  } as const;
  if (secure.length === facts.length && wanting <= 0)
    return { ...base, verdict: 'advance', reasons, missing: [], wouldSettle: '' };
  const talkOf = [...missed, ...underWay, ...untried, ...secure][0] as FactKey;
  return {
    ...base,
    verdict: missed.length === 0 && untried.length > 0 ? 'notEnough' : 'stay',
    reasons,
    missing,
    wouldSettle: `A talk: how do you know ${factListText([talkOf])}? Is there another way?`,
  };
}
