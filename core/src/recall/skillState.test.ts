import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { skillStateOf, type SkillAnswer } from './skillState.ts';

const given = (text: string): SkillAnswer[] =>
  [...text].map((one) => ({ right: 'rR'.includes(one), aided: 'RW'.includes(one) }));

describe('the state of a skill', () => {
  it.each([
    ['', 'untried'],
    ['r', 'workingOut'],
    ['rr', 'workingOut'],
    ['rrr', 'secure'],
    ['wrrr', 'secure'],
    ['rrwr', 'secure'],
    ['rwwr', 'workingOut'],
    ['rrrw', 'missed'],
    ['w', 'missed'],
    // With help: seen to be under way, and no more.
    ['R', 'workingOut'],
    ['RRRR', 'workingOut'],
    ['rrRr', 'secure'],
    ['rrrW', 'secure'],
    ['W', 'missed'],
  ] as const)('after %s is %s', (answers, state) => {
    expect(skillStateOf(given(answers))).toBe(state);
  });
  it('hangs on the latest four without help alone', () => {
    const answer = fc.record({ right: fc.boolean(), aided: fc.boolean() });
    fc.assert(
      fc.property(fc.array(answer), fc.array(answer, { minLength: 4, maxLength: 12 }), (before, after) => {
        fc.pre(after.filter((one) => !one.aided).length >= 4);
        expect(skillStateOf([...before, ...after])).toBe(skillStateOf(after));
      }),
    );
  });
});
