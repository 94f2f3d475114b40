import { parseButtonSlot, slotSwatch } from '../ground/index.ts';
import { ruleSources } from '../palette/index.ts';
import { familyById } from '../type/index.ts';
import type { Block, Href, Inline, Section } from './block.ts';
import type { Brand } from './brand.ts';
import { LIMITS } from './limits.ts';
import type { Page, Site } from './site.ts';

/** Something in the document that points at a thing that is not there. */
export interface Dangling {
  /** Where it is said, in words with ids: `ground chart, slot text`. */
  readonly where: string;
  readonly kind: 'swatch' | 'ground' | 'style' | 'variant' | 'size' | 'space' | 'page' | 'section' | 'asset' | 'form' | 'motion' | 'corner' | 'height' | 'shadow' | 'family' | 'order' | 'loop' | 'depth' | 'name' | 'file' | 'role' | 'id';
  readonly target: string;
}

/**
 * Every reference that leads nowhere, every order list that differs from its record, names and paths used twice, and rules that loop.
 *
 * @param before a site in which all of this was in order: a page that is the very same is looked at again only where what it may point at has changed
 */
export function danglingReferences(site: Site, before?: Site): Dangling[] {
  const found: Dangling[] = [];
  const miss = (where: string, kind: Dangling['kind'], target: string) => found.push({ where, kind, target });
  checkBrand(site, miss);
  const section = sectionChecker(site, miss);
  const header = site.shared.header;
  need(site.brand.grounds, header.ground, 'header', 'ground', miss);
  need(site.brand.styles, header.menuStyle, 'header', 'style', miss);
  need(site.brand.styles, header.nameStyle, 'header', 'style', miss);
  sameKeys(header.order, header.items, 'menu', miss);
  for (const item of Object.values(header.items)) need(site.pages, item.page, `menu item ${item.id}`, 'page', miss);
  checkLogo(site, miss);
  for (const asset of Object.values(site.assets)) for (const swatch of Object.values(asset.bound ?? {})) need(site.brand.swatches, swatch, `drawing ${asset.id}`, 'swatch', miss);
  const settled = before && sameTargets(before, site) ? before.pages : undefined;
  const pages = Object.values(site.pages).filter((page) => settled?.[page.id] !== page);
  checkIdsOnPages(site, pages, miss);
  section(site.shared.footer);
  Object.values(site.shared.sections).forEach(section);
  sameKeys(site.pageOrder, site.pages, 'pages', miss);
  unique(Object.values(site.pages).map((page) => page.file), 'page files', 'file', miss);
  if (!Object.values(site.pages).some((page) => page.file === 'index.html')) miss('pages', 'page', 'index.html');
  for (const page of pages) {
    sameKeys(page.sectionOrder, page.sections, `page ${page.id}`, miss);
    for (const entry of Object.values(page.sections)) {
      if ('shared' in entry) need(site.shared.sections, entry.shared, `page ${page.id}`, 'section', miss);
      else section(entry.own);
    }
  }
  return found;
}

/** Whether all that a page may point at, or share an id with, is there as it was. */
function sameTargets(before: Site, after: Site): boolean {
  const same = (one: Record<string, unknown>, other: Record<string, unknown>): boolean => {
    if (one === other) return true;
    const keys = Object.keys(one);
    return keys.length === Object.keys(other).length && keys.every((key) => Object.hasOwn(other, key));
  };
  const { brand, shared } = before;
  return (['styles', 'grounds', 'variants', 'sizes', 'spaces'] as const).every((kind) => same(brand[kind], after.brand[kind]))
    && same(before.assets, after.assets) && same(before.pages, after.pages) && same(shared.sections, after.shared.sections)
    && shared.header.id === after.shared.header.id && shared.footer.id === after.shared.footer.id && same(shared.footer.blocks, after.shared.footer.blocks);
}

type Miss = (where: string, kind: Dangling['kind'], target: string) => void;

function need(record: Record<string, unknown>, id: string, where: string, kind: Dangling['kind'], miss: Miss): void {
  if (!Object.hasOwn(record, id)) miss(where, kind, id);
}

function sameKeys(order: readonly string[], record: Record<string, unknown>, where: string, miss: Miss): void {
  const keys = Object.keys(record);
  if (new Set(order).size !== order.length || keys.length !== order.length || order.some((id) => !Object.hasOwn(record, id))) miss(where, 'order', order.join(' '));
}

function unique(values: readonly string[], where: string, kind: Dangling['kind'], miss: Miss): void {
  const seen = new Set<string>();
  for (const value of values) {
    if (seen.has(value.toLowerCase())) miss(where, kind, value);
    seen.add(value.toLowerCase());
  }
}

function checkBrand(site: Site, miss: Miss): void {
  const { brand } = site;
  for (const [order, record, name] of [
    [brand.swatchOrder, brand.swatches, 'swatches'], [brand.groundOrder, brand.grounds, 'grounds'], [brand.styleOrder, brand.styles, 'text styles'],
    [brand.variantOrder, brand.variants, 'button variants'], [brand.sizeOrder, brand.sizes, 'button sizes'], [brand.spaceOrder, brand.spaces, 'spaces'],
  ] as const) {
    sameKeys(order, record, name, miss);
    const entries: { label: string; path: string }[] = Object.values(record);
    unique(entries.map((one) => one.label), `${name}: the name`, 'name', miss);
    unique(entries.map((one) => one.path), `${name}: the path`, 'name', miss);
  }
  for (const family of [brand.families.heading, brand.families.body]) if (!familyById(family, brand.fonts)) miss('families', 'family', family);
  need(brand.styles, brand.buttonStyle, 'button label', 'style', miss);
  checkShape(brand, miss);
  if (brand.motion) {
    sameKeys(brand.motion.order, brand.motion.items, 'motions', miss);
    unique(Object.values(brand.motion.items).map((one) => one.path), 'motions: the path', 'name', miss);
    for (const [use, id] of Object.entries(brand.motion.uses)) if (id !== null) need(brand.motion.items, id, `motion of ${use}s`, 'motion', miss);
  }
  for (const [name, list] of Object.entries(brand.apart ?? {})) {
    for (const id of list) need(brand.swatches, id, `colours to be told apart, ${name}`, 'swatch', miss);
    if (new Set(list).size !== list.length) miss(`colours to be told apart, ${name}`, 'order', list.join(' '));
  }
  const depths = new Map<string, number>();
  for (const swatch of Object.values(brand.swatches)) {
    if (!swatch.rule) continue;
    for (const source of ruleSources(swatch.rule)) need(brand.swatches, source, `swatch ${swatch.id}`, 'swatch', miss);
    const loop = ruleLoop(brand, swatch.id);
    if (loop) miss(`swatch ${swatch.id}`, 'loop', loop.map((id) => brand.swatches[id]?.label ?? id).join(' ← '));
    else if (ruleDepth(brand, swatch.id, depths) > LIMITS.ruleDepth) miss(`swatch ${swatch.id}`, 'depth', swatch.label);
  }
  for (const ground of Object.values(brand.grounds)) {
    for (const [slot, value] of Object.entries(ground.slots)) {
      const swatch = slotSwatch(value);
      if (swatch !== undefined) need(brand.swatches, swatch, `ground ${ground.id}, ${slot}`, 'swatch', miss);
      const button = parseButtonSlot(slot);
      if (button) need(brand.variants, button.variant, `ground ${ground.id}, ${slot}`, 'variant', miss);
      if (value.kind === 'same') {
        const followed = parseButtonSlot(value.slot);
        if (followed) need(brand.variants, followed.variant, `ground ${ground.id}, ${slot}`, 'variant', miss);
        checkSameLoop(ground, slot, miss);
      }
    }
  }
}

function checkShape(brand: Brand, miss: Miss): void {
  const lists = [[brand.cornerList, 'corners'], [brand.shadows, 'shadows']] as const;
  for (const [list, name] of lists) {
    if (!list) continue;
    sameKeys(list.order, list.items, name, miss);
    const entries: { label: string; path: string }[] = Object.values(list.items);
    unique(entries.map((one) => one.label), `${name}: the name`, 'name', miss);
    unique(entries.map((one) => one.path), `${name}: the path`, 'name', miss);
  }
  for (const [use, value] of Object.entries(brand.corners)) if (typeof value === 'string') {
    const corner = brand.cornerList?.items[value];
    if (!corner) miss(`brand.corners.${use}`, 'corner', value);
    // Only what is one line high has a height to take a share of.
    else if (corner.value.kind === 'share' && use !== 'button' && use !== 'field') miss(`brand.corners.${use}`, 'height', corner.label);
  }
  for (const { id, shape } of Object.values(brand.variants)) {
    if (typeof shape?.corner === 'string' && !brand.cornerList?.items[shape.corner]) miss(`variant ${id}`, 'corner', shape.corner);
    if (shape?.shadow) need(brand.shadows?.items ?? {}, shape.shadow, `variant ${id}`, 'shadow', miss);
  }
  for (const shadow of Object.values(brand.shadows?.items ?? {})) need(brand.swatches, shadow.color, `shadow ${shadow.id}`, 'swatch', miss);
  for (const [use, id] of Object.entries(brand.shadows?.uses ?? {})) if (id !== null) need(brand.shadows!.items, id, `shadow of ${use}s`, 'shadow', miss);
}

function checkLogo({ shared: { logo }, assets, brand }: Site, miss: Miss): void {
  if (!logo) return;
  sameKeys(logo.formOrder, logo.forms, 'logo', miss);
  for (const form of Object.values(logo.forms)) need(assets, form.asset, `logo form ${form.id}`, 'asset', miss);
  for (const [ground, form] of Object.entries(logo.onGround)) {
    need(brand.grounds, ground, 'logo', 'ground', miss);
    need(logo.forms, form, 'logo', 'form', miss);
  }
  need(logo.forms, logo.icon.form, 'icon', 'form', miss);
  if (logo.icon.ground !== null) need(brand.grounds, logo.icon.ground, 'icon', 'ground', miss);
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

function checkSameLoop(ground: { id: string; slots: Record<string, { kind: string; slot?: string }> }, start: string, miss: Miss): void {
  const trail = new Set<string>();
  for (let at: string | undefined = start; at !== undefined; at = Object.hasOwn(ground.slots, at) ? ground.slots[at]!.slot : undefined) {
    if (trail.has(at)) return miss(`ground ${ground.id}`, 'loop', [...trail, at].join(' ← '));
    trail.add(at);
  }
}

/** Ids by which the parts of a page are known: no section or block may have them. */
const PARTS: ReadonlySet<string> = new Set(['page', 'header', 'footer']);

/** Every id that stands for something on a page stands for one thing there: header, own sections, blocks. A shared section has its ids for itself. */
function checkIdsOnPages(site: Site, pages: readonly Page[], miss: Miss): void {
  const idsOf = (section: Section): string[] => [section.id, ...Object.keys(section.blocks)];
  const common = [site.shared.header.id, ...idsOf(site.shared.footer)];
  const once = (ids: Iterable<string>, where: string) => {
    const seen = new Set<string>();
    for (const id of ids) {
      if (seen.has(id)) miss(where, 'id', id);
      seen.add(id);
    }
  };
  for (const page of pages) {
    for (const entry of Object.values(page.sections)) if (PARTS.has(entry.id)) miss(`page ${page.id}`, 'id', entry.id);
    once(['page', ...common, ...Object.values(page.sections).flatMap((entry) => ('own' in entry ? idsOf(entry.own) : []))], `page ${page.id}`);
  }
  for (const section of Object.values(site.shared.sections)) once(idsOf(section), `section ${section.id}`);
}

/** What is wrong with a reference, as an issue with its place. */
export function danglingIssue({ where, kind, target }: Dangling): { path: string; message: string } {
  switch (kind) {
    case 'order': return { path: where, message: 'has an order that does not fit what is there' };
    case 'loop': return { path: where, message: `leads back to itself: ${target}` };
    case 'depth': return { path: where, message: `follows more than ${LIMITS.ruleDepth} others` };
    case 'name': case 'file': return { path: where, message: `${target} is there twice` };
    case 'id': return { path: where, message: `the id ${target} stands for two things` };
    default: return { path: where, message: `points at a ${kind} that is not right: ${target}` };
  }
}

function sectionChecker(site: Site, miss: Miss): (section: Section) => void {
  const { brand } = site;
  const style = (id: string, where: string) => need(brand.styles, id, where, 'style', miss);
  const href = (link: Href, where: string) => {
    if (link.to === 'page') need(site.pages, link.page, where, 'page', miss);
  };
  const content = (list: readonly Inline[], where: string) => {
    for (const inline of list) if ('link' in inline) href(inline.link, where);
  };
  const button = (item: { variant: string; size: string; href: Href }, where: string) => {
    need(brand.variants, item.variant, where, 'variant', miss);
    need(brand.sizes, item.size, where, 'size', miss);
    href(item.href, where);
  };
  const checkBlock = (block: Block): void => {
    const where = `block ${block.id}`;
    if ('order' in block) sameKeys(block.order, block.items, where, miss);
    switch (block.kind) {
      case 'text': style(block.style, where); content(block.content, where); break;
      case 'picture':
        need(site.assets, block.asset, where, 'asset', miss);
        if (block.caption) { style(block.caption.style, where); content(block.caption.content, where); }
        break;
      case 'quote': style(block.style, where); style(block.sourceStyle, where); content(block.content, where); break;
      case 'buttons': Object.values(block.items).forEach((item) => button(item, where)); break;
      case 'list': style(block.style, where); Object.values(block.items).forEach((item) => content(item.content, where)); break;
      case 'table': style(block.style, where); style(block.headStyle, where); sameKeys(block.columnOrder, block.columns, where, miss); break;
      case 'cards':
        need(brand.grounds, block.ground, where, 'ground', miss);
        style(block.headingStyle, where);
        style(block.textStyle, where);
        for (const card of Object.values(block.items)) {
          content(card.content, where);
          if (card.picture) need(site.assets, card.picture.asset, where, 'asset', miss);
          if (card.link) href(card.link.link, where);
          if (card.button) button(card.button, where);
        }
        break;
      case 'form': style(block.labelStyle, where); style(block.helpStyle, where); button(block.submit, where); break;
      case 'figures': style(block.valueStyle, where); style(block.labelStyle, where); break;
      case 'rule': case 'logo': break;
    }
  };
  return (section) => {
    const where = `section ${section.id}`;
    need(brand.grounds, section.ground, where, 'ground', miss);
    need(brand.spaces, section.space, where, 'space', miss);
    if (section.picture) need(site.assets, section.picture.asset, where, 'asset', miss);
    sameKeys(section.columnOrder, section.columns, where, miss);
    sameKeys(section.columnOrder.flatMap((id) => section.columns[id]?.order ?? []), section.blocks, `${where}, blocks`, miss);
    Object.values(section.blocks).forEach(checkBlock);
  };
}
