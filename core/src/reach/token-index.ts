import type { Group } from './group.ts';

/** Returns the groups by the tokens in their recipes and in the values set on them. */
export function tokenIndex(groups: readonly Group[]): Map<string, Set<Group>> {
  const map = new Map<string, Set<Group>>();
  const add = (token: string, group: Group) => {
    const set = map.get(token);
    if (set) set.add(group);
    else map.set(token, new Set([group]));
  };
  for (const group of groups)
    for (const cell of group.painting.cells) {
      if (cell.token) add(cell.token, group);
      if (cell.override?.value.kind === 'token') add(cell.override.value.path, group);
    }
  return map;
}
