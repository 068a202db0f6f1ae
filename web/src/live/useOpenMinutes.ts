import { useEffect, useState } from 'react';
import { deviceDb, type PlayRow } from '../app/deviceDb.ts';
import { useSession } from '../app/session.tsx';
import { openMinutes } from './openMinutes.ts';

const lookEveryMs = 4000;

/** This tutor's minutes on this device that stand still and may be taken up again; those that lapsed are closed. */
export function useOpenMinutes(): readonly PlayRow[] {
  const { me, outbox } = useSession();
  const [open, setOpen] = useState<readonly PlayRow[]>([]);
  useEffect(() => {
    let gone = false;
    const look = () =>
      void deviceDb()
        .then((db) => openMinutes(db, outbox, me.userId, new Date().toISOString()))
        .then((found) => !gone && setOpen(found));
    look();
    const handle = setInterval(look, lookEveryMs);
    return () => {
      gone = true;
      clearInterval(handle);
    };
  }, [me.userId, outbox]);
  return open;
}
