/** Most characters of what is kept for other tools in one brand, and in one token or property of them. */
export const MOST_FOREIGN = { inAll: 300_000, inOne: 20_000, inName: 300 } as const;

/** Characters of names and values that are kept. */
export function foreignSize(kept: Readonly<Record<string, string>>): number {
  return Object.entries(kept).reduce((sum, [path, json]) => sum + path.length + json.length, 0);
}
