/**
 * Returns true if the same places are lit: an edit that lights no others has no mark to move before the pages have
 * settled.
 */
export function sameLit(
  map: ReadonlyMap<string, ReadonlySet<string>>,
  other: ReadonlyMap<string, ReadonlySet<string>>,
): boolean {
  return (
    map.size === other.size &&
    [...map].every(([page, places]) => {
      const others = other.get(page);
      return others?.size === places.size && [...places].every((id) => others.has(id));
    })
  );
}

/** Returns the ids of the failing places of each page. */
export function failingByPage(
  rows: readonly { readonly page: string; readonly place: string }[],
): ReadonlyMap<string, ReadonlySet<string>> {
  const failing = new Map<string, Set<string>>();
  for (const { page, place } of rows) failing.set(page, (failing.get(page) ?? new Set()).add(place));
  return failing;
}
