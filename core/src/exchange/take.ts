import {
  addGround,
  addSwatches,
  applyChange,
  setOp,
  setRule,
  setSwatchColor,
  setRole,
  type Edit,
  type Op,
} from '../change/index.ts';
import { MOST_FOREIGN, foreignSize, type Incoming, type LeftToken } from '../formats/index.ts';
import { roleSwatch } from '../background/index.ts';
import { mapRule, ruleSources } from '../palette/index.ts';
import type { Site } from '../site/index.ts';
import { customProperty, swatchPath } from '../style/index.ts';
import { takePart } from './parts.ts';
import { groundLike, rolesFor, type ColorPlan } from './plan.ts';
import type { PlanRow } from './plan-row.ts';

/** How a clash is settled: the file's value, the one that is kept, or both under two names. */
export type Settling = 'file' | 'kept' | 'both';

/**
 * One edit that brings in the colour of a file: swatches with their rules,
 * grounds, text styles, corners, shadows and motions of another tool, and the tokens
 * that are only kept.
 *
 * @param settle by row key; a row without one takes the file's value
 * @param newId makes an id that nobody has
 * @returns undefined when nothing would change
 */
export function takeColors(
  site: Site,
  incoming: Incoming,
  plan: ColorPlan,
  settle: ReadonlyMap<string, Settling>,
  newId: () => string,
): Edit | undefined {
  const ops: Op[] = [];
  let now = site;
  const run = (edit: Edit | undefined) => {
    if (!edit || edit.ops.length === 0) return;
    ops.push(...edit.ops);
    now = applyChange(now, edit).site;
  };
  const rows = new Map(plan.rows.map((row) => [row.key, row]));
  const here = new Map<string, string>();
  const wanted = incoming.colors.flatMap((color) => {
    const row = rows.get(color.key)!;
    const how = wayOf(row, settle);
    if (row.match && how !== 'both') here.set(color.key, row.match);
    return how === 'leave' ? [] : [{ color, row, how }];
  });
  const fresh = wanted
    .filter(({ how }) => how === 'add' || how === 'both')
    .map(({ color }) => ({ id: newId(), label: color.label, color: color.color, part: color.part, key: color.key }));
  for (const entry of fresh) here.set(entry.key, entry.id);
  if (fresh.length > 0) run(addSwatches(now, fresh));
  for (const { color, row, how } of wanted)
    if (how === 'set') {
      if (now.brand.swatches[row.match!]!.rule) run(setRule(now, row.match!, null));
      run(setSwatchColor(now, row.match!, color.color));
    }
  for (const { color } of wanted) {
    const id = here.get(color.key)!;
    const rule =
      color.rule && ruleSources(color.rule).every((key) => here.has(key))
        ? mapRule(color.rule, (key) => here.get(key)!)
        : null;
    if (rule) run(setRule(now, id, rule));
  }
  takeGrounds();
  for (const part of incoming.parts) {
    const row = rows.get(part.key)!;
    const how = wayOf(row, settle);
    if (how !== 'leave') run(takePart(now, part, how === 'set' ? row.match : undefined, newId()));
  }
  const kept = keptWith(
    now,
    [
      ...incoming.left,
      ...incoming.parts
        .filter((part) => rows.get(part.key)!.arrival === 'left')
        .map((part) => ({ path: part.key, kept: part.kept })),
    ],
    here,
  );
  if (kept) run({ label: '', ops: [setOp(now, ['brand', 'kept'], kept)] });
  return ops.length === 0 ? undefined : { label: `Import ${incoming.name}`.slice(0, 200), ops };

  function takeGrounds(): void {
    const theirs = incoming.brand?.brand;
    for (const id of theirs?.groundOrder ?? []) {
      const ground = theirs!.grounds[id]!;
      const row = rows.get(`ground:${ground.path}`)!;
      const how = wayOf(row, settle);
      if (how === 'leave') continue;
      const roles = rolesFor(
        site.brand,
        ground,
        (swatch) => (theirs!.swatches[swatch] && here.get(swatchPath(theirs!.swatches[swatch]))) ?? '',
      );
      const known = Object.fromEntries(Object.entries(roles).filter(([, value]) => roleSwatch(value) !== ''));
      const mine = how === 'set' ? groundLike(now.brand, ground) : undefined;
      const wash = ground.wash ?? undefined;
      if (mine && mine.wash?.angle !== wash?.angle)
        run({ label: '', ops: [setOp(now, ['brand', 'grounds', mine.id, 'wash'], wash)] });
      if (mine)
        for (const role of new Set([...Object.keys(mine.roles), ...Object.keys(known)])) {
          if (JSON.stringify(mine.roles[role]) !== JSON.stringify(known[role]))
            run(setRole(now, mine.id, role, known[role]));
        }
      else run(addGround(now, newId(), { label: ground.label, roles: known, wash }));
    }
  }
}

/** Returns the choice for a row. */
function wayOf(row: PlanRow, settle: ReadonlyMap<string, Settling>): 'add' | 'set' | 'both' | 'leave' {
  const how = settle.get(row.key) ?? 'file';
  if (row.arrival === 'equal' || row.arrival === 'left' || how === 'kept') return 'leave';
  return row.arrival === 'added' ? 'add' : how === 'both' ? 'both' : 'set';
}

/**
 * The kept tokens with those of the file, naming our swatches where they named a colour that is in now; undefined when
 * there are none or they would not fit.
 */
function keptWith(
  site: Site,
  left: readonly Pick<LeftToken, 'path' | 'kept'>[],
  here: ReadonlyMap<string, string>,
): Record<string, string> | undefined {
  const fresh = left.filter(
    (entry) =>
      entry.kept &&
      entry.kept.length <= MOST_FOREIGN.inOne &&
      entry.path !== '' &&
      entry.path.length <= MOST_FOREIGN.inName &&
      !entry.path.split('.').includes('__proto__'),
  );
  if (fresh.length === 0) return undefined;
  const renamed = (json: string) =>
    json
      .replace(/var\(\s*--([^,)\s]+)/g, (whole, key: string) =>
        here.has(key) ? `var(${customProperty(swatchPath(site.brand.swatches[here.get(key)!]!))}` : whole,
      )
      .replace(/"\{([^{}"]+)\}"/g, (whole, key: string) =>
        here.has(key) ? `"{${swatchPath(site.brand.swatches[here.get(key)!]!)}}"` : whole,
      );
  const kept = {
    ...site.brand.kept,
    ...Object.fromEntries(fresh.map(({ path, kept: json }) => [path, renamed(json!)])),
  };
  return foreignSize(kept) <= MOST_FOREIGN.inAll ? kept : undefined;
}
