/**
 * Digits correct per minute on handwritten sheets, as bands to be edited. Another table goes round under the same
 * name (21-40 and 41-80 as instruction).
 */
export interface RateBand {
  readonly grades: string;
  /** Digits correct per minute at which instruction begins, and at which mastery begins. */
  readonly instructionFrom: number;
  readonly masteryFrom: number;
  /** Errors a minute: at mastery at most this many. */
  readonly masteryErrors: number;
  readonly source: string;
}

const deno = 'Deno & Mirkin (1977), as tabulated by Shapiro, Academic Skills Problems; from memory';

export const rateBands: readonly RateBand[] = [
  { grades: '1-3', instructionFrom: 10, masteryFrom: 20, masteryErrors: 2, source: deno },
  { grades: '4 and up', instructionFrom: 20, masteryFrom: 40, masteryErrors: 2, source: deno },
];

/** The instructional ranges of another study, digits correct per minute, both ends included. */
export const instructionalRanges = [
  {
    grades: '2-3',
    from: 14,
    to: 31,
    source: 'Burns, VanDerHeyden & Jiban (2006), School Psychology Review 35; from memory',
  },
  {
    grades: '4-5',
    from: 24,
    to: 49,
    source: 'Burns, VanDerHeyden & Jiban (2006), School Psychology Review 35; from memory',
  },
] as const;

/** The level a rate stands at for a grade: frustration, instruction or mastery. */
export function rateLevel(digitsPerMinute: number, grade: number): 'frustration' | 'instruction' | 'mastery' {
  const band = (grade <= 3 ? rateBands[0] : rateBands[1]) as RateBand;
  if (digitsPerMinute < band.instructionFrom) return 'frustration';
  return digitsPerMinute < band.masteryFrom ? 'instruction' : 'mastery';
}
