import { isTypedAnswer, padKeys, typedThere } from '@veldrift/core/games';
import type { Aid, Operation } from '@veldrift/core';
import { useEffect } from 'react';
import type { GameRow } from '../../app/deviceDb.ts';
import { useChildScreen, type ChildScreen } from '../../live/child/useChildScreen.ts';
import type { LiveGame } from '../../live/game/useGame.ts';

import type { ShownFact } from './GameField.tsx';

interface Shows {
  readonly row: GameRow;
  readonly game: LiveGame;
  readonly aid: Aid | null;
  readonly frozen: Operation | null;
  /** A fact that nobody got, shown now. */
  readonly shownWay: ShownFact | null;
  readonly onMove: LiveGame['make'];
  /** Hears what came of an answer typed there: a sentence, or null. */
  readonly onAnswered: (trouble: string | null) => void;
  readonly setElsewhere: (elsewhere: boolean) => void;
}

/** Keeps the children's own screen in step with a game, and the table told of moves, claims and answers made there. */
export function useGameScreen({
  row,
  game,
  aid,
  frozen,
  shownWay,
  onMove,
  onAnswered,
  setElsewhere,
}: Shows): ChildScreen {
  const { need, table, state, promptId } = game;
  const over = need.kind === 'over' || table.status === 'over';
  const on = table.status === 'playing' && !over;
  const screen = useChildScreen(
    {
      promptId,
      fact: null,
      hidden: 'result',
      chain: null,
      keypad: row.way === 'keypad',
      padLeft: row.pupil.hand === 'left',
      aid,
      shownWay,
      says: on ? '' : over ? 'Done. Thank you.' : table.status === 'paused' ? 'A little pause.' : 'Ready',
      game: on
        ? {
            plan: row.plan,
            state,
            names: row.seats.map((one) => one.name),
            claimed: game.claiming.claimed,
            frozen,
          }
        : null,
    },
    {
      onAnswer: ({ promptId: of, typed, latencyMs, voided }) => {
        if (of !== promptId || need.kind !== 'say' || padKeys(need) === null) return;
        onAnswered(
          game.judge(isTypedAnswer(need.asked.answer, typed) ? 'right' : 'wrong', performance.now(), {
            typed: typedThere(typed, latencyMs),
            there: { latencyMs, voided },
          }),
        );
      },
      onShown: game.shownElsewhere,
      onMove: ({ kind, promptId: of, move, seat, latencyMs }) => {
        if (of !== promptId) return;
        // Dice fall here: what a screen says they show counts only where real ones lie on the table.
        if (kind === 'move' && move)
          onMove(
            move.kind === 'roll' && row.plan.mode !== 'called' ? { kind: 'roll' } : move,
            performance.now(),
          );
        else if (seat !== undefined && latencyMs != null) game.claiming.claimThere(seat, latencyMs);
      },
    },
  );
  const here = screen.status === 'here';
  useEffect(() => setElsewhere(here), [here, setElsewhere]);
  return screen;
}
