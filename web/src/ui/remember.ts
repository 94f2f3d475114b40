/** Keeps a choice on this machine; a browser that refuses to keep anything goes on without. */
export function remember(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // Refused, or full: what was chosen holds in this window.
  }
}

/** Returns the stored text; null if there is none, or if storage is not allowed. */
export function remembered(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}
