import { type Answer, deleteDigit, type Judgement, type TypedAnswer, typeDigit } from '@veldrift/core';
import { useState } from 'react';

/** What a table does with what is typed at it. */
interface Table {
  readonly isShownAt: (at: number) => boolean;
  readonly answerTyped: (typed: TypedAnswer) => boolean;
  readonly judge: (judgement: Judgement, at: number, typed?: TypedAnswer) => boolean;
  readonly undo: () => void;
  readonly say: (given: string | null) => void;
  /** Hears of digits being typed, where that matters. */
  readonly typing?: (typed: TypedAnswer) => void;
}

/**
 * Digits at the table: the child's answer where the child types, else what a child said that was not right. Backspace takes a
 * digit back, then the last answer.
 */
export function useTableTyping(
  table: Table,
  {
    keypad,
    asking,
    last,
  }: { readonly keypad: boolean; readonly asking: boolean; readonly last: Answer | undefined },
) {
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [said, setSaid] = useState('');
  const type = (next: TypedAnswer) => {
    setTyped(next);
    table.typing?.(next);
  };
  const clear = () => {
    setTyped([]);
    setSaid('');
  };
  return {
    typed,
    said,
    clear,
    takeBack: () => type(deleteDigit(typed)),
    enter: () => {
      if (!asking || typed.length === 0) return;
      table.answerTyped(typed);
      clear();
    },
    judge: (judgement: Judgement, at: number) => {
      if (!asking || (keypad && judgement !== 'gaveUp')) return;
      if (table.judge(judgement, at, keypad ? typed : [])) clear();
    },
    digit: (key: string, at: number) => {
      if (keypad) {
        if (asking && table.isShownAt(at)) type(typeDigit(typed, key, at));
      } else if (last?.judgement === 'wrong' && said.length < 6) {
        setSaid(said + key);
        table.say(said + key);
      }
    },
    back: () => {
      if (typed.length > 0) type(deleteDigit(typed));
      else if (said !== '') {
        setSaid(said.slice(0, -1));
        table.say(said.slice(0, -1) || null);
      } else {
        table.undo();
        setSaid('');
      }
    },
  };
}
