import type { Operation } from '../../../facts/operation.ts';
import type { NumberGoal } from '../../../numbers/numberGoal.ts';
import type { Part } from '../../../numbers/part.ts';

/** Who sits at a seat, as a name. */
export type Who = (seat: number) => string;

/** Nothing stands in the sentence. */
export type None = Readonly<Record<string, never>>;
export interface Seat {
  readonly seat: number;
}
/** As it is written, or a sentence: "7 × 8", "which is larger". */
export type Text = string | Told;
export const textOf = (text: Text, tell: Teller): string => (typeof text === 'string' ? text : tell(text));
export interface Shown {
  readonly shown: Text;
}
export interface Numbers {
  readonly numbers: readonly number[];
}
export interface Whole {
  readonly whole: Text;
}
export interface Roll {
  readonly roll: readonly number[];
}
export const listText = (list: readonly number[]) =>
  list.length < 2 ? list.join('') : `${list.slice(0, -1).join(', ')} and ${list.at(-1)}`;
/** What a card makes of a total. */
export interface FromTo {
  readonly from: number;
  readonly to: number;
}
export interface Factors {
  readonly a: number;
  readonly b: number;
}
/** An array as it lies on a field. */
export interface Plot {
  readonly row: number;
  readonly col: number;
  readonly rows: number;
  readonly cols: number;
}
export const arrayAt = ({ row, col, rows, cols }: Plot) =>
  `${rows} rows of ${cols} from row ${row + 1}, column ${col + 1}`;

/** A hand of cards: that of a seat, or (alone at the table) the pack's own. */
export interface Hand {
  readonly hand: number;
  readonly seats: number;
}
export const handText = ({ hand, seats }: Hand, who: Who, pack: string) => (hand < seats ? who(hand) : pack);
export const cardsText = (count: number) => `${count} ${count === 1 ? 'card' : 'cards'}`;

const numberWords = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
export const numberWord = (count: number) => numberWords[count] ?? String(count);

/** A sentence within a sentence. */
export interface Told {
  readonly id: string;
  readonly values: unknown;
}
export type Teller = (told: Told) => string;

/** A story that holds a fact, and what is said to come of it. */
export interface Story {
  readonly operation: Operation;
  readonly a: number;
  readonly b: number;
  readonly c: number;
}
export const stories: Readonly<Record<Operation, (a: number, b: number, c: number) => string>> = {
  add: (a, b, c) => `There are ${a} ducks on the pond and ${b} more come. Now there are ${c}.`,
  sub: (a, b, c) => `There are ${a} apples on the table and ${b} are eaten. ${c} are left.`,
  mul: (a, b, c) => `${a} boxes hold ${b} pencils each. That makes ${c} pencils.`,
  div: (a, b, c) => `${a} nuts are shared by ${b} children. Each has ${c}.`,
};

/** Stories that ask for a fact, each turning on a word. */
export const signStories = {
  altogether: (a, b) => `${a} shells lie in one box and ${b} in another. How many altogether?`,
  moreCome: (a, b) => `${a} birds sit on a wall, and ${b} more come. How many are there now?`,
  before: (a, b) => `${b} birds fly off, and ${a} are left. How many were there before?`,
  fewerThan: (a, b) => `Tomek has ${a} nuts, ${b} fewer than Mira. How many has Mira?`,
  areLeft: (a, b) => `${a} plums lie in a bowl, and ${b} are eaten. How many are left?`,
  fewer: (a, b) => `Mira has ${a} stones, Tomek has ${b} fewer. How many has Tomek?`,
  howManyMore: (a, b) => `There are ${a} red beads and ${b} blue ones. How many more are red?`,
  moreThan: (a, b) => `Mira has ${a} nuts, ${b} more than Tomek. How many has Tomek?`,
  each: (a, b) => `There are ${a} bags with ${b} pears in each. How many pears?`,
  timesAsMany: (a, b) => `Tomek has ${b} pins, Mira has ${a} times as many. How many has Mira?`,
  eachShared: (a, b) => `Nuts are shared by ${a} children, and each has ${b}. How many nuts were there?`,
  shared: (a, b) => `${a} cakes are shared by ${b} children. How many has each?`,
  bagsOf: (a, b) => `${a} pears go into bags of ${b}. How many bags are filled?`,
  timesMore: (a, b) => `Mira has ${a} pins, ${b} times as many as Tomek. How many has Tomek?`,
} as const satisfies Readonly<Record<string, (a: number, b: number) => string>>;
export type SignStoryKind = keyof typeof signStories;

/** The words of each story that tell its sign. */
export const signWords: Readonly<Record<SignStoryKind, string>> = {
  altogether: 'altogether',
  moreCome: 'more come',
  before: 'were there before',
  fewerThan: 'fewer than',
  areLeft: 'are left',
  fewer: 'fewer',
  howManyMore: 'How many more',
  moreThan: 'more than',
  each: 'in each',
  timesAsMany: 'times as many',
  eachShared: 'each has',
  shared: 'shared',
  bagsOf: 'bags of',
  timesMore: 'times as many as',
};

export const goalText = ({ goal, called }: NumberGoal) =>
  goal === 'nearest' ? `the nearest to ${called}` : `the ${goal} number`;

const teens = [
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const tens = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

/** A whole number from 0 to 999 999 as it is read aloud: "nine thousand four hundred and twenty". */
export function numberInWords(number: number): string {
  if (number === 0) return 'nought';
  if (number < 10) return numberWord(number);
  if (number < 20) return teens[number - 10] as string;
  const [ten, one] = [Math.floor(number / 10), number % 10];
  if (number < 100) return `${tens[ten]}${one > 0 ? `-${numberWord(one)}` : ''}`;
  const size = number < 1000 ? 100 : 1000;
  const [head, rest] = [Math.floor(number / size), number % size];
  const joined = rest === 0 ? '' : rest < 100 ? ` and ${numberInWords(rest)}` : ` ${numberInWords(rest)}`;
  return `${numberInWords(head)} ${size === 100 ? 'hundred' : 'thousand'}${joined}`;
}

/** Several of a number: "twos", "sixes", "twenties". */
export const manyOf = (number: number): string =>
  numberInWords(number).replace(/y$/, 'ie').replace(/x$/, 'xe') + 's';

const ordinals = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
];
const teenths = ['eleventh', 'twelfth'];

/** What a part is called by its bottom, from 1: "whole", "half", "third", "quarter", "fifth". */
function partWord(bottom: number, many: boolean): string {
  if (bottom === 2) return many ? 'halves' : 'half';
  const word =
    bottom === 1
      ? 'whole'
      : bottom === 4
        ? 'quarter'
        : (ordinals[bottom - 1] ?? teenths[bottom - 11] ?? `${numberInWords(bottom)}th`);
  return many ? `${word}s` : word;
}

/** A fraction as it is named: "three quarters, proper". */
export const partInWords = ({ top, bottom }: Part): string =>
  `${numberInWords(top)} ${partWord(bottom, top !== 1)}, ${top < bottom ? 'proper' : 'improper'}`;
