import { deltaERgb, hex } from '../color/index.ts';
import type { Incoming, IncomingColor, LeftToken } from '../formats/index.ts';
import { parseButtonRole, roleSwatch, withRoleSwatch } from '../background/index.ts';
import { mapRule, type DeriveRule } from '../palette/index.ts';
import { placeCount, placesIn, siteIndex } from '../reach/index.ts';
import type { Brand, Ground, Site } from '../site/index.ts';
import { resolvedSwatches, swatchPath } from '../style/index.ts';
import { planParts } from './parts.ts';
import { SAME, type Arrival, type PlanRow } from './plan-row.ts';

/** The effect of importing the colours of a file. */
export interface ColorPlan {
  readonly rows: readonly PlanRow[];
  readonly counts: Readonly<Record<Arrival, number>>;
}

/** Most swatches of a brand: its order list holds no more. */
export const MOST_SWATCHES = 500;

/**
 * Compares the colours, grounds, and what else comes in of a file with a brand. A swatch is matched
 * by its token path, then by its name; a colour nobody has by name but somebody
 * has exactly counts as equal.
 */
export function planColors(site: Site, incoming: Incoming): ColorPlan {
  const here = resolvedSwatches(site.brand);
  const byPath = new Map(here.map((swatch) => [swatchPath(swatch.swatch), swatch]));
  const byName = new Map(here.map((swatch) => [swatch.swatch.label.toLowerCase(), swatch]));
  const byHex = new Map(here.map((swatch) => [hex(swatch.rgb), swatch]));
  const matched = new Set<string>();
  const keyOf = new Map<string, string>();
  const match = (color: IncomingColor) => {
    const swatch = [byPath.get(color.key), byName.get(color.label.toLowerCase())].find(
      (found) => found && !matched.has(found.swatch.id),
    );
    if (swatch) matched.add(swatch.swatch.id);
    return swatch;
  };
  const found = incoming.colors.map((color) => ({ color, mine: match(color) }));
  for (const { color, mine } of found) if (mine) keyOf.set(color.key, mine.swatch.id);
  let added = 0;
  const rows = found.map(({ color, mine }): PlanRow => {
    const after = hex(color.color.rgb);
    if (mine) {
      const [before, deltaE] = [hex(mine.rgb), deltaERgb(mine.rgb, color.color.rgb)];
      const sameRule = sameAs(mine.swatch.rule, color.rule && mapRule(color.rule, (key) => keyOf.get(key) ?? key));
      const equal = before === after && (sameRule || incoming.format !== 'yohaku');
      return {
        key: color.key,
        label: mine.swatch.label,
        arrival: equal ? 'equal' : 'changed',
        before,
        after,
        deltaE,
        match: mine.swatch.id,
        places: equal ? 0 : placeCount(site, swatchPath(mine.swatch)),
        note: [
          mine.swatch.locked && !equal ? 'locked here' : '',
          !equal && !sameRule && mine.swatch.rule ? 'is derived here' : '',
        ]
          .filter((name) => name !== '')
          .join('; '),
      };
    }
    const twin = byHex.get(after);
    if (twin)
      return {
        key: color.key,
        label: color.label,
        arrival: 'equal',
        before: after,
        after,
        deltaE: 0,
        places: 0,
        match: twin.swatch.id,
        note: `is ${twin.swatch.label}`,
      };
    if (here.length + ++added > MOST_SWATCHES)
      return {
        key: color.key,
        label: color.label,
        arrival: 'left',
        after,
        places: 0,
        note: `a palette holds at most ${MOST_SWATCHES} swatches`,
      };
    const near = here.find((swatch) => deltaERgb(swatch.rgb, color.color.rgb) < SAME);
    return {
      key: color.key,
      label: color.label,
      arrival: 'added',
      after,
      places: 0,
      note: near ? `looks the same as ${near.swatch.label}` : color.color.mapped ? 'is outside sRGB; shown mapped' : '',
    };
  });
  const grounds = incoming.brand ? groundRows(site, incoming.brand.brand, rows) : [];
  const all = [...rows, ...grounds, ...planParts(site, incoming), ...incoming.left.map(leftRow)];
  const counts = { added: 0, changed: 0, equal: 0, left: 0 };
  for (const row of all) counts[row.arrival]++;
  return { rows: all, counts };
}

const leftRow = ({ path, reason, kept }: LeftToken): PlanRow => ({
  key: path,
  label: path,
  arrival: 'left',
  places: 0,
  note: `${reason}${kept === undefined ? '' : '; kept, and exported again'}`,
});

function sameAs(entry: DeriveRule | null, other: DeriveRule | null): boolean {
  if (!entry || !other) return entry === other;
  const text = (rule: DeriveRule) => JSON.stringify(Object.entries(rule).sort(([a], [b]) => (a < b ? -1 : 1)));
  return text(entry) === text(other);
}

/** Where the swatches of a file's brand go: ids there to ids here, as far as they have one already. */
function groundRows(site: Site, theirs: Brand, rows: readonly PlanRow[]): PlanRow[] {
  const idHere = new Map(
    theirs.swatchOrder.map((id) => [id, rows.find((row) => row.key === swatchPath(theirs.swatches[id]!))?.match]),
  );
  const groups = siteIndex(site).groups;
  return theirs.groundOrder.map((id): PlanRow => {
    const ground = theirs.grounds[id]!;
    const mine = groundLike(site.brand, ground);
    const key = `ground:${ground.path}`;
    if (!mine) return { key, label: ground.label, arrival: 'added', places: 0, note: 'ground' };
    const mapped = JSON.stringify(
      sorted(rolesFor(site.brand, ground, (swatch) => idHere.get(swatch) ?? `new ${swatch}`)),
    );
    const equal = mapped === JSON.stringify(sorted(mine.roles)) && mine.wash?.angle === ground.wash?.angle;
    const places = equal ? 0 : placesIn(groups.filter((group) => group.ground === mine.id));
    return { key, label: mine.label, arrival: equal ? 'equal' : 'changed', places, match: mine.id, note: 'ground' };
  });
}

/** The ground of a brand that stands for another's: by path, then by name. */
export function groundLike(brand: Brand, ground: Ground): Ground | undefined {
  const all = Object.values(brand.grounds);
  return (
    all.find((entry) => entry.path === ground.path) ??
    all.find((entry) => entry.label.toLowerCase() === ground.label.toLowerCase())
  );
}

/** The roles of another brand's ground as this brand would have them; parts of button variants it lacks are dropped. */
export function rolesFor(brand: Brand, ground: Ground, swatchHere: (id: string) => string): Ground['roles'] {
  const variants = new Set(Object.keys(brand.variants));
  return Object.fromEntries(
    Object.entries(ground.roles)
      .filter(([role]) => {
        const variant = parseButtonRole(role)?.variant;
        return variant === undefined || variants.has(variant);
      })
      .map(([role, value]) => [
        role,
        roleSwatch(value) === undefined ? value : withRoleSwatch(value, swatchHere(roleSwatch(value)!)),
      ]),
  );
}

const sorted = (roles: Ground['roles']) => Object.entries(roles).sort(([name], [other]) => (name < other ? -1 : 1));
