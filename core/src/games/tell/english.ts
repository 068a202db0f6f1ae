/** Who sits at a seat, as a name. */
export type Who = (seat: number) => string;

type None = Readonly<Record<string, never>>;
interface Seat {
  readonly seat: number;
}
interface Shown {
  readonly shown: string;
}

interface Roll {
  readonly roll: readonly number[];
}
const listText = (list: readonly number[]) =>
  list.length < 2 ? list.join('') : `${list.slice(0, -1).join(', ')} and ${list.at(-1)}`;
/** What a card makes of a total. */
interface FromTo {
  readonly from: number;
  readonly to: number;
}
interface Factors {
  readonly a: number;
  readonly b: number;
}
/** An array as it lies on a field. */
interface Plot {
  readonly row: number;
  readonly col: number;
  readonly rows: number;
  readonly cols: number;
}
const arrayAt = ({ row, col, rows, cols }: Plot) =>
  `${rows} rows of ${cols} from row ${row + 1}, column ${col + 1}`;

/** A hand of cards: that of a seat, or (alone at the table) the pack's own. */
interface Hand {
  readonly hand: number;
  readonly seats: number;
}
const handText = ({ hand, seats }: Hand, who: Who, pack: string) => (hand < seats ? who(hand) : pack);
const cardsText = (count: number) => `${count} ${count === 1 ? 'card' : 'cards'}`;

/** Every sentence of the tables in English: one place, so that another language changes no game. */
export const english = {
  // At every table.
  ready: (_: None) => 'Ready.',
  roll: ({ dice }: { readonly dice: number }) => (dice === 1 ? 'Roll the die.' : 'Roll the dice.'),
  rolled: (_: None) => 'Rolled.',
  whoFirst: (_: None) => 'Who was first?',
  asked: ({ seat, shown }: Seat & Shown, who: Who) => `${who(seat)}: ${shown}`,
  lookAgain: ({ shown }: Shown) => `Look again: ${shown}`,
  mayTakeIt: ({ seat, shown }: Seat & Shown, who: Who) => `${who(seat)} may take it: ${shown}`,
  whole: ({ whole }: { readonly whole: string }) => `${whole}.`,
  seat: ({ seat }: Seat, who: Who) => who(seat),
  together: (_: None) => 'Together',
  calm: (_: None) => 'Calm: no clock, and known facts.',
  ended: (_: None) => 'Ended at the table.',
  everyoneLeft: (_: None) => 'Everyone has left.',
  leaves: ({ seat }: Seat, who: Who) => `${who(seat)} leaves; the others go on.`,

  // Boards.
  whichSquare: ({ seat }: Seat, who: Who) => `${who(seat)}: which square?`,
  square: ({ text }: { readonly text: string }) => text,
  marks: ({ seat }: Seat, who: Who) => `${who(seat)} marks a square.`,
  lineFor: ({ seat }: Seat, who: Who) => `A line for ${who(seat)}.`,
  boardFull: (_: None) => 'The board is full.',
  facts: (_: None) => 'Facts',
  planCompletes: ({ whole }: { readonly whole: string }) => `${whole}: it completes a line.`,
  planKeeps: ({ whole }: { readonly whole: string }) => `${whole}: it keeps the other from a line.`,
  planOpen: ({ whole }: { readonly whole: string }) => `${whole}: it lies on the most open lines.`,
  totals: (_: None) => 'Totals',
  countersOf: ({ seat }: Seat, who: Who) => `Counters of ${who(seat)}`,
  placeOn: ({ total }: { readonly total: number }) => `Place a counter on ${total}.`,
  placeHere: ({ total, beside }: { readonly total: number; readonly beside: number | null }, who: Who) =>
    beside === null ? String(total) : `${total}, beside ${who(beside)}`,
  holdWhy: (
    {
      total,
      beside,
      why,
      chance,
    }: {
      readonly total: number;
      readonly beside: number | null;
      readonly why: 'free' | 'back' | 'holds';
      readonly chance: string;
    },
    who: Who,
  ) =>
    `${beside === null ? String(total) : `${total}, beside ${who(beside)}`}: ${
      { free: 'a free square', back: 'sends a lone counter back', holds: 'holds it for good' }[why]
    }. ${chance} of all rolls come to it.`,
  heldPasses: ({ whole }: { readonly whole: string }) => `${whole}, and it is held: the turn passes on.`,
  holds: ({ seat, total }: Seat & { readonly total: number }, who: Who) => `${who(seat)} holds ${total}.`,
  counterOn: ({ total }: { readonly total: number }) => `A counter on ${total}.`,
  goesBack: ({ seat, total }: Seat & { readonly total: number }, who: Who) =>
    `The counter of ${who(seat)} goes back from ${total}.`,
  countersOut: ({ seat }: Seat, who: Who) => `The counters of ${who(seat)} are out.`,
  allHeld: (_: None) => 'Every square is held.',

  // First to say.
  turnCards: (_: None) => 'Turn the cards.',
  turned: (_: None) => 'Turned.',
  freeze: (_: None) => 'Everyone freezes: another sign from now on.',
  liesThere: (_: None) => 'It lies there for the next.',
  takes: ({ seat, count }: Seat & { readonly count: number }, who: Who) => `${who(seat)} takes ${count}.`,
  allRolled: (_: None) => 'All rolls are played.',
  packOut: (_: None) => 'The pack is out.',
  open: (_: None) => 'Open',
  fromTheTop: (_: None) => 'From the top',

  // Lines and arrays.
  theRoll: ({ roll }: { readonly roll: readonly number[] }) => `${roll.join(', ')}.`,
  whichLine: (_: None) => 'Which line?',
  targetReached: ({ total }: { readonly total: number }) => `${total}: the target is reached.`,
  array: ({ a, b }: Factors) => `${a} × ${b}.`,
  layArray: ({ a, b }: Factors) => `Lay ${a} × ${b}.`,
  fitsNowhere: ({ a, b }: Factors) => `${a} × ${b} fits nowhere: the turn passes on.`,
  fitsNot: ({ a, b }: Factors) => `${a} × ${b} fits nowhere.`,
  noRoom: (_: None) => 'No room: the turn passes on.',
  everyonePassed: (_: None) => 'Everyone has passed.',
  arrayAt: (plot: Plot) => arrayAt(plot),
  split: ({ a, b, part }: Factors & { readonly part: number }) =>
    `Split ${a} × ${b} into ${a} × ${b - part} and ${a} × ${part}`,
  arrayInTwo: ({ a, b }: Factors) => `${a} × ${b} in two.`,
  leavesRoom: (plot: Plot) => `${arrayAt(plot)}: it leaves the most room together.`,
  squaresLeft: ({ left }: { readonly left: number }) => `${left} squares are left.`,
  fieldFull: (_: None) => 'The field is full.',
  filled: (_: None) => 'Filled',
  left: (_: None) => 'Left',

  // Numbers made of dice.
  rollAnd: ({ roll }: Roll) => `${listText(roll)}.`,
  whichNumber: ({ roll }: Roll) => `${listText(roll)}: which number?`,
  nothingToCover: (_: None) => 'Nothing to cover',
  nothingOfRoll: ({ roll }: Roll) => `Nothing that ${listText(roll)} make is left: a spare is gone.`,
  nothingLeftOf: ({ roll }: Roll) => `Nothing that ${listText(roll)} make is left.`,
  notFromRoll: ({ number, roll }: Roll & { readonly number: number }) =>
    `${number} cannot be made of ${listText(roll)}. Look again.`,
  spareThere: ({ whole }: { readonly whole: string }) => `A spare is gone; ${whole} was there.`,
  spareGone: (_: None) => 'Nothing is left of that: a spare is gone.',
  sparesGone: (_: None) => 'The spares are gone.',
  sparesOf: ({ seat }: Seat, who: Who) => `Spares of ${who(seat)}`,
  spares: (_: None) => 'Spares',
  allCovered: (_: None) => 'Every number is covered.',
  theBoard: (_: None) => 'The board',
  fewRolls: ({ whole }: { readonly whole: string }) => `${whole}: few rolls make it.`,

  markWhat: ({ roll }: Roll) => `${roll.join(', ')}: mark what they make.`,
  sweepMissed: (_: None) => 'Sweep what was missed.',
  sweepsNow: ({ seat }: Seat, who: Who) => `${who(seat)} sweeps what was missed.`,
  done: (_: None) => 'Done',
  rollAgain: (_: None) => 'Roll again',
  rolledAgain: (_: None) => 'Rolled again.',
  nextRoll: (_: None) => 'The next roll.',
  roundsPlayed: ({ rounds }: { readonly rounds: number }) => `${rounds} rounds are played.`,
  allMarked: (_: None) => 'Everything they make is marked.',
  leftToMark: ({ numbers }: { readonly numbers: readonly number[] }) =>
    `${numbers.length} ${numbers.length === 1 ? 'number is' : 'numbers are'} left to mark: ${numbers.join(', ')}.`,
  hundredSquare: (_: None) => 'Hundred square',
  strip: (_: None) => 'Strip',
  marked: (_: None) => 'Marked',

  // Running totals.
  stretchOrFold: ({ roll }: { readonly roll: number }) => `${roll}: stretch or fold?`,
  stretch: ({ roll }: { readonly roll: number }) => `Stretch: double ${roll}`,
  fold: ({ roll }: { readonly roll: number }) => `Fold: half of ${roll}`,
  noMove: ({ roll }: { readonly roll: number }) => `A ${roll}: no move, the turn passes on.`,
  addsOwn: ({ seat, add, total }: Seat & { readonly add: number; readonly total: number }, who: Who) =>
    `${who(seat)} adds ${add}: ${total}.`,
  tooFar: ({ seat }: Seat, who: Who) => `For ${who(seat)} that is too far.`,
  exactly: ({ target, seat }: { readonly target: number; readonly seat: number | null }, who: Who) =>
    `${target} exactly${seat === null ? '' : ` by ${who(seat)}`}.`,
  turnsToGo: ({
    how,
    roll,
    turns,
  }: {
    readonly how: 'stretch' | 'fold';
    readonly roll: number;
    readonly turns: number;
  }) =>
    `${how === 'stretch' ? `Stretch: double ${roll}` : `Fold: half of ${roll}`}: ${turns.toFixed(1)} turns to go on average.`,

  // Lamps.
  totalWhichCard: ({ total }: { readonly total: number }) => `The total is ${total}. Which card?`,
  whichCard: (_: None) => 'Which card?',
  lampCard: ({ card }: { readonly card: string }) => card,
  lampNumber: ({ worth, from, to }: FromTo & { readonly worth: number }) =>
    `${from} ${to < from ? '−' : '+'} ${worth} = ${to}.`,
  lampSpecial: ({ card, from, to }: FromTo & { readonly card: string }) => `${card}: from ${from} to ${to}.`,
  lampRest: (_: None) => 'rest: the next player sits out.',
  lampLit: ({ ten }: { readonly ten: number }) => `The lamp of ${ten} is lit.`,
  lampCarried: ({ ten, seat }: Seat & { readonly ten: number }, who: Who) =>
    `${who(seat)} carries the lamp of ${ten} off.`,
  lampToCarry: (_: None) => 'A lit lamp to carry off.',
  lampToLight: (_: None) => 'A lamp is lit.',
  upAgain: (_: None) => 'No lamp is carried off yet: up once more.',
  downAtNothing: (_: None) => 'The total is down at 0.',
  noOpenCard: (_: None) => 'No open card can be played.',
  lamps: (_: None) => 'Lamps',
  total: (_: None) => 'Total',
  pileFromTop: (_: None) => 'The pile, from the top',

  // Partners.
  turnOne: ({ total }: { readonly total: number }) => `Turn a card; the total is ${total}.`,
  turnAnother: (_: None) => 'Turn another.',
  turnThemBack: (_: None) => 'Everyone looks. Turn them back.',
  turnedBack: (_: None) => 'Turned back.',
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
};
