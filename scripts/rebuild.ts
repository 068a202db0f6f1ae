import { factKeyText, factStateNames } from '@veldrift/core';
import {
  ensureDatabase,
  openDb,
  previewRebuild,
  rebuildRoom,
  withClient,
  type PupilChange,
} from '@veldrift/server';
import { resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { openData } from './openData.ts';

const verdictWords: Readonly<Record<NonNullable<PupilChange['verdict']>['after'], string>> = {
  advance: 'move on',
  stay: 'stay',
  stepBack: 'step back',
  review: 'look back',
  recalibrate: 'measure again',
  notEnough: 'not enough evidence',
  place: 'to be placed',
};
/** Facts named of one pupil. */
const mostNamed = 8;

/** One line of what changes for a pupil. */
export function changeText({ name, facts, verdict, plays }: PupilChange): string {
  const stateText = (state: PupilChange['facts'][number]['before']) =>
    state === null ? 'untried' : factStateNames[state];
  const named = facts
    .slice(0, mostNamed)
    .map((one) => `${factKeyText(one.fact)} ${stateText(one.before)} \u2192 ${stateText(one.after)}`);
  const parts = [
    ...(verdict
      ? [
          `the school says "${verdictWords[verdict.after]}"${verdict.before ? ` instead of "${verdictWords[verdict.before]}"` : ''}`,
        ]
      : []),
    ...(facts.length > 0
      ? [
          `${facts.length === 1 ? '1 fact' : `${facts.length} facts`} (${named.join(', ')}${facts.length > mostNamed ? ', ...' : ''})`,
        ]
      : []),
    ...(plays > 0 ? [`the sums of ${plays === 1 ? '1 play' : `${plays} plays`}`] : []),
  ];
  return `${name}: ${parts.join('; ')}.`;
}

/**
 * `npm run rebuild [-- DATA] [--take]`: judges everybody afresh from the answers by the rules of now, lists what changes for
 * whom, and keeps it when told to. Ctrl-C stops between pupils.
 */
async function main(data: string, isTaken: boolean): Promise<void> {
  const stopping = new AbortController();
  process.on('SIGINT', () => stopping.abort());
  const say = (text: string) => void process.stdout.write(`${text}\n`);
  const { cluster, close } = await openData(data);
  try {
    await ensureDatabase(cluster, 'veldrift');
    const rooms = await withClient(
      cluster.adminUrl('veldrift'),
      async (client) =>
        (
          await client.query<{ room_id: string; name: string; time_zone: string }>(
            'select room_id, name, time_zone from rooms order by name',
          )
        ).rows,
    );
    const db = openDb(cluster.appUrl('veldrift'));
    const each = async (judge: typeof rebuildRoom) => {
      const changes: PupilChange[] = [];
      for (const room of rooms) {
        const onPupil = (done: number, of: number) =>
          void process.stdout.write(`\r${room.name}: ${done} of ${of} pupils `);
        changes.push(
          ...(await judge(db, room.room_id, room.time_zone, { onPupil, signal: stopping.signal })),
        );
        say('');
      }
      return changes;
    };
    try {
      const changes = await each(previewRebuild);
      for (const one of changes) say(changeText(one));
      if (changes.length === 0) say('Nothing changes: what is kept is what follows from the answers.');
      if (isTaken || (changes.length > 0 && (await isAgreed()))) {
        await each(rebuildRoom);
        say('Kept.');
      } else if (changes.length > 0) say('Nothing was kept. Again with --take keeps it without asking.');
    } finally {
      await db.end();
    }
  } finally {
    await close();
  }
}

/** Asks at the terminal; without one nobody can agree. */
async function isAgreed(): Promise<boolean> {
  if (!process.stdin.isTTY) return false;
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const said = await lines.question('Keep this? (y/n) ');
  lines.close();
  return /^y/i.test(said.trim());
}

if (process.argv[1] === import.meta.filename) {
  const args = process.argv.slice(2);
  const data = args.find((one) => !one.startsWith('--')) ?? '.veldrift';
  await main(resolve(import.meta.dirname, '..', data), args.includes('--take'));
}
