import { parseButtonRole, roleSwatch } from '../background/index.ts';
import { LIMITS } from '../fields/index.ts';
import { ruleSources } from '../palette/index.ts';
import { familyById } from '../type/index.ts';
import type { Brand } from './brand.ts';
import { need, unique, type Miss } from './miss.ts';
import type { Site } from './site.ts';

/**
 * Reports references of brand and logo that have no target, occur twice or refer to themselves, as far as field schemas
 * cannot.
 */
export function checkBrand(site: Site, miss: Miss): void {
  const { brand } = site;
  for (const [record, name] of [
    [brand.swatches, 'swatches'],
    [brand.grounds, 'grounds'],
    [brand.styles, 'styles'],
    [brand.variants, 'variants'],
    [brand.sizes, 'sizes'],
    [brand.spaces, 'spaces'],
    [brand.cornerList?.items ?? {}, 'cornerList.items'],
    [brand.shadows?.items ?? {}, 'shadows.items'],
  ] as const)
    namedOnce(Object.values(record), `brand.${name}`, miss);
  for (const use of ['heading', 'body'] as const)
    if (!familyById(brand.families[use], brand.fonts)) miss(`brand.families.${use}`, 'family', brand.families[use]);
  checkShape(brand, miss);
  if (brand.motion) {
    unique(
      Object.values(brand.motion.items).map((item) => item.path),
      'brand.motion.items: the path',
      'name',
      miss,
    );
    for (const [use, id] of Object.entries(brand.motion.uses))
      if (id !== null) need(brand.motion.items, id, `brand.motion.uses.${use}`, 'motion', miss);
  }
  checkLogo(site, miss);
  for (const [name, list] of Object.entries(brand.apart ?? {})) {
    for (const id of list) need(brand.swatches, id, `brand.apart.${name}`, 'swatch', miss);
    if (new Set(list).size !== list.length) miss(`brand.apart.${name}`, 'order', list.join(' '));
  }
  const depths = new Map<string, number>();
  for (const swatch of Object.values(brand.swatches)) {
    if (!swatch.rule) continue;
    for (const source of ruleSources(swatch.rule))
      need(brand.swatches, source, `brand.swatches.${swatch.id}.rule`, 'swatch', miss);
    const loop = ruleLoop(brand, swatch.id);
    if (loop)
      miss(`brand.swatches.${swatch.id}.rule`, 'loop', loop.map((id) => brand.swatches[id]?.label ?? id).join(' ← '));
    else if (ruleDepth(brand, swatch.id, depths) > LIMITS.ruleDepth)
      miss(`brand.swatches.${swatch.id}.rule`, 'depth', swatch.label);
  }
  for (const ground of Object.values(brand.grounds)) {
    for (const [role, value] of Object.entries(ground.roles)) {
      const swatch = roleSwatch(value);
      if (swatch !== undefined)
        need(brand.swatches, swatch, `brand.grounds.${ground.id}.roles.${role}`, 'swatch', miss);
      const button = parseButtonRole(role);
      if (button) need(brand.variants, button.variant, `brand.grounds.${ground.id}.roles.${role}`, 'variant', miss);
      if (value.kind === 'same') {
        const followed = parseButtonRole(value.role);
        if (followed)
          need(brand.variants, followed.variant, `brand.grounds.${ground.id}.roles.${role}`, 'variant', miss);
        checkSameLoop(ground, role, miss);
      }
    }
  }
}

/** Names and paths: each is there once. */
function namedOnce(
  entries: readonly { readonly label: string; readonly path: string }[],
  where: string,
  miss: Miss,
): void {
  unique(
    entries.map((entry) => entry.label),
    `${where}: the name`,
    'name',
    miss,
  );
  unique(
    entries.map((entry) => entry.path),
    `${where}: the path`,
    'name',
    miss,
  );
}

function checkShape(brand: Brand, miss: Miss): void {
  for (const [use, value] of Object.entries(brand.corners))
    if (typeof value === 'string') {
      const corner = brand.cornerList?.items[value];
      if (!corner) miss(`brand.corners.${use}`, 'corner', value);
      // Only what is one line high has a height to take a share of.
      else if (corner.value.kind === 'share' && use !== 'button' && use !== 'field')
        miss(`brand.corners.${use}`, 'height', corner.label);
    }
  for (const { id, shape } of Object.values(brand.variants)) {
    if (typeof shape?.corner === 'string' && !brand.cornerList?.items[shape.corner])
      miss(`brand.variants.${id}.shape.corner`, 'corner', shape.corner);
    if (shape?.shadow)
      need(brand.shadows?.items ?? {}, shape.shadow, `brand.variants.${id}.shape.shadow`, 'shadow', miss);
  }
  for (const [use, id] of Object.entries(brand.shadows?.uses ?? {}))
    if (id !== null) need(brand.shadows!.items, id, `brand.shadows.uses.${use}`, 'shadow', miss);
}

function checkLogo({ shared: { logo }, brand }: Site, miss: Miss): void {
  if (!logo) return;
  for (const [ground, form] of Object.entries(logo.onGround)) {
    need(brand.grounds, ground, 'shared.logo.onGround', 'ground', miss);
    need(logo.forms, form, `shared.logo.onGround.${ground}`, 'form', miss);
  }
  need(logo.forms, logo.icon.form, 'shared.logo.icon.form', 'form', miss);
}

/**
 * The way on which the rules of a swatch lead back to it, from it to it; undefined
 * when they do not. Every swatch is looked at once, however many ways lead to it.
 */
export function ruleLoop(brand: Pick<Brand, 'swatches'>, id: string): string[] | undefined {
  const from = new Map<string, string>();
  const open = [id];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const rule = Object.hasOwn(brand.swatches, at) ? brand.swatches[at]!.rule : null;
    for (const source of rule ? ruleSources(rule) : []) {
      if (source === id) {
        const trail = [id];
        for (let back = at; back !== id; back = from.get(back)!) trail.unshift(back);
        return [id, ...trail];
      }
      if (from.has(source)) continue;
      from.set(source, at);
      open.push(source);
    }
  }
  return undefined;
}

/** How many swatches follow one another from a plain one to this, this counted; only asked where no rule leads back. */
function ruleDepth(brand: Pick<Brand, 'swatches'>, id: string, known: Map<string, number>): number {
  const found = known.get(id);
  if (found !== undefined) return found;
  // Counts as one while it is looked into: a ring is told apart from a depth by `ruleLoop`.
  known.set(id, 1);
  const rule = Object.hasOwn(brand.swatches, id) ? brand.swatches[id]!.rule : null;
  const depth = rule ? 1 + Math.max(...ruleSources(rule).map((source) => ruleDepth(brand, source, known))) : 0;
  known.set(id, depth);
  return depth;
}

function checkSameLoop(
  ground: { id: string; roles: Record<string, { kind: string; role?: string }> },
  start: string,
  miss: Miss,
): void {
  const trail = new Set<string>();
  for (
    let at: string | undefined = start;
    at !== undefined;
    at = Object.hasOwn(ground.roles, at) ? ground.roles[at]!.role : undefined
  ) {
    if (trail.has(at)) return miss(`brand.grounds.${ground.id}.roles.${start}`, 'loop', [...trail, at].join(' ← '));
    trail.add(at);
  }
}
