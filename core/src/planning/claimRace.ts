/** How quickly and how surely a child claims: times lognormal about a median, ms, by `sigma`; `right`: chance that the claim holds. */
export interface Racer {
  readonly medianMs: number;
  /** Standard deviation of the natural logarithm of the time; 0: always the median. */
  readonly sigma: number;
  /** From 0 to 1. */
  readonly right: number;
}

/** Standard deviations on either side that are counted, and parts they are counted in; fewer do where all times vary alike. */
const reach = 8;
const manyParts = 4000;

/**
 * The chance of each to take a round: the earliest claim, its head start taken off, takes it if it is right; else the next, if
 * that one is. Seat i takes it where everyone before it was wrong: right(i) times the mean over its times of the product over all others
 * of 1 − right(j) F(j), F(j) the chance that j claims before. By Simpson's rule over eight standard deviations on either side;
 * good to 1e-6 of times that vary. Throws RangeError where a seat cannot be read.
 */
export function raceTakes(
  seats: readonly Racer[],
  headStartMs: readonly number[] = [],
  parts: number = manyParts,
): number[] {
  seats.forEach(({ medianMs, sigma, right }, at) => {
    if (!(medianMs > 0 && Number.isFinite(medianMs)))
      throw new RangeError(`seats[${at}].medianMs should be a number of ms above 0.`);
    if (!(sigma >= 0 && sigma <= 3)) throw new RangeError(`seats[${at}].sigma should be from 0 to 3.`);
    if (!(right >= 0 && right <= 1)) throw new RangeError(`seats[${at}].right should be from 0 to 1.`);
  });
  const startOf = (at: number) => headStartMs[at] ?? 0;
  // The chance that a seat has claimed by a moment; half where it claims at that very moment, always.
  const claimedBy = ({ medianMs, sigma }: Racer, head: number, ms: number): number => {
    const own = ms + head;
    if (own <= 0) return 0;
    if (sigma === 0) return own === medianMs ? 0.5 : own > medianMs ? 1 : 0;
    return normalShare(Math.log(own / medianMs) / sigma);
  };
  return seats.map((seat, at) => {
    const takenAt = (z: number) => {
      const ms = seat.medianMs * Math.exp(seat.sigma * z) - startOf(at);
      return seats.reduce(
        (chance, other, nth) =>
          nth === at ? chance : chance * (1 - other.right * claimedBy(other, startOf(nth), ms)),
        1,
      );
    };
    if (seat.sigma === 0) return seat.right * takenAt(0);
    const width = (2 * reach) / parts;
    let sum = 0;
    for (let nth = 0; nth <= parts; nth += 1) {
      const z = -reach + nth * width;
      const weight = nth === 0 || nth === parts ? 1 : nth % 2 === 1 ? 4 : 2;
      sum += weight * density(z) * takenAt(z);
    }
    return (seat.right * sum * width) / 3;
  });
}

/** The longest head start that is looked for, ms. */
export const longestHeadStartMs = 60_000;

/**
 * The head starts, ms, with which two take a round alike; one of them is 0. Null: not even a minute makes up for it, since one is too
 * often wrong. Throws RangeError as `raceTakes` does, or where there are not two.
 */
export function fairHeadStart(
  seats: readonly Racer[],
): { readonly headStartMs: number[]; readonly takes: number[] } | null {
  if (seats.length !== 2) throw new RangeError('seats should be two.');
  const level = raceTakes(seats);
  const behind = (level[0] as number) < (level[1] as number) ? 0 : 1;
  const starts = (ms: number) => (behind === 0 ? [ms, 0] : [0, ms]);
  // How much the one behind is still behind with a head start: it never grows with it.
  const short = (ms: number) => {
    const takes = raceTakes(seats, starts(ms));
    return (takes[1 - behind] as number) - (takes[behind] as number);
  };
  let [low, high] = [0, longestHeadStartMs];
  if (short(high) > 1e-9) return null;
  for (let nth = 0; nth < 60 && high - low > 1e-6; nth += 1) {
    const middle = (low + high) / 2;
    if (short(middle) > 0) low = middle;
    else high = middle;
  }
  const headStartMs = starts(short(0) <= 1e-12 ? 0 : high);
  return { headStartMs, takes: raceTakes(seats, headStartMs) };
}

const density = (z: number): number => Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);

/** The share of a standard normal below z: the series of Marsaglia (2004, from memory), to the last place within seven deviations. */
function normalShare(z: number): number {
  if (z < -7) return 0;
  if (z > 7) return 1;
  let [sum, term, before] = [z, z, 0];
  for (let nth = 3; sum !== before; nth += 2) {
    before = sum;
    term *= (z * z) / nth;
    sum += term;
  }
  return 0.5 + sum * density(z);
}
