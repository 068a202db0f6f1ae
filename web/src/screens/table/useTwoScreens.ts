import type { RemoteAnswer } from '@veldrift/core';
import type { ChildShow } from '@veldrift/wire';
import { useEffect, useState } from 'react';
import { useChildScreen, type ChildScreen } from '../../live/child/useChildScreen.ts';

interface Table {
  readonly answerRemote: (answer: RemoteAnswer) => boolean;
  readonly shownElsewhere: (promptId: string, at: number, sameClock: boolean) => void;
}

/** Whether the prompt is on a screen of the child's own now; the table that runs is told by `useTwoScreens`. */
export function useElsewhere(): readonly [boolean, (elsewhere: boolean) => void] {
  return useState(false);
}

/** Keeps a child's screen in step with the table, and the table told of what happens there. */
export function useTwoScreens(
  table: Table,
  show: Omit<ChildShow, 'seq'>,
  setElsewhere: (elsewhere: boolean) => void,
): ChildScreen {
  const screen = useChildScreen(show, {
    onAnswer: ({ promptId, typed, latencyMs, lastKeyMs, voided }) =>
      void table.answerRemote({ promptId, typed, latencyMs, lastKeyMs, voided }),
    onShown: table.shownElsewhere,
  });
  const here = screen.status === 'here';
  useEffect(() => setElsewhere(here), [here, setElsewhere]);
  return screen;
}
