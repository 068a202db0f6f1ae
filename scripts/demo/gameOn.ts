import {
  createRandom,
  placeOfSet,
  type FactSet,
  type GamePlan,
  type Move,
  type Operation,
} from '@veldrift/core';
import { findGame, modelMove, needOf, openPlan, playMove, type ModelPlayer } from '@veldrift/core/games';
import type { TableEvent } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import type { PlayAsk } from './plays.ts';

/** Facts of the pupil in one play, about. */
const factsAsked = 14;
const grownUp: ModelPlayer = { right: () => 0.95, sees: 0.5, timeMs: 1500 };

/** The steps of Outweigh by what is practised. */
const stepFor: Readonly<Record<Operation, number>> = { add: 2, sub: 3, mul: 4, div: 5 };

/** A game of Outweigh with the grown-up: the pupil's answers are the pupil's own, the rest is played by a model. */
export function gameOn(
  set: FactSet,
  pupilId: string,
  seed: number,
): Pick<PlayAsk, 'set' | 'purpose' | 'seed' | 'title' | 'next'> & {
  readonly moves: readonly Move[];
  readonly dealAt: (tableId: string) => NonNullable<PlayAsk['deal']>;
} {
  const game = findGame('outweigh');
  const step = stepFor[set.operation];
  const rules = game?.steps[step]?.rules as object;
  const plan: GamePlan = {
    version: game?.version ?? 1,
    game: 'outweigh',
    step,
    house: null,
    rules,
    mode: 'screen',
    seats: 2,
    against: true,
    seed,
    packs: null,
    adults: [1],
    erring: false,
    levelled: false,
    roles: [],
    minutes: null,
  };
  const open = openPlan(plan);
  const random = createRandom(seed);
  const moves: Move[] = [];
  let state = open.game.setUp(open.play);
  const make = (move: Move) => {
    state = playMove(open.game, open.play, state, move);
    moves.push(move);
  };
  let read = 0;
  return {
    set,
    purpose: 'game',
    seed,
    title: `Outweigh: ${game?.steps[step]?.name}`,
    moves,
    dealAt: (tableId) => ({
      form: 'game',
      operation: set.operation,
      pathwayId: placeOfSet(set.id)?.pathway.id ?? '',
      game: {
        tableId,
        pupilIds: [pupilId, null],
        plan: { ...plan, rules, packs: null, adults: [1], roles: [] },
      },
    }),
    next: (given) => {
      for (const { class: found } of given.slice(read))
        make({ kind: 'said', seat: 0, right: found !== 'missed' });
      read = given.length;
      for (;;) {
        const need = needOf(open.game, open.play, state);
        if (need.kind === 'over' || read >= factsAsked) return undefined;
        if (need.kind === 'say' && need.asked.seat === 0 && need.asked.item.kind === 'fact')
          return need.asked.item.key;
        make(modelMove(open.game, open.play, state, [grownUp, grownUp], random) as Move);
      }
    },
  };
}

/** The moves of a play as events, spread over its time. */
export function moveEvents(
  ids: { readonly pupilId: string; readonly visitId: string; readonly playId: string },
  moves: readonly Move[],
  beginsAt: number,
  usedMs: number,
): TableEvent[] {
  return moves.map((move, nth) => {
    const atMs = Math.round((usedMs * (nth + 1)) / (moves.length + 1));
    return {
      ...ids,
      v: 1,
      id: uuid({ msecs: beginsAt + atMs }),
      kind: 'moveMade',
      seat: 'seat' in move && move.seat !== null ? move.seat : 0,
      at: new Date(beginsAt + atMs).toISOString(),
      nth,
      move,
      usedMs: atMs,
    };
  });
}
