/**
 * What is taken of a child and a fact before any answer, and how knowledge moves. Chosen on simulated children of fourteen
 * shapes, so that calls of 80 to 90 in 100 hold on all of them; docs/judgement.md shows it on others.
 */
export const recallModel = {
  /** Medians and spreads of the logarithm of a child's times, and how many answers they weigh as. */
  times: {
    recalled: { medianMs: 1000, sd: 0.38, meanWeighs: 3, sdWeighs: 3 },
    workedOut: { medianMs: 3300, sd: 0.57, meanWeighs: 3, sdWeighs: 3 },
    /** Of facts not known that are answered right all the same; only the child's pace moves it. */
    notKnown: { medianMs: 6000, sd: 0.6 },
    /** The largest share of right answers that may be to facts not known. */
    mostNotKnown: 0.05,
    /** A fact worked out takes at least so many times as long as one recalled. */
    leastRatio: 1.8,
    /** The recall limit that these go with: half of it for what is recalled, whose middle never lies beyond it. */
    limitMs: 2000,
    /** How many times as long as taken a child may take for everything: where the fit is begun; and the spread of its logarithm. */
    paces: [0.4, 0.55, 0.75, 1, 1.3, 1.7],
    paceSd: 0.3,
  },
  /** Chances of a wrong answer. */
  wrong: { recalled: 0.06, workedOut: 0.1, notKnown: 0.6 },
  /** Chances of learning at one meeting, and of forgetting on one unseen day, halved by each day on which it was recalled. */
  learning: { toWorkedOut: 0.2, toRecalled: 0.06, forgetPerDay: 0.01 },
  /** Some times say nothing, whatever is known: a child looks up, or asks again. Their share, and the density of any such time. */
  stray: { share: 0.02, density: 0.2 },
  /** What a fact is taken to be before any answer. */
  untold: { notKnown: 0.3, workedOut: 0.4, recalled: 0.3 },
  /** The chance that a tutor who looks marks what is not so. */
  misseen: 0.03,
} as const;
