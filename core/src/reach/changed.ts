import type { TokenTable } from '../style/index.ts';
import type { Group, SiteIndex } from './group.ts';
import { tokenValue } from './value.ts';

/** Tokens whose resolved value differs between two tables, by path; added and removed ones too. */
export function changedTokens(before: TokenTable, after: TokenTable): Set<string> {
  const changed = new Set<string>();
  if (before === after) return changed;
  for (const path of after.keys())
    if (before.get(path) !== after.get(path) || after.get(path)!.alias !== undefined)
      if (!before.has(path) || tokenValue(before, path).css !== tokenValue(after, path).css) changed.add(path);
  for (const path of before.keys()) if (!after.has(path)) changed.add(path);
  return changed;
}

/** Groups that name one of the tokens, held or not, and those that stand on such a surface. */
export function touchedGroups(index: SiteIndex, changed: ReadonlySet<string>): Set<Group> {
  const touched = new Set<Group>();
  for (const path of changed) for (const group of index.byToken.get(path) ?? []) touched.add(group);
  if (touched.size > 0)
    for (const group of index.groups)
      for (let under = group.under; under && !touched.has(group); under = under.under)
        if (touched.has(under)) touched.add(group);
  return touched;
}
