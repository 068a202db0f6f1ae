import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, factKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { slipKinds, slipOf, slipPatterns, slipsOf, slipTexts, type ReadSlip } from './slip.ts';

describe('slips', () => {
  it.each([
    ['7+6', '12', 'offByOne'],
    ['7+6', '42', 'otherOperation'],
    ['8-3', '11', 'otherOperation'],
    ['42:6', '36', 'otherOperation'],
    ['7x8', '65', 'digitsSwapped'],
    ['7x6', '24', 'digitsSwapped'],
    ['7+6', '30', 'teenForTy'],
    ['5x6', '13', 'teenForTy'],
    ['8x9', '81', 'nextMultiple'],
    ['8x9', '63', 'nextMultiple'],
    ['42:6', '8', 'nextMultiple'],
    ['9+8', '7', 'tenOrHundredLost'],
    ['10x12', '20', 'tenOrHundredLost'],
    ['10x8', '8', 'tenOrHundredLost'],
    ['9x7', '54', 'nextMultiple'],
    ['7x8', '54', 'neighbourFact'],
    ['6+9', '6', 'operandRepeated'],
    ['8+5', '16', 'operandRepeated'],
    ['0x7', '7', 'zeroOneRule'],
    ['7x1', '1', 'zeroOneRule'],
    ['7+0', '0', 'zeroOneRule'],
    ['7-7', '7', 'zeroOneRule'],
    ['7x8', '99', 'unread'],
  ] as const)('%s said %s is %s', (key, given, kind) => {
    expect(slipOf(key, given)).toBe(kind);
  });

  it('reads nothing where nothing was said, or it was right', () => {
    expect(slipOf('7x8', null)).toBeUndefined();
    expect(slipOf('7x8', '')).toBeUndefined();
    expect(slipOf('7x8', '56')).toBeUndefined();
  });

  it('names every wrong answer of every fact, and no right one', () => {
    for (const fact of operations.flatMap((one) => factsInRange(one))) {
      expect(slipOf(factKey(fact), String(answerOf(fact)))).toBeUndefined();
      for (let given = 0; given <= 150; given += 1) {
        if (given !== answerOf(fact)) expect(slipsOf(fact, given).length).toBeGreaterThan(0);
      }
    }
  });

  it('takes an answer of forty digits', () => {
    expect(slipOf('7x8', '9'.repeat(40))).toBe('unread');
  });

  it('has a name and an aid for each kind', () => {
    for (const kind of slipKinds)
      expect(slipTexts[kind].name.length * slipTexts[kind].answer.length).toBeGreaterThan(0);
  });
});

describe('patterns', () => {
  const slip = (kind: ReadSlip['kind'], visit: string, id = `${kind}${visit}`): ReadSlip => ({
    id,
    fact: '7x8',
    given: '1',
    visit,
    kind,
  });
  it('are three of a kind in ten slips or in two visits', () => {
    const filler = Array.from({ length: 9 }, (_, at) => slip('unread', `v${at}`));
    expect(slipPatterns([slip('offByOne', 'a'), slip('offByOne', 'b')])).toEqual([]);
    expect(slipPatterns([slip('offByOne', 'a'), slip('offByOne', 'b'), slip('offByOne', 'c')])[0]?.kind).toBe(
      'offByOne',
    );
    expect(
      slipPatterns([slip('offByOne', 'a'), slip('offByOne', 'b'), ...filler, slip('offByOne', 'c')]),
    ).toEqual([]);
    const busy = Array.from({ length: 12 }, (_, at) => slip('unread', 'last', `x${at}`));
    expect(
      slipPatterns([...['1', '2', '3'].map((id) => slip('nextMultiple', 'before', id)), ...busy])[0]?.kind,
    ).toBe('nextMultiple');
  });
  it('only ever name what happened three times', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ kind: fc.constantFrom(...slipKinds), visit: fc.constantFrom('a', 'b', 'c') })),
        (list) => {
          for (const pattern of slipPatterns(list.map((one, at) => slip(one.kind, one.visit, String(at))))) {
            expect(pattern.slips.length).toBeGreaterThanOrEqual(3);
            expect(pattern.slips.every((one) => one.kind === pattern.kind)).toBe(true);
            expect(pattern.kind).not.toBe('unread');
          }
        },
      ),
    );
  });
});
