import type { RemoteAnswer } from '@veldrift/core';
import { useEffect, useState } from 'react';
import type { ShowBody } from '../../live/child/childScreens.ts';
import { shownAt } from '../../live/child/shownAt.ts';
import { useChildScreens, type ChildScreens } from '../../live/child/useChildScreens.ts';

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
  pupilId: string,
  show: ShowBody,
  setElsewhere: (elsewhere: boolean) => void,
): ChildScreens {
  const { promptId, fact, says, keypad, hidden, padLeft, aid } = show;
  const screens = useChildScreens(
    {
      pupils: [pupilId],
      show,
      onTells: (tells, from) => {
        if (tells.kind === 'answer') {
          const { typed, latencyMs, lastKeyMs, voided } = tells;
          table.answerRemote({ promptId: tells.promptId, typed, latencyMs, lastKeyMs, voided });
        } else if (tells.kind === 'shown') {
          const { at, sameClock } = shownAt(tells, from);
          table.shownElsewhere(tells.promptId, at, sameClock);
        }
      },
    },
    [promptId, fact, says, keypad, hidden, padLeft, aid].join(' '),
  );
  const here = screens.isHere(null) || screens.isHere(pupilId);
  useEffect(() => setElsewhere(here), [here, setElsewhere]);
  return screens;
}
