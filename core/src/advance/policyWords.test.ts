import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  defaultPolicy,
  policyBounds,
  policyInForce,
  policyTroubles,
  schools,
  type Policy,
} from './policy.ts';
import { judgesBy, policyNames, policyNumbers } from './policyWords.ts';

const anyName = fc.constantFrom(...policyNames);
/** A value that a number of a policy may be. */
const anyValue = anyName.chain((name) => {
  const { least, most, whole } = policyBounds[name];
  const value = whole
    ? fc.integer({ min: least, max: most })
    : fc.integer({ min: Math.ceil(least * 100), max: Math.floor(most * 100) }).map((one) => one / 100);
  return value.map((one) => ({ name, value: one }));
});
const withOne = (name: keyof Policy, value: number): Policy => ({ ...defaultPolicy, [name]: value });

describe('the numbers of a policy in words', () => {
  it('has a label, a unit and a whole sentence for each, whatever it is', () => {
    fc.assert(
      fc.property(anyValue, ({ name, value }) => {
        const { label, says, worth } = policyNumbers[name];
        expect(label.length).toBeGreaterThan(2);
        expect(worth).toBeGreaterThan(0);
        const sentence = says(withOne(name, value));
        expect(sentence).toMatch(/^[A-Z0-9].*\.$/);
        expect(sentence).not.toMatch(/NaN|undefined|Infinity/);
      }),
    );
  });
  it('says another sentence for another value: no number is said that does not count', () => {
    for (const name of policyNames) {
      const { least, most } = policyBounds[name];
      const { says } = policyNumbers[name];
      expect(says(withOne(name, least)), name).not.toBe(says(withOne(name, most)));
      // It speaks of this number alone.
      for (const other of policyNames)
        if (other !== name) {
          const changed = { ...defaultPolicy, [other]: policyBounds[other].most };
          if (says(changed) !== says(defaultPolicy))
            expect(`${name} speaks of ${other}`).toMatch(/retention|mastery|instruction/i);
        }
    }
  });
  it('is judged by in one school at least', () => {
    for (const name of policyNames)
      expect(
        schools.some((school) => judgesBy(school, name)),
        name,
      ).toBe(true);
  });
  it('is preset within its bounds, and the preset can be met in every school', () => {
    for (const name of policyNames) {
      const { least, most, whole } = policyBounds[name];
      expect(defaultPolicy[name]).toBeGreaterThanOrEqual(least);
      expect(defaultPolicy[name]).toBeLessThanOrEqual(most);
      if (whole) expect(Number.isInteger(defaultPolicy[name])).toBe(true);
    }
    for (const school of schools) expect(policyTroubles(defaultPolicy, school)).toEqual([]);
  });
  it('of a pupil’s own stands over the preset, and the rest stays', () => {
    fc.assert(
      fc.property(anyValue, ({ name, value }) => {
        expect(policyInForce({ [name]: value })).toEqual(withOne(name, value));
      }),
    );
    expect(policyInForce()).toEqual(defaultPolicy);
  });
});
