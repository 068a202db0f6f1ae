import { answerOf, needsNoThought, type Fact } from './fact.ts';
import type { Operation } from './operation.ts';

/** The largest addend, subtrahend, answer of a subtraction, factor, divisor and quotient by default. */
export const defaultLargest = 12;

/**
 * Every ordered fact of an operation in the range, by rows of the map.
 * Rows and columns: addends; subtrahend and answer; factors; divisor (from 1) and quotient.
 */
export function factsInRange(operation: Operation, largest: number = defaultLargest): Fact[] {
  const out: Fact[] = [];
  for (let row = operation === 'div' ? 1 : 0; row <= largest; row += 1) {
    for (let column = 0; column <= largest; column += 1) out.push(factAt(operation, row, column));
  }
  return out;
}

/** The fact in one cell of the map: row and column are the two smaller numbers of its family. */
export function factAt(operation: Operation, row: number, column: number): Fact {
  switch (operation) {
    case 'add':
    case 'mul':
      return { operation, left: row, right: column };
    case 'sub':
      return { operation, left: row + column, right: row };
    case 'div':
      return { operation, left: row * column, right: row };
  }
}

/** Where a fact lies on the map of its operation. */
export function cellOf(fact: Fact): { readonly row: number; readonly column: number } {
  switch (fact.operation) {
    case 'add':
    case 'mul':
      return { row: fact.left, column: fact.right };
    case 'sub':
      return { row: fact.right, column: fact.left - fact.right };
    case 'div':
      return { row: fact.right, column: fact.left / fact.right };
  }
}

/** The facts of an operation in its range that need no thought, but for 0 itself. */
export function factsWithoutThought(operation: Operation): Fact[] {
  return factsInRange(operation).filter((fact) => needsNoThought(fact) && answerOf(fact) > 0);
}
