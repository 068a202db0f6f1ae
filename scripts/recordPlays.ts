// npm run record-plays: keeps how plays and drills go, those that are new or of a game whose version was raised; says which others differ.
import { GameError, games } from '@veldrift/core/games';
import { drillsToRecord, marksOf, recordDeal } from '../core/src/practice/testing/recordDeals.ts';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  marksAgain,
  playsToRecord,
  recordPlay,
  type RecordedPlay,
} from '../core/src/games/testing/recordPlay.ts';

const dealsFile = join(import.meta.dirname, '../core/src/practice/testing/recordedDeals.json');
const file = join(import.meta.dirname, '../core/src/games/testing/recordedPlays.json');
const before = (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {}) as Record<
  string,
  RecordedPlay
>;
const kept: Record<string, RecordedPlay> = {};
const differ: string[] = [];
for (const game of games)
  for (const { name, step, seats } of playsToRecord(game)) {
    const old = before[name];
    if (old?.version !== game.version) {
      kept[name] = recordPlay(game, step, seats);
      continue;
    }
    kept[name] = old;
    const now = again(game, step, old);
    if (now && now.marks.join() === old.marks.join()) kept[name] = { ...old, told: now.told };
    else differ.push(name);
  }

function again(game: (typeof games)[number], step: number, old: RecordedPlay) {
  try {
    return marksAgain(game, step, old);
  } catch (error) {
    if (error instanceof GameError) return undefined;
    throw error;
  }
}

// A line a play: a change shows in the play it is of.
const lines = Object.entries(kept).map(([name, play]) => `${JSON.stringify(name)}: ${JSON.stringify(play)}`);
writeFileSync(file, `{\n${lines.join(',\n')}\n}\n`);

const dealsBefore = (existsSync(dealsFile) ? JSON.parse(readFileSync(dealsFile, 'utf8')) : {}) as Record<
  string,
  string
>;
const deals = drillsToRecord().map(({ name, plan, child }) => {
  const now = marksOf(recordDeal(plan, child));
  const old = dealsBefore[name] ?? now;
  if (old !== now) differ.push(name);
  return `${JSON.stringify(name)}: ${JSON.stringify(old)}`;
});
writeFileSync(dealsFile, `{\n${deals.join(',\n')}\n}\n`);
for (const name of differ)
  process.stdout.write(
    `${name} goes another way than recorded: raise the version of its game, or mend it (drills: docs/decisions/0030).\n`,
  );
process.exitCode = differ.length > 0 ? 1 : 0;
