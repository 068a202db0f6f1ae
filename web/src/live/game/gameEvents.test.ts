import { eventSchema } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import { madeAnswer, madeGame, madeMove, madePupil, madeSeat } from '../../testing/rows.ts';
import { gameEvents } from './gameEvents.ts';
import { grownUp } from './startGame.ts';

const seats = [madeSeat(madePupil('Bram')), grownUp('Maren'), madeSeat(madePupil('Tove'))];
const row = madeGame(seats);
const events = gameEvents(row);
const answer = madeAnswer('6+2');
const move = madeMove(
  { kind: 'said', seat: 2, right: true },
  { answers: [{ seat: 2, answer, lastKeyMs: 1500 }], tallies: [{ seat: 0, id: madeAnswer('1+1').id }] },
);

describe('what is sent of a game', () => {
  it('is the move with the first pupil’s play, and each answer with its own pupil’s', () => {
    const [made, given, counted, ...more] = events.made(move, 3, 60_000, () => 2);
    expect(more).toEqual([]);
    expect(made).toMatchObject({ kind: 'moveMade', playId: row.playId, nth: 3, seat: 2, move: move.move });
    expect(given).toMatchObject({
      kind: 'answerGiven',
      id: answer.id,
      playId: seats[2]?.playId,
      pupilId: seats[2]?.pupil?.id,
      visitId: seats[2]?.visitId,
      lastKeyMs: 1500,
      calibrationAgeDays: 2,
    });
    expect(counted).toMatchObject({ kind: 'instantCounted', playId: seats[0]?.playId });
  });
  it('is understood by the server’s own schema, every event of it', async () => {
    const sent = [
      ...events.made(move, 3, 60_000, () => null),
      ...events.undone(move),
      ...events.amended(2, answer),
      ...events.ended({ usedMs: 60_000, calm: true, interrupted: false }, 'tutor'),
    ];
    for (const event of sent)
      await expect(eventSchema.validate(JSON.parse(JSON.stringify(event)))).resolves.toMatchObject({
        id: event.id,
      });
  });
  it('takes back a move with all it gave, each at its own pupil’s play', () => {
    const undone = events.undone(move);
    expect(undone.map((one) => one.kind)).toEqual(['answerRetracted', 'answerRetracted', 'answerRetracted']);
    expect(undone.map((one) => 'answerId' in one && one.answerId)).toEqual([
      move.id,
      answer.id,
      move.tallies[0]?.id,
    ]);
    expect(undone.map((one) => 'playId' in one && one.playId)).toEqual([
      row.playId,
      seats[2]?.playId,
      seats[0]?.playId,
    ]);
  });
  it('of a step at the table is what each part of it sends, in order', () => {
    const plain = (list: readonly { readonly kind: string; readonly id: string }[]) =>
      list.map((one) => ({ ...one, id: '', at: '' }));
    const end = { usedMs: 5000, calm: true, interrupted: false };
    const sent = events.sent(
      [
        { kind: 'made', kept: move, nth: 3, usedMs: 9 },
        { kind: 'undone', kept: move },
        { kind: 'amended', seat: 2, answer },
        { kind: 'ended', ...end },
      ],
      () => 4,
    );
    expect(plain(sent)).toEqual(
      plain([
        ...events.made(move, 3, 9, () => 4),
        ...events.undone(move),
        ...events.amended(2, answer),
        ...events.ended(end, 'tutor'),
      ]),
    );
    expect(events.amended(1, answer)).toEqual([]);
    expect(new Set(sent.slice(3).map((one) => one.id)).size).toBe(sent.length - 3);
    expect(sent.every((one) => !('at' in one) || !Number.isNaN(Date.parse(one.at)))).toBe(true);
  });
  it('ends every pupil’s play, and says nothing of a grown-up', () => {
    const ended = events.ended({ usedMs: 5000, calm: false, interrupted: true }, 'tutor');
    expect(ended.map((one) => 'playId' in one && one.playId)).toEqual([seats[0]?.playId, seats[2]?.playId]);
    expect(events.amended(1, answer)).toEqual([]);
  });
});
