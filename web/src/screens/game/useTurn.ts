import { isTypedAnswer, padKeys, tookBy } from '@veldrift/core/games';
import {
  deleteDigit,
  type Judgement,
  type TypedAnswer,
  typeDigit,
  typedText,
  typedTimes,
} from '@veldrift/core';
import { useState } from 'react';
import type { LiveGame } from '../../live/game/useGame.ts';

/** What is typed and noted during one turn, and what the keys make of it. */
export function useTurn(
  game: LiveGame,
  {
    playing,
    keypad,
    onMade,
    goesOn,
    loose,
    app,
  }: {
    readonly playing: boolean;
    /** The child types what it says. */
    readonly keypad: boolean;
    /** A move was made: what was shown of the turn before may go. */
    readonly onMade: () => void;
    /** The table rolls and deals by itself. */
    readonly goesOn: boolean;
    /** Real cards shuffled by hand. */
    readonly loose: boolean;
    /** The seat that the app takes: it says by itself that it was first. */
    readonly app: number | null;
  },
) {
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [trouble, setTrouble] = useState('');
  const [helper, setHelper] = useState<number | null>(null);
  const [erring, setErring] = useState<'caught' | 'missed' | null>(null);
  const { need } = game;
  const saying = need.kind === 'say' ? need : null;
  // What is no number is said and judged, also where the child types.
  const types = keypad && !game.waitsForApp && padKeys(need) !== null;

  /** After a move, or the sentence of one that could not be made. */
  const after = (said: string | null) => {
    setTrouble(said ?? '');
    if (said !== null) return;
    setTyped([]);
    setHelper(null);
    setErring(null);
    onMade();
  };
  const move: LiveGame['make'] = (one, at) => {
    const said = game.make(one, at);
    after(said);
    return said;
  };
  /** Of real cards shuffled by hand it is said who took the turn. */
  const took = (pressed: Parameters<typeof tookBy>[1], at: number) => {
    const key = playing && loose ? tookBy(need, pressed) : undefined;
    if (key !== undefined && need.kind === 'choose') move({ kind: 'choose', seat: need.seat, key }, at);
  };
  const judge = (judgement: Judgement, at: number, own: TypedAnswer = []) => {
    if (loose && (judgement === 'right' || judgement === 'wrong'))
      return took({ right: judgement === 'right' }, at);
    if (!playing || !saying || game.waitsForApp) return;
    // An answer that was said wrongly on purpose is said right before anything else.
    after(
      game.judge(erring ? 'right' : judgement, at, {
        typed: own,
        helpedBy: helper ?? undefined,
        ...(erring ? { erred: erring } : {}),
      }),
    );
  };
  const claim: LiveGame['claiming']['claim'] = (seat, at, by) => {
    if (seat !== app) game.claiming.claim(seat, at, by);
  };
  const rub = () => setTyped(deleteDigit(typed));
  return {
    typed,
    trouble,
    helper,
    setHelper,
    /** A grown-up erred on purpose, and it is to be said right now. */
    erring,
    setErring,
    after,
    judge,
    move,
    rub,
    claim,
    digit: (key: string, at: number) => {
      if (types) {
        if (game.isShownAt(at)) setTyped(typeDigit(typed, key, at));
      } else if (need.kind === 'claim') {
        if (key === '0') game.claiming.nobody();
        else claim(Number(key) - 1, at, 'tutor');
      } else took({ digit: Number(key) }, at);
    },
    enter: () => {
      if (typed.length === 0 || !saying || !types) return;
      const right = isTypedAnswer(saying.asked.answer, typedText(typed));
      judge(right ? 'right' : 'wrong', typedTimes(typed)?.firstAt ?? 0, typed);
    },
    /** Rubs out a digit; with none typed, the last move is undone. */
    back: () => {
      if (typed.length > 0) return rub();
      setErring(null);
      setTrouble('');
      if (goesOn) game.undoTurn();
      else game.undo();
    },
  };
}
