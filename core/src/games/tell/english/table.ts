import {
  type Who,
  type None,
  type Seat,
  type Text,
  textOf,
  type Shown,
  type Numbers,
  type Whole,
  type Teller,
  type Told,
} from './words.ts';

/** English, by what it is of. */
export const table = {
  // At every table.
  ready: (_: None) => 'Ready.',
  roll: ({ dice }: { readonly dice: number }) => (dice === 1 ? 'Roll the die.' : 'Roll the dice.'),
  rolled: (_: None) => 'Rolled.',
  whoFirst: (_: None) => 'Who was first?',
  asked: ({ seat, shown }: Seat & Shown, who: Who, tell: Teller) => `${who(seat)}: ${textOf(shown, tell)}`,
  lookAgain: ({ shown }: Shown, _who: Who, tell: Teller) => `Look again: ${textOf(shown, tell)}`,
  mayTakeIt: ({ seat, shown }: Seat & Shown, who: Who, tell: Teller) =>
    `${who(seat)} may take it: ${textOf(shown, tell)}`,
  sayIt: ({ seat }: Seat, who: Who) => `${who(seat)}: say it.`,
  notYetLook: (_: None) => 'Not yet. Look again.',
  notYetNext: ({ seat }: Seat, who: Who) => `Not yet. ${who(seat)} may say it.`,
  rollNow: (_: None) => 'Roll.',
  /** A sentence to a seat by name: "Ilse: make 9." */
  toSeat: ({ seat, says }: Seat & { readonly says: Told | readonly Told[] }, who: Who, tell: Teller) => {
    const text = ('id' in says ? [says] : says).map((one) => tell(one)).join(' ');
    return `${who(seat)}: ${text.charAt(0).toLowerCase()}${text.slice(1)}`;
  },
  whole: ({ whole }: Whole, _who: Who, tell: Teller) => `${textOf(whole, tell)}.`,
  seat: ({ seat }: Seat, who: Who) => who(seat),
  together: (_: None) => 'Together',
  thatWasIt: (_: None) => 'That was it.',
  calm: (_: None) => 'Calm: no clock, and known facts.',
  ended: (_: None) => 'Ended at the table.',
  everyoneLeft: (_: None) => 'Everyone has left.',
  leaves: ({ seat }: Seat, who: Who) => `${who(seat)} leaves; the others go on.`,

  // What is asked, and what is answered.
  largerOf: ({ numbers }: Numbers) => numbers.join(' or '),
  alikeAnswer: (_: None) => 'alike',
  areAlike: ({ number }: { readonly number: number }) => `${number} and ${number} are alike`,
  isMost: ({ number, smaller }: { readonly number: number; readonly smaller: boolean }) =>
    `${number} is ${smaller ? 'smaller' : 'larger'}`,
  remainder: ({ whole, over }: { readonly whole: number; readonly over: number }) =>
    `${whole} remainder ${over}`,
  isEqual: ({ shown, answer }: { readonly shown: Text; readonly answer: Text }, _who: Who, tell: Teller) =>
    `${textOf(shown, tell)} = ${textOf(answer, tell)}`,
  madeFrom: ({ target, numbers }: Numbers & { readonly target: number }) =>
    `${target} from ${numbers.join(', ')}`,
  orLessFrom: ({ line, numbers }: Numbers & { readonly line: number }) =>
    `${line} or less from ${numbers.join(', ')}`,
  nothing: (_: None) => 'nothing',
  plusToTen: (_: None) => '+ ? = ten',

  // Played with real cards, shuffled by hand.
  whoTook: (_: None) => 'Who took it?',
  wasRight: ({ seat }: Seat, who: Who) => `${who(seat)}: right?`,
  tookIt: ({ seat }: Seat, who: Who) => `${who(seat)} took it`,
  right: (_: None) => 'Right',
  notRight: (_: None) => 'Not right',
  nobody: (_: None) => 'Nobody',
  nobodyTook: (_: None) => 'Nobody took it.',
  takesIt: ({ seat }: Seat, who: Who) => `${who(seat)} takes it.`,
};
