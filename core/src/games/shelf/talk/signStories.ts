import type { Fact } from '../../../facts/fact.ts';
import type { Operation } from '../../../facts/operation.ts';
import type { RandomSource } from '../../../random/random.ts';
import type { SignStoryKind } from '../../tell/english/words.ts';

/** A story by its kind: what it asks for, and whether its words look like those of another sign. */
export const storyKinds = {
  altogether: { operation: 'add', alike: false },
  moreCome: { operation: 'add', alike: false },
  before: { operation: 'add', alike: true },
  fewerThan: { operation: 'add', alike: true },
  areLeft: { operation: 'sub', alike: false },
  fewer: { operation: 'sub', alike: false },
  howManyMore: { operation: 'sub', alike: true },
  moreThan: { operation: 'sub', alike: true },
  each: { operation: 'mul', alike: false },
  timesAsMany: { operation: 'mul', alike: false },
  eachShared: { operation: 'mul', alike: true },
  shared: { operation: 'div', alike: false },
  bagsOf: { operation: 'div', alike: false },
  timesMore: { operation: 'div', alike: true },
} as const satisfies Readonly<
  Record<SignStoryKind, { readonly operation: Operation; readonly alike: boolean }>
>;

/** A story and the fact that it asks for. */
export interface SignStory {
  readonly kind: SignStoryKind;
  readonly fact: Fact;
}

/** A story of one of some operations; `alike`: with words that look like those of another sign. */
export function drawStory(
  operations: readonly Operation[],
  alike: boolean | null,
  random: RandomSource,
): SignStory {
  const kinds = (Object.keys(storyKinds) as SignStoryKind[]).filter(
    (kind) =>
      operations.includes(storyKinds[kind].operation) && (alike === null || storyKinds[kind].alike === alike),
  );
  const kind = kinds[random.int(0, kinds.length - 1)] as SignStoryKind;
  const [a, b] = [random.int(2, 9), random.int(2, 9)];
  const { operation } = storyKinds[kind];
  const left = { add: a, sub: a + b, mul: a, div: a * b }[operation];
  return { kind, fact: { operation, left, right: b } };
}
