import type { Element } from 'hast';
import { arrangedClass, arrangementOf, element, labelled } from '../../kinds/index.ts';
import {
  headerOver,
  sectionOf,
  type Page,
  type Section,
  type SectionEntry,
  type Shared,
  type Site,
} from '../../site/index.ts';
import { declaredKey, recipes } from '../../style/index.ts';
import { Build, placed, type Use } from './build.ts';
import { blockElement } from './block-kit.ts';
import { assetFile } from '../files/asset-file.ts';
import { originOf, shownPage } from '../../collections/index.ts';
import { readsItems } from './shown-items.ts';
import { formOn } from '../../logo/index.ts';
import { headerPart } from './header.ts';
import type { PagePart } from './part.ts';
import type { Place } from './place.ts';
import { anyPage, isMade } from '../files/published.ts';
import { work } from './work.ts';

/** A page taken apart: what the renderer writes and what the resolver reads is the same tree. */
export interface PageTree {
  readonly page: Page;
  /** The page's own surface, behind everything. */
  readonly body: Place;
  readonly parts: readonly PagePart[];
  readonly places: readonly Place[];
}

interface Cached {
  shared: Shared;
  assets: Site['assets'];
  structure: string;
  items: Site['items'];
  collections: Site['collections'];
  /** True if the page shows items. */ reads: boolean;
  tree: PageTree;
}
/**
 * Trees that a page was taken apart into, the last one first: an edit that changes the structure is compared with what
 * was before it.
 */
const cache = new WeakMap<Page, readonly Cached[]>();
const KEPT_TREES = 2;

const structures = new WeakMap<Site, string>();

/**
 * Returns the part of the brand and of other pages that decides a tree: ids and roles, never values. Computed once per
 * site, not per page.
 */
export function structureKey(site: Site): string {
  let key = structures.get(site);
  if (key === undefined) structures.set(site, (key = describe(site)));
  return key;
}

function describe(site: Site): string {
  const { brand } = site;
  return [
    brand.buttonStyle,
    declaredKey(brand),
    ...brand.styleOrder.map((id) => `${id}:${brand.styles[id]!.role}:${brand.styles[id]!.label}`),
    ...site.pageOrder.map((id) => `${id}:${site.pages[id]!.file}`),
    // The colours of drawings.
    ...Object.values(site.assets)
      .filter((asset) => asset.bound)
      .map((asset) => assetFile(asset, brand)),
    ...Object.values(site.downloads).map((download) => `${download.hash}:${download.id}`),
    site.language,
    // Which form of the logo stands on a ground may hang on colours.
    ...(site.shared.logo ? brand.groundOrder.map((id) => formOn(site, id)?.id) : []),
  ].join('|');
}

/**
 * Lets go of the trees of a page, or only of the one in the structure a site has: it is taken apart again when somebody
 * asks.
 */
export function forgetTree(page: Page, site?: Site): void {
  const others = site ? cache.get(page)?.filter((entry) => !isOf(entry, site)) : undefined;
  if (others && others.length > 0) cache.set(page, others);
  else cache.delete(page);
}

/** Returns true if a tree of a page is still the one that is given for its structure. */
export function isKept(tree: PageTree): boolean {
  return cache.get(tree.page)?.some((entry) => entry.tree === tree) ?? false;
}

/** Returns true if a page has been taken apart in the structure the site has now. */
export function hasTree(site: Site, page: Page): boolean {
  return cache.get(page)?.some((entry) => isOf(entry, site)) ?? false;
}

const isOf = (entry: Cached, site: Site): boolean =>
  entry.shared === site.shared &&
  entry.assets === site.assets &&
  sameItems(entry, site) &&
  entry.structure === structureKey(site);

/**
 * Returns true if a page shows the same items. One that shows none begins to only with another page, other shared
 * parts, or a collection that names it.
 */
const sameItems = (entry: Cached, site: Site): boolean =>
  entry.collections === site.collections
    ? !entry.reads || entry.items === site.items
    : !entry.reads && !readsItems(site, entry.tree.page);

/** The tree of a page; an unchanged page in an unchanged structure gives the same tree. */
export function pageTree(site: Site, pageId: string): PageTree {
  const page = anyPage(site, pageId)!;
  const kept = cache.get(page) ?? [];
  const known = kept.find((entry) => isOf(entry, site));
  if (known) return known.tree;
  const tree = buildTree(site, page, shownPage(site, page));
  cache.set(
    page,
    [
      {
        shared: site.shared,
        assets: site.assets,
        structure: structureKey(site),
        items: site.items,
        collections: site.collections,
        reads: readsItems(site, page),
        tree,
      },
      ...kept,
    ].slice(0, KEPT_TREES),
  );
  return tree;
}

/**
 * Returns one part of a page without building the rest of the page.
 *
 * @param id `header`, `footer` or that of the section's entry
 */
export function partOfPage(site: Site, pageId: string, id: string): PagePart | undefined {
  return partsOfPage(site, shownPage(site, anyPage(site, pageId)!), id).parts.find((part) => part.id === id);
}

/** @param page as it is shown: with what an item says, where it is the page of items */
function buildTree(site: Site, kept: Page, page: Page): PageTree {
  work.trees++;
  const { body, parts } = partsOfPage(site, page);
  return { page: kept, body, parts, places: [body, ...parts.flatMap((part) => part.places)] };
}

/** Returns all parts of a page, or one. A header over a picture comes with the section of that picture. */
function partsOfPage(
  site: Site,
  page: Page,
  only?: string,
): { readonly body: Place; readonly parts: readonly PagePart[] } {
  const start = new Build(site, page.id, 'page', site.shared.header.ground, null, null, [], 'once');
  const body = start.place({
    id: 'page/surface',
    kind: 'surface',
    label: 'Page',
    recipes: [recipes.background(site.shared.header.ground)],
  });
  const isOver = headerOver(site, page);
  const first = only === 'header' && isOver ? page.sectionOrder[0] : undefined;
  const wanted = (id: string): boolean => only === undefined || id === only || id === first;
  // In place of what all pages share stands what the page names, or nothing.
  const end = (id: 'header' | 'footer'): PagePart[] => {
    const own = page[id];
    const section = own === undefined ? undefined : site.shared.sections[own];
    if (!wanted(id) || page.without?.includes(id)) return [];
    if (section)
      return [sectionPart(site, page.id, id, section, id, body, ['shared', 'sections', own!], { shared: own! })];
    return [
      id === 'header'
        ? headerPart(site, page, body)
        : sectionPart(
            site,
            page.id,
            'footer',
            isMade(page.id) ? belowFirstHeading(site.shared.footer) : site.shared.footer,
            'footer',
            body,
            ['shared', 'footer'],
            'once',
          ),
    ];
  };
  const sections = page.sectionOrder.flatMap((id): PagePart[] => {
    const entry = page.sections[id]!;
    const section = sectionOf(site, entry);
    if (!section || !wanted(id)) return [];
    const address =
      'shared' in entry ? ['shared', 'sections', entry.shared] : ['pages', originOf(page).id, 'sections', id, 'own'];
    return [
      sectionPart(
        site,
        page.id,
        id,
        section,
        'section',
        body,
        address,
        'shared' in entry ? { shared: entry.shared } : 'own',
        entry,
      ),
    ];
  });
  // Over the picture of the first section the header stands on what that paints.
  const header = (): PagePart[] => {
    if (!isOver) return end('header');
    if (!wanted('header')) return [];
    const surface = sections[0]!.places[0]!;
    return [headerPart(site, page, body, { surface, ground: surface.ground })];
  };
  const parts = [...header(), ...sections, ...end('footer')];
  work.parts += parts.length;
  return { body, parts };
}

const raised = new WeakMap<Section, Section>();

/**
 * Returns a section whose headings begin at level 2, because it follows the first heading directly. Levels do not
 * change the look.
 */
function belowFirstHeading(section: Section): Section {
  let made = raised.get(section);
  if (made) return made;
  const levels = (block: object) =>
    Object.entries(block).filter(
      (entry): entry is [string, number] => /^(level|headingLevel)$/.test(entry[0]) && typeof entry[1] === 'number',
    );
  const all = Object.values(section.blocks).flatMap((block) => levels(block).map(([, level]) => level));
  const up = all.length > 0 ? Math.min(...all) - 2 : 0;
  const blocks = Object.fromEntries(
    Object.entries(section.blocks).map(([id, block]) => [
      id,
      { ...block, ...Object.fromEntries(levels(block).map(([key, level]) => [key, level - up])) },
    ]),
  );
  raised.set(section, (made = up === 0 ? section : { ...section, blocks: blocks as Section['blocks'] }));
  return made;
}

/** Class of a picture behind a section, with its focus point in whole percent. */
function focusClass(focus: { x: number; y: number } | undefined): string {
  return focus ? `backdrop focus-${Math.round(focus.x * 100)}-${Math.round(focus.y * 100)}` : 'backdrop';
}

/**
 * A section that stands on no page, as the builder of pages makes it: for the specimen, and to know the places of
 * shared sections.
 */
export function looseSection(site: Site, section: Section, use: Use = 'own'): PagePart {
  const start = new Build(site, 'specimen', 'page', site.shared.header.ground, null, null, []);
  const body = start.place({
    id: 'page/surface',
    kind: 'surface',
    label: 'Page',
    recipes: [recipes.background(site.shared.header.ground)],
  });
  return sectionPart(site, 'specimen', section.id, section, 'section', body, ['specimen', section.id], use);
}

function sectionPart(
  site: Site,
  page: string,
  id: string,
  section: Section,
  tag: 'section' | 'header' | 'footer',
  body: Place,
  address: readonly string[],
  use: Use,
  { anchor, hidden = [] }: Pick<SectionEntry, 'anchor' | 'hidden'> = {},
): PagePart {
  const outer = new Build(site, page, id, section.ground, body, null, address, use, hidden);
  const gutter = outer.spaceFor('gutter');
  const gap = outer.spaceFor('gap');
  const surface = outer.place({
    id: `${section.id}/surface`,
    kind: 'surface',
    label: labelled('Section', section.label),
    recipes: [
      recipes.background(section.ground),
      recipes.pad(section.space),
      ...(gutter ? [recipes.gutter(gutter)] : []),
      ...(gap ? [recipes.gap(gap)] : []),
    ],
  });
  const build = outer.onto(surface, section.ground, section.picture ? 'picture' : undefined);
  const backdrop: (Element | undefined)[] = [];
  if (section.picture) {
    const asset = site.assets[section.picture.asset];
    const place = outer.onto(surface, section.ground, null).place({
      id: `${section.id}/backdrop`,
      kind: 'picture',
      label: labelled('Background image', section.label),
      asset: section.picture.asset,
      look: focusClass(section.picture.focus),
      recipes: outer.drawing(asset),
    });
    backdrop.push(
      element(
        'img',
        placed(place, focusClass(section.picture.focus), {
          src: asset ? assetFile(asset, site.brand) : undefined,
          role: 'presentation',
        }),
      ),
    );
    if (section.picture.shade > 0) {
      const shade = outer.place({
        id: `${section.id}/shade`,
        kind: 'surface',
        label: labelled('Shade', section.label),
        look: `shade ${section.picture.shade}`,
        recipes: [recipes.shade(section.ground)],
      });
      backdrop.push(element('div', placed(shade, `shade shade-${Math.round(section.picture.shade * 100)}`)));
    }
  }
  const columns = section.columnOrder.map((columnId) =>
    element(
      'div',
      { className: 'col' },
      section.columns[columnId]!.order.map((blockId) => blockElement(build, section.blocks[blockId]!)),
    ),
  );
  const node = element(
    tag,
    placed(
      surface,
      ['section', ...(section.picture ? ['pictured'] : []), ...hidden.map((band) => `hidden-${band}`)].join(' '),
      { dataPart: id, ...(anchor === undefined ? {} : { id: anchor }) },
    ),
    [
      ...backdrop,
      element(
        'div',
        { className: `cols cols-${section.columnOrder.length} ${arrangedClass(arrangementOf(section).id)}` },
        columns,
      ),
    ],
  );
  return { id, label: section.label, shared: use !== 'own', element: node, places: outer.places };
}
