import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Bench } from './section.ts';

/** The folders whose tests are to see four faults in five. */
const folders = [
  'core/src/advance',
  'core/src/recall',
  'core/src/practice',
  'core/src/games/bodies',
  'core/src/games/table',
  'web/src/live',
  'server/src/events',
  'server/src/store',
  'server/src/auth',
];

interface Found {
  readonly seen: number;
  readonly of: number;
  /** The day it was tried. */
  readonly on: string;
}

/** What `npm run mutate` found of each file when it was last run, by folder. */
export const mutationsBench: Bench = (root) => {
  const file = join(root, 'bench/mutations.json');
  const found = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Record<string, Found>) : {};
  const rows = folders.flatMap((folder) => {
    const files = Object.entries(found).filter(([name]) => name.startsWith(`${folder}/`));
    if (files.length === 0) return [];
    const seen = files.reduce((sum, [, one]) => sum + one.seen, 0);
    const of = files.reduce((sum, [, one]) => sum + one.of, 0);
    const [weakest] = [...files].sort(([, a], [, b]) => a.seen / a.of - b.seen / b.of);
    return [
      [
        folder,
        String(files.length),
        `${seen} of ${of}`,
        ((100 * seen) / of).toFixed(1),
        weakest
          ? `${weakest[0].slice(folder.length + 1)}, ${Math.round((100 * weakest[1].seen) / weakest[1].of)}`
          : '-',
        files.map(([, one]) => one.on).sort()[0] ?? '-',
      ],
    ];
  });
  return Promise.resolve({
    title: 'Planted faults that a test sees',
    says: 'Faults planted one at a time by Stryker (no changed words; nothing that runs only when a file is loaded), looked for by the tests of the same part: `npm run mutate -- core/src/advance`. Aim: 80 in 100 of each folder. A file that was never tried is not counted (voiceOnset.ts, which generated clips test; some of core/src/practice; the folders that are missing), nor what needs a browser (in web/src/live the hooks and the microphone, driven in Chromium).',
    columns: ['folder', 'files', 'seen', 'in 100', 'weakest file', 'tried since'],
    rows,
  });
};
