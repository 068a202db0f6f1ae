import type { Me } from '@veldrift/wire';
import { findGame } from '@veldrift/core/games';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { GameRow } from '../../app/deviceDb.ts';
import { pupilsQuery, queryClient } from '../../app/queries.ts';
import { sitDown } from '../../live/game/sitDown.ts';
import type { Outbox } from '../../live/outbox.ts';
import { newSeed } from '../../live/startPlay.ts';

/** Sits the same children down to the same game again, at the same step or the next; `finish`: ends the play before, on record. */
export function usePlayAgain(
  row: GameRow,
  session: { readonly me: Me; readonly outbox: Outbox },
  finish: () => void,
) {
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const game = findGame(row.plan.game);
  const next = row.plan.house === null ? game?.steps[row.plan.step + 1] : undefined;
  const play = async (step: number) => {
    const rules = step === row.plan.step ? row.plan.rules : game?.steps[step]?.rules;
    if (!game || rules === undefined || busy) return;
    setBusy(true);
    try {
      // As they are now: a set or a number of the school may have changed since this play began.
      const latest = queryClient.getQueryData(pupilsQuery.queryKey) ?? [];
      const pupils = row.seats.flatMap(({ pupil }) =>
        pupil ? [latest.find(({ id }) => id === pupil.id) ?? pupil] : [],
      );
      const plan = { ...row.plan, version: game.version, step, rules, seed: newSeed() };
      const ids = row.seats.map(({ pupil }) => pupil?.id ?? '');
      const playId = await sitDown(session, plan, { ids, pupils, way: row.way });
      if (!playId) return;
      finish();
      await navigate(`/table/${playId}`, { replace: true });
    } catch {
      setTrouble('It could not be set up. Begin it from the shelf.');
    } finally {
      setBusy(false);
    }
  };
  return {
    again: () => void play(row.plan.step),
    nextStep: next?.name ?? null,
    onNextStep: () => void play(row.plan.step + 1),
    busy,
    trouble,
  };
}
