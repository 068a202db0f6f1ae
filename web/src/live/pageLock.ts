/** The browser's locks, where it has them: not on a page that came over plain http from another machine. */
const locks = (): LockManager | undefined =>
  (globalThis.navigator as { readonly locks?: LockManager } | undefined)?.locks;

/** Runs `work` while no other page of this browser runs any under that name. */
export function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  return locks()?.request(name, work) ?? work();
}

/** Asks to hold a name until the returned function is called; `onHeld` hears when no other page of this browser does. */
export function hold(name: string, onHeld: () => void): () => void {
  const stop = new AbortController();
  let release: () => void = () => undefined;
  const held = () => {
    onHeld();
    return new Promise<void>((done) => (release = done));
  };
  const manager = locks();
  if (manager) void manager.request(name, { signal: stop.signal }, held).catch(() => undefined);
  else onHeld();
  return () => {
    stop.abort();
    release();
  };
}

/** Whether a page of this browser holds a name; undefined where the browser cannot say. */
export async function isHeld(name: string): Promise<boolean | undefined> {
  return (await locks()?.query())?.held?.some((one) => one.name === name);
}
