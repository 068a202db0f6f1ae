import { type Expression, type Sign } from './expression.ts';
import { reach } from './reach.ts';

export interface Nearest {
  /** The smaller of the nearest values. */
  readonly value: number;
  readonly distance: number;
  readonly expression: Expression;
  /** Both when two values are equally near. */
  readonly values: readonly number[];
}

/** The value nearest to a target that the numbers make, by the rules of the table. Throws RangeError as `reach` does. */
export function nearest(numbers: readonly number[], target: number, signs?: readonly Sign[]): Nearest {
  // One number alone is always made, so nothing further off than the nearest of them is wanted.
  const most = Math.min(...numbers.map((one) => Math.abs(one - target)));
  const found = reach({
    numbers,
    ...(signs ? { signs } : {}),
    from: Math.max(0, target - most),
    to: target + most,
  });
  const distance = Math.min(...found.values.map((value) => Math.abs(value - target)));
  const values = found.values.filter((value) => Math.abs(value - target) === distance);
  const value = values[0] as number;
  return { value, distance, expression: found.lineFor(value) as Expression, values };
}
