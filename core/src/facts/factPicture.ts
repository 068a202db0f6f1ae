import type { FactKey } from './fact.ts';

/** The box a picture is drawn in: whole units across and down. */
export const pictureBox = { width: 1000, height: 750 } as const;

/** A line of a pen: across, down, across, down …, whole units of the box. */
export type PenLine = readonly number[];

/** What a child made of a fact: a picture, a sentence, or both. It is the child's hint. */
export interface FactPicture {
  readonly fact: FactKey;
  readonly sentence: string;
  readonly lines: readonly PenLine[];
}

/** What a picture holds at most: enough for a child, small enough to be fetched before a drill. */
export const pictureHolds = { lines: 200, numbers: 8000, sentence: 160 } as const;

/** A pen's places closer together than that are one, units of the box. */
const apartAtLeast = 5;

const numbersIn = (lines: readonly PenLine[]) => lines.reduce((sum, line) => sum + line.length, 0);
const held = (value: number, most: number) => Math.round(Math.max(0, Math.min(most, value)));

/** Whether something holds the lines of a picture. */
export function arePictureLines(value: unknown): value is readonly PenLine[] {
  if (!Array.isArray(value) || value.length > pictureHolds.lines) return false;
  const lines = value as readonly unknown[];
  let numbers = 0;
  return lines.every((line) => {
    if (!Array.isArray(line) || line.length < 2 || line.length % 2 !== 0) return false;
    numbers += line.length;
    return (
      numbers <= pictureHolds.numbers &&
      line.every(
        (one, at) =>
          Number.isInteger(one) && one >= 0 && one <= (at % 2 === 0 ? pictureBox.width : pictureBox.height),
      )
    );
  });
}

/** Whether no further line, or no further place, is taken. */
export const pictureIsFull = (lines: readonly PenLine[]): boolean =>
  lines.length >= pictureHolds.lines || numbersIn(lines) + 2 > pictureHolds.numbers;

/** The pen comes down at a place of the box; a full picture stays as it is. */
export function lineBegun(lines: readonly PenLine[], x: number, y: number): readonly PenLine[] {
  if (pictureIsFull(lines)) return lines;
  return [...lines, [held(x, pictureBox.width), held(y, pictureBox.height)]];
}

/** The pen goes on to a place; one hardly moved, or for which there is no room, changes nothing. */
export function lineDrawn(lines: readonly PenLine[], x: number, y: number): readonly PenLine[] {
  const last = lines.at(-1);
  if (!last || numbersIn(lines) + 2 > pictureHolds.numbers) return lines;
  const [toX, toY] = [held(x, pictureBox.width), held(y, pictureBox.height)];
  if (Math.hypot(toX - (last.at(-2) ?? 0), toY - (last.at(-1) ?? 0)) < apartAtLeast) return lines;
  return [...lines.slice(0, -1), [...last, toX, toY]];
}
