import { skillItem } from '../facts/item.ts';
import { compareFractions, fraction, greatestCommonDivisor } from '../numbers/fraction.ts';
import type { Asked } from './need.ts';
import type { Part } from '../numbers/part.ts';
import { say } from './tell/sentence.ts';

const partText = ({ top, bottom }: Part): string => `${top}/${bottom}`;

/** A part of a whole to be named: top and bottom, proper or improper. */
export const askPartName = (seat: number, part: Part): Asked => ({
  seat,
  item: skillItem('frac:name'),
  shown: partText(part),
  answer: say('partNamed', part),
  whole: say('partIs', { shown: partText(part), ...part }),
});

/** The least number that all bottoms go into. */
export const commonBottom = (parts: readonly Part[]): number =>
  parts.reduce((common, { bottom }) => (common / greatestCommonDivisor(common, bottom)) * bottom, 1);

/** Which of some parts of a whole is the largest, or the smallest; told over a bottom that all of them share. */
export function askLargerPart(seat: number, parts: readonly Part[], smaller: boolean): Asked {
  const valueOf = ({ top, bottom }: Part) => fraction(top, bottom);
  const [most, second] = parts.toSorted(
    (a, b) => (smaller ? 1 : -1) * compareFractions(valueOf(a), valueOf(b)),
  );
  if (!most) throw new RangeError('There is nothing to compare.');
  const alike = second !== undefined && compareFractions(valueOf(most), valueOf(second)) === 0;
  const bottom = commonBottom(parts);
  const over = parts
    .filter((one) => one.bottom !== bottom)
    .map((one) => `${partText(one)} = ${(one.top * bottom) / one.bottom}/${bottom}`);
  return {
    seat,
    item: skillItem('frac:cmp'),
    shown: say('largerPart', { parts: parts.map(partText), smaller }),
    answer: alike ? say('alikeAnswer') : partText(most),
    whole: say('partsCompared', { over, most: alike ? null : partText(most), smaller }),
  };
}

/** How parts are drawn below one another: in so many wholes, each cut into a bottom that all share, with so many of them shaded. */
export function partsDrawn(parts: readonly Part[]): {
  readonly wholes: number;
  readonly bottom: number;
  readonly shaded: readonly number[];
} {
  const bottom = commonBottom(parts);
  return {
    wholes: Math.max(1, ...parts.map((one) => Math.ceil(one.top / one.bottom))),
    bottom,
    shaded: parts.map((one) => (one.top * bottom) / one.bottom),
  };
}
