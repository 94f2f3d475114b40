import { valueAt } from '../change/index.ts';
import type { Place } from '../page/index.ts';
import { changedTokens, groupsOf, siteIndex, tokensThrough, type Group } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { resolveToken, tokenTable } from '../style/index.ts';

/**
 * Of the places an edit changed, those that changed only because a rule that
 * chooses among swatches chose another: nothing they name was edited.
 */
export function placesChosenAnew(before: Site, after: Site, changed: readonly Place[]): Place[] {
  const [old, now] = [tokenTable(before.brand), tokenTable(after.brand)];
  const index = siteIndex(after);
  if (siteIndex(before) !== index) return [];
  const paths = changedTokens(old, now);
  const chose = new Set(
    [...paths].filter((path) => {
      const token = now.get(path);
      return (
        token?.follows !== undefined &&
        token.address !== undefined &&
        old.get(path)?.alias !== token.alias &&
        valueAt(before, token.address) === valueAt(after, token.address)
      );
    }),
  );
  if (chose.size === 0) return [];
  const anew = new Set([...chose].flatMap((path) => groupsOf(index, tokensThrough(now, path))));
  const moved = new Set<Group>();
  for (const path of paths) {
    // The swatch that was picked before was edited itself, so this place changes without a new choice.
    const edited = resolveToken(old, path).chain.some(
      (name) => paths.has(name) && !chose.has(name) && old.get(name)!.alias === undefined,
    );
    if (edited || !resolveToken(now, path).chain.some((name) => chose.has(name)))
      for (const group of groupsOf(index, tokensThrough(old, path))) moved.add(group);
  }
  return changed.filter((place) => {
    const group = index.groupOf.get(place)!;
    return anew.has(group) && !moved.has(group);
  });
}
