import { expect, it } from 'vitest';
import { isCheck, isMinute, purposeNames, purposes } from './purpose.ts';

it('counts three purposes as checks and four as minutes, and names each', () => {
  expect(purposes.filter(isCheck)).toEqual(['check', 'mixed', 'probe']);
  expect(purposes.filter(isMinute)).toEqual(['check', 'practice', 'mixed', 'probe']);
  expect(new Set(purposes.map((one) => purposeNames[one])).size).toBe(purposes.length);
  for (const one of purposes) expect(purposeNames[one]).toMatch(/^[A-Z][a-z ]+$/);
});
