import {
  answerClasses,
  classify,
  decide,
  digitsCorrect,
  findSet,
  isSkillKey,
  isTimeZone,
  policyInForce,
  schools,
  skillStateOf,
  theilSen,
  timedFoldsOf,
  tryParseFactKey,
  tryParseMark,
  untimedFoldsOf,
  untimedStateIn,
  type CheckResult,
  type JudgedAnswer,
  type JudgedSet,
  type Mark,
  type Policy,
  type SkillAnswer,
} from '@veldrift/core';
import {
  choiceOf,
  countOf,
  documentOf,
  failField,
  flagOf,
  instantOf,
  listOf,
  numberOf,
  textOf,
  timeMsOf,
  type Document,
} from './fields.ts';
import { gameTopics } from './gameTopics.ts';
import { planTopics } from './planTopics.ts';

/** What each topic of `calc` does with one document. Throws FieldError where a field is not what it should be. */
export const topics: Readonly<Record<string, (input: Document) => unknown>> = {
  ...gameTopics,
  ...planTopics,

  digits: (input) => digitsCorrect(textOf(input, 'given'), textOf(input, 'expected')),

  trend: (input) =>
    theilSen(
      listOf(input, 'points').map((one, at) => {
        const point = documentOf(one, `points[${at}]`);
        return {
          day: numberOf(point, 'day', `points[${at}].day`),
          value: numberOf(point, 'value', `points[${at}].value`),
        };
      }),
    ),

  classify: (input) => {
    const latencyMs = input.latencyMs === null ? null : timeMsOf(input, 'latencyMs');
    const found = classify({
      latencyMs,
      voided: flagOf(input, 'voided', 'voided', false),
      correct: flagOf(input, 'correct'),
      overheadMs: timeMsOf(input, 'overheadMs'),
      spreadMs: timeMsOf(input, 'spreadMs'),
      limitMs: timeMsOf(input, 'limitMs'),
      seen: seenOf(input, 'seen'),
      aided: flagOf(input, 'aided', 'aided', false),
    });
    return { class: found.class, correctedMs: found.correctedMs };
  },

  state: (input) => {
    const untimed = flagOf(input, 'untimed', 'untimed', false);
    const answers = answersOf(input, 'answers');
    const states = untimed
      ? [...untimedFoldsOf(answers, timeZoneOf(input))].map(
          ([fact, fold]) => [fact, untimedStateIn(fold)] as const,
        )
      : [...timedFoldsOf(answers, timeZoneOf(input))].map(([fact, fold]) => [fact, fold.state] as const);
    return { state: Object.fromEntries(states.sort(([a], [b]) => (a < b ? -1 : 1))) };
  },

  skills: (input) => {
    const byItem = new Map<string, SkillAnswer[]>();
    for (const [at, one] of listOf(input, 'answers').entries()) {
      const answer = documentOf(one, `answers[${at}]`);
      const item = textOf(answer, 'item', `answers[${at}].item`);
      if (!isSkillKey(item)) failField(`answers[${at}].item`, 'a skill such as cmp or bond:10');
      const right = flagOf(answer, 'right', `answers[${at}].right`);
      const aided = flagOf(answer, 'aided', `answers[${at}].aided`, false);
      byItem.set(item, [...(byItem.get(item) ?? []), { right, aided }]);
    }
    const states = [...byItem].map(([item, answers]) => [item, skillStateOf(answers)] as const);
    return { state: Object.fromEntries(states.sort(([a], [b]) => (a < b ? -1 : 1))) };
  },

  decide: (input) => {
    const found = decide({
      school: choiceOf(input.school, schools, 'school'),
      policy: policyOf(input),
      set: setOf(input),
      answers: answersOf(input, 'answers'),
      checks: listOf(input, 'checks').map(checkOf),
      ceiling:
        input.ceiling === null || input.ceiling === undefined
          ? null
          : { perMinute: positive(numberOf(input, 'ceiling'), 'ceiling'), from: 'naming', answers: 12 },
      timeZone: timeZoneOf(input),
      grade: input.grade === undefined || input.grade === null ? null : countOf(input, 'grade'),
    });
    return {
      about: found.about,
      verdict: found.verdict,
      reasons: found.reasons.map((one) => one.text),
      missing: found.missing.map((one) => one.text),
      wouldSettle: found.wouldSettle,
      strays: found.strays,
    };
  },
};

function positive(value: number, field: string): number {
  return value > 0 ? value : failField(field, 'above 0');
}

function seenOf(input: Document, field: string): Mark[] {
  if (input.seen === undefined) return [];
  return listOf(input, 'seen', field).map(
    (one, at) =>
      (typeof one === 'string' ? tryParseMark(one) : undefined) ??
      failField(`${field}[${at}]`, 'a mark such as fingers, countingOn or noCounting'),
  );
}

function timeZoneOf(input: Document): string {
  if (input.timeZone === undefined) return 'UTC';
  return typeof input.timeZone === 'string' && isTimeZone(input.timeZone)
    ? input.timeZone
    : failField('timeZone', 'a time zone such as Europe/Oslo');
}

function factOf(value: unknown, field: string): string {
  return typeof value === 'string' && tryParseFactKey(value)
    ? value
    : failField(field, 'a fact key such as 7+6, 13-6, 7x6 or 42:6');
}

function answersOf(input: Document, name: string): JudgedAnswer[] {
  return listOf(input, name).map((one, at) => {
    const field = `${name}[${at}]`;
    const answer = documentOf(one, field);
    return {
      ...(typeof answer.id === 'string' ? { id: answer.id } : {}),
      fact: factOf(answer.fact, `${field}.fact`),
      at: instantOf(answer, 'at', `${field}.at`),
      class: choiceOf(answer.class, answerClasses, `${field}.class`),
      seen: seenOf(answer, `${field}.seen`),
      aided: flagOf(answer, 'aided', `${field}.aided`, false),
      correctedMs:
        answer.correctedMs === undefined || answer.correctedMs === null
          ? null
          : timeMsOf(answer, 'correctedMs', `${field}.correctedMs`),
    };
  });
}

function checkOf(one: unknown, at: number): CheckResult {
  const field = `checks[${at}]`;
  const check = documentOf(one, field);
  return {
    at: instantOf(check, 'at', `${field}.at`),
    right: countOf(check, 'right', `${field}.right`),
    wrong: countOf(check, 'wrong', `${field}.wrong`),
    usedMs:
      check.usedMs === undefined
        ? 60_000
        : positive(numberOf(check, 'usedMs', `${field}.usedMs`), `${field}.usedMs`),
    counts: flagOf(check, 'counts', `${field}.counts`, true),
    mixed: flagOf(check, 'mixed', `${field}.mixed`, false),
    digitsPerMinute:
      check.digitsPerMinute === undefined || check.digitsPerMinute === null
        ? null
        : numberOf(check, 'digitsPerMinute', `${field}.digitsPerMinute`),
  };
}

function setOf(input: Document): JudgedSet {
  if (typeof input.set === 'string') {
    return (
      findSet(input.set) ??
      failField(
        'set',
        'the id of a shipped set such as strategy/mul/8-as-double-4, or an object with practises',
      )
    );
  }
  const set = documentOf(input.set, 'set');
  const practises = listOf(set, 'practises', 'set.practises').map((one, at) =>
    factOf(one, `set.practises[${at}]`),
  );
  if (practises.length === 0) failField('set.practises', 'a list of one fact or more');
  return {
    name: typeof set.name === 'string' ? set.name : 'the set',
    practises,
    everyFact: flagOf(set, 'everyFact', 'set.everyFact', false),
  };
}

function policyOf(input: Document): Policy {
  const own = input.policy === undefined || input.policy === null ? {} : documentOf(input.policy, 'policy');
  try {
    return policyInForce(own);
  } catch (error) {
    if (error instanceof RangeError) {
      const [field, should] = error.message.split(' should be ');
      failField(field as string, (should ?? '').replace(/\.$/, ''));
    }
    throw error;
  }
}
