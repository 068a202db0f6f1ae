import type { FactKey } from '../facts/fact.ts';
import { isRecalled, latestOfEach, type FactState } from '../recall/factState.ts';
import { newTimedFold, timedFoldsOf, type TimedFold } from '../recall/timedState.ts';
import { countingSign, type CountingSign } from '../recall/countingSign.ts';
import { dayOf } from '../recall/day.ts';
import {
  lookedBack,
  type Decision,
  type Evidence,
  type JudgedAnswer,
  type Offer,
  type Reason,
} from './decision.ts';
import { onCheck, standing } from './minuteCheck.ts';
import { countText, factListText, joinText, secondsText } from './words.ts';
import { factKeyText } from '../facts/fact.ts';

/** How many of a set's facts must be recalled: all of a small or counted set, else the share, and few short. */
export function factsNeeded(evidence: Pick<Evidence, 'policy' | 'set'>): number {
  const { policy, set } = evidence;
  const size = new Set(set.practises).size;
  if (size <= policy.allUpTo || set.everyFact) return size;
  return Math.max(Math.ceil(policy.shareRecalled * size - 1e-9), size - policy.shortAllowed);
}

/**
 * The school *Each fact instant*: move on when enough of the facts the set practises are recalled and few are short, and a
 * minute check given since then, at the aim and with few wrong, confirms it. The facts short are carried along as strays.
 */
export function judgeByEachFact(evidence: Evidence): Decision {
  const facts = [...new Set(evidence.set.practises)];
  const wanted = new Set(facts);
  const own = evidence.answers.filter((one) => wanted.has(one.fact));
  const folds = evidence.folds?.timed ?? timedFoldsOf(own, evidence.timeZone);
  const foldOf = (fact: FactKey) => folds.get(fact) ?? newTimedFold(fact);
  const answers = latestOfEach(own, lookedBack);
  const stateOf = (fact: FactKey): FactState => foldOf(fact).state;
  const recalled = facts.filter((fact) => isRecalled(stateOf(fact)));
  const short = facts.filter((fact) => !isRecalled(stateOf(fact)));
  const needed = factsNeeded(evidence);
  const enough = recalled.length >= needed;

  // Facts that may be short are slow, and take their part of the minute.
  const check = standing(evidence, enough ? recalled.length / facts.length : 1);
  const heldSince = enough ? heldFrom(facts.map(foldOf), needed) : undefined;
  const confirms =
    check.latest !== undefined && heldSince !== undefined && Date.parse(check.latest.at) >= heldSince;

  // Of the facts that pass for recalled: those still short are known to be worked out.
  const counts = countingSign(
    answers.filter((one) => isRecalled(stateOf(one.fact))),
    recalled.map((fact) => [fact, foldOf(fact)] as const),
  );
  const reasons = [
    onFacts(`${recalled.length} of ${countText(facts.length, 'fact')} recalled; ${needed} are needed.`),
    ...lookBack(short, foldOf, answers).map(onFacts),
    ...(counts ? [onFacts(countingText(counts))] : []),
    ...check.reasons,
  ];
  const base = {
    about: 'set',
    strays: enough ? short : [],
    answerIds: lookedAt(answers),
    checkIds: check.checkIds,
  } as const;

  if (!enough) {
    const shown = short.filter((fact) => isShown(foldOf(fact)));
    const lacking = short.filter((fact) => !shown.includes(fact));
    const missing = [...lack(lacking, stateOf).map(onFacts), ...check.missing];
    const provenShort = facts.length - shown.length < needed;
    return {
      ...base,
      verdict: provenShort ? 'stay' : 'notEnough',
      reasons,
      missing,
      offer: counts && { kind: 'watch', facts: counts.watch },
      wouldSettle: provenShort
        ? `Practice on ${factListText(shown, 4)}, then the weekly minute.`
        : `More answers on ${factListText(lacking, 4)}, on two days; the weekly minute asks them.`,
    };
  }
  if (counts)
    return {
      ...base,
      verdict: 'notEnough',
      reasons,
      missing: [
        onFacts(`Nobody has looked yet whether these are counted: ${factListText(counts.watch)}.`),
        ...check.missing,
      ],
      offer: { kind: 'watch', facts: counts.watch },
      wouldSettle: `Watch the fingers on ${factListText(counts.watch)}, and mark what is seen: fingers, counting on, or no counting seen.`,
    };
  if (confirms && check.atAim && check.fewWrong)
    return { ...base, verdict: 'advance', reasons, missing: [], wouldSettle: '' };
  // The facts hold: the minute that confirms them is offered on the same visit, not at next week's check.
  const offer: Offer = {
    kind: 'minute',
    afterDay: check.latest ? dayOf(check.latest.at, evidence.timeZone) : null,
  };
  if (confirms)
    return {
      ...base,
      verdict: 'stay',
      reasons,
      missing: check.missing,
      offer,
      wouldSettle: 'Another minute on this set, on another day.',
    };
  return {
    ...base,
    verdict: 'notEnough',
    reasons,
    missing: check.latest
      ? [...check.missing, onCheck('The latest check was given before the facts were recalled.')]
      : check.missing,
    offer: { ...offer, afterDay: null },
    wouldSettle: 'One minute on this set, to its end: it can be given now.',
  };
}

/** "Times rise by 0.18 s with each unit of the smaller number ...", or that working was seen. */
function countingText({ rise, near, seen, answers }: CountingSign): string {
  if (!rise && near !== null)
    return `${countText(near, 'fact')} that pass for recalled have times near the limit: one who derives or counts quickly has such times too.`;
  if (!rise)
    return `Working was seen on ${seen} of the last ${countText(answers, 'answer')}: what is quick now may be counted or derived.`;
  const seconds = (ms: number) => (ms / 1000).toFixed(2);
  return `Times rise by ${seconds(rise.slope)} s with each unit of the smaller number (${countText(answers, 'answer')}; between ${seconds(rise.low)} and ${seconds(rise.high)} s): they are probably counted or derived, not recalled.`;
}

const onFacts = (text: string): Reason => ({ text, restsOn: 'facts' });

/** Since when enough facts have been recalled without a break, as a time in ms. */
function heldFrom(folds: readonly TimedFold[], needed: number): number | undefined {
  const turns = folds.flatMap((fold) =>
    fold.turns.map((time, nth) => ({ time, by: nth % 2 === 0 ? 1 : -1 })),
  );
  turns.sort((a, b) => a.time - b.time || b.by - a.by);
  let count = 0;
  let since: number | undefined;
  for (const turn of turns) {
    count += turn.by;
    if (count < needed) since = undefined;
    else since ??= turn.time;
  }
  return since;
}

/** Ids of the answers that the states look back over: for each fact all from the fourth last with evidence onward. */
function lookedAt(answers: readonly JudgedAnswer[]): string[] {
  const evidenceSeen = new Map<FactKey, number>();
  return [...answers]
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
    .flatMap((answer) => {
      const seen = evidenceSeen.get(answer.fact) ?? 0;
      if (answer.class !== 'right' && answer.class !== 'noEvidence') evidenceSeen.set(answer.fact, seen + 1);
      return seen < 4 && answer.id ? [answer.id] : [];
    });
}

/** The latest answer on a fact that is evidence either way. */
function latestEvidence(fact: FactKey, answers: readonly JudgedAnswer[]): JudgedAnswer | undefined {
  return answers
    .filter((one) => one.fact === fact && one.class !== 'right' && one.class !== 'noEvidence')
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    .at(-1);
}

/** Whether a fact was seen to fall short; else evidence is only lacking. */
function isShown({ state, latest }: TimedFold): boolean {
  return (
    state === 'missed' ||
    state === 'slipped' ||
    (state === 'workingOut' && latest.at(-1)?.class !== 'recalled')
  );
}

/** The facts left, by what was last seen of them. */
function lookBack(
  short: readonly FactKey[],
  foldOf: (fact: FactKey) => TimedFold,
  answers: readonly JudgedAnswer[],
): string[] {
  const of = (state: FactState) => short.filter((fact) => foldOf(fact).state === state);
  const working = of('workingOut')
    .filter((fact) => isShown(foldOf(fact)))
    .map((fact) => {
      const last = latestEvidence(fact, answers);
      return typeof last?.correctedMs === 'number'
        ? `${factKeyText(fact)} (${secondsText(last.correctedMs)})`
        : factKeyText(fact);
    });
  const sentences: string[] = [];
  if (working.length > 0) sentences.push(`Worked out: ${someOf(working)}.`);
  if (of('missed').length > 0) sentences.push(`Missed: ${factListText(of('missed'))}.`);
  if (of('slipped').length > 0)
    sentences.push(`Slipped since they were recalled: ${factListText(of('slipped'))}.`);
  return sentences;
}

function someOf(list: readonly string[]): string {
  return joinText(list.length > 6 ? [...list.slice(0, 6), `${list.length - 6} more`] : list);
}

function lack(lacking: readonly FactKey[], stateOf: (fact: FactKey) => FactState): string[] {
  const untried = lacking.filter((fact) => stateOf(fact) === 'untried');
  const nearly = lacking.filter((fact) => stateOf(fact) === 'nearly');
  const once = lacking.filter((fact) => stateOf(fact) === 'workingOut');
  return [
    ...(untried.length > 0
      ? [
          `${countText(untried.length, 'fact')} not asked yet, or only without evidence: ${factListText(untried)}.`,
        ]
      : []),
    ...(once.length > 0
      ? [`${countText(once.length, 'fact')} recalled the last time only: ${factListText(once)}.`]
      : []),
    ...(nearly.length > 0
      ? [
          `${countText(nearly.length, 'fact')} recalled twice running, short of three on two days (or of the mark "no counting seen" for +1, +2, \u22121, \u22122): ${factListText(nearly)}.`,
        ]
      : []),
  ];
}
