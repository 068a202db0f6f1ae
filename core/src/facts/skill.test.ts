import { describe, expect, it } from 'vitest';
import { factKey } from './fact.ts';
import { factOr, isOnMap, largestOnMap } from './item.ts';
import { operations } from './operation.ts';
import { factsInRange } from './range.ts';
import { isSkillKey, skillKinds, skillText, tryParseSkill } from './skill.ts';

describe('a skill', () => {
  it('is read from its key, with the number that goes with it', () => {
    expect(tryParseSkill('cmp')).toEqual({ kind: 'cmp', number: null });
    expect(tryParseSkill('line:add')).toEqual({ kind: 'line:add', number: null });
    expect(tryParseSkill('bond:10')).toEqual({ kind: 'bond', number: 10 });
    expect(tryParseSkill('count:7')).toEqual({ kind: 'count', number: 7 });
  });
  it.each([
    '',
    'bond',
    'bond:',
    'bond:x',
    'bond:01',
    'bond:1000',
    'cmp:3',
    '7x8',
    'line',
    'toString',
    'line:div',
  ])('is not “%s”', (key) => {
    expect(tryParseSkill(key)).toBeUndefined();
    expect(isSkillKey(key)).toBe(false);
    expect(() => skillText(key)).toThrow(RangeError);
  });
  it('is told in words that no other skill is told in', () => {
    const keys = Object.entries(skillKinds).map(([kind, { takes }]) => (takes === null ? kind : `${kind}:4`));
    expect(keys.every(isSkillKey)).toBe(true);
    expect(new Set(keys.map(skillText)).size).toBe(keys.length);
    expect(skillText('bond:20')).toBe('What is missing to 20');
    expect(skillText('place:3')).toBe('The largest number of 3 cards');
  });
});

describe('an item', () => {
  it('is a fact on the map for every fact of its range, and no further', () => {
    for (const operation of operations) {
      const far = factsInRange(operation, largestOnMap + 2);
      const on = far.map(factKey).filter(isOnMap);
      expect(new Set(on)).toEqual(new Set(factsInRange(operation, largestOnMap).map(factKey)));
    }
  });
  it('is the skill that stands for what is on no map', () => {
    expect(factOr('7x8', 'line:mul')).toEqual({ kind: 'fact', key: '7x8' });
    expect(factOr('56+42', 'line:add')).toEqual({ kind: 'skill', key: 'line:add' });
    expect(factOr('-7+2', 'line:add')).toEqual({ kind: 'skill', key: 'line:add' });
  });
});
