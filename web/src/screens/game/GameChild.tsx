import { lettersNow } from '../../app/letters.ts';
import {
  deleteDigit,
  type Operation,
  operationNames,
  type TypedAnswer,
  typeDigit,
  typedText,
  typedTimes,
} from '@veldrift/core';
import { aidFactOf, GameError, moveTrouble, padKeys, openPlan, type GameState } from '@veldrift/core/games';
import type { ChildShow, ChildTells } from '@veldrift/wire';
import { useMemo, useState } from 'react';
import { Keypad } from '../../live/Keypad.tsx';
import { ReadsAloud } from '../../live/useReadAloud.ts';
import { AidFor } from '../../parts/aids/AidFor.tsx';
import { useKeys, usePaintClock } from '../../live/usePaintClock.ts';
import { readKey } from '../table/keys.ts';
import { GameEndSays } from './GameEndSays.tsx';
import { GameField } from './GameField.tsx';
import { isReadOut, isTheirs, viewOf } from './gameView.ts';
import '../../parts/table/table.css';
import './ask.css';
import './game.css';

type Tell = (kind: ChildTells['kind'], more: Partial<ChildTells>) => void;

/** A game on the child's own screen: laid out there, moved in there; the table judges and keeps it. */
export function GameChild({
  show,
  tell,
  spoiled,
}: {
  readonly show: ChildShow;
  readonly tell: Tell;
  /** Whether the time of what is shown was spoiled here. */
  readonly spoiled: () => boolean;
}) {
  const own = show.game;
  const open = useMemo(() => {
    try {
      return own ? openPlan(own.plan) : undefined;
    } catch (error) {
      // Another version of the app than the table's.
      if (error instanceof GameError) return error.message;
      throw error;
    }
  }, [own]);
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [typedFor, setTypedFor] = useState(show.promptId);
  if (typedFor !== show.promptId) {
    setTypedFor(show.promptId);
    setTyped([]);
  }
  const { promptId } = show;
  const view =
    own && typeof open === 'object'
      ? viewOf(open, own.plan, own.state as GameState, {
          names: own.names,
          keypad: show.keypad,
          claimed: own.claimed,
          seat: show.seat ?? null,
          appSays: own.appSays ?? null,
        })
      : undefined;
  const need = view?.need;
  const pad = show.keypad && view && isTheirs(view) ? padKeys(view.need) : null;
  const asks = need?.kind === 'say' || need?.kind === 'claim';
  const clock = usePaintClock(asks ? promptId : undefined, (id, at) =>
    tell('shown', { promptId: id, paintedAtMs: performance.timeOrigin + at }),
  );
  const since = (at: number) => {
    const from = clock.current?.paintedAt(promptId);
    return from === undefined || at < from ? undefined : at - from;
  };
  const claim = (seat: number, at: number) => {
    const latencyMs = since(at);
    if (latencyMs !== undefined) tell('claim', { promptId, seat, latencyMs });
  };
  const digit = (key: string, at: number) => {
    if (pad !== null && since(at) !== undefined) setTyped(typeDigit(typed, key, at));
  };
  const enter = () => {
    const times = typedTimes(typed);
    const latencyMs = times && since(times.firstAt);
    if (!times || latencyMs === undefined) return;
    tell('answer', {
      promptId,
      typed: typedText(typed),
      latencyMs,
      lastKeyMs: since(times.lastAt) ?? null,
      voided: spoiled(),
    });
    setTyped([]);
  };
  useKeys(asks, (event) => {
    const key = readKey(event.key, lettersNow());
    if (need?.kind === 'claim' && key?.kind === 'seat' && (view?.seat ?? key.seat) === key.seat)
      claim(key.seat, event.timeStamp);
    else if (/^[0-9]$/.test(event.key)) digit(event.key, event.timeStamp);
    else if (pad?.minus && event.key === '-') digit('\u2212', event.timeStamp);
    else if (pad?.remainder && event.key === 'r') digit('r', event.timeStamp);
    else if (event.key === 'Enter') enter();
    else if (event.key === 'Backspace') setTyped(deleteDigit(typed));
    else return;
    event.preventDefault();
  });
  if (typeof open === 'string') return <p className="child-says">{open}</p>;
  if (!own || !view) return null;
  if (own.frozen)
    return (
      <p className="game-freeze" role="alert">
        Freeze. Now: {operationNames[own.frozen as Operation].toLowerCase()}.
      </p>
    );
  const fact = need?.kind === 'say' || need?.kind === 'claim' ? aidFactOf(need.asked) : null;
  return (
    <ReadsAloud value={isReadOut(view, own.readOutTo ?? [])}>
      <GameField
        view={view}
        shownWay={show.shownWay ?? null}
        ownPicture={show.picture ?? null}
        promptId={promptId}
        typed={typed}
        onMove={(move) => {
          const trouble = isTheirs(view) ? moveTrouble(view.need, move) : 'It is not your turn yet.';
          if (trouble === null) tell('move', { promptId, move });
          return trouble;
        }}
        onClaim={claim}
        ending={own.end ? <GameEndSays end={own.end} names={own.names} /> : null}
        shelf={
          show.aid && fact !== null ? <AidFor aid={show.aid} fact={fact} own={show.picture ?? null} /> : null
        }
      />
      {pad && (
        <Keypad {...pad} onDigit={digit} onDelete={() => setTyped(deleteDigit(typed))} onEnter={enter} />
      )}
    </ReadsAloud>
  );
}
