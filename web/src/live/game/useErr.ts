import type { KeptMove } from '@veldrift/core';
import { errNow, type Need } from '@veldrift/core/games';
import { useMemo } from 'react';
import type { GameRow } from '../../app/deviceDb.ts';

/** What a grown-up is to say wrongly now, on purpose: of facts that every child at the table knows. Null: nothing. */
export function useErr(row: GameRow, need: Need, moves: readonly KeptMove[]): string | null {
  const known = useMemo(() => {
    const lists = row.seats.filter(({ pupil }) => pupil).map((one) => new Set(one.known));
    return new Set([...(lists[0] ?? [])].filter((fact) => lists.every((one) => one.has(fact))));
  }, [row.seats]);
  if (need.kind !== 'say' || !row.plan.erring || !row.plan.adults.includes(need.asked.seat)) return null;
  const said = moves.filter((one) => one.move.kind === 'said').length;
  return errNow(need.asked, known, said, row.plan.seed);
}
