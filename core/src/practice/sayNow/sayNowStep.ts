/** One step of a say-now line: what is said, and the sum it states, so that its truth can be checked. */
export interface SayNowStep {
  readonly says: string;
  /** In ASCII with + - * /, as any calculator reads it. */
  readonly expression: string;
  readonly value: number;
}

/** One way to a fact, in steps, the last of which gives the answer. */
export interface SayNowWay {
  /** What it is called on record, the same in every version: a child's own way is remembered by it. */
  readonly id: string;
  /** What it is called on the page. */
  readonly name: string;
  readonly steps: readonly SayNowStep[];
}

export const step = (says: string, expression: string, value: number): SayNowStep => ({
  says,
  expression,
  value,
});

/** "8, 9, 10": the numbers after one up to another. */
export function countedUp(from: number, to: number): string {
  return Array.from({ length: to - from }, (_, at) => from + at + 1).join(', ');
}

/** "9, 8, 7": so many numbers back from one. */
export function countedBack(from: number, by: number): string {
  return Array.from({ length: by }, (_, at) => from - at - 1).join(', ');
}
