import { copiesAsked, judgingsAsked, namingsAsked } from '../recall/calibration.ts';
import { answerOf, factKey, type FactKey } from '../facts/fact.ts';
import { shuffled, type RandomSource } from '../random/random.ts';

/** Numbers to copy on the keypad: 6 of one digit, 6 of two, 4 of three, mixed, no number twice. */
export function makeCopyForm(random: RandomSource): number[] {
  const pick = (from: number, to: number, count: number) =>
    shuffled(
      Array.from({ length: to - from + 1 }, (_, at) => from + at),
      random,
    ).slice(0, count);
  return shuffled(
    [...pick(1, 9, copiesAsked[1]), ...pick(10, 99, copiesAsked[2]), ...pick(100, 999, copiesAsked[3])],
    random,
  );
}

/** Numbers for the pupil to name: one and two digits, no number twice. */
export function makeNamingForm(random: RandomSource): number[] {
  return shuffled(
    Array.from({ length: 98 }, (_, at) => at + 2),
    random,
  ).slice(0, namingsAsked);
}

/** A shown fact with an answer, right or wrong, for the tutor to judge. */
export interface ShownAnswer {
  readonly fact: FactKey;
  readonly shown: number;
  readonly right: boolean;
}

/** Shown answers to judge: half right, half wrong by 1 or 2 and never below 0, easy sums, mixed. */
export function makeJudgingForm(random: RandomSource): ShownAnswer[] {
  return shuffled(
    Array.from({ length: judgingsAsked }, (_, at): ShownAnswer => {
      const fact = { operation: 'add', left: random.int(1, 5), right: random.int(1, 5) } as const;
      const answer = answerOf(fact);
      const right = at % 2 === 0;
      return {
        fact: factKey(fact),
        shown: right ? answer : answer + (random.int(0, 1) === 0 ? 1 : -1) * random.int(1, 2),
        right,
      };
    }),
    random,
  );
}
