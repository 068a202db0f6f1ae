/** A number as top over bottom: lowest terms, bottom above 0. */
export interface Fraction {
  readonly top: number;
  readonly bottom: number;
}

/** In lowest terms. Throws RangeError when the bottom is 0, or a part is not a whole number that can be held exactly. */
export function fraction(top: number, bottom = 1): Fraction {
  if (bottom === 0) throw new RangeError('A fraction needs a bottom other than 0.');
  if (!Number.isSafeInteger(top) || !Number.isSafeInteger(bottom))
    throw new RangeError('The parts of a fraction should be whole numbers that can be held exactly.');
  const by = greatestCommonDivisor(top, bottom) * Math.sign(bottom);
  return { top: top / by || 0, bottom: bottom / by };
}

/** The greatest common divisor, at least 1 unless both are 0 (then 0). Euclid. */
export function greatestCommonDivisor(a: number, b: number): number {
  let [high, low] = [Math.abs(a), Math.abs(b)];
  while (low !== 0) [high, low] = [low, high % low];
  return high;
}

export const addFractions = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom + b.top * a.bottom, a.bottom * b.bottom);
export const subtractFractions = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom - b.top * a.bottom, a.bottom * b.bottom);
export const multiplyFractions = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.top, a.bottom * b.bottom);
/** Throws RangeError when `b` is 0. */
export const divideFractions = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom, a.bottom * b.top);

/** Below 0 when `a` is smaller, 0 when equal. */
export const compareFractions = (a: Fraction, b: Fraction): number => a.top * b.bottom - b.top * a.bottom;

export const isWhole = (a: Fraction): boolean => a.bottom === 1;

/** "3/4"; a whole number without a bottom: "5". */
export const fractionText = ({ top, bottom }: Fraction): string =>
  bottom === 1 ? `${top}` : `${top}/${bottom}`;
