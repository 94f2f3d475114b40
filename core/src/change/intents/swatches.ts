import { deltaE, oklchToOklab, type ParsedColor } from '../../color/index.ts';
import { roleSwatch, withRoleSwatch } from '../../background/index.ts';
import {
  mapRule,
  ruleBetween,
  ruleSources,
  ruleWords,
  uniqueName,
  uniquePath,
  type DeriveRule,
} from '../../palette/index.ts';
import type { Site, Swatch } from '../../site/index.ts';
import { customProperty, swatchColor, swatchPath } from '../../style/index.ts';
import type { Op } from '../change.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';

/** Gives a swatch a colour; a derived one keeps its rule's source and gets the rule that leads to it. */
export function setSwatchColor(site: Site, id: string, color: ParsedColor, what = 'colour'): Edit {
  const swatch = site.brand.swatches[id]!;
  const at = ['brand', 'swatches', id];
  const ops: Op[] = [setOp(site, [...at, 'color'], color.oklch), setOp(site, [...at, 'typed'], color.typed)];
  if (swatch.rule) {
    // A colour set by hand is an amount away from its source, whatever the rule was.
    const source = swatchColor(site.brand, swatch.rule.source);
    if (source) ops.push(setOp(site, [...at, 'rule'], ruleBetween(swatch.rule.source, source, color.oklch)));
  }
  return { label: `${swatch.label} ${what}`, ops };
}

/** Adds swatches under unique names and paths, last in the order. */
export function addSwatches(
  site: Site,
  wanted: readonly { id: string; label: string; color: ParsedColor; part?: 'core' | 'side' }[],
): Edit {
  const labels = Object.values(site.brand.swatches).map((swatch) => swatch.label);
  const paths = Object.values(site.brand.swatches).map((swatch) => swatch.path);
  let after = site.brand.swatchOrder.at(-1) ?? null;
  const ops = wanted.map(({ id, label, color, part }): Op => {
    const name = uniqueName(label, labels);
    const path = uniquePath(name, paths);
    labels.push(name);
    paths.push(path);
    const swatch: Swatch = {
      id,
      label: name,
      path,
      part: part ?? 'side',
      color: color.oklch,
      typed: color.typed,
      rule: null,
      locked: false,
      provisional: false,
    };
    const op = insertOp(site, ['brand', 'swatches'], ['brand', 'swatchOrder'], id, swatch, after);
    after = id;
    return op;
  });
  return { label: wanted.length === 1 ? `Add ${labels.at(-1)}` : `Add ${wanted.length} swatches`, ops };
}

/** Puts a swatch among those that must be told apart, last in its row, or takes it away. */
export function setIsolated(site: Site, set: 'status' | 'chart', swatch: string, among: boolean): Edit {
  const now = site.brand.apart ?? { status: [], chart: [] };
  const list = [...now[set].filter((name) => name !== swatch), ...(among ? [swatch] : [])];
  const what = set === 'status' ? 'status marks' : 'chart colours';
  return {
    label: `${site.brand.swatches[swatch]!.label} ${among ? 'among' : 'no longer among'} the ${what}`,
    ops: [setOp(site, ['brand', 'apart'], { ...now, [set]: list })],
  };
}

/** Returns what uses a swatch: labels of roles and of derived swatches. */
export function swatchUses(site: Site, id: string): string[] {
  const uses: string[] = [];
  for (const ground of Object.values(site.brand.grounds))
    for (const [role, value] of Object.entries(ground.roles))
      if (roleSwatch(value) === id) uses.push(`${ground.label}, ${role.replaceAll('-', ' ')}`);
  for (const asset of Object.values(site.assets))
    if (Object.values(asset.bound ?? {}).includes(id)) uses.push(`the drawing ${asset.name}`);
  for (const swatch of Object.values(site.brand.swatches))
    if (swatch.rule && ruleSources(swatch.rule).includes(id)) uses.push(`${swatch.label} follows it`);
  for (const shadow of Object.values(site.brand.shadows?.items ?? {}))
    if (shadow.color === id) uses.push(`the shadow ${shadow.label}`);
  return uses;
}

/** Another swatch nearest in colour, offered as replacement when one is deleted. */
export function nearestSwatch(site: Site, id: string): string | undefined {
  const lab = oklchToOklab(swatchColor(site.brand, id)!);
  const others = site.brand.swatchOrder.filter((other) => other !== id);
  return others.sort(
    (name, other) =>
      deltaE(lab, oklchToOklab(swatchColor(site.brand, name)!)) -
      deltaE(lab, oklchToOklab(swatchColor(site.brand, other)!)),
  )[0];
}

/**
 * Deletes a swatch; every role and rule that names it goes to `replacement`. A rule that would lead to itself becomes a
 * plain colour.
 */
export function removeSwatch(site: Site, id: string, replacement: string | undefined): Edit {
  const ops: Op[] = [];
  for (const ground of Object.values(site.brand.grounds))
    for (const [role, value] of Object.entries(ground.roles))
      if (roleSwatch(value) === id)
        ops.push(
          setOp(
            site,
            ['brand', 'grounds', ground.id, 'roles', role],
            replacement ? withRoleSwatch(value, replacement) : undefined,
          ),
        );
  for (const swatch of Object.values(site.brand.swatches))
    if (swatch.rule && ruleSources(swatch.rule).includes(id)) {
      // Looking at the replacement instead keeps a rule that compares; one that only follows keeps its colour.
      const other =
        swatch.rule.source !== id && replacement && replacement !== swatch.id && replacement !== swatch.rule.source
          ? mapRule(swatch.rule, (name) => (name === id ? replacement : name))
          : null;
      ops.push(setOp(site, ['brand', 'swatches', swatch.id, 'color'], swatchColor(site.brand, swatch.id)));
      ops.push(setOp(site, ['brand', 'swatches', swatch.id, 'rule'], other));
      if (swatch.formerRule) ops.push(setOp(site, ['brand', 'swatches', swatch.id, 'formerRule'], null));
    }
  for (const asset of Object.values(site.assets))
    if (Object.values(asset.bound ?? {}).includes(id)) {
      const kept = Object.entries(asset.bound!).flatMap(([from, swatch]) =>
        swatch !== id ? [[from, swatch]] : replacement ? [[from, replacement]] : [],
      );
      ops.push(setOp(site, ['assets', asset.id, 'bound'], kept.length > 0 ? Object.fromEntries(kept) : undefined));
    }
  const left = site.brand.swatchOrder.find((name) => name !== id);
  for (const shadow of Object.values(site.brand.shadows?.items ?? {}))
    if (shadow.color === id)
      ops.push(setOp(site, ['brand', 'shadows', 'items', shadow.id, 'color'], replacement ?? left));
  for (const set of ['status', 'chart'] as const) {
    const list = site.brand.apart?.[set] ?? [];
    if (list.includes(id))
      ops.push(
        setOp(
          site,
          ['brand', 'apart', set],
          list.filter((entry) => entry !== id),
        ),
      );
  }
  // Values on places that name the swatch's token follow it to the replacement.
  const swatch = site.brand.swatches[id]!;
  if (replacement) ops.push(...retarget(site, swatchPath(swatch), swatchPath(site.brand.swatches[replacement]!)));
  ops.push(removeOp(site, ['brand', 'swatches'], ['brand', 'swatchOrder'], id));
  return { label: `Delete ${swatch.label}`, ops };
}

/** Ops that turn every value on a place, and every token kept for other tools, that names one token towards another. */
function retarget(site: Site, from: string, to: string): Op[] {
  if (from === to) return [];
  const kept = Object.entries(site.brand.kept ?? {}).flatMap(([path, json]) => {
    const turned = json
      .replaceAll(`"{${from}}"`, `"{${to}}"`)
      .replaceAll(new RegExp(`var\\(${customProperty(from)}(?=[,)])`, 'g'), `var(${customProperty(to)}`);
    return turned === json ? [] : [setOp(site, ['brand', 'kept', path], turned)];
  });
  const records = [
    [['shared', 'overrides'], site.shared.overrides] as const,
    ...Object.values(site.pages).map((page) => [['pages', page.id, 'overrides'], page.overrides] as const),
  ];
  return [
    ...kept,
    ...records.flatMap(([record, overrides]) =>
      Object.values(overrides)
        .filter((override) => override.value.kind === 'token' && override.value.path === from)
        .map((override) => setOp(site, [...record, override.id, 'value'], { kind: 'token', path: to })),
    ),
  ];
}

/** Makes a swatch follow another from where the two stand now, or makes it plain again. */
export function followSwatch(site: Site, id: string, source: string | null): Edit {
  const now = swatchColor(site.brand, id)!;
  return setRule(site, id, source === null ? null : ruleBetween(source, swatchColor(site.brand, source)!, now));
}

/**
 * Gives a swatch a rule, or makes it plain with the colour it has; the rule it had is kept, to be had back.
 *
 * @throws ChangeRefused (by the check of the whole brand) when the rules would lead back to the swatch
 */
export function setRule(site: Site, id: string, rule: DeriveRule | null): Edit {
  const swatch = site.brand.swatches[id]!;
  const at = ['brand', 'swatches', id];
  // A swatch that follows is a derived one: its token's path changes, and what names it goes along.
  const moved = retarget(site, swatchPath(swatch), swatchPath({ ...swatch, rule }));
  if (rule === null) {
    const now = swatchColor(site.brand, id)!;
    return {
      label: `${swatch.label} made plain`,
      ops: [
        setOp(site, [...at, 'color'], now),
        setOp(site, [...at, 'typed'], ''),
        setOp(site, [...at, 'rule'], null),
        setOp(site, [...at, 'formerRule'], swatch.rule),
        ...moved,
      ],
    };
  }
  return {
    label: `${swatch.label} is ${ruleWords(rule, (name) => site.brand.swatches[name]?.label ?? name)}`,
    ops: [
      setOp(site, [...at, 'rule'], rule),
      ...(swatch.formerRule ? [setOp(site, [...at, 'formerRule'], null)] : []),
      ...moved,
    ],
  };
}
