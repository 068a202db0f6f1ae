import type { Operation } from '../facts/operation.ts';
import type { Sign } from '../numbers/expression.ts';

/** The operation of a sign as typed. */
export const operationOfSign: Readonly<Record<Sign, Operation>> = {
  '+': 'add',
  '-': 'sub',
  '*': 'mul',
  '/': 'div',
};
/** The sign of an operation as typed. */
export const signOfOperation: Readonly<Record<Operation, Sign>> = { add: '+', sub: '-', mul: '*', div: '/' };
