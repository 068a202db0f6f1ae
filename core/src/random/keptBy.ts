/**
 * A reckoning that is done once for each object it is asked of, and kept for as long as that object is. The object must never
 * be changed; what `work` throws is thrown anew each time.
 */
export function keptBy<K extends object, V extends object>(work: (of: K) => V): (of: K) => V {
  const kept = new WeakMap<K, V>();
  return (of) => {
    const known = kept.get(of);
    if (known) return known;
    const made = work(of);
    kept.set(of, made);
    return made;
  };
}
