import type { Operation } from '@veldrift/core';
import { nextSignal, type FirstToSayRules, type FirstToSayState } from '@veldrift/core/games';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { LiveGame } from '../../live/game/useGame.ts';

const frozenMs = 1800;

/** Turnabout's signal: at random between twenty and forty seconds, or when a child gives it; everyone freezes for a moment. */
export function useSignal(game: LiveGame, playing: boolean) {
  const rules = game.play.rules as Partial<FirstToSayRules>;
  const kind = rules.signal ?? null;
  const [frozen, setFrozen] = useState<Operation | null>(null);
  const [due, setDue] = useState(false);
  const given = game.moves.filter((one) => one.move.kind === 'signal').length;
  const mayGive = playing && (game.need.kind === 'claim' || game.need.kind === 'go');
  const live = useRef(game);
  useEffect(() => {
    live.current = game;
  });
  const give = useCallback(() => {
    const { play, state, make } = live.current;
    const next = nextSignal(play as never, state as FirstToSayState);
    if (!next || make({ kind: 'signal', operation: next.operation }, performance.now()) !== null) return;
    setDue(false);
    setFrozen(next.operation);
  }, []);
  useEffect(() => {
    if (frozen === null) return;
    const handle = setTimeout(() => setFrozen(null), frozenMs);
    return () => clearTimeout(handle);
  }, [frozen]);
  useEffect(() => {
    if (!playing || kind !== 'table') return;
    const { play, state } = live.current;
    const next = nextSignal(play as never, state as FirstToSayState);
    if (!next) return;
    const handle = setTimeout(() => setDue(true), next.afterMs);
    return () => clearTimeout(handle);
  }, [given, kind, playing]);
  // It waits until a turn is done.
  useEffect(() => {
    if (due && mayGive) give();
  }, [due, give, mayGive]);
  return { frozen, give, mayGive };
}
