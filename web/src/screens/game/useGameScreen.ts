import { isTypedAnswer, padKeys, typedThere, type GameEnd } from '@veldrift/core/games';
import type { Aid, Operation } from '@veldrift/core';
import { useEffect, useEffectEvent } from 'react';
import type { GameRow } from '../../app/deviceDb.ts';
import { isolated } from '../../app/isolated.ts';
import { shownAt } from '../../live/child/shownAt.ts';
import { useChildScreens, type ChildScreens } from '../../live/child/useChildScreens.ts';
import type { LiveGame } from '../../live/game/useGame.ts';

import type { ShownPicture } from '../../parts/pictures/OwnPicture.tsx';
import type { ShownFact } from './GameField.tsx';

/** Where what is asked is shown. */
export interface Elsewhere {
  /** On screens of the children's own, so that all of them see it there. */
  readonly all: boolean;
  /** Seats that have a device of their own now, in order. */
  readonly devices: readonly number[];
}

interface Shows {
  readonly row: GameRow;
  readonly game: LiveGame;
  readonly aid: Aid | null;
  /** The picture the child made of the fact that is asked or shown; null: none. */
  readonly picture: ShownPicture | null;
  readonly frozen: Operation | null;
  /** What the app says in its seat; null: nothing. */
  readonly appSays: string | null;
  /** Seats of children who have what is theirs read out. */
  readonly readOutTo: readonly number[];
  /** What it came to, when it is over. */
  readonly end: GameEnd | null;
  /** A fact that nobody got, shown now. */
  readonly shownWay: ShownFact | null;
  readonly onMove: LiveGame['make'];
  /** Hears what came of an answer typed there: a sentence, or null. */
  readonly onAnswered: (trouble: string | null) => void;
  readonly setElsewhere: (elsewhere: Elsewhere) => void;
}

/** Keeps the children's own screens in step with a game, and the table told of moves, claims and answers made there. */
export function useGameScreen({
  row,
  game,
  aid,
  picture,
  frozen,
  appSays,
  readOutTo,
  end,
  shownWay,
  onMove,
  onAnswered,
  setElsewhere,
}: Shows): ChildScreens {
  const { need, table, state, promptId } = game;
  const over = table.status === 'over';
  const on = table.status === 'playing';
  const says = on ? '' : over ? 'Done. Thank you.' : table.status === 'paused' ? 'A little pause.' : 'Ready';
  const { claimed } = game.claiming;
  const pupils = row.seats.map(({ pupil }) => pupil?.id ?? null);
  const screens = useChildScreens(
    {
      pupils,
      show: {
        promptId,
        fact: null,
        hidden: 'result',
        chain: null,
        keypad: row.way === 'keypad',
        padLeft: row.pupil.hand === 'left',
        aid,
        picture,
        shownWay,
        says,
        readAloud: readOutTo.length > 0,
        game: on
          ? {
              plan: row.plan,
              state,
              names: row.seats.map((one) => isolated(one.name)),
              claimed,
              frozen,
              appSays,
              readOutTo,
              end,
            }
          : null,
      },
      onTells: (tells, from) => {
        const { seat } = from;
        const isOf = (other: number) => seat === null || seat === other;
        switch (tells.kind) {
          case 'here':
            return;
          case 'shown': {
            const { at, sameClock } = shownAt(tells, from);
            return game.shownElsewhere(tells.promptId, at, sameClock, seat);
          }
          case 'answer': {
            if (need.kind !== 'say' || !isOf(need.asked.seat) || padKeys(need) === null) return;
            const { typed, latencyMs, voided } = tells;
            return onAnswered(
              game.judge(isTypedAnswer(need.asked.answer, typed) ? 'right' : 'wrong', from.at, {
                typed: typedThere(typed, latencyMs),
                there: { latencyMs, voided },
              }),
            );
          }
          case 'claim':
            if (tells.seat !== undefined && isOf(tells.seat) && tells.latencyMs !== null)
              game.claiming.claimThere(tells.seat, tells.latencyMs);
            return;
          case 'move': {
            const { move } = tells;
            if (
              !move ||
              ('seat' in move && move.seat !== null && !isOf(move.seat)) ||
              (need.kind === 'roll' && !isOf(need.seat))
            )
              return;
            // Dice fall here: what a screen says they show counts only where real ones lie on the table.
            onMove(move.kind === 'roll' && row.plan.mode !== 'called' ? { kind: 'roll' } : move, from.at);
          }
        }
      },
    },
    [promptId, says, row.way, aid, claimed.join(), frozen, appSays].join(' '),
  );
  const devices = pupils.flatMap((pupil, seat) => (pupil !== null && screens.isHere(pupil) ? [seat] : []));
  const all =
    screens.isHere(null) ||
    (devices.length > 0 && pupils.every((pupil, at) => pupil === null || devices.includes(at)));
  const key = `${all} ${devices.join()}`;
  const tellWhere = useEffectEvent(() => setElsewhere({ all, devices }));
  useEffect(() => tellWhere(), [key]);
  return screens;
}
