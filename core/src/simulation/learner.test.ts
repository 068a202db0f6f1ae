import { median } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import { isCheckDue } from '../planning/checkDue.ts';
import { ask, createLearner, learnerFigures, type Knowledge } from './learner.ts';

/** Many first answers from fresh learners who hold one fact in one way. */
function answers(knowledge: Knowledge, key = '7x8', pace = 1) {
  const random = createRandom(7);
  return Array.from({ length: 4000 }, () =>
    ask(
      createLearner(() => knowledge, [key], pace),
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
