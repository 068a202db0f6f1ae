import { describe, expect, it } from 'vitest';
import { addFractions, fraction } from '../numbers/fraction.ts';
import { fingersChance, rollExposure } from './rollOdds.ts';

describe('rolls expected', () => {
  it('of two dice: 21, doubles half as often as the others, all of them together as often as was rolled', () => {
    const found = rollExposure([6, 6], 36);
    expect(found.size).toBe(21);
    expect(found.get('1,1')).toEqual(fraction(1));
    expect(found.get('1,2')).toEqual(fraction(2));
    expect(found.get('2,1')).toBeUndefined();
    expect([...found.values()].reduce(addFractions)).toEqual(fraction(36));
  });
  it('of dice of two kinds: a ten-sided die shows 0 to 9', () => {
    const found = rollExposure([10, 4], 1);
    expect(found.get('0,1')).toEqual(fraction(1, 40));
    expect(found.get('1,2')).toEqual(fraction(2, 40));
    expect(found.get('1,10')).toBeUndefined();
  });
  it('of three dice: three alike once in 216, three different six times', () => {
    const found = rollExposure([6, 6, 6], 216);
    expect(found.get('4,4,4')).toEqual(fraction(1));
    expect(found.get('1,2,3')).toEqual(fraction(6));
    expect(found.get('1,1,2')).toEqual(fraction(3));
  });
});

describe('fingers shown behind the back', () => {
  it('come to 9 in 8 of 100, 12 in 9, 7 in 6; to the product 24 in 4', () => {
    expect(fingersChance(10, 9, 'add')).toEqual(fraction(8, 100));
    expect(fingersChance(10, 12, 'add')).toEqual(fraction(9, 100));
    expect(fingersChance(10, 7, 'add')).toEqual(fraction(6, 100));
    expect(fingersChance(10, 24, 'mul')).toEqual(fraction(4, 100));
    expect(fingersChance(10, 21, 'add')).toEqual(fraction(0));
    expect(() => fingersChance(0, 2, 'add')).toThrow('one finger');
  });
});
