import 'fake-indexeddb/auto';
import { resumePlan } from '@veldrift/core/games';
import { describe, expect, it } from 'vitest';
import { openDeviceDb } from '../../app/deviceDb.ts';
import { rowOfPlay } from '../../app/playStore.ts';
import { grownUp } from '../../live/game/startGame.ts';
import { madeAnswer, madeGame, madeMove, madePupil, madeSeat } from '../../testing/rows.ts';
import { localReview } from './localReview.ts';

const [bram, tove] = [madePupil('Bram'), madePupil('Tove', { setId: 'strategy/add/doubles-to-5' })];
const [first, second] = [madeSeat(bram), madeSeat(tove)];
const said = (seat: number, fact: string, right: boolean) =>
  madeMove(
    { kind: 'said', seat, right },
    {
      answers: [
        { seat, answer: madeAnswer(fact, { judgement: right ? 'right' : 'wrong' }), lastKeyMs: null },
      ],
    },
  );
const row = madeGame(
  [first, grownUp('Maren'), second],
  [
    madeMove({ kind: 'go' }),
    said(0, '3+4', true),
    madeMove({ kind: 'said', seat: 1, right: true }),
    said(2, '6+2', false),
  ],
);

describe('a game reviewed on this device alone', () => {
  it('has the answers of each pupil in a review of their own', () => {
    const own = localReview(row, bram);
    expect(own.answers.map((one) => [one.fact, one.playId, one.pupilId])).toEqual([
      ['3+4', first.playId, bram.id],
    ]);
    expect(own.play).toMatchObject({ id: first.playId, setId: bram.setId, purpose: 'game' });
    const other = localReview(row, tove, second.playId ?? '');
    expect(other.answers.map((one) => [one.fact, one.judgement, one.visitId])).toEqual([
      ['6+2', 'wrong', second.visitId],
    ]);
    expect(other.play).toMatchObject({ id: second.playId, pupilId: tove.id, setId: tove.setId });
  });
  it('tells who sat at the table, and its moves, which can be made again', () => {
    const { game } = localReview(row, bram);
    expect(game?.table).toEqual([
      { seat: 0, playId: first.playId, name: 'Bram' },
      { seat: 2, playId: second.playId, name: 'Tove' },
    ]);
    expect(game?.stepping).toBeNull();
    const moves = game?.moves.map((one) => one.move) ?? [];
    expect(moves).toHaveLength(row.moves.length);
    expect(resumePlan(row.plan, moves).trouble).toBeNull();
  });
  it('is found by the play of any pupil at it, and by no other', async () => {
    const db = await openDeviceDb('reviews');
    await db.put('plays', row);
    expect((await rowOfPlay(db, first.playId ?? ''))?.playId).toBe(row.playId);
    expect((await rowOfPlay(db, second.playId ?? ''))?.playId).toBe(row.playId);
    expect(await rowOfPlay(db, bram.id)).toBeUndefined();
    db.close();
  });
});
