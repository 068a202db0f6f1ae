import { median } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import { isCheckDue } from '../planning/checkDue.ts';
import { learnerFigures, type Knowledge, type LearnerFigures } from './figures.ts';
import { ask, createLearner } from './learner.ts';

/** Many first answers from fresh learners who hold one fact in one way. */
function answers(knowledge: Knowledge, key = '7x8', pace = 1) {
  const random = createRandom(7);
  return Array.from({ length: 4000 }, () =>
    ask(
      createLearner(() => knowledge, [key], { pace }),
      key,
      0,
      random,
    ),
  );
}

describe('simulated learner', () => {
  it.each(['recalled', 'workedOut', 'notKnown'] as const)(
    'answers %s facts by the yardstick',
    (knowledge) => {
      const list = answers(knowledge);
      const figures = learnerFigures[knowledge];
      expect(median(list.map((one) => one.latencyMs)) / figures.medianMs).toBeCloseTo(1, 1);
      const wrong = list.filter((one) => !one.right).length / list.length;
      expect(Math.abs(wrong - figures.wrong)).toBeLessThan(0.03);
      const logs = list.map((one) => Math.log(one.latencyMs / figures.medianMs));
      const sigma = Math.sqrt(logs.reduce((sum, one) => sum + one * one, 0) / logs.length);
      expect(Math.abs(sigma - figures.sigma)).toBeLessThan(0.03);
    },
  );

  it('is slower by its pace and counts small numbers faster', () => {
    expect(median(answers('recalled', '7x8', 1.6).map((one) => one.latencyMs)) / 1440).toBeCloseTo(1, 1);
    expect(median(answers('workedOut', '7+1').map((one) => one.latencyMs)) / 1800).toBeCloseTo(1, 1);
  });

  it('learns by meeting and forgets by days', () => {
    const random = createRandom(3);
    const lifted = Array.from({ length: 4000 }, () => {
      const learner = createLearner(() => 'notKnown', ['7x8']);
      ask(learner, '7x8', 0, random);
      return learner.held.get('7x8')?.knowledge;
    }).filter((one) => one === 'workedOut').length;
    expect(Math.abs(lifted / 4000 - 0.2)).toBeLessThan(0.025);
    const lost = Array.from({ length: 4000 }, () =>
      ask(
        createLearner(() => 'recalled', ['7x8']),
        '7x8',
        31,
        random,
      ),
    ).filter((one) => one.truth === 'workedOut').length;
    expect(Math.abs(lost / 4000 - (1 - 0.99 ** 30))).toBeLessThan(0.03);
  });

  it('says which fact it does not hold, and never gives a right answer for a wrong one', () => {
    expect(() =>
      ask(
        createLearner(() => 'recalled', []),
        '7x8',
        0,
        createRandom(1),
      ),
    ).toThrow('7x8');
    for (const one of answers('notKnown')) expect(one.given === 56).toBe(one.right);
  });
});

describe('check due', () => {
  it('is weekly, six days being a week', () => {
    expect(isCheckDue(null, 100)).toBe(true);
    expect(isCheckDue(94, 100)).toBe(true);
    expect(isCheckDue(95, 100)).toBe(false);
  });
});

describe('other children than the yardstick’s', () => {
  const timesOf = (over: Partial<LearnerFigures>, knowledge: Knowledge = 'workedOut') => {
    const random = createRandom(11);
    const figures = { ...learnerFigures, ...over };
    return Array.from({ length: 4000 }, () =>
      ask(
        createLearner(() => knowledge, ['7x8'], { figures }),
        '7x8',
        0,
        random,
      ),
    );
  };

  it('with gamma times keep median and coefficient of variation', () => {
    const times = timesOf({ shape: 'gamma' }).map((one) => one.latencyMs);
    expect(median(times) / 3400).toBeCloseTo(1, 1);
    const mean = times.reduce((sum, one) => sum + one, 0) / times.length;
    const deviation = Math.sqrt(times.reduce((sum, one) => sum + (one - mean) ** 2, 0) / times.length);
    expect(Math.abs(deviation / mean - Math.sqrt(Math.exp(0.45 ** 2) - 1))).toBeLessThan(0.03);
  });

  it('err by carelessness or by another sign, and never are right by it', () => {
    const wrong = (over: Partial<LearnerFigures>) =>
      timesOf(over, 'recalled').filter((one) => !one.right).length / 4000;
    expect(Math.abs(wrong({}) - 0.02)).toBeLessThan(0.01);
    expect(Math.abs(wrong({ careless: 0.06 }) - 0.0788)).toBeLessThan(0.015);
    const misread = timesOf({ signConfusion: 1 }, 'recalled');
    for (const one of misread) expect([one.given, one.right]).toEqual([15, false]);
  });

  it('tire within a visit, and are quicker with each meeting of a fact just recalled', () => {
    const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
    const later = (over: Partial<LearnerFigures>, day: number) => {
      const random = createRandom(5);
      return Array.from({ length: 2000 }, () => {
        const learner = createLearner(() => 'workedOut', ['7x8'], {
          figures: { ...learnerFigures, toRecalled: 1, forgetPerDay: 0, ...over },
        });
        const asked = Array.from({ length: 5 }, () => ask(learner, '7x8', 0, random).latencyMs);
        return [...asked, ask(learner, '7x8', day, random).latencyMs];
      });
    };
    const at = (runs: readonly (readonly number[])[], nth: number) =>
      mean(runs.map((one) => one[nth] as number));
    const tired = later({ fatigue: 0.1 }, 1);
    expect(at(tired, 4) / at(tired, 1)).toBeCloseTo(1.4 / 1.1, 1);
    // Rested on another day.
    expect(at(tired, 5) / at(tired, 4)).toBeCloseTo(1 / 1.4, 1);
    const fresh = later({ freshSlower: 0.8 }, 1);
    expect(at(fresh, 1) / at(fresh, 4)).toBeCloseTo(1.8 / (1 + 0.8 * 0.7 ** 3), 1);
  });
});
