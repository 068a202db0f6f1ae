/** Aids that may lie under a prompt, on call or by step. The names are what is stored; they never change. */
export const aids = [
  'tenFrame',
  'beadFrame',
  'numberLine',
  'hundredSquare',
  'tableRow',
  'linkedRows',
  'repeatedAddition',
  'array',
  'nineFingers',
  'placeFrame',
  'column',
  'fractionBars',
  // A picture the child made for just this fact.
  'ownPicture',
] as const;
export type Aid = (typeof aids)[number];

export const aidNames: Readonly<Record<Aid, string>> = {
  tenFrame: 'Ten frame',
  beadFrame: 'Bead frame',
  numberLine: 'Number line',
  hundredSquare: 'Hundred square',
  tableRow: 'One row',
  linkedRows: 'Two linked rows',
  repeatedAddition: 'Added again and again',
  array: 'Array',
  nineFingers: 'Nine-times fingers',
  placeFrame: 'Place frame',
  column: 'In columns',
  fractionBars: 'Fraction bars',
  ownPicture: 'Own picture',
};
