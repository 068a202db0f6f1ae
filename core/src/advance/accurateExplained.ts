import type { FactKey } from '../facts/fact.ts';
import type { FactState } from '../recall/factState.ts';
import { factStatesOf } from '../recall/timedState.ts';
import { untimedStateOf } from '../recall/untimedState.ts';
import type { Mark } from '../recall/mark.ts';
import type { Decision, Evidence, JudgedAnswer, Reason } from './decision.ts';
import { countText, factListText, joinText } from './words.ts';

/** Marks that say in which way a fact was explained; an explanation without one counts as a way of its own. */
const ways = ['fromTen', 'fromDouble', 'countingOn', 'fingers'] as const satisfies readonly Mark[];
const wayNames: Readonly<Record<(typeof ways)[number] | 'own', string>> = {
  fromTen: 'from a ten',
  fromDouble: 'from a double',
  countingOn: 'by counting on',
  fingers: 'on fingers',
  own: 'another way',
};

/** The different ways in which facts were explained, by what was marked along with "explained". */
export function waysExplained(answers: readonly JudgedAnswer[]): string[] {
  const found = answers
    .filter((one) => one.class !== 'missed' && one.seen.includes('explained'))
    .map((one) => ways.find((way) => one.seen.includes(way)) ?? 'own');
  return [...new Set(found)].map((way) => wayNames[way]);
}

/**
 * The school *Accurate and explained*: move on when every fact the set practises is secure and two ways of finding one have
 * been explained. No clock is shown or used. Otherwise stay, with a task for talk.
 */
export function judgeByExplained(evidence: Evidence): Decision {
  const facts = [...new Set(evidence.set.practises)];
  const wanted = new Set(facts);
  const answers = evidence.answers.filter((one) => wanted.has(one.fact));
  const states = factStatesOf(answers, evidence.timeZone, untimedStateOf);
  const stateOf = (fact: FactKey): FactState => states.get(fact) ?? 'untried';
  const of = (state: FactState) => facts.filter((fact) => stateOf(fact) === state);
  const secure = of('secure');
  const explained = waysExplained(answers);
  const wanting = evidence.policy.waysExplained - explained.length;
  const onFacts = (text: string): Reason => ({ text, restsOn: 'facts' });
  const missed = of('missed');
  const untried = of('untried');
  const underWay = of('workingOut');
  const unexplained = underWay.filter(
    (fact) => !answers.some((one) => one.fact === fact && one.seen.includes('explained')),
  );
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
    answerIds: answers.flatMap((one) => (one.id ? [one.id] : [])),
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
