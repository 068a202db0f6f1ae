import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';

/** The only source of chance in core: seeded, handed in, advanced by use. Same seed, same sequence. */
export interface RandomSource {
  /** A whole number from `low` to `high`, both included. */
  readonly int: (low: number, high: number) => number;
  /** A number from 0 (included) to 1 (excluded). */
  readonly unit: () => number;
}

/** Makes a source from any whole-number seed. */
export function createRandom(seed: number): RandomSource {
  const generator = xoroshiro128plus(seed | 0);
  return {
    int: (low, high) => uniformInt(generator, low, high),
    unit: () => uniformFloat64(generator),
  };
}

/**
 * One seed from some whole numbers, so that neighbours of any of them give draws that have nothing to do with one another
 * (the finishing steps of MurmurHash3, Appleby 2011). Seeds that merely count up do not: their first draws march in step.
 */
export function mixSeed(...numbers: readonly number[]): number {
  return numbers.reduce((mixed, number) => avalanche((Math.imul(mixed, 31) + number) | 0), 0x2545f491);
}

function avalanche(bits: number): number {
  let out = Math.imul(bits ^ (bits >>> 16), 0x85ebca6b);
  out = Math.imul(out ^ (out >>> 13), 0xc2b2ae35);
  return (out ^ (out >>> 16)) | 0;
}

/** A seed as a device draws them: any 32 bits. */
export const seedFrom = (random: RandomSource): number => random.int(-2_147_483_648, 2_147_483_647);

/** A new array in random order (Fisher-Yates); the given one is left as it was. */
export function shuffled<T>(items: readonly T[], random: RandomSource): T[] {
  const out = [...items];
  for (let at = out.length - 1; at > 0; at -= 1) {
    const other = random.int(0, at);
    [out[at], out[other]] = [out[other] as T, out[at] as T];
  }
  return out;
}

/** A draw from the gamma distribution of a shape of 1 or more and scale 1 (Marsaglia and Tsang, 2000; from memory). Throws RangeError below 1. */
export function gamma(shape: number, random: RandomSource): number {
  if (!(shape >= 1)) throw new RangeError('The shape should be 1 or more.');
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random.unit()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** A standard normal draw (Box-Muller, 1958). */
export function normal(random: RandomSource): number {
  const u = 1 - random.unit();
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random.unit());
}
