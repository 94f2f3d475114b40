import type * as v from 'valibot';
import { LIMITS } from '../fields/index.ts';
import { walk, type Target } from '../kinds/index.ts';
import { checkBrand } from './brand-references.ts';
import { Brand } from './brand.ts';
import { sameKeys, unique, type Dangling, type Miss } from './miss.ts';
import type { Section } from './section.ts';
import { ownSections, type SectionAt } from './sections-of.ts';
import { Collection, Item } from './collection.ts';
import { Asset, Page, Shared, type Site } from './site.ts';

export type { Dangling } from './miss.ts';

/**
 * Every reference that leads nowhere, every order list that differs from its record, names and paths used twice, and
 * rules that loop.
 *
 * @param before a site in which all of this was in order: a page that is the very same is looked at again only where
 *   what it may point at has changed
 */
export function danglingReferences(site: Site, before?: Site): Dangling[] {
  const found: Dangling[] = [];
  const miss: Miss = (where, kind, target) => found.push({ where, kind, target });
  const targets = targetsOf(site);
  checkFields(Brand, site.brand, ['brand'], targets, miss);
  checkBrand(site, miss);
  checkFields(Shared, site.shared, ['shared'], targets, miss);
  checkCollections(site, before, targets, miss);
  for (const asset of Object.values(site.assets))
    if (asset.bound) checkFields(Asset, asset, ['assets', asset.id], targets, miss);
  const settled = before && sameTargets(before, site) ? before.pages : undefined;
  const pages = Object.values(site.pages).filter((page) => settled?.[page.id] !== page);
  checkIdsOnPages(site, pages, miss);
  sameKeys(site.pageOrder, site.pages, 'pageOrder', miss);
  unique(
    Object.values(site.pages).map((page) => page.file),
    'pages',
    'file',
    miss,
  );
  if (!Object.values(site.pages).some((page) => page.file === 'index.html')) miss('pages', 'page', 'index.html');
  checkColumns({ section: site.shared.footer, at: ['shared', 'footer'] }, miss);
  for (const section of Object.values(site.shared.sections))
    checkColumns({ section, at: ['shared', 'sections', section.id] }, miss);
  for (const page of pages) {
    checkFields(Page, page, ['pages', page.id], targets, miss);
    for (const own of ownSections(page)) checkColumns(own, miss);
    unique(
      Object.values(page.sections).flatMap(({ anchor }) => anchor ?? []),
      `pages.${page.id}.sections`,
      'anchor',
      miss,
    );
  }
  for (const page of Object.values(site.pages)) {
    const above = page.under === undefined ? undefined : site.pages[page.under];
    if (
      above &&
      (above.id === page.id || above.under !== undefined || above.file === 'index.html' || page.file === 'index.html')
    )
      miss(`pages.${page.id}.under`, 'under', above.title);
  }
  return found;
}

/**
 * Collections name pages and order their items, each once; items name their collection, the fields it has and pictures.
 * Those that an edit did not touch are settled.
 */
function checkCollections(site: Site, before: Site | undefined, targets: Targets, miss: Miss): void {
  const { collections, items } = site;
  sameKeys(site.collectionOrder, collections, 'collectionOrder', miss);
  if (before && before.items === items && before.collections === collections) {
    // Pages and pictures that they name may have gone.
    if (before.pages !== site.pages)
      for (const collection of Object.values(collections))
        checkFields(Collection, collection, ['collections', collection.id], targets, miss);
    if (before.assets !== site.assets || before.downloads !== site.downloads)
      for (const item of Object.values(items))
        if (item.pictures ?? item.downloads) checkFields(Item, item, ['items', item.id], targets, miss);
    return;
  }
  unique(
    Object.values(collections).map(({ path }) => path),
    'collections',
    'file',
    miss,
  );
  const settled =
    before && before.collections === collections && before.assets === site.assets && before.downloads === site.downloads
      ? before.items
      : undefined;
  const ordered = new Set<string>();
  for (const collection of Object.values(collections)) {
    checkFields(Collection, collection, ['collections', collection.id], targets, miss);
    const slugs: string[] = [];
    for (const id of collection.itemOrder) {
      if (ordered.has(id) || !Object.hasOwn(items, id) || items[id]!.collection !== collection.id)
        miss(`collections.${collection.id}.itemOrder`, 'order', id);
      else slugs.push(items[id]!.slug);
      ordered.add(id);
    }
    unique(slugs, `collections.${collection.id}`, 'slug', miss);
  }
  for (const id in items) {
    const item = items[id]!;
    if (settled?.[id] === item && ordered.has(id)) continue;
    if (!ordered.has(item.id)) miss(`items.${item.id}`, 'order', item.id);
    checkFields(Item, item, ['items', item.id], targets, miss);
    const { fields } = collections[item.collection] ?? { fields: {} };
    for (const id of [
      ...Object.keys(item.values),
      ...Object.keys(item.pictures ?? {}),
      ...Object.keys(item.downloads ?? {}),
    ])
      if (!Object.hasOwn(fields, id)) miss(`items.${item.id}.values`, 'field', id);
  }
}

type Targets = Readonly<Record<Target, Readonly<Record<string, unknown>>>>;

/** The records that fields can point into. */
function targetsOf({ brand, shared, assets, downloads, pages, collections }: Site): Targets {
  return {
    collection: collections,
    style: brand.styles,
    ground: brand.grounds,
    variant: brand.variants,
    size: brand.sizes,
    space: brand.spaces,
    swatch: brand.swatches,
    asset: assets,
    download: downloads,
    page: pages,
    section: shared.sections,
  };
}

/** Checks the references and orders that field schemas describe. */
function checkFields(
  schema: v.GenericSchema,
  value: unknown,
  start: readonly string[],
  targets: Targets,
  miss: Miss,
): void {
  walk(
    schema,
    value,
    (meaning, entry, at, beside) => {
      if (meaning.means === 'ref' && typeof entry === 'string') {
        if (!Object.hasOwn(targets[meaning.to], entry)) miss(at.join('.'), meaning.to, entry);
      } else if (meaning.means === 'order' && Array.isArray(entry))
        sameKeys(entry as string[], (beside[meaning.of] ?? {}) as Record<string, unknown>, at.join('.'), miss);
    },
    [...start],
  );
}

/** The columns of a section have its blocks, each once. */
function checkColumns({ section, at }: SectionAt, miss: Miss): void {
  sameKeys(
    section.columnOrder.flatMap((id) => section.columns[id]?.order ?? []),
    section.blocks,
    [...at, 'columns'].join('.'),
    miss,
  );
}

/** Returns true if all that a page may point at, or share an id with, is there as it was. */
function sameTargets(before: Site, after: Site): boolean {
  const same = (entry: Readonly<Record<string, unknown>>, other: Readonly<Record<string, unknown>>): boolean => {
    if (entry === other) return true;
    const keys = Object.keys(entry);
    return keys.length === Object.keys(other).length && keys.every((key) => Object.hasOwn(other, key));
  };
  const [were, are] = [targetsOf(before), targetsOf(after)];
  const { header, footer } = before.shared;
  return (
    (Object.keys(were) as Target[]).every((target) => target === 'swatch' || same(were[target], are[target])) &&
    header.id === after.shared.header.id &&
    footer.id === after.shared.footer.id &&
    same(footer.blocks, after.shared.footer.blocks)
  );
}

/** Ids by which the parts of a page are known: no section or block may have them. */
const PARTS: ReadonlySet<string> = new Set(['page', 'header', 'footer']);

/**
 * Every id that stands for something on a page stands for one thing there: header, own sections, blocks. A shared
 * section has its ids for itself.
 */
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
    for (const entry of Object.values(page.sections))
      if (PARTS.has(entry.id)) miss(`pages.${page.id}.sections`, 'id', entry.id);
    once(
      ['page', ...common, ...Object.values(page.sections).flatMap((entry) => ('own' in entry ? idsOf(entry.own) : []))],
      `pages.${page.id}`,
    );
  }
  for (const section of Object.values(site.shared.sections)) once(idsOf(section), `shared.sections.${section.id}`);
}

/** Returns a reference without a target as an issue with its place. */
export function danglingIssue({ where, kind, target }: Dangling): { path: string; message: string } {
  switch (kind) {
    case 'order':
      return { path: where, message: 'has an order that does not match its entries' };
    case 'loop':
      return { path: where, message: `refers to itself: ${target}` };
    case 'depth':
      return { path: where, message: `is derived from more than ${LIMITS.ruleDepth} others` };
    case 'under':
      return {
        path: where,
        message: `cannot be ${target}: pages nest one level deep, and the home page has no parent and no subpages`,
      };
    case 'slug':
      return { path: where, message: `the address ${target} is that of two items` };
    case 'field':
      return { path: where, message: `has a value for a field ${target}, which the collection does not have` };
    case 'name':
    case 'file':
    case 'anchor':
      return { path: where, message: `${target} is there twice` };
    case 'id':
      return { path: where, message: `the id ${target} names two things` };
    default:
      return { path: where, message: `refers to a ${kind} that does not exist: ${target}` };
  }
}
