import type { CaptureWay, GamePlan, Operation } from '@veldrift/core';
import type { Me, Pupil, PupilPage } from '@veldrift/wire';
import type { GameRow, GameSeat } from '../../app/deviceDb.ts';
import { pupilPageQuery, queryClient } from '../../app/queries.ts';
import { dealOf, grownUp, seatOf } from './startGame.ts';
import { measuringFor } from '../measuringOf.ts';
import { playHead } from '../startPlay.ts';

/** How long a start waits for what is known of a pupil now; then what was last known is taken, ms. */
const patienceMs = 2500;

/** A pupil's page as it is now; without a server, as it was last fetched. */
function pageNow(id: string): Promise<PupilPage | undefined> {
  const query = pupilPageQuery(id);
  const last = () => queryClient.getQueryData(query.queryKey);
  const late = new Promise<PupilPage | undefined>((done) => setTimeout(() => done(last()), patienceMs));
  return Promise.race([queryClient.fetchQuery({ ...query, staleTime: 0 }).catch(last), late]);
}

/** Those who sit at a game that is about to begin, and the play of the first pupil, under which it is kept. */
export interface Sitting {
  readonly head: Awaited<ReturnType<typeof playHead>>;
  readonly seats: readonly GameSeat[];
}

/** Gives each pupil a play of their own, with what they know now; who is no pupil is the grown-up. Undefined: no pupil sits there. */
export async function sitDown(
  ids: readonly string[],
  pupils: readonly Pupil[],
  me: Me,
): Promise<Sitting | undefined> {
  let head: Sitting['head'] | undefined;
  const seats: GameSeat[] = [];
  for (const id of ids) {
    const sits = pupils.find((other) => other.id === id);
    if (!sits) {
      seats.push(grownUp(me.name));
      continue;
    }
    const own = await playHead(sits, me.userId);
    head ??= own;
    seats.push(seatOf(sits, await pageNow(sits.id), own));
  }
  return head && { head, seats };
}

/** A game as it lies on this device before its first move; `pupil`: the first of those who sit there. */
export function newGameRow(
  { head, seats }: Sitting,
  plan: GamePlan,
  given: {
    readonly pupil: Pupil;
    readonly me: Me;
    readonly way: CaptureWay;
    readonly title: string;
    /** What the game is counted to, of those it practises. */
    readonly operation: Operation;
  },
): GameRow {
  const { pupil, me, way, title, operation } = given;
  return {
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
  };
}
