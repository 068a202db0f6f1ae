// npm run record-plays: keeps how plays go, for games that are new or whose version was raised; says which of the others differ.
import { games } from '@veldrift/core/games';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { playsToRecord, recordPlay, type RecordedPlay } from '../core/src/games/testing/recordPlay.ts';

const file = join(import.meta.dirname, '../core/src/games/testing/recordedPlays.json');
const before = (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {}) as Record<
  string,
  RecordedPlay
>;
const kept: Record<string, RecordedPlay> = {};
const differ: string[] = [];
for (const game of games)
  for (const { name, step, seats } of playsToRecord(game)) {
    const now = recordPlay(game, step, seats);
    const old = before[name];
    if (old?.version === now.version) {
      kept[name] = { ...old, told: now.told };
      if (JSON.stringify(old.marks) !== JSON.stringify(now.marks)) differ.push(name);
    } else kept[name] = now;
  }
// A line a play: a change shows in the play it is of.
const lines = Object.entries(kept).map(([name, play]) => `${JSON.stringify(name)}: ${JSON.stringify(play)}`);
writeFileSync(file, `{\n${lines.join(',\n')}\n}\n`);
for (const name of differ)
  process.stdout.write(
    `${name} goes another way than recorded: raise the version of its game, or mend it.\n`,
  );
process.exitCode = differ.length > 0 ? 1 : 0;
