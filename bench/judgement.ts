import { profiles, schools, type Profile } from '@veldrift/core';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import type { Bench } from './section.ts';
import { bySchool, ratioOf, turned, writePage, wrongOf } from './judgement/page.ts';
import { placementHead, writePlacement } from './judgement/placementPage.ts';
import type { Job } from './judgement/jobs.ts';
import { runJobs } from './judgement/pool.ts';

const learners = Number(process.env.VELDRIFT_LEARNERS ?? 2000);
const turnedLearners = Math.min(200, learners);
const inJob = 50;
/** `placement`: only that part of the page is worked out afresh, in a minute; the schools need some twenty. */
const onlyPlacement = process.env.VELDRIFT_PART === 'placement';
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
const placed: readonly (readonly [Profile, boolean, string])[] = [
  ['clean', false, 'clean'],
  ['graded', false, 'graded'],
  ['patchy', false, 'patchy'],
  ['slow', true, 'slow, own pace'],
  ['slow', false, 'slow, 2 s'],
  ['fingers', false, 'finger-counting'],
];

/** Schools and placement on simulated learners, in worker threads; writes docs/judgement.md and its pictures. */
export const judgementBench: Bench = async (root, say) => {
  const parts = (count: number) =>
    Array.from({ length: Math.ceil(count / inJob) }, (_, at) => ({
      from: at * inJob,
      count: Math.min(inJob, count - at * inJob),
    }));
  const school = { kind: 'school', policy: {}, seen: 0 } as const;
  const placements = placementsOf.flatMap(([pathway, operation]) =>
    placed.map(([profile, ownPace, says]) => ({
      key: `${pathway} ${operation} ${says}`,
      says: `${pathway}|${operation}|${says}`,
      pathway,
      operation,
      profile,
      ownPace,
    })),
  );
  const schoolJobs: Job[] = [
    ...schools.flatMap((name) =>
      profiles.flatMap((profile) =>
        parts(learners).map((part): Job => ({
          ...school,
          ...part,
          key: `${name} ${profile}`,
          school: name,
          profile,
        })),
      ),
    ),
    ...seenShares.flatMap((seen) =>
      parts(learners).map((part): Job => ({
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
          parts(turnedLearners).map((part): Job => ({
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
  const placementJobs = placements.flatMap(({ key, pathway, operation, profile, ownPace }) =>
    parts(Math.min(1000, learners)).map((part): Job => ({
      kind: 'placement',
      ...part,
      key,
      pathway,
      operation,
      profile,
      ownPace,
    })),
  );
  const stop = new AbortController();
  process.once('SIGINT', () => stop.abort());
  const began = Date.now();
  let told = 0;
  const results = await runJobs(
    onlyPlacement ? placementJobs : [...schoolJobs, ...placementJobs],
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
  const onPlacement = writePlacement(
    results,
    placements.map((one) => [one.key, one.says]),
  );
  const keep = async (page: string) =>
    writeFileSync(file, await format(page, { ...(await resolveConfig(file)), parser: 'markdown' }));
  if (onlyPlacement) {
    const before = readFileSync(file, 'utf8');
    await keep(`${before.slice(0, before.indexOf(placementHead))}${onPlacement}`);
    return null;
  }
  const written = writePage(results, seenShares);
  await keep(`${written.page}\n${onPlacement}`);
  for (const [name, svg] of Object.entries(written.pictures)) writeFileSync(join(dir, `${name}.svg`), svg);
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
