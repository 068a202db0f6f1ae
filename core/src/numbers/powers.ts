import { isWhole, type Fraction } from './fraction.ts';

/** A whole number of a value. Throws RangeError where it is none. */
export function wholeOf(value: Fraction): number {
  if (!isWhole(value)) throw new RangeError('Powers and factorials are of whole numbers.');
  return value.top;
}

/**
 * A whole number from 0 to the power of another. Throws RangeError for numbers below 0, for nought to the power of nought, which
 * stands for no one number, and where it is beyond what is held exactly.
 */
export function raise(base: number, power: number): number {
  if (base < 0 || power < 0 || (base === 0 && power === 0))
    throw new RangeError('There is no such power here.');
  const value = base ** power;
  if (!Number.isSafeInteger(value)) throw new RangeError('This power is too large to work with.');
  return value;
}

/** The product of all whole numbers from 1 to a number; of nought it is 1. Throws RangeError below 0 and above 18. */
export function factorialOf(number: number): number {
  if (number < 0 || number > mostFactorial) throw new RangeError('There is no such factorial here.');
  let product = 1;
  for (let factor = 2; factor <= number; factor += 1) product *= factor;
  return product;
}

/** The largest number whose factorial is held exactly. */
export const mostFactorial = 18;

/** What has to be raised to a power from 1 on to come to a value from 0; undefined: no whole number. */
export function rootOf(value: number, power: number): number | undefined {
  const near = Math.round(value ** (1 / power));
  return [near - 1, near, near + 1].find((one) => one >= 0 && one ** power === value);
}

/** The power of a base from 2 on that comes to a value; undefined: none. */
export function powerOf(base: number, value: number): number | undefined {
  let power = 0;
  for (let reached = 1; reached <= value; reached *= base) {
    if (reached === value) return power;
    power += 1;
  }
  return undefined;
}

/** The number from 3 on whose factorial is a value; undefined: none. */
export function factorialRoot(value: number): number | undefined {
  for (let number = 3, reached = 6; reached <= value; number += 1, reached *= number)
    if (reached === value) return number;
  return undefined;
}
