import { strokeOf, type Stroke } from './stroke.ts';

/** The numerals that are formed: each from the top. */
export const numerals = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
export type Numeral = (typeof numerals)[number];

/** How wide a numeral is at most, of its height. */
export const numeralWide = 0.6;

const at = (x: number, y: number) => ({ x, y });
const round = (x: number, y: number, wide: number, high: number, from: number, until: number) => ({
  round: at(x, y),
  ...{ wide, high, from, until },
});

/**
 * The ways a pen goes, in their order. From the top, round to the left in 0, 6, 8 and 9, two strokes in 4 and 5: common practice of
 * teaching numerals, no study.
 */
const ways: Readonly<Record<Numeral, readonly Stroke[]>> = {
  0: [strokeOf(at(0.3, 0), [round(0.3, 0.5, 0.29, 0.5, -90, -450)])],
  1: [strokeOf(at(0.3, 0), [{ to: at(0.3, 1) }])],
  2: [
    strokeOf(at(0.03, 0.23), [
      round(0.3, 0.28, 0.27, 0.28, -170, 40),
      { to: at(0.02, 1) },
      { to: at(0.58, 1) },
    ]),
  ],
  3: [
    strokeOf(at(0.06, 0.12), [
      round(0.28, 0.24, 0.25, 0.24, -150, 90),
      round(0.28, 0.74, 0.29, 0.26, -90, 150),
    ]),
  ],
  4: [
    strokeOf(at(0.14, 0), [{ to: at(0.03, 0.62) }, { to: at(0.58, 0.62) }]),
    strokeOf(at(0.44, 0.1), [{ to: at(0.44, 1) }]),
  ],
  5: [
    strokeOf(at(0.1, 0), [{ to: at(0.07, 0.44) }, round(0.28, 0.68, 0.29, 0.32, -136, 140)]),
    strokeOf(at(0.1, 0), [{ to: at(0.55, 0) }]),
  ],
  6: [strokeOf(at(0.46, 0), [round(0.5, 0.7, 0.47, 0.7, -95, -180), round(0.3, 0.7, 0.27, 0.3, 180, -180)])],
  7: [strokeOf(at(0.02, 0), [{ to: at(0.58, 0) }, { to: at(0.2, 1) }])],
  8: [
    strokeOf(at(0.49, 0.09), [
      round(0.3, 0.25, 0.25, 0.25, -40, -270),
      round(0.3, 0.75, 0.28, 0.25, -90, 270),
      round(0.3, 0.25, 0.25, 0.25, 90, -40),
    ]),
  ],
  9: [
    strokeOf(at(0.55, 0.18), [
      round(0.3, 0.27, 0.27, 0.27, -20, -380),
      { to: at(0.54, 0.3) },
      { to: at(0.5, 1) },
    ]),
  ],
};

/** The strokes of a numeral in their order, as a child who writes it sees them. */
export const numeralStrokes = (numeral: Numeral): readonly Stroke[] => ways[numeral];
