import { describe, expect, it } from 'vitest';
import { games } from './catalogue.ts';
import { marksAgain, playsToRecord, type RecordedPlay } from './testing/recordPlay.ts';
import recorded from './testing/recordedPlays.json' with { type: 'json' };

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
    expect(marksAgain(game, step, play)).toEqual({ marks: play.marks, told: play.told });
  });
  it('is kept of nothing that is no longer there', () => {
    expect(Object.keys(kept).sort()).toEqual(plays.map(([name]) => name).sort());
  });
});
