import { textOf, type None, type Seat, type Teller, type Text, type Who } from './words.ts';

/** English, by what it is of. */
export const first = {
  // First to say.
  turnCards: (_: None) => 'Turn the cards.',
  turnCard: (_: None) => 'Turn a card.',
  turned: (_: None) => 'Turned.',
  turnedAgain: (_: None) => 'Too large: put under, and turned again.',
  alikeQuestion: (_: None) => 'Alike?',
  makesQuestion: ({ total }: { readonly total: number }) => `${total}?`,
  coveredWrongly: ({ seat }: Seat, who: Who) => `${who(seat)} covered it for nothing: a card goes back.`,
  freeze: (_: None) => 'Everyone freezes: another sign from now on.',
  showTwo: (_: None) => 'Two show a card each.',
  liesThere: (_: None) => 'It lies there for the next.',
  takes: ({ seat, count }: Seat & { readonly count: number }, who: Who) => `${who(seat)} takes ${count}.`,
  allRolled: (_: None) => 'All rolls are played.',
  packOut: (_: None) => 'The pack is out.',
  open: (_: None) => 'Open',
  fromTheTop: (_: None) => 'From the top',
  // Down the pack.
  turnTwo: (_: None) => 'Turn two cards.',
  pairsSaid: (_: None) => 'Pairs said',
  // Point, say, write.
  track: (_: None) => 'The track',
  setNumber: ({ seat, nth }: { readonly seat: number; readonly nth: number }, who: Who) =>
    `${who(seat)} sets one: the ${nth === 1 ? 'first' : 'second'} number.`,
  setSo: ({ numbers }: { readonly numbers: readonly number[] }) => `Set: ${numbers.join(' and ')}.`,
  pointTo: ({ seat }: Seat, who: Who) => `${who(seat)}: point to both, then to the answer.`,
  notIt: ({ given, shown }: { readonly given: Text; readonly shown: Text }, _who: Who, tell: Teller) =>
    `${textOf(shown, tell)} is not ${textOf(given, tell)}. The next one looks.`,
  factsSaid: (_: None) => 'Facts said',
  factsDone: ({ count }: { readonly count: number }) => `${count} facts are said.`,
};
