import {
  allLinesSteps,
  expressionText,
  mostNumbersForAll,
  reachSteps,
  worked,
  type Expression,
  type Sign,
} from '@veldrift/core';

/** What is to be worked out. */
export interface SolveAsked {
  readonly numbers: readonly number[];
  readonly signs: readonly Sign[];
  /** A number to be made; null: none is asked for. */
  readonly target: number | null;
}

/** A line with its steps. */
export interface SolvedLine {
  readonly text: string;
  readonly steps: readonly string[];
}

/** What it has come to so far. */
export type SolveTold =
  | { readonly kind: 'progress'; readonly done: number }
  | {
      readonly kind: 'reached';
      /** By value from 1 to 100, a line with as few numbers as any. */
      readonly square: Readonly<Record<number, SolvedLine>>;
      /** How many values were found, of all that were looked for. */
      readonly values: number;
      readonly looked: number;
      /** The line to the target; null: proved that there is none. */
      readonly line: SolvedLine | null;
      /** The nearest values, where there is none. */
      readonly nearest: readonly number[];
      /** Whether all lines to the target are told next. */
      readonly listing: boolean;
    }
  /** Lines to the target, more of them as they are found. */
  | { readonly kind: 'lines'; readonly lines: readonly string[]; readonly done: number };

const square = 100;
const told = (message: SolveTold) => self.postMessage(message);
const solved = (line: Expression): SolvedLine => ({ text: expressionText(line), steps: worked(line) });

/** Works out what numbers make, off the page's thread, step by step. Ending the worker cancels it. */
self.onmessage = ({ data }: MessageEvent<SolveAsked>) => {
  const { numbers, signs, target } = data;
  // One number alone is always made: nothing further off than the nearest of them can be nearest.
  const off = target === null ? 0 : Math.min(...numbers.map((one) => Math.abs(one - target)));
  const to = Math.max(square, target === null ? 0 : target + off);
  const steps = reachSteps({ numbers, signs, from: 0, to });
  const reaching = () => {
    const next = steps.next();
    if (!next.done) {
      told({ kind: 'progress', done: next.value });
      setTimeout(reaching);
      return;
    }
    const found = next.value;
    const lines = found.values
      .filter((value) => value >= 1 && value <= square)
      .map((value) => [value, solved(found.lineFor(value) as Expression)] as const);
    const line = target === null ? undefined : found.lineFor(target);
    const listed = target !== null && line !== undefined && numbers.length <= mostNumbersForAll;
    const least = target === null ? 0 : Math.min(...found.values.map((value) => Math.abs(value - target)));
    told({
      kind: 'reached',
      square: Object.fromEntries(lines),
      values: found.values.length,
      looked: to + 1,
      line: line ? solved(line) : null,
      nearest:
        target === null || line ? [] : found.values.filter((value) => Math.abs(value - target) === least),
      listing: listed,
    });
    if (listed) listing(target);
  };
  const listing = (wanted: number) => {
    const all = allLinesSteps({ numbers, signs, target: wanted });
    const step = () => {
      const next = all.next();
      if (next.done) return;
      told({
        kind: 'lines',
        lines: next.value.lines.map((one) => expressionText(one)),
        done: next.value.done,
      });
      setTimeout(step);
    };
    step();
  };
  reaching();
};
