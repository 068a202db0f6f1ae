import type { Aid } from './aid.ts';
import type { SetPlan } from './factSet.ts';
import type { MemberRule } from './memberRule.ts';
import type { Operation } from './operation.ts';

const both = (to: number): MemberRule => ({ kind: 'partsWithin', from: 0, to });

/** The pathway by range of cards: the cards 0 to 5, then one rank joins at a time. The same order for every operation. */
function joinByRank(aids: readonly Aid[], hint: (rank: number) => string): readonly SetPlan[] {
  return [
    {
      slug: '0-to-5',
      name: 'cards 0 to 5',
      hint: 'Only the small cards are in the pack.',
      aids,
      leansOn: [],
      rule: both(5),
    },
    ...[6, 7, 8, 9, 10, 11, 12].map((rank): SetPlan => ({
      slug: `${rank}-joins`,
      name: `${rank} joins`,
      hint: hint(rank),
      aids,
      leansOn: [rank === 6 ? '0-to-5' : `${rank - 1}-joins`],
      rule: { kind: 'all', of: [{ kind: 'part', values: [rank] }, both(rank)] },
    })),
  ];
}

export const rangeOfCardsSets: Readonly<Record<Operation, readonly SetPlan[]>> = {
  add: joinByRank(
    ['tenFrame', 'numberLine'],
    (rank) => `Every sum with ${rank} and the cards that came before.`,
  ),
  sub: joinByRank(['tenFrame', 'numberLine'], (rank) => `${rank} is taken away, or is what is left.`),
  mul: joinByRank(['array', 'tableRow'], (rank) => `Groups of ${rank}, up to ${rank} of them.`),
  div: joinByRank(['array', 'tableRow'], (rank) => `Shared by ${rank}, or ${rank} each.`),
};
