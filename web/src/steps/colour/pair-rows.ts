import {
  aspectsOf,
  groupsOf,
  judgeAspect,
  siteIndex,
  tokenTable,
  tokensMoving,
  worstOf,
  type Aspect,
  type Group,
  type Site,
  type State,
} from '@yohaku/core';

export interface PairRow {
  readonly label: string;
  readonly places: number;
  readonly found: number;
  readonly needed: number;
  readonly ground: string;
}

/** A foreground property of some look that a swatch paints. */
interface Spot {
  readonly label: string;
  readonly group: Group;
  readonly state: State;
  readonly aspect: Aspect;
  readonly ground: string;
}

/** Where a swatch stands as a foreground: by role and ground. */
export function spotsOf(site: Site, path: string): Spot[] {
  const table = tokenTable(site.brand);
  const through = tokensMoving(table, path);
  return groupsOf(siteIndex(site), through).flatMap((group) =>
    group.states
      .filter((state) => state !== 'disabled')
      .flatMap((state) =>
        aspectsOf(group, state).flatMap((aspect): Spot[] => {
          // Of a part the edge is what stands before its ground; its fill is what its label stands on.
          const [property] = aspect.properties;
          const cell = group.painting.at(property!, state, 'desktop');
          if (!cell?.token || !through.has(cell.token)) return [];
          const kind = `${group.kind[0]!.toUpperCase()}${group.kind.slice(1)}`;
          const what =
            property === 'border-color'
              ? `${kind} border`
              : property === 'outline-color'
                ? `Focus ring of ${group.kind}`
                : group.kind === 'mark'
                  ? 'Marked text'
                  : group.kind === 'button' || group.kind === 'field'
                    ? `${kind} label`
                    : group.kind === 'text' && group.style
                      ? site.brand.styles[group.style]!.label
                      : group.kind === 'cell'
                        ? 'Table text'
                        : kind;
          const label = `${what}${state === 'rest' || property === 'outline-color' ? '' : `, ${state}`} on ${site.brand.grounds[group.ground]!.label}`;
          return [{ label, group, state, aspect, ground: group.ground }];
        }),
      ),
  );
}

/** Ratios of the spots with the colours as they are shown, what falls short first. */
export function rateSpots(site: Site, spots: readonly Spot[]): PairRow[] {
  const table = tokenTable(site.brand);
  const rows = new Map<string, PairRow>();
  for (const { label, group, state, aspect, ground } of spots) {
    const worst = worstOf(judgeAspect(table, group, aspect, state), aspect.rule, state);
    if (!worst || worst.found === null) continue;
    const known = rows.get(label);
    const shown =
      known && known.found / known.needed < worst.found / worst.needed
        ? known
        : { found: worst.found, needed: worst.needed };
    rows.set(label, {
      label,
      places: (known?.places ?? 0) + group.count,
      found: shown.found,
      needed: shown.needed,
      ground,
    });
  }
  return [...rows.values()].sort(
    (row, other) => Number(row.found >= row.needed) - Number(other.found >= other.needed) || other.places - row.places,
  );
}
