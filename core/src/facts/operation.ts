/** The four operations. The short names are what is stored; they never change. */
export const operations = ['add', 'sub', 'mul', 'div'] as const;
export type Operation = (typeof operations)[number];

/** The ASCII sign used inside fact keys. */
export const keySigns: Readonly<Record<Operation, string>> = { add: '+', sub: '-', mul: 'x', div: ':' };

/** The proper sign for display: plus, minus (U+2212), times, divided by. */
export const displaySigns: Readonly<Record<Operation, string>> = {
  add: '+',
  sub: '\u2212',
  mul: '\u00d7',
  div: '\u00f7',
};

export const operationNames: Readonly<Record<Operation, string>> = {
  add: 'Addition',
  sub: 'Subtraction',
  mul: 'Multiplication',
  div: 'Division',
};

/** Whether the operands may change places without changing the answer. */
export function hasTurnaround(operation: Operation): boolean {
  return operation === 'add' || operation === 'mul';
}
