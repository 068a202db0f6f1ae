import { lineFaultText, type LineFault } from '../../../numbers/lineFault.ts';
import {
  type Who,
  type None,
  type Seat,
  textOf,
  type Whole,
  type Roll,
  listText,
  type Factors,
  type Plot,
  arrayAt,
  cardsText,
  type Teller,
} from './words.ts';

/** Where a road ends, made of how many numbers, and what that is worth. */
export interface RoadEnd {
  readonly worth: number;
  readonly target: number;
  readonly points: number;
  readonly of: number;
}

/** English, by what it is of. */
export const make = {
  // Clocks that the tutor begins.
  lookThenMinute: (_: None) => 'Look, then a minute',
  looking: (_: None) => 'Looking',
  sweeping: (_: None) => 'Sweeping',
  minuteOver: (_: None) => 'The minute is over',
  againstClock: ({ seconds }: { readonly seconds: number }) => `Against the clock, ${seconds} s`,
  onTheRoad: (_: None) => 'On the road',
  timeOver: (_: None) => 'The time is over',
  // Lines and arrays.
  theRoll: ({ roll }: { readonly roll: readonly number[] }) => `${roll.join(', ')}.`,
  whichLine: (_: None) => 'Which line?',
  lineFault: ({ fault }: { readonly fault: LineFault }) => lineFaultText(fault),
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

  // Spend the hand.
  spendFor: ({ target }: { readonly target: number }) => `Make ${target}, as often as you can.`,
  spends: (
    { lines, seat, count }: Seat & { readonly lines: readonly string[]; readonly count: number },
    who: Who,
  ) => `${lines.join(', ')}. ${who(seat)} spends ${count}.`,
  nobodyMakes: ({ target }: { readonly target: number }) => `Nobody makes ${target}: another is rolled.`,
  spendsMost: ({ lines, count }: { readonly lines: readonly string[]; readonly count: number }) =>
    `${lines.join('; ')}: ${cardsText(count)} spent.`,

  // Long road.
  turnTarget: (_: None) => 'Turn the digit cards.',
  roadTargets: (_: None) => 'Targets, laid in this order',
  theTargetIs: ({ target }: { readonly target: number }) => `The target is ${target}.`,
  joinTwo: ({ target }: { readonly target: number }) => `Towards ${target}: join two of your numbers.`,
  stopHere: (_: None) => 'Stop here',
  roadEnds: ({ seat, worth, target, points, of }: Seat & RoadEnd, who: Who) =>
    `${who(seat)} comes to ${worth}${worth === target ? '' : `, ${Math.abs(worth - target)} off`}: ${
      points === 0 ? 'no points' : `${points - of} and ${of}`
    }.`,
  roadBest: ({ worth, points, of }: Omit<RoadEnd, 'target'>) =>
    `To ${worth}, ${points - of} points and ${of}.`,
  roadNearest: ({ line, worth }: { readonly line: string; readonly worth: number }) =>
    `Nearest, shortest: ${line} = ${worth}.`,
  roadNowhere: (_: None) => 'Nothing comes near enough for points.',

  // Numbers made of dice.
  rollAnd: ({ roll }: Roll) => `${listText(roll)}.`,
  whichNumber: ({ roll }: Roll) => `${listText(roll)}: which number?`,
  nothingToCover: (_: None) => 'Nothing to cover',
  nothingOfRoll: ({ roll }: Roll) => `Nothing that ${listText(roll)} make is left: a spare is gone.`,
  nothingLeftOf: ({ roll }: Roll) => `Nothing that ${listText(roll)} make is left.`,
  notFromRoll: ({ number, roll }: Roll & { readonly number: number }) =>
    `${number} cannot be made of ${listText(roll)}. Look again.`,
  spareThere: ({ whole }: Whole, _who: Who, tell: Teller) =>
    `A spare is gone; ${textOf(whole, tell)} was there.`,
  spareGone: (_: None) => 'Nothing is left of that: a spare is gone.',
  sparesGone: (_: None) => 'The spares are gone.',
  sparesOf: ({ seat }: Seat, who: Who) => `Spares of ${who(seat)}`,
  spares: (_: None) => 'Spares',
  allCovered: (_: None) => 'Every number is covered.',
  theBoard: (_: None) => 'The board',
  fewRolls: ({ whole }: Whole, _who: Who, tell: Teller) => `${textOf(whole, tell)}: few rolls make it.`,

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

  // Made of what lies around.
  make: ({ target }: { readonly target: number }) => `Make ${target}.`,
  nothingMakesMiddle: ({ target }: { readonly target: number }) =>
    `Nothing here makes ${target}: another card for the middle.`,
  nothingHere: ({ target }: { readonly target: number }) => `Nothing here makes ${target}.`,
  anotherForMiddle: (_: None) => 'Another card for the middle.',
  passesOn: ({ seat }: Seat, who: Who) => `${who(seat)} passes.`,
  wasThere: ({ whole }: Whole, _who: Who, tell: Teller) => `${textOf(whole, tell)} was there.`,
  winsBy: (
    { lines, seat, count }: Seat & { readonly lines: readonly string[]; readonly count: number },
    who: Who,
  ) => `${lines.join(', ')}. ${who(seat)} wins ${count}.`,
  lineWins: ({ text, count }: { readonly text: string; readonly count: number }) =>
    `${text} wins ${cardsText(count)}.`,
  theMiddle: (_: None) => 'The middle',
  aroundMiddle: (_: None) => 'Around the middle',
  aroundIt: (_: None) => 'Around it',
};
