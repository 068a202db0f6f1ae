import { fixedNumberSets } from './fixedNumberSets.ts';
import { linkedTablesSets } from './linkedTablesSets.ts';
import { rangeOfCardsSets } from './rangeOfCardsSets.ts';
import type { SetPlan } from './factSet.ts';
import type { Operation } from './operation.ts';

const addByStrategy: readonly SetPlan[] = [
  {
    slug: 'zero-one',
    name: 'zero, one',
    hint: 'Zero changes nothing; one more is the next number.',
    aids: ['numberLine'],
    leansOn: [],
    rule: { kind: 'part', values: [0, 1] },
    everyFact: true,
  },
  {
    slug: 'two',
    name: 'two',
    hint: 'Two more: skip one number.',
    aids: ['numberLine'],
    leansOn: ['zero-one'],
    rule: { kind: 'part', values: [2] },
    everyFact: true,
  },
  {
    slug: 'doubles-to-5',
    name: 'doubles to 5',
    hint: 'The same on both hands.',
    aids: ['tenFrame'],
    leansOn: [],
    rule: { kind: 'equalParts', from: 0, to: 5 },
  },
  {
    slug: 'bonds-to-ten',
    name: 'bonds to ten',
    hint: 'Which one fills the ten frame?',
    aids: ['tenFrame', 'beadFrame'],
    leansOn: ['doubles-to-5'],
    rule: { kind: 'whole', from: 10, to: 10 },
  },
  {
    slug: 'ten-and-some',
    name: 'ten and some',
    hint: 'Ten and four is fourteen.',
    aids: ['tenFrame', 'beadFrame'],
    leansOn: ['bonds-to-ten'],
    rule: { kind: 'part', values: [10] },
  },
  {
    slug: 'doubles-to-12',
    name: 'doubles to 12',
    hint: 'Double the fives, then double the rest.',
    aids: ['tenFrame', 'array'],
    leansOn: ['doubles-to-5', 'ten-and-some'],
    rule: { kind: 'equalParts', from: 0, to: 12 },
  },
  {
    slug: 'near-doubles',
    name: 'near doubles',
    hint: 'Double the smaller and one.',
    aids: ['tenFrame'],
    leansOn: ['doubles-to-12'],
    rule: { kind: 'partsApart', by: 1 },
  },
  {
    slug: 'through-ten-with-9',
    name: 'through ten with 9',
    hint: 'Give the nine one to make ten.',
    aids: ['tenFrame', 'beadFrame'],
    leansOn: ['bonds-to-ten', 'ten-and-some'],
    rule: {
      kind: 'all',
      of: [
        { kind: 'part', values: [9] },
        { kind: 'partsWithin', from: 2, to: 9 },
      ],
    },
  },
  {
    slug: 'through-ten-with-8',
    name: 'through ten with 8',
    hint: 'Give the eight two to make ten.',
    aids: ['tenFrame', 'beadFrame'],
    leansOn: ['bonds-to-ten', 'ten-and-some'],
    rule: {
      kind: 'all',
      of: [
        { kind: 'part', values: [8] },
        { kind: 'partsWithin', from: 3, to: 8 },
      ],
    },
  },
  {
    slug: 'rest',
    name: 'the rest',
    hint: 'Larger number first; use a double or a ten near by.',
    aids: ['tenFrame', 'numberLine'],
    leansOn: ['near-doubles', 'through-ten-with-8'],
    rule: { kind: 'all', of: [{ kind: 'notYet' }, { kind: 'partsWithin', from: 0, to: 10 }] },
  },
  {
    slug: '11-and-12',
    name: '11 and 12',
    hint: 'Add the ten, then the one or the two.',
    aids: ['numberLine', 'hundredSquare'],
    leansOn: ['ten-and-some'],
    rule: { kind: 'part', values: [11, 12] },
  },
];

const subByStrategy: readonly SetPlan[] = [
  {
    slug: 'none-one-all',
    name: 'none, one, all',
    hint: 'Take none, take one, take them all.',
    aids: ['numberLine'],
    leansOn: [],
    rule: {
      kind: 'any',
      of: [
        { kind: 'taken', values: [0, 1] },
        { kind: 'answer', values: [0] },
      ],
    },
    everyFact: true,
  },
  {
    slug: 'two',
    name: 'two',
    hint: 'Two back: skip one number.',
    aids: ['numberLine'],
    leansOn: ['none-one-all'],
    rule: { kind: 'taken', values: [2] },
    everyFact: true,
  },
  {
    slug: 'halves',
    name: 'halves',
    hint: 'Half of a double is known.',
    aids: ['tenFrame'],
    leansOn: [],
    rule: { kind: 'equalParts', from: 0, to: 12 },
  },
  {
    slug: 'from-ten',
    name: 'from ten',
    hint: 'Which one fills the ten frame?',
    aids: ['tenFrame', 'beadFrame'],
    leansOn: ['halves'],
    rule: { kind: 'whole', from: 10, to: 10 },
  },
  {
    slug: 'back-to-ten-and-through',
    name: 'back to ten and through it',
    hint: 'Back to ten first, then the rest.',
    aids: ['numberLine', 'beadFrame'],
    leansOn: ['from-ten'],
    rule: {
      kind: 'all',
      of: [
        { kind: 'whole', from: 11, to: 20 },
        { kind: 'partsWithin', from: 1, to: 10 },
      ],
    },
  },
  {
    slug: 'rest',
    name: 'the rest',
    hint: 'Think of the sum that undoes it.',
    aids: ['numberLine', 'tenFrame'],
    leansOn: ['back-to-ten-and-through'],
    rule: { kind: 'notYet' },
  },
];

/** The order of tables by strategy: each entry a table or a kind of product. */
const tablesByStrategy: readonly SetPlan[] = [
  {
    slug: '2',
    name: 'the 2s',
    hint: 'Doubles.',
    aids: ['array', 'tableRow'],
    leansOn: [],
    rule: { kind: 'part', values: [2] },
  },
  {
    slug: '10',
    name: 'the 10s',
    hint: 'So many tens.',
    aids: ['hundredSquare', 'tableRow'],
    leansOn: [],
    rule: { kind: 'part', values: [10] },
  },
  {
    slug: '5',
    name: 'the 5s',
    hint: 'Half of the tens.',
    aids: ['tableRow', 'array'],
    leansOn: ['10'],
    rule: { kind: 'part', values: [5] },
  },
  {
    slug: '1-and-0',
    name: '1 and 0',
    hint: 'One group is itself; no groups are nothing.',
    aids: ['array'],
    leansOn: [],
    rule: { kind: 'part', values: [0, 1] },
  },
  {
    slug: 'squares',
    name: 'squares',
    hint: 'As many rows as columns.',
    aids: ['array'],
    leansOn: ['2'],
    rule: { kind: 'equalParts', from: 0, to: 12 },
  },
  {
    slug: '4-as-double-2',
    name: '4 as double 2',
    hint: 'Double, and double again.',
    aids: ['array', 'linkedRows'],
    leansOn: ['2'],
    rule: { kind: 'part', values: [4] },
  },
  {
    slug: '8-as-double-4',
    name: '8 as double 4',
    hint: 'Double the fours.',
    aids: ['array', 'linkedRows'],
    leansOn: ['4-as-double-2'],
    rule: { kind: 'part', values: [8] },
  },
  {
    slug: '3',
    name: 'the 3s',
    hint: 'Double and one more group.',
    aids: ['array', 'tableRow'],
    leansOn: ['2'],
    rule: { kind: 'part', values: [3] },
  },
  {
    slug: '6-as-double-3',
    name: '6 as double 3',
    hint: 'Double the threes.',
    aids: ['array', 'linkedRows'],
    leansOn: ['3'],
    rule: { kind: 'part', values: [6] },
  },
  {
    slug: '9-as-ten-less-one',
    name: '9 as ten less one',
    hint: 'Ten groups, less one group.',
    aids: ['nineFingers', 'tableRow'],
    leansOn: ['10'],
    rule: { kind: 'part', values: [9] },
  },
  {
    slug: '7-11-and-12',
    name: '7, 11 and 12',
    hint: 'Split into groups that are known.',
    aids: ['array', 'tableRow'],
    leansOn: ['5', '10', '2'],
    rule: { kind: 'part', values: [7, 11, 12] },
  },
];

/** Division beside the table it undoes: the same families, read backwards. */
const divByStrategy: readonly SetPlan[] = tablesByStrategy.map((plan) => ({
  ...plan,
  name: plan.slug === 'squares' ? 'back from squares' : `undoing ${plan.name}`,
  hint: `Which fact does it undo? ${plan.hint}`,
}));

/** A pathway as it is written down. Ids are stored; they never change. */
export interface PathwayPlan {
  readonly id: string;
  readonly name: string;
  readonly sets: Readonly<Record<Operation, readonly SetPlan[]>>;
}

export const pathwayPlans: readonly PathwayPlan[] = [
  {
    id: 'strategy',
    name: 'by strategy',
    sets: { add: addByStrategy, sub: subByStrategy, mul: tablesByStrategy, div: divByStrategy },
  },
  { id: 'fixed', name: 'by fixed number', sets: fixedNumberSets },
  { id: 'cards', name: 'by range of cards', sets: rangeOfCardsSets },
  { id: 'linked', name: 'by linked tables', sets: linkedTablesSets },
];
