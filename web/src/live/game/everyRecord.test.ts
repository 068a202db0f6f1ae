import { createRandom } from '@veldrift/core';
import {
  evidenceOf,
  games,
  modelMove,
  playMove,
  seatAnswers,
  seatSkills,
  type ModelPlayer,
  type Move,
  type Play,
} from '@veldrift/core/games';
import { eventSchema, type Me } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { madeGame, madeMove, madePupil, madeSeat } from '../../testing/rows.ts';
import { gameEvents } from './gameEvents.ts';
import { tableSeats } from './tableSeats.ts';

const me = { judging: null, voice: null } as unknown as Me;
const seats = [madeSeat(madePupil('Bram')), madeSeat(madePupil('Tove'))];
const row = madeGame(seats);
const { made } = gameEvents(row);
const frame = { seats: tableSeats(row.seats, me), limitMs: row.limitMs, way: row.way };
const stamp = { newId: () => uuid(), now: new Date().toISOString() };
const moves = 60;

describe.each(games.map((game) => [game.name, game] as const))('what %s puts on record', (_name, game) => {
  it('is taken by the server’s own schema, at every step, and says all that was said at the table', async () => {
    for (const [nth, { rules }] of game.steps.entries()) {
      const play: Play<unknown> = { rules, seats: 2, against: true, seed: 17 + nth };
      const players = Array<ModelPlayer>(2).fill({ right: () => 0.7, sees: 0.5, timeMs: 1500 });
      const random = createRandom(23 + nth);
      let state = game.setUp(play);
      for (let at = 0; at < moves && state.over === null; at += 1) {
        const move = modelMove(game, play, state, players, random) as Move;
        const evidence = evidenceOf(game, play, state, move);
        const answers = seatAnswers(frame, stamp, evidence, undefined, null);
        const skills = seatSkills(frame, stamp, evidence, undefined, null);
        // Whatever was said by a pupil is on record once, as what it was.
        expect(answers.length + skills.length).toBe(evidence.length);
        if (move.kind === 'said') {
          const own = [
            ...answers.map((one) => one.answer.judgement === 'right'),
            ...skills.map((one) => one.right),
          ];
          expect(own.filter((right) => !right)).toHaveLength(move.right ? 0 : 1);
          expect(own.length).toBeGreaterThan(0);
        }
        for (const event of made(madeMove(move, { answers, skills }), at, 1000, () => null))
          await expect(eventSchema.validate(JSON.parse(JSON.stringify(event)))).resolves.toMatchObject({
            id: event.id,
          });
        state = playMove(game, play, state, move);
      }
    }
  });
});
