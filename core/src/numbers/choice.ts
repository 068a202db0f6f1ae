/** A choice of some of the numbers that lie there: one bit for each. */
export type Choice = number;

/** How many numbers are chosen. */
export function sizeOf(choice: Choice): number {
  let size = 0;
  for (let rest = choice; rest > 0; rest &= rest - 1) size += 1;
  return size;
}

/** Where the last number chosen lies. */
export const lastOf = (choice: Choice): number => 31 - Math.clz32(choice);

/** Every choice of one or more of `count` numbers, choices of few numbers first. */
export function allChoices(count: number): Choice[] {
  return Array.from({ length: (1 << count) - 1 }, (_, at) => at + 1).sort(
    (a, b) => sizeOf(a) - sizeOf(b) || a - b,
  );
}
