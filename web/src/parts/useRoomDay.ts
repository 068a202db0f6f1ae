import { dayOf } from '@veldrift/core';
import { useSession } from '../app/session.tsx';
import { useNow } from './useNow.ts';

/** Today by the room's clock. Not that of what was fetched: without a network that may be yesterday's. */
export function useRoomDay(): string {
  const { me } = useSession();
  return dayOf(useNow().toISOString(), me.timeZone);
}
