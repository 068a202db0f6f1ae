import type { GamePlan } from '@veldrift/core';
import type { Me, Pupil, PupilPage, TableOnRecord } from '@veldrift/wire';
import type { GameRow } from '../../app/deviceDb.ts';
import { grownUp, seatOf } from './startGame.ts';

/**
 * A game as this device goes on with it, from what is on record of it: it stands still where its last move left it. `pages`: what is
 * known of the pupils now. Undefined: the play of its first pupil is no game, or that pupil is gone.
 */
export function tableFromRecord(
  record: TableOnRecord,
  me: Pick<Me, 'userId' | 'name'>,
  pupils: readonly Pupil[],
  pages: ReadonlyMap<string, PupilPage | undefined>,
): GameRow | undefined {
  const { deal, playId, visitId, pupilId, setId, way, limitMs, startedAt, lastAt, title, moves } = record;
  const pupil = pupils.find((one) => one.id === pupilId);
  if (!deal.game || !pupil) return undefined;
  const { pupilIds, grownUps, plan } = deal.game;
  const seats = pupilIds.map((id, seat) => {
    const sits = pupils.find((one) => one.id === id);
    const play = record.seats.find((one) => one.seat === seat);
    return sits && play
      ? seatOf(sits, pages.get(sits.id), { playId: play.playId, visitId: play.visitId })
      : grownUp(grownUps?.[seat] ?? me.name);
  });
  return {
    kind: 'game',
    ...{ playId, userId: me.userId, pupilId, pupil, visitId, setId, purpose: 'game', way, limitMs },
    ...{ startedAt, savedAt: lastAt, title, deal, seats, moves },
    plan: plan as GamePlan,
    state: {
      status: 'paused',
      usedMs: record.usedMs,
      calm: moves.some(({ move }) => move.kind === 'calm'),
      interrupted: true,
      pausedAt: lastAt,
      pauseReason: 'reload',
      endReason: null,
    },
  };
}
