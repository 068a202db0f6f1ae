import fc from 'fast-check';
import { expect, it } from 'vitest';
import { answerClasses } from '../recall/answerClass.ts';
import { latestOfEach } from '../recall/factState.ts';
import { marks } from '../recall/mark.ts';
import { timedFoldsOf } from '../recall/timedState.ts';
import { untimedFoldsOf } from '../recall/untimedState.ts';
import { decide } from './decide.ts';
import { lookedBack, type JudgedAnswer } from './decision.ts';
import { defaultPolicy } from './policy.ts';

const facts = ['7x8', '8x8', '9x8', '3x8'];
const zone = 'Europe/Oslo';
const histories = fc
  .array(
    fc.record({
      fact: fc.constantFrom(...facts),
      class: fc.oneof(
        { weight: 3, arbitrary: fc.constant('recalled' as const) },
        { weight: 1, arbitrary: fc.constantFrom(...answerClasses) },
      ),
      correctedMs: fc.integer({ min: 300, max: 1990 }),
      seen: fc.oneof(
        { weight: 6, arbitrary: fc.constant([]) },
        {
          weight: 1,
          arbitrary: fc.subarray([...marks], { maxLength: 2 }),
        },
      ),
      aided: fc.constantFrom(false, false, false, true),
      laterMin: fc.constantFrom(1, 1, 1, 400, 1440, 11_520),
    }),
    { minLength: 30, maxLength: 150 },
  )
  .map((list) => {
    let minutes = 0;
    return list.map(({ laterMin, ...one }, nth): JudgedAnswer => {
      minutes += laterMin;
      return {
        ...one,
        id: `a${nth}`,
        limitMs: 2000,
        at: new Date(Date.UTC(2026, 0, 1) + minutes * 60_000).toISOString(),
      };
    });
  });

it.each(['eachFactInstant', 'accurateExplained'] as const)(
  '%s says the same of what is kept of all answers and the latest of each fact, as of all of them',
  (school) => {
    fc.assert(
      fc.property(histories, (answers) => {
        const given = {
          school,
          policy: defaultPolicy,
          set: { name: 'by 8', practises: facts },
          checks: [{ id: 'c', at: (answers.at(-9) as JudgedAnswer).at, right: 40, wrong: 0 }],
          ceiling: null,
          timeZone: zone,
        };
        expect(
          decide({
            ...given,
            answers: latestOfEach(answers, lookedBack),
            folds: { timed: timedFoldsOf(answers, zone), untimed: untimedFoldsOf(answers, zone) },
          }),
        ).toEqual(decide({ ...given, answers }));
      }),
      { numRuns: 300 },
    );
  },
);
