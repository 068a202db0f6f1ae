import type { Answer, GamePlan, Move, KeptMove } from '@veldrift/core';
import { findGame } from '@veldrift/core/games';
import { newPupilInput, type Pupil } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { GameRow, GameSeat } from '../app/deviceDb.ts';
import { dealOf, grownUp } from '../live/game/startGame.ts';

/** A pupil as the server tells of one, for tests. */
export const madePupil = (name: string, over: Partial<Pupil> = {}): Pupil =>
  ({
    ...newPupilInput(uuid()),
    name,
    operation: 'add',
    setId: 'strategy/add/bonds-to-ten',
    keypadCalibration: null,
    naming: null,
    ways: {},
    ownCeiling: null,
    offer: null,
    easyTimesMs: [],
    easyKeypadMs: null,
    quickestTenthMs: null,
    tried: {},
    ...over,
  }) as unknown as Pupil;

export const madeSeat = (pupil: Pupil, over: Partial<GameSeat> = {}): GameSeat => ({
  ...grownUp(pupil.name),
  pupil,
  playId: uuid(),
  visitId: uuid(),
  ...over,
});

export const madeAnswer = (fact: string, over: Partial<Answer> = {}): Answer => ({
  id: uuid(),
  fact,
  at: '2026-11-24T09:00:10.000Z',
  judgement: 'right',
  given: null,
  latencyMs: 1200,
  voided: false,
  overheadMs: 0,
  spreadMs: 0,
  calibrated: false,
  limitMs: 2000,
  way: 'tutor',
  seen: [],
  aided: false,
  ...over,
});

export const madeMove = (move: Move, over: Partial<KeptMove> = {}): KeptMove => ({
  id: uuid(),
  move,
  answers: [],
  tallies: [],
  ...over,
});

/** A game of Outweigh on the table, at its sums to ten. */
export function madeGame(seats: readonly GameSeat[], moves: readonly KeptMove[] = []): GameRow {
  const first = seats.find((one) => one.pupil !== null);
  if (!first?.pupil || first.playId === null || first.visitId === null)
    throw new Error('A game needs a pupil at it.');
  const game = findGame('outweigh');
  const plan: GamePlan = {
    version: 2,
    game: 'outweigh',
    step: 2,
    house: null,
    rules: game?.steps[2]?.rules,
    mode: 'screen',
    seats: seats.length,
    against: seats.length > 1,
    seed: 5,
    packs: null,
    adults: seats.flatMap(({ pupil }, at) => (pupil === null ? [at] : [])),
    erring: false,
    levelled: false,
    roles: [],
    minutes: null,
  };
  return {
    kind: 'game',
    playId: first.playId,
    visitId: first.visitId,
    userId: 'u',
    pupilId: first.pupil.id,
    pupil: first.pupil,
    setId: first.pupil.setId,
    purpose: 'game',
    way: 'tutor',
    limitMs: 2000,
    startedAt: '2026-11-24T09:00:00.000Z',
    savedAt: '2026-11-24T09:05:00.000Z',
    title: 'Outweigh: Sums to 10 and 10',
    deal: dealOf(plan, first.playId, seats, 'add', first.pupil.pathwayId),
    plan,
    seats,
    moves,
    state: {
      status: 'over',
      usedMs: 120_000,
      calm: false,
      interrupted: false,
      pausedAt: null,
      pauseReason: null,
      endReason: 'tutor',
    },
  };
}
