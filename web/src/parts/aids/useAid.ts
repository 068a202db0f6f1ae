import type { Aid } from '@veldrift/core';
import { useState } from 'react';

/** The shelf under a prompt: open or not, and the aid that lies there. Empty again for every prompt. */
export function useAid(promptId: string, onAid: (aid: Aid) => void) {
  const [now, setNow] = useState<{ readonly of: string; readonly aid: Aid | null }>();
  const open = now?.of === promptId;
  const lay = (aid: Aid | null) => {
    setNow({ of: promptId, aid });
    // What was seen stays seen: an aid taken away still helped with this prompt.
    if (aid) onAid(aid);
  };
  return {
    open,
    aid: open ? now.aid : null,
    lay,
    toggle: () => {
      if (open) setNow(undefined);
      else lay(null);
    },
  };
}
