/** A store that answers at once, as the browser's own; `limit`: what it throws beyond, in characters of one value. */
export function memoryStorage(limit = Infinity): Storage {
  const held = new Map<string, string>();
  return {
    get length() {
      return held.size;
    },
    key: (at) => [...held.keys()][at] ?? null,
    getItem: (key) => held.get(key) ?? null,
    setItem: (key, value) => {
      if (value.length > limit) throw new Error('full');
      held.set(key, value);
    },
    removeItem: (key) => void held.delete(key),
    clear: () => held.clear(),
  };
}
