import { type Who, type None, type Told, type Teller, type Story, stories } from './words.ts';

/** English, by what it is of. */
export const talk = {
  // What slipped.
  whatSlipped: (_: None) => 'What slipped?',
  explainMend: (_: None) => 'What slipped? Explain a mend.',
  anotherMend: (_: None) => 'Is there another mend?',
  mendsNothing: (_: None) => 'That does not mend it',
  theNextOne: (_: None) => 'The next one',
  nextOne: (_: None) => 'The next one.',
  lookTogether: (_: None) => 'Not yet: look again together.',
  mended: ({ mend }: { readonly mend: Told }, _who: Who, tell: Teller) => `Mended: ${tell(mend)}.`,
  mendedLine: ({ mend }: { readonly mend: Told }, _who: Who, tell: Teller) => `Mended: ${tell(mend)}`,
  story: ({ operation, a, b, c }: Story) => stories[operation](a, b, c),
  inOut: ({ x, y }: { readonly x: number; readonly y: number }) => `${x} gives ${y}`,
  tensOnes: (values: { readonly tens: number; readonly ones: number; readonly value: number }) =>
    `${values.tens} tens and ${values.ones} ones are ${values.value}`,
  mendsFound: (_: None) => 'Mends found',
  mendsLeft: ({ left }: { readonly left: number }) =>
    `${left} ${left === 1 ? 'mend is' : 'mends are'} left to find.`,
  everyMend: (_: None) => 'Every mend is found.',
  talkedOver: ({ count }: { readonly count: number }) => `${count} are talked over.`,
};
