import type { Operation } from '../../../facts/operation.ts';
import {
  type Who,
  type Seat,
  type None,
  type Told,
  type Teller,
  type Text,
  textOf,
  type Story,
  stories,
  signStories,
  signWords,
  type SignStoryKind,
} from './words.ts';

const boxDoing: Readonly<Record<Operation, string>> = {
  add: 'adds',
  sub: 'takes away',
  mul: 'multiplies by',
  div: 'shares by',
};

/** English, by what it is of. */
export const talk = {
  // What slipped.
  lookNow: (_: None) => 'Ready? Then look.',
  lookHere: (_: None) => 'Look here.',
  howManyMissing: ({ total }: { readonly total: number }) => `How many to ${total}?`,
  whichDouble: (_: None) => 'Its double?',
  pipsThere: ({ count }: { readonly count: number }) => `${count} ${count === 1 ? 'pip' : 'pips'}`,
  seenRight: (_: None) => 'Seen',
  whatSlipped: (_: None) => 'What slipped?',
  lookAlone: (_: None) => 'Each alone: look, and say nothing yet.',
  withPartner: (_: None) => 'With a partner: what could be changed to make it true?',
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
  // Onto ten, from a hundred.
  linesOfRoll: (_: None) => 'The lines of a roll',
  linesSaid: (_: None) => 'Lines said',
  // Signs and words.
  signs: (_: None) => 'The signs',
  signStory: ({ kind, a, b }: { readonly kind: SignStoryKind; readonly a: number; readonly b: number }) =>
    signStories[kind](a, b),
  whichSign: ({ seat }: Seat, who: Who) => `${who(seat)}: which sign, and which word tells so?`,
  whyThisSign: ({ sign }: { readonly sign: string }) => `Why ${sign}?`,
  signWord: ({ kind }: { readonly kind: SignStoryKind }) => `\u201c${signWords[kind]}\u201d`,
  wordTells: ({ sign, kind }: { readonly sign: string; readonly kind: SignStoryKind }) =>
    `\u201c${signWords[kind]}\u201d tells the sign ${sign}`,
  signNot: ({ sign }: { readonly sign: Text }, _who: Who, tell: Teller) =>
    `${textOf(sign, tell)} does not fit the story. Read it again.`,
  storiesTold: (_: None) => 'Stories told',
  storiesDone: ({ count }: { readonly count: number }) => `${count} stories are told.`,
  // Bigger, smaller.
  pointLarger: ({ seat, smaller }: Seat & { readonly smaller: boolean }, who: Who) =>
    `${who(seat)}: point to the ${smaller ? 'smaller' : 'larger'}.`,
  notLarger: (
    { given, smaller }: { readonly given: Text; readonly smaller: boolean },
    _who: Who,
    tell: Teller,
  ) => `There is a ${smaller ? 'smaller' : 'larger'} one than ${textOf(given, tell)}. Look again.`,
  howManyPips: (_: None) => 'how many?',
  pipsCounted: ({ count }: { readonly count: number }) => `Counted: ${count} ${count === 1 ? 'pip' : 'pips'}`,
  pointedTo: (_: None) => 'Pointed to',
  turnsDone: ({ count }: { readonly count: number }) => `${count} turns are played.`,
  // Round the circle.
  circleOf: ({ word }: { readonly word: string }) => `The count, \u201c${word}\u201d where a multiple comes`,
  countedTo: (_: None) => 'Counted to',
  afterNumber: ({ number }: { readonly number: number }) => `after ${number}`,
  whatIsNext: (_: None) => 'the next',
  circleWord: ({ word }: { readonly word: string }) => `\u201c${word}\u201d`,
  wordFor: ({ word, number }: { readonly word: string; readonly number: number }) =>
    `\u201c${word}\u201d for ${number}`,
  circleDone: ({ to }: { readonly to: number }) => `Counted to ${to}.`,
  // Rule box.
  ruleBox: (_: None) => 'Goes in and comes out',
  whichPair: ({ seat }: Seat, who: Who) => `${who(seat)}: what is the rule, and which pair slipped?`,
  whichPairSlipped: (_: None) => 'which pair slipped',
  boxGives: ({ goesIn }: { readonly goesIn: number }) => `${goesIn} gives \u25a1`,
  pairFits: ({ x, y }: { readonly x: number; readonly y: number }) =>
    `${x} gives ${y}: that fits the rule. Look again.`,
  boxesMended: (_: None) => 'Boxes mended',
  boxDoes: ({
    operation,
    by,
    goesIn,
    should,
  }: {
    readonly operation: Operation;
    readonly by: number;
    readonly goesIn: number;
    readonly should: number;
  }) => `The box ${boxDoing[operation]} ${by}: ${goesIn} should give ${should}.`,
  boxesDone: ({ count }: { readonly count: number }) => `${count} boxes are done.`,
  mendsFound: (_: None) => 'Mends found',
  mendsLeft: ({ left }: { readonly left: number }) =>
    `${left} ${left === 1 ? 'mend is' : 'mends are'} left to find.`,
  everyMend: (_: None) => 'Every mend is found.',
  talkedOver: ({ count }: { readonly count: number }) => `${count} are talked over.`,
};
