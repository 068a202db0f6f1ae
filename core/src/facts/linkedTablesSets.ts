import type { Aid } from './aid.ts';
import type { SetPlan } from './factSet.ts';
import type { MemberRule } from './memberRule.ts';
import type { Operation } from './operation.ts';

/** A link as it is written down, before it is read forwards and backwards. */
interface Link {
  readonly slug: string;
  readonly name: string;
  readonly hint: string;
  readonly leansOn: readonly string[];
  readonly rule: MemberRule;
  readonly everyFact?: boolean;
}

const part = (...values: number[]): MemberRule => ({ kind: 'part', values });

const linkedSums: readonly Link[] = [
  {
    slug: '0-1-2',
    name: '0, 1 and 2',
    hint: 'The next number, and the one after.',
    leansOn: [],
    rule: part(0, 1, 2),
    everyFact: true,
  },
  {
    slug: 'doubles',
    name: 'doubles and near doubles',
    hint: 'Double, and one more.',
    leansOn: [],
    rule: {
      kind: 'any',
      of: [
        { kind: 'equalParts', from: 0, to: 12 },
        { kind: 'partsApart', by: 1 },
      ],
    },
  },
  {
    slug: '10-9-8',
    name: '10, 9 and 8',
    hint: 'Make the ten, then the rest.',
    leansOn: [],
    rule: part(10, 9, 8),
  },
  {
    slug: '3-4-5',
    name: '3, 4 and 5',
    hint: 'Two, and one or two more.',
    leansOn: ['0-1-2'],
    rule: part(3, 4, 5),
  },
  // 11 and 12 alone would introduce nothing that is not here already: they join the last set.
  {
    slug: '6-7-11-12',
    name: '6, 7, 11 and 12',
    hint: 'Through ten, or ten and one or two.',
    leansOn: ['10-9-8'],
    rule: part(6, 7, 11, 12),
  },
];

const linkedProducts: readonly Link[] = [
  {
    slug: '2-4-8',
    name: '2, 4 and 8, with 1 and 0',
    hint: 'Twos doubled are fours, doubled again eights.',
    leansOn: [],
    rule: part(0, 1, 2, 4, 8),
  },
  { slug: '5-10', name: '5 and 10', hint: 'Fives doubled are tens.', leansOn: [], rule: part(5, 10) },
  {
    slug: '3-6-12',
    name: '3, 6 and 12',
    hint: 'Threes doubled are sixes, doubled again twelves.',
    leansOn: [],
    rule: part(3, 6, 12),
  },
  { slug: '9', name: '9', hint: 'Ten groups, less one group.', leansOn: ['5-10'], rule: part(9) },
  {
    slug: '7-11',
    name: '7 and 11',
    hint: 'Five and two groups; ten and one group.',
    leansOn: ['5-10', '2-4-8'],
    rule: part(7, 11),
  },
];

const forwards = (links: readonly Link[], aids: readonly Aid[]): readonly SetPlan[] =>
  links.map((link) => ({ ...link, aids }));
/** The same families read backwards. */
const backwards = (links: readonly Link[], aids: readonly Aid[]): readonly SetPlan[] =>
  links.map((link) => ({
    ...link,
    name: `undoing ${link.name}`,
    hint: `Which fact does it undo? ${link.hint}`,
    aids,
  }));

/** The pathway by linked tables: numbers that help one another stand together. Common practice, no source. */
export const linkedTablesSets: Readonly<Record<Operation, readonly SetPlan[]>> = {
  add: forwards(linkedSums, ['tenFrame', 'numberLine']),
  sub: backwards(linkedSums, ['tenFrame', 'numberLine']),
  mul: forwards(linkedProducts, ['linkedRows', 'array']),
  div: backwards(linkedProducts, ['linkedRows', 'array']),
};
