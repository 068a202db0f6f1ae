/** What the tutor saw while a fact was answered. Letters are the keys of the live table. */
export const marks = [
  'fingers',
  'countingOn',
  'fromTen',
  'fromDouble',
  'putRight',
  'guessed',
  'explained',
  'helped',
  'noCounting',
  'workedOut',
] as const;
export type Mark = (typeof marks)[number];

export const markLetters: Readonly<Record<Exclude<Mark, 'workedOut'>, string>> = {
  fingers: 'F',
  countingOn: 'O',
  fromTen: 'T',
  fromDouble: 'D',
  putRight: 'S',
  guessed: 'G',
  explained: 'E',
  helped: 'H',
  noCounting: 'N',
};

export const markNames: Readonly<Record<Mark, string>> = {
  fingers: 'fingers',
  countingOn: 'counting on',
  fromTen: 'from a ten',
  fromDouble: 'from a double',
  putRight: 'put right by self',
  guessed: 'guessed',
  explained: 'explained',
  helped: 'helped',
  noCounting: 'no counting seen',
  workedOut: 'worked out',
};

/** Marks that show the fact was reached by working, whatever the clock says. */
export const workingMarks: ReadonlySet<Mark> = new Set<Mark>([
  'fingers',
  'countingOn',
  'fromTen',
  'fromDouble',
  'workedOut',
  'helped',
]);

/** Marks that make a right answer no evidence either way. */
export const doubtMarks: ReadonlySet<Mark> = new Set<Mark>(['guessed', 'putRight']);

/** A mark from its name or its letter; undefined when it is neither. */
export function tryParseMark(text: string): Mark | undefined {
  return (
    marks.find((mark) => mark === text) ??
    marks.find((mark) => mark !== 'workedOut' && markLetters[mark] === text.toUpperCase())
  );
}
