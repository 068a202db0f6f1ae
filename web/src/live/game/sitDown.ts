import type { CaptureWay, GamePlan } from '@veldrift/core';
import { openPlan } from '@veldrift/core/games';
import type { Me, Pupil } from '@veldrift/wire';
import type { GameSeat } from '../../app/deviceDb.ts';
import type { Outbox } from '../outbox.ts';
import { appName, dealOf, grownUp, seatOf, startGame } from './startGame.ts';
import { measuringFor } from '../measuringOf.ts';
import { pageNow } from '../pageNow.ts';
import { playHead } from '../startPlay.ts';

/** Those who sit at a game that is about to begin, and the play of the first pupil, under which it is kept. */
interface Sitting {
  readonly head: Awaited<ReturnType<typeof playHead>>;
  readonly seats: readonly GameSeat[];
}

/** Gives each pupil a play of their own, with what they know now. */
async function seated(
  ids: readonly string[],
  pupils: readonly Pupil[],
  me: Me,
  app: number | null,
): Promise<Sitting | undefined> {
  let head: Sitting['head'] | undefined;
  const seats: GameSeat[] = [];
  for (const [seat, id] of ids.entries()) {
    const sits = pupils.find((other) => other.id === id);
    if (!sits) {
      seats.push(grownUp(seat === app ? appName : me.name));
      continue;
    }
    const own = await playHead(sits, me.userId);
    head ??= own;
    seats.push(seatOf(sits, await pageNow(sits.id), own));
  }
  return head && { head, seats };
}

/**
 * Sits pupils down to a game: on this device's disk and on record. `ids`: by seat; who is no pupil is the app where the plan has it,
 * else the grown-up. Gives the id of the first pupil's play; undefined: no pupil sits there.
 */
export async function sitDown(
  { me, outbox }: { readonly me: Me; readonly outbox: Outbox },
  plan: GamePlan,
  {
    ids,
    pupils,
    way,
  }: { readonly ids: readonly string[]; readonly pupils: readonly Pupil[]; readonly way: CaptureWay },
): Promise<string | undefined> {
  const sits = await seated(ids, pupils, me, plan.app ?? null);
  if (!sits) return undefined;
  const { head, seats } = sits;
  const { pupil } = head;
  const { game } = openPlan(plan);
  const title = `${game.name}: ${plan.house ?? game.steps[plan.step]?.name ?? ''}`;
  const operation = game.operations(plan.rules)[0] ?? pupil.operation;
  await startGame(outbox, {
    kind: 'game',
    ...head,
    setId: pupil.setId,
    purpose: 'game',
    way,
    limitMs: measuringFor(pupil, me, way).limitMs,
    title: title.slice(0, 120),
    deal: dealOf(plan, head.playId, seats, operation, pupil.pathwayId),
    plan,
    seats,
    moves: [],
    state: {
      ...{ status: 'ready', usedMs: 0, calm: false, interrupted: false },
      ...{ pausedAt: null, pauseReason: null, endReason: null },
    },
  });
  return head.playId;
}
