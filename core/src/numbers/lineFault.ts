import { shownSigns, type StepSign } from './expression.ts';

/** Why a typed line cannot be read. */
export type Unread =
  | {
      readonly why:
        | 'tooLong'
        | 'nothing'
        | 'endsEarly'
        | 'signMissing'
        | 'leftOpen'
        | 'closedUnopened'
        | 'tooDeep'
        | 'numberBeforeBracket'
        | 'numberBeforeEquals'
        | 'numberBetweenSigns';
    }
  | { readonly why: 'tooLarge'; readonly digits: string }
  | { readonly why: 'strange'; readonly mark: string };

/** What is wrong with a typed line, as data; expressions and values as they are written. */
export type LineFault =
  | ({ readonly kind: 'unreadable' } & Unread)
  | { readonly kind: 'notThere'; readonly number: number; readonly numbers: readonly number[] }
  | { readonly kind: 'usedTwice'; readonly number: number; readonly times: number }
  | { readonly kind: 'sign'; readonly sign: StepSign | '!' }
  | { readonly kind: 'noPower' | 'beyondCap'; readonly step: string; readonly cap: number }
  | { readonly kind: 'byZero' | 'notWhole' | 'belowZero'; readonly step: string }
  /** `other`: what it was said to equal; `otherMakes` null: that is a number. */
  | {
      readonly kind: 'notEqual';
      readonly line: string;
      readonly makes: string;
      readonly other: string;
      readonly otherMakes: string | null;
    }
  | { readonly kind: 'target'; readonly line: string; readonly makes: string; readonly target: number }
  | { readonly kind: 'tooFew' | 'tooMany'; readonly bound: number; readonly used: number };

/** Each kind of slip a line may hold. */
export type LineSlip = LineFault['kind'];

/** The longest line that is read. */
export const longestLine = 200;

const signNames: Readonly<Record<StepSign | '!', string>> = {
  '+': 'Adding',
  '-': 'Taking away',
  '*': 'Multiplying',
  '/': 'Dividing',
  '^': 'Raising to a power',
  '!': 'A factorial',
};

/** What is wrong with a line, in a sentence. */
export function lineFaultText(fault: LineFault): string {
  switch (fault.kind) {
    case 'unreadable':
      return unreadText(fault);
    case 'notThere':
      return `There is no ${fault.number} among ${fault.numbers.join(', ')}.`;
    case 'usedTwice':
      return `${fault.number} lies there ${fault.times === 1 ? 'once' : `${fault.times} times`} and is used more often.`;
    case 'sign':
      return `${signNames[fault.sign]} is not used at this step.`;
    case 'noPower':
      return `${fault.step} is no whole number that is worked with here.`;
    case 'beyondCap':
      return `${fault.step} comes to more than ${fault.cap}, the most that is used here.`;
    case 'byZero':
      return `${fault.step}: nothing can be divided by 0.`;
    case 'notWhole':
      return `${fault.step} does not come out whole.`;
    case 'belowZero':
      return `${fault.step} goes below 0.`;
    case 'notEqual':
      return fault.otherMakes === null
        ? `${fault.line} is ${fault.makes}, not ${fault.other}.`
        : `${fault.line} is ${fault.makes} and ${fault.other} is ${fault.otherMakes}: they are not equal.`;
    case 'target':
      return `${fault.line} makes ${fault.makes}, not ${fault.target}.`;
    case 'tooFew':
      return `A line uses at least ${fault.bound} of the numbers; this one uses ${fault.used}.`;
    case 'tooMany':
      return `A line uses at most ${fault.bound} of the numbers; this one uses ${fault.used}.`;
  }
}

function unreadText(unread: Unread): string {
  switch (unread.why) {
    case 'tooLong':
      return `A line has at most ${longestLine} signs.`;
    case 'nothing':
      return 'Write a line, such as 3 + 4.';
    case 'endsEarly':
      return 'The line ends where a number should follow.';
    case 'signMissing':
      return 'A sign is missing between two numbers.';
    case 'leftOpen':
      return 'A bracket is opened and never closed.';
    case 'closedUnopened':
      return 'A bracket closes that was never opened.';
    case 'tooDeep':
      return 'There are too many brackets in one another.';
    case 'numberBeforeBracket':
      return 'A number is missing before a closing bracket.';
    case 'numberBeforeEquals':
      return 'A number is missing before the equals sign.';
    case 'numberBetweenSigns':
      return 'Two signs stand side by side; a number is missing between them.';
    case 'tooLarge':
      return `${unread.digits} is too large to work with.`;
    case 'strange':
      return `\u201c${unread.mark}\u201d is no number and no sign. Use ${shownSigns['+']} ${shownSigns['-']} ${shownSigns['*']} ${shownSigns['/']}, brackets and =.`;
  }
}
