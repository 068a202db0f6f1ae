import { profiles, schools, yardstick, type PlacementSetting, type Profile } from '@veldrift/core';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import type { Bench } from './section.ts';
import { bySchool, ratioOf, turned, writePage, wrongOf } from './judgement/page.ts';
import { placementHead, writePlacement } from './judgement/placementPage.ts';
import type { Job } from './judgement/jobs.ts';
import { keyOf, sensitivityHead, writeSensitivity } from './judgement/sensitivityPage.ts';
import { cells, looks, quickCells } from './judgement/worlds.ts';
import { runJobs } from './judgement/pool.ts';

const learners = Number(process.env.VELDRIFT_LEARNERS ?? 2000);
const turnedLearners = Math.min(200, learners);
const inJob = 50;
/** Parts of the page; VELDRIFT_PART names one that is worked out afresh alone: the placement needs a minute, the others some twenty. */
const parts = ['schools', 'sensitivity', 'placement'] as const;
type Part = (typeof parts)[number];
const wanted: readonly Part[] = parts.filter((one) => (process.env.VELDRIFT_PART ?? one) === one);
const heads: Readonly<Record<Part, string>> = {
  schools: '',
  sensitivity: sensitivityHead,
  placement: placementHead,
};
/** Of a hundred counted answers, how many the tutor marks. */
const seenShares = [0, 30, 90];

const placementsOf: readonly (readonly [pathway: string, operation: 'add' | 'sub' | 'mul' | 'div'])[] = [
  ['strategy', 'add'],
  ['strategy', 'sub'],
  ['strategy', 'mul'],
  ['strategy', 'div'],
  ['fixed', 'mul'],
  ['cards', 'add'],
  ['linked', 'mul'],
];
const typing = (trueOverheadMs: number, overhead: PlacementSetting['overhead']): PlacementSetting => ({
  ownPace: true,
  overhead,
  world: { ...yardstick, trueOverheadMs },
});
const placed: readonly (readonly [Profile, PlacementSetting, string])[] = [
  ['clean', {}, 'clean'],
  ['graded', {}, 'graded'],
  ['patchy', {}, 'patchy'],
  ['slow', { ownPace: true }, 'slow, own pace'],
  ['slow', {}, 'slow, 2 s'],
  ['fingers', {}, 'finger-counting'],
];
/** Keypads nobody measured, of quick and of slow typists: what is assumed, against what the first answers show. */
const typed: readonly (readonly [Profile, PlacementSetting, string])[] = (
  ['clean', 'patchy', 'slow', 'fingers'] as const
).flatMap((profile) =>
  [300, 1300, 2000].flatMap((ms) =>
    (['assumed', 'provisional'] as const).map(
      (how) =>
        [
          profile,
          typing(ms, how),
          `${profile === 'fingers' ? 'finger-counting' : profile}, keys ${ms / 1000} s, ${how}`,
        ] as const,
    ),
  ),
);

/** Schools and placement on simulated learners, in worker threads; writes docs/judgement.md and its pictures. */
export const judgementBench: Bench = async (root, say) => {
  const jobsOf = (count: number) =>
    Array.from({ length: Math.ceil(count / inJob) }, (_, at) => ({
      from: at * inJob,
      count: Math.min(inJob, count - at * inJob),
    }));
  const school = { kind: 'school', policy: {}, seen: 0, watched: looks } as const;
  const placements = placementsOf.flatMap(([pathway, operation]) =>
    [...placed, ...(pathway === 'strategy' && operation === 'mul' ? typed : [])].map(
      ([profile, setting, says]) => ({
        key: `${pathway} ${operation} ${says}`,
        says: `${pathway}|${operation}|${says}`,
        pathway,
        operation,
        profile,
        setting,
      }),
    ),
  );
  const schoolJobs: Job[] = [
    ...schools.flatMap((name) =>
      profiles.flatMap((profile) =>
        jobsOf(learners).map((part): Job => ({
          ...school,
          ...part,
          key: `${name} ${profile}`,
          school: name,
          profile,
        })),
      ),
    ),
    ...seenShares.flatMap((seen) =>
      jobsOf(learners).map((part): Job => ({
        ...school,
        ...part,
        key: `seen ${seen}`,
        school: 'eachFactInstant',
        profile: 'fingers',
        seen,
      })),
    ),
    ...schools.flatMap((name) =>
      turned[name].flatMap(([label, policy]) =>
        profiles.flatMap((profile) =>
          jobsOf(turnedLearners).map((part): Job => ({
            ...school,
            ...part,
            policy,
            key: `turned ${name} ${profile} ${label}`,
            school: name,
            profile,
          })),
        ),
      ),
    ),
  ];
  const placementJobs = placements.flatMap(({ key, pathway, operation, profile, setting }) =>
    jobsOf(Math.min(1000, learners)).map((part): Job => ({
      kind: 'placement',
      ...part,
      key,
      pathway,
      operation,
      profile,
      setting,
    })),
  );
  const cellLearners = Math.min(400, learners);
  const cellJobs = [...cells, ...quickCells].flatMap((cell) =>
    cell.profiles.flatMap((profile) =>
      jobsOf(Math.ceil(cellLearners / cell.profiles.length)).map((part): Job => ({
        ...school,
        ...part,
        seen: cell.seen ?? 0,
        watched: cell.watched,
        calls: cell.calls ?? false,
        world: cell.world,
        key: keyOf(cell, profile),
        school: 'eachFactInstant',
        profile,
      })),
    ),
  );
  const jobs: Readonly<Record<Part, readonly Job[]>> = {
    schools: schoolJobs,
    sensitivity: cellJobs,
    placement: placementJobs,
  };
  const stop = new AbortController();
  process.once('SIGINT', () => stop.abort());
  const began = Date.now();
  let told = 0;
  const results = await runJobs(
    wanted.flatMap((one) => jobs[one]),
    Math.max(1, Number(process.env.VELDRIFT_THREADS ?? cpus().length)),
    (done, of) => {
      if (done < of && Date.now() - told < 10_000) return;
      told = Date.now();
      say(`${done} of ${of} parts, ${Math.round((told - began) / 1000)} s`);
    },
    stop.signal,
  );
  const dir = join(root, 'docs/judgement');
  mkdirSync(dir, { recursive: true });
  const file = join(root, 'docs/judgement.md');
  const before = existsSync(file) ? partsOf(readFileSync(file, 'utf8')) : {};
  const written = wanted.includes('schools') ? writePage(results, seenShares) : undefined;
  const texts: Readonly<Record<Part, () => string>> = {
    schools: () => written?.page ?? '',
    sensitivity: () => writeSensitivity(results, cellLearners),
    placement: () =>
      writePlacement(
        results,
        placements.map((one) => [one.key, one.says]),
      ),
  };
  const page = parts.map((one) => (wanted.includes(one) ? texts[one]() : (before[one] ?? ''))).join('\n');
  writeFileSync(file, await format(page, { ...(await resolveConfig(file)), parser: 'markdown' }));
  for (const [name, svg] of Object.entries(written?.pictures ?? {}))
    writeFileSync(join(dir, `${name}.svg`), svg);
  if (!written) return null;
  return {
    title: 'Judgement on simulated learners',
    says: `${learners} simulated learners per school and profile, in worker threads; all tables and pictures: [judgement.md](judgement.md).`,
    columns: ['profile', 'wrong advances of the default in 100', 'its visits over those of the minute aim'],
    rows: profiles.map((profile) => {
      const { wrong, moved } = wrongOf(bySchool(results, `eachFactInstant ${profile}`));
      return [
        profile,
        moved === 0 ? '-' : ((100 * wrong) / moved).toFixed(1),
        ratioOf(results, profile).ratio.toFixed(2),
      ];
    }),
  };
};

/** The parts of the page as written before. */
function partsOf(page: string): Partial<Record<Part, string>> {
  const starts = parts
    .map((one) => ({ one, at: heads[one] === '' ? 0 : page.indexOf(heads[one]) }))
    .filter(({ at }) => at >= 0);
  return Object.fromEntries(starts.map(({ one, at }, nth) => [one, page.slice(at, starts[nth + 1]?.at)]));
}
