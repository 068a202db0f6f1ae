import type { Me } from '@veldrift/wire';
import { findGame } from '@veldrift/core/games';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { GameRow } from '../../app/deviceDb.ts';
import { newGameRow, sitDown } from '../../live/game/sitDown.ts';
import { startGame } from '../../live/game/startGame.ts';
import type { Outbox } from '../../live/outbox.ts';
import { newSeed } from '../../live/startPlay.ts';

/** Sits the same children down to the same game again, at the same step or the next; `finish`: ends the play before, on record. */
export function usePlayAgain(row: GameRow, me: Me, outbox: Outbox, finish: () => void) {
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
      const pupils = row.seats.flatMap(({ pupil }) => (pupil ? [pupil] : []));
      const sits = await sitDown(
        row.seats.map(({ pupil }) => pupil?.id ?? ''),
        pupils,
        me,
      );
      if (!sits) return;
      const plan = { ...row.plan, version: game.version, step, rules, seed: newSeed() };
      const again = newGameRow(sits, plan, {
        ...{ pupil: row.pupil, me, way: row.way, operation: row.deal.operation },
        title: `${game.name}: ${row.plan.house ?? game.steps[step]?.name ?? ''}`,
      });
      finish();
      await startGame(outbox, again);
      await navigate(`/table/${again.playId}`, { replace: true });
    } catch {
      setTrouble('It could not be set up. Begin it from the shelf.');
    }
    setBusy(false);
  };
  return {
    again: () => void play(row.plan.step),
    nextStep: next?.name ?? null,
    onNextStep: () => void play(row.plan.step + 1),
    busy,
    trouble,
  };
}
