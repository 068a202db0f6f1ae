import { learnerFigures, yardstick, type LearnerFigures, type Profile, type World } from '@veldrift/core';

/** One cell of the sensitivity table: other children than the yardstick's. */
export interface Cell {
  readonly label: string;
  readonly world: World;
  readonly profiles: readonly Profile[];
  /** Of a hundred counted or derived answers, how many the tutor marks. */
  readonly seen?: number;
  /** Of a hundred answers looked at, once the school asks to watch, how many the tutor marks. */
  readonly watched: number;
  /** How often the chances that are said are right is shown. */
  readonly calls?: boolean;
}

/** A tutor who looks, when asked to, sees nine in ten. */
export const looks = 90;

/** Worlds in which working out is hardly slower than the limit: there chances said are not promised to be right. */
const quickerThanLimit = new Set(['worked out, median 1.7 s']);

const usual: readonly Profile[] = ['clean', 'graded', 'patchy', 'slow'];
const cell = (label: string, over: Partial<World>): Cell => ({
  label,
  world: { ...yardstick, ...over },
  profiles: usual,
  watched: looks,
  calls: !quickerThanLimit.has(label),
});
const figures = (over: Partial<LearnerFigures>): Partial<World> => ({
  figures: { ...learnerFigures, ...over },
});

/** A figure of one kind of knowledge, turned to half and to double. */
const halfAndDouble = (
  kind: 'recalled' | 'workedOut' | 'notKnown',
  name: 'medianMs' | 'sigma' | 'wrong',
): Cell[] =>
  [0.5, 2].map((times) => {
    const before = learnerFigures[kind];
    const value = name === 'wrong' ? Math.min(0.9, before.wrong * times) : before[name] * times;
    const shown = name === 'medianMs' ? `${value / 1000} s` : String(value);
    const kinds = { recalled: 'recalled', workedOut: 'worked out', notKnown: 'not known' };
    const names = { medianMs: 'median', sigma: 'spread', wrong: 'wrong' };
    return cell(`${kinds[kind]}, ${names[name]} ${shown}`, figures({ [kind]: { ...before, [name]: value } }));
  });
const chance = (name: 'toWorkedOut' | 'toRecalled' | 'forgetPerDay', says: string): Cell[] =>
  [0.5, 2].map((times) =>
    cell(`${says} ${learnerFigures[name] * times}`, figures({ [name]: learnerFigures[name] * times })),
  );

/** Each constant turned to half and double, then other shapes of children and of measuring. */
export const cells: readonly Cell[] = [
  cell('the yardstick', {}),
  ...halfAndDouble('recalled', 'medianMs'),
  ...halfAndDouble('recalled', 'sigma'),
  ...halfAndDouble('recalled', 'wrong'),
  ...halfAndDouble('workedOut', 'medianMs'),
  ...halfAndDouble('workedOut', 'sigma'),
  ...halfAndDouble('workedOut', 'wrong'),
  ...halfAndDouble('notKnown', 'medianMs'),
  ...halfAndDouble('notKnown', 'sigma'),
  ...halfAndDouble('notKnown', 'wrong'),
  ...chance('toWorkedOut', 'learning to work out'),
  ...chance('toRecalled', 'learning to recall'),
  ...chance('forgetPerDay', 'forgetting a day'),
  ...[1.3, 2.2].map((slowPace) => cell(`slow children ${slowPace} times as long`, { slowPace })),
  ...[400, 1600].map((betweenPromptsMs) =>
    cell(`${betweenPromptsMs / 1000} s between prompts`, { betweenPromptsMs }),
  ),
  ...[20, 80].map((answersAVisit) => cell(`${answersAVisit} answers a visit`, { answersAVisit })),
  cell('times gamma, not lognormal', figures({ shape: 'gamma' })),
  cell('tiring: 1 in 100 slower a prompt', figures({ fatigue: 0.01 })),
  cell('careless: 6 in 100 wrong on top', figures({ careless: 0.06 })),
  cell('fresh recall 0.8 slower, wearing off', figures({ freshSlower: 0.8 })),
  cell('another sign read, 5 in 100', figures({ signConfusion: 0.05 })),
  cell('ceiling from 12 namings', { namings: 12 }),
  ...[0.8, 0.6].map((namingShare) =>
    cell(`naming ${Math.round(100 * (1 - namingShare))} in 100 quicker than recall`, {
      namingShare,
      namings: 12,
    }),
  ),
  ...[2000, 3000].map((betweenPromptsMs) =>
    cell(`slow typing, calibrated: ${betweenPromptsMs / 1000} s a number`, {
      betweenPromptsMs,
      namings: 12,
      namingShare: 0.8,
    }),
  ),
  ...[300, -300].map((overheadOffMs) =>
    cell(`overhead ${Math.abs(overheadOffMs)} ms too ${overheadOffMs > 0 ? 'long' : 'short'}`, {
      overheadOffMs,
    }),
  ),
  cell('overhead shrinking by 15 ms a visit', { overheadDriftMs: 15 }),
];

/** Who works out so quickly, or counts so. */
const quick: readonly (readonly [label: string, figures: Partial<LearnerFigures>])[] = [
  ...[1500, 1800, 2200].map(
    (medianMs) =>
      [
        `works out in ${medianMs / 1000} s`,
        { workedOut: { ...learnerFigures.workedOut, medianMs, sigma: 0.3 } },
      ] as const,
  ),
  [
    'counts on: 0.6 s and 0.2 s a unit',
    { countMs: 200, workedOut: { ...learnerFigures.workedOut, medianMs: 600, sigma: 0.3 } },
  ],
];
/** What is marked of its own accord, and what once the school asks to watch, of a hundred answers worked out. */
const marked: readonly (readonly [says: string, seen: number, watched: number])[] = [
  ['nobody looks', 0, 0],
  ['looked at when asked', 0, looks],
  ['30 in 100 marked, looked at when asked', 30, looks],
  ['90 in 100 marked', 90, looks],
];

/** Children who count or derive so quickly that the clock cannot tell; with and without the mark that is asked for. */
export const quickCells: readonly Cell[] = quick.flatMap(([label, over]) =>
  marked.map(([says, seen, watched]) => ({
    label: `${label}; ${says}`,
    world: { ...yardstick, figures: { ...learnerFigures, ...over } },
    profiles: ['fingers'] as const,
    seen,
    watched,
  })),
);
