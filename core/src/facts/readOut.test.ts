import { describe, expect, it } from 'vitest';
import { factKeyText, parseFactKey } from './fact.ts';
import { operations, type Operation } from './operation.ts';
import { unorderedFacts } from './ownPathway.ts';
import { readOut } from './readOut.ts';

const words: Readonly<Record<Operation, string>> = {
  ...{ add: 'plus', sub: 'take away', mul: 'times', div: 'divided by' },
};

describe('a line read out', () => {
  it.each([
    ['7 × 8', '7 times 8'],
    ['13 \u2212 6 = 7', '13 take away 6 is 7'],
    ['2 + □ = 7', '2 plus what is 7'],
    ['□ \u2212 2 = 7', 'what take away 2 is 7'],
    ['\u22124 + 7', 'minus 4 plus 7'],
    ['3 \u2212 \u22124', '3 take away minus 4'],
    ['(2 + 3) × 4', '(2 plus 3) times 4'],
    ['8 + 5: two to 10, three more.', '8 plus 5: two to 10, three more.'],
  ])('is %j as %j', (line, said) => expect(readOut(line)).toBe(said));
  it('says every fact by its numbers in order and its operation', () => {
    for (const operation of operations)
      for (const key of unorderedFacts(operation)) {
        const { left, right } = parseFactKey(key);
        expect(readOut(factKeyText(key))).toBe(`${left} ${words[operation]} ${right}`);
      }
  });
});
