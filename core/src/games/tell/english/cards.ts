import type { NumberGoal } from '../../../numbers/numberGoal.ts';
import type { Part } from '../../../numbers/part.ts';
import {
  numberWord,
  cardsText,
  handText,
  textOf,
  goalText,
  numberInWords,
  partInWords,
  type Hand,
  type None,
  type Seat,
  type Shown,
  type Teller,
  type Text,
  type Who,
  type Whole,
} from './words.ts';

/** How cards are dealt in a round. */
export interface Deal {
  readonly each: number;
  readonly round: number;
}
const laidAnew = (round: number) => (round > 1 ? `For round ${round} all are laid anew: ` : '');

/** English, by what it is of. */
export const cards = {
  // True lines.
  layTheLine: (_: None) => 'Lay the line',
  pickThree: (_: None) =>
    'Pick up the three cards of a line first: two of your own at least, and one may lie on the board.',
  trueLine: ({ seat }: Seat, who: Who) => `${who(seat)}: a true line?`,
  layLine: ({ text, board }: { readonly text: Text; readonly board: boolean }, _who: Who, tell: Teller) =>
    `Lay ${textOf(text, tell)}${board ? ' with the board' : ''}`,
  noTrueLine: ({ claimed }: { readonly claimed: Text }, _who: Who, tell: Teller) =>
    `${textOf(claimed, tell)}: no true line. They are taken back.`,
  backToHand: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}. The cards go back to the hand.`,
  askFor: ({ seat, number }: Seat & { readonly number: string }, who: Who) =>
    `Ask ${who(seat)} for ${number}`,
  hasNone: ({ seat, number }: Seat & { readonly number: string }, who: Who) =>
    `${who(seat)} has no ${number}.`,
  gives: ({ seat, number }: Seat & { readonly number: string }, who: Who) =>
    `${who(seat)} gives a ${number}: lay its line.`,
  drawCard: (_: None) => 'Draw a card',
  pass: (_: None) => 'Pass',
  draws: ({ seat }: Seat, who: Who) => `${who(seat)} draws.`,
  isOut: ({ seat }: Seat, who: Who) => `${who(seat)} is out.`,
  nobodyGoesOn: (_: None) => 'Nobody can go on.',
  noLineLaid: (_: None) => 'No line can be laid from this hand.',
  lineLays: ({ text, count }: { readonly text: string; readonly count: number }) =>
    `${text} lays ${cardsText(count)}.`,
  handOf: ({ seat }: Seat, who: Who) => `Hand of ${who(seat)}`,
  openOnBoard: (_: None) => 'Open on the board',
  leftWith: ({ seat }: Seat, who: Who) => `Left with ${who(seat)}`,

  // Ask for its partner.
  askWhich: ({ seat }: Seat, who: Who) => `${who(seat)}: ask with which card?`,
  pairsOwn: ({ seat }: Seat, who: Who) => `${who(seat)} holds both, and lays them together.`,
  givesPartner: ({ seat }: Seat, who: Who) => `${who(seat)} gives it.`,
  nobodyHolds: (_: None) => 'Nobody holds a partner of these: a card is drawn.',

  // Part of whole.
  partNamed: (part: Part) => partInWords(part),
  partIs: ({ shown, ...part }: Part & { readonly shown: string }) => `${shown}: ${partInWords(part)}`,
  largerPart: ({ parts, smaller }: { readonly parts: readonly string[]; readonly smaller: boolean }) =>
    `${smaller ? 'Less' : 'More'}: ${parts.join(' or ')}?`,
  partsCompared: ({
    over,
    most,
    smaller,
  }: {
    readonly over: readonly string[];
    readonly most: string | null;
    readonly smaller: boolean;
  }) =>
    `${over.map((one, nth) => `${one}${nth < over.length - 1 ? ', ' : ': '}`).join('')}${most === null ? 'alike' : `${most} is ${smaller ? 'less' : 'more'}`}`,

  // Partners.
  turnOne: ({ total }: { readonly total: number }) => `Turn a card; the total is ${total}.`,
  turnAnother: (_: None) => 'Turn another.',
  turnThemBack: (_: None) => 'Everyone looks. Turn them back.',
  turnedBack: (_: None) => 'Turned back.',
  // Behind the back.
  onThree: ({
    operation,
    total,
    perHundred,
  }: {
    readonly operation: 'add' | 'mul';
    readonly total: number;
    readonly perHundred: number;
  }) =>
    `On three. By chance ${perHundred} times in 100 the ${operation === 'add' ? 'total' : 'product'} is ${total}.`,
  howManyFingers: ({ seat }: Seat, who: Who) => `${who(seat)}: how many fingers?`,
  fingers: ({ count }: { readonly count: number }) => String(count),
  handsUp: (_: None) => 'One, two, three.',
  oneIsSet: ({ seat }: Seat, who: Who) => `${who(seat)} is set down.`,
  bothShown: (_: None) => 'Both are set down.',
  partner: (_: None) => 'The partner',
  itFell: ({ whole }: Whole, _who: Who, tell: Teller) => `${textOf(whole, tell)}: there it is!`,
  fellSoOften: ({
    fell,
    showings,
    perHundred,
  }: {
    readonly fell: number;
    readonly showings: number;
    readonly perHundred: number;
  }) =>
    `It came ${fell} times in ${showings}; chance alone comes to it ${((perHundred * showings) / 100).toFixed(1)} times.`,
  aCard: ({ worth }: { readonly worth: number }) => `A ${worth}.`,
  keeps: ({ seat }: Seat, who: Who) => `${who(seat)} keeps them.`,
  nothingMakes: ({ total }: { readonly total: number }) => `Nothing that is left makes ${total}.`,
  allFound: (_: None) => 'All are found.',
  rowCard: ({ row, card }: { readonly row: number; readonly card: number }) => `Row ${row}, card ${card}`,
  theCards: (_: None) => 'The cards',
  faceDownRows: ({ across }: { readonly across: number }) => `Face down in rows of ${across}, from the left`,

  // Compared.
  hand: (at: Hand, who: Who) => handText(at, who, 'The pack'),
  stackOf: (at: Hand, who: Who) => `Stack of ${handText(at, who, 'the pack')}, from the top`,
  handTakes: ({ cards, ...at }: Hand & { readonly cards: number }, who: Who) =>
    `${handText(at, who, 'The pack')} takes ${cardsText(cards)}.`,
  alike: (_: None) => 'Alike: three face down, and turn again.',
  alikeTooFew: (_: None) => 'Alike, and too few cards to lay.',
  oneSeatLeft: (_: None) => 'One seat is left.',
  ownPacks: (_: None) => 'Each has a pack of their own.',
  dealtOut: (_: None) => 'The pack is dealt out.',

  // Under the line.
  layUnder: (
    { seat, kind, line }: Seat & { readonly kind: 'under' | 'difference'; readonly line: number },
    who: Who,
  ) => `${who(seat)}: two numbers ${kind === 'under' ? `under ${line}` : `with a difference near ${line}`}.`,
  // Two heads.
  numberNth: ({ nth }: { readonly nth: number }) => `${['First', 'Second', 'Third'][nth - 1] ?? nth} number`,
  numberLaid: ({ number }: { readonly number: string }) => `${number} lies there.`,
  laysNth: ({ seat, nth }: Seat & { readonly nth: number }, who: Who) =>
    `${who(seat)} lays the ${['first', 'second', 'third'][nth - 1] ?? nth} number.`,
  headsAlike: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}: everyone has it, a point each.`,
  slippedTogether: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}. Find together where it slipped.`,
  dealNext: (_: None) => 'Deal the next round.',
  round: ({ round }: { readonly round: number }) => `Round ${round}.`,
  nothingFitsSaid: (_: None) => 'Nothing fits, it is said.',
  nothingFits: ({ line }: { readonly line: number }) => `Nothing fits under ${line}`,
  trulyNothing: ({ line }: { readonly line: number }) => `True: nothing fits under ${line}.`,
  nothingStays: ({ line }: { readonly line: number }) =>
    `Nothing these cards can be laid to stays under ${line}.`,
  fromLine: ({ whole, off }: Whole & { readonly off: number }, _who: Who, tell: Teller) =>
    `${textOf(whole, tell)}, ${off} from the line.`,
  nearest: ({ off }: { readonly off: number }) => `${off} from the line is nearest.`,
  nobodyUnder: (_: None) => 'Nobody stayed under the line.',
  packFrom: ({ seat, each, round }: Seat & Deal, who: Who) =>
    `${laidAnew(round)}${round > 1 ? 'pack' : 'Pack'} of ${who(seat)}, from the top, ${numberWord(each)} a round`,
  dealtInTurn: ({ each, round }: Deal) =>
    `${laidAnew(round)}${round > 1 ? 'from' : 'From'} the top, ${numberWord(each)} to each seat in turn`,

  // A handful of dice.
  whatMakesTen: ({ seat }: Seat, who: Who) => `${who(seat)}: what makes ten?`,
  makesTen: (_: None) => 'These make ten',
  pickForTen: (_: None) => 'Pick up dice that make ten first.',
  noMoreTen: (_: None) => 'Nothing more makes ten',
  trulyNoMore: (_: None) => 'True: nothing more makes ten.',
  notTen: ({ shown }: Shown, _who: Who, tell: Teller) =>
    `${textOf(shown, tell)} does not make ten. Look again.`,
  pickCards: (_: None) => 'Pick up two cards that make ten first, or four that are worth ten.',
  coverWhich: ({ seat, left }: Seat & { readonly left: number }, who: Who) =>
    `${who(seat)}: which make ten? ${cardsText(left)} to lay.`,
  gapsOpen: (_: None) => 'Open on the table',
  gapsWon: (_: None) => 'The pack is out: all is covered.',
  gapsStuck: ({ left }: { readonly left: number }) =>
    `Nothing makes ten any more. ${cardsText(left)} are left.`,
  covered: (_: None) => 'Cards laid',
  canBeOut: ({ count }: { readonly count: number }) => `${count} dice can be taken out.`,

  // Numbers laid of digits.
  layNumber: ({ seat, ...goal }: Seat & NumberGoal, who: Who) => `${who(seat)}: ${goalText(goal)}.`,
  numberOf: ({ digits, ...goal }: NumberGoal & { readonly digits: readonly number[] }) =>
    `${goalText(goal)} of ${digits.join(', ')}`,
  isGoal: ({ number, ...goal }: NumberGoal & { readonly number: number }) =>
    `${number} is ${goalText(goal)}.`,
  inWords: ({ number }: { readonly number: number }) => numberInWords(number),
  readAs: ({ number }: { readonly number: number }) => `${number}: ${numberInWords(number)}`,
  laid: (_: None) => 'Laid.',
};
