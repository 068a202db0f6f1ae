import { describe, expect, it } from 'vitest';
import { games } from './catalogue.ts';
import { evidenceOf } from './evidence.ts';
import { playMove } from './playGame.ts';
import { markOf, openRecorded, playsToRecord, toldMarkOf, type RecordedPlay } from './testing/recordPlay.ts';
import recorded from './testing/recordedPlays.json' with { type: 'json' };
import { tell } from './tell/sentence.ts';

/*
 * A play that lies half finished on a device goes on after the app is changed, unless the game's version went up. So the plays of
 * the version that stands are kept as they went: `npm run record-plays` writes those of games whose version was raised, and of
 * the others what lies there and is told.
 */
const kept = recorded as unknown as Readonly<Record<string, RecordedPlay>>;

describe('a play recorded by this version of its game', () => {
  const plays = games.flatMap((game) =>
    playsToRecord(game).map((one) => [one.name, game, one.step] as const),
  );
  it.each(plays)('goes the same way again: %s', (name, game, step) => {
    const play = kept[name];
    if (!play) throw new Error(`No play is recorded: npm run record-plays. ${name}`);
    expect(play.version).toBe(game.version);
    const opened = openRecorded(game, step, play);
    let state = game.setUp(opened);
    const marks = [markOf(game, opened, state)];
    const told = [toldMarkOf(game, opened, state, 0)];
    for (const move of play.moves) {
      const next = playMove(game, opened, state, move);
      marks.push(markOf(game, opened, next, evidenceOf(game, opened, state, move)));
      expect(tell(next.says).length).toBeGreaterThan(0);
      state = next;
      told.push(toldMarkOf(game, opened, state, told.length));
    }
    expect(marks).toEqual(play.marks);
    expect(told).toEqual(play.told);
  });
  it('is kept of nothing that is no longer there', () => {
    expect(Object.keys(kept).sort()).toEqual(plays.map(([name]) => name).sort());
  });
});
