import { allLines, createRandom, mostSpent, reach, signs } from '@veldrift/core';
import type { Bench } from './section.ts';
import { ms, spread } from './table.ts';

const draws = 40;
const plainDraws = 4;
const most = 9999;

/** Six numbers as a table would draw them: small ones of cards, and some large. */
function drawn(seed: number): number[] {
  const random = createRandom(seed);
  const large = random.int(0, 4);
  return Array.from({ length: 6 }, (_, at) => (at < large ? 25 * random.int(1, 4) : random.int(1, 13)));
}

/** The plain way: any two numbers replaced by one step of them, until one is left. */
function plainSearch(numbers: readonly number[]): ReadonlySet<number> {
  const values = new Set<number>();
  const walk = (list: readonly number[]) => {
    for (const one of list) values.add(one);
    for (let i = 0; i < list.length; i += 1)
      for (let j = 0; j < list.length; j += 1) {
        if (i === j) continue;
        const [a, b] = [list[i] as number, list[j] as number];
        const rest = list.filter((_, at) => at !== i && at !== j);
        const go = (value: number) => walk([...rest, value]);
        if (i < j) {
          go(a + b);
          go(a * b);
        }
        if (a >= b) go(a - b);
        if (b !== 0 && a % b === 0) go(a / b);
      }
  };
  walk(numbers);
  return values;
}

/** The make-the-number solver against a plain exhaustive search that shares nothing with it; both must find the same values. */
export const solverBench: Bench = (_root, say) => {
  const [ours, lines, plain, ratios]: [number[], number[], number[], number[]] = [[], [], [], []];
  const time = <T>(into: number[], work: () => T): T => {
    const begun = performance.now();
    const result = work();
    into.push(performance.now() - begun);
    return result;
  };
  for (let seed = 0; seed < draws; seed += 1) {
    const numbers = drawn(seed);
    const found = time(ours, () => reach({ numbers, from: 0, to: most }));
    time(lines, () =>
      allLines({ numbers, target: found.values[Math.floor(found.values.length / 2)] as number }),
    );
    if (seed >= plainDraws) continue;
    say(`plain search of ${numbers.join(', ')}`);
    const all = time(plain, () => plainSearch(numbers));
    const values = [...all].filter((value) => value <= most).sort((a, b) => a - b);
    if (values.join() !== found.values.join())
      throw new Error(`The searches differ on ${numbers.join(', ')}.`);
    ratios.push((plain.at(-1) as number) / (ours.at(-1) as number));
  }
  const spends = ([5, 7] as const).flatMap((count) =>
    ([null, 1000] as const).map((cap) => {
      const times: number[] = [];
      for (let seed = 0; seed < draws; seed += 1) {
        const random = createRandom(7 * seed + count);
        const numbers = Array.from({ length: count }, () => random.int(1, 10));
        const target = random.int(0, 18);
        time(times, () => mostSpent({ numbers, target, signs, cap }));
      }
      return {
        what: `the most that several lines spend, ${count} cards${cap === null ? '' : ', powers and factorials to 1,000'}`,
        times,
      };
    }),
  );
  const row = (what: string, times: readonly number[], aim: string) => {
    const { median, p95, worst } = spread(times);
    return [what, String(times.length), ms(median), ms(p95), ms(worst), aim];
  };
  return Promise.resolve({
    title: 'What six numbers make',
    says: `Every value from 0 to ${most} that some of six numbers reach, whole steps at or above 0, each value with a line; and all lines to one target that differ by more than order and brackets. The plain search replaces any two numbers by one step until one is left; it found the same values, ${Math.round(spread(ratios).median)} times slower in the same run.`,
    columns: ['what', 'draws', 'median', '95 in 100', 'worst', 'aim'],
    rows: [
      row('all values, each with a line', ours, 'under 300 ms'),
      row('all lines to one target', lines, ''),
      row('plain search, values only', plain, ''),
      ...spends.map(({ what, times }) => row(what, times, 'under 200 ms')),
    ],
  });
};
