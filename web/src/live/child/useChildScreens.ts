import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { v7 as uuid } from 'uuid';
import { api } from '../../app/api.ts';
import { deviceTableLine, windowTableLine } from './childLine.ts';
import {
  openChildScreens,
  screenStatus,
  type ChildScreensStore,
  type KeptScreen,
  type ScreenNow,
  type ScreenOwner,
  type ScreenTable,
} from './childScreens.ts';

const lookEveryMs = 200;
const keptKey = 'veldrift.screens';

let store: ChildScreensStore | undefined;

/** The screens given from this page; they outlive the tables. */
function childScreens(): ChildScreensStore {
  store ??= openChildScreens({
    now: () => performance.now(),
    newName: uuid,
    makeLink: api.newLink,
    dropLink: api.dropLink,
    deviceLine: deviceTableLine,
    windowLine: windowTableLine,
    openWindow: (name) =>
      window.open(`/child?window=${name}`, '_blank', 'popup,width=1000,height=760') !== null,
    kept: keptScreens(),
    keep: (screens) => sessionStorage.setItem(keptKey, JSON.stringify(screens)),
  });
  return store;
}

/** How long a sign-out waits for the screens to be let go, ms: then the server is away, and they run out by themselves. */
const patienceMs = 1500;

/** Lets all go: somebody signs out. Later the server would not take it from here any more. */
export async function closeChildScreens(): Promise<void> {
  const late = new Promise<void>((done) => setTimeout(done, patienceMs));
  if (store) await Promise.race([store.closeAll(), late]);
}

function keptScreens(): readonly KeptScreen[] {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keptKey) ?? '[]') as readonly KeptScreen[];
    return kept.filter(({ kind, id }) => (kind === 'window' || kind === 'device') && typeof id === 'string');
  } catch {
    return [];
  }
}

/** The children's own screens, as a table sees them. */
export interface ChildScreens {
  /** Of those who sit here, and everyone's. */
  readonly screens: readonly (ScreenNow & { readonly status: ReturnType<typeof screenStatus> })[];
  readonly trouble: string | null;
  readonly isHere: (owner: ScreenOwner) => boolean;
  readonly openWindow: (owner: ScreenOwner) => void;
  readonly offerCode: (owner: ScreenOwner) => void;
  readonly close: (owner: ScreenOwner) => void;
}

/** Lays what a table shows on its children's screens, and hears from them. `shown`: changes when something else is to be shown. */
export function useChildScreens(table: ScreenTable, shown: string): ChildScreens {
  const [own] = useState(childScreens);
  const list = useSyncExternalStore(own.subscribe, own.list);
  const [now, setNow] = useState(() => performance.now());
  const latest = useRef(table);
  useEffect(() => {
    latest.current = table;
    // What is heard goes to the table as it is when it is heard.
    own.sit({ ...table, onTells: (...heard) => latest.current.onTells(...heard) });
  });
  useEffect(() => own.showAll(), [own, shown]);
  useEffect(
    () => () => {
      own.sit(null);
      own.showAll();
    },
    [own],
  );
  const some = list.length > 0;
  useEffect(() => {
    if (!some) return;
    const handle = setInterval(() => setNow(performance.now()), lookEveryMs);
    return () => clearInterval(handle);
  }, [some]);
  const screens = list
    .filter(({ owner }) => owner === null || table.pupils.includes(owner))
    .map((screen) => ({ ...screen, status: screenStatus(screen, Math.max(now, screen.heardAt ?? 0)) }));
  return {
    screens,
    trouble: own.trouble(),
    isHere: (owner) => screens.some((one) => one.owner === owner && one.status === 'here'),
    openWindow: useCallback((owner) => own.openWindow(owner), [own]),
    offerCode: useCallback((owner) => void own.offerCode(owner), [own]),
    close: useCallback((owner) => void own.close(owner), [own]),
  };
}
