type Kept = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** The storage of a window across reloads; if the browser refuses it, in memory while the window is open. */
export const windowStorage: Kept = (() => {
  try {
    // Refused, the very name of it throws.
    sessionStorage.getItem('yohaku');
    return sessionStorage;
  } catch {
    const kept = new Map<string, string>();
    return {
      getItem: (key) => kept.get(key) ?? null,
      setItem: (key, value) => void kept.set(key, value),
      removeItem: (key) => void kept.delete(key),
    };
  }
})();
