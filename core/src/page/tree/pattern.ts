import { Block, walk, type Inline, type Meaning } from '../../kinds/index.ts';
import { listsItems, shapeOfItems } from './shown-items.ts';
import { work } from './work.ts';
import { shownPage } from '../../collections/index.ts';
import { headerOver, sectionOf, type Page, type Section, type Site } from '../../site/index.ts';

/** One part of a page with its shape: two parts of one shape have places of the same looks in the same order. */
export interface PartPattern {
  /** `header`, `footer`, or the id of the section's entry on the page: that of the part in the tree. */
  readonly id: string;
  readonly shape: string;
  /** For a section with values set on its places: the shape without those values. */
  readonly plain?: { readonly shape: string; readonly section: Section };
}

/**
 * The parts of a page after its own surface, in the order of its tree. A part with values set on its places here has a
 * shape of its own.
 */
export function partPatterns(site: Site, kept: Page): PartPattern[] {
  const page = shownPage(site, kept);
  const owners = ownersOf(Object.values(page.overrides));
  const end = (id: 'header' | 'footer'): PartPattern[] => {
    if (page.without?.includes(id)) return [];
    const own = page[id];
    const section = own === undefined ? undefined : site.shared.sections[own];
    if (section)
      return [
        { id, shape: `${id}: ${touches(owners, section, `${id}:`) ? `own ${page.id} ${id}` : `shared ${own!}`}` },
      ];
    const here =
      id === 'header'
        ? owners.has(site.shared.header.id) || headerOver(site, page) !== undefined
        : touches(owners, site.shared.footer, '');
    return [{ id, shape: here ? `own ${page.id} ${id}` : id }];
  };
  const parts = end('header');
  for (const id of page.sectionOrder) {
    const entry = page.sections[id]!;
    const section = sectionOf(site, entry);
    if (!section) continue;
    const own = touches(owners, section, 'shared' in entry ? `${id}:` : '');
    const shape = own
      ? `own ${page.id} ${id}`
      : 'shared' in entry
        ? `shared ${entry.shared}`
        : sectionShape(site, section, page);
    const named = (name: string): string => (entry.hidden ? `not at ${entry.hidden.join()}: ${name}` : name);
    parts.push(
      own && !('shared' in entry)
        ? { id, shape: named(shape), plain: { shape: named(sectionShape(site, section, page)), section } }
        : { id, shape: named(shape) },
    );
  }
  parts.push(...end('footer'));
  return parts;
}

/** The sections and blocks in which values are set on places: a place's id begins with theirs. */
function ownersOf(overrides: readonly { readonly place: string }[]): Set<string> {
  return new Set(overrides.map(({ place }) => place.slice(0, place.indexOf('/'))));
}

function touches(owners: ReadonlySet<string>, section: Section, entry: string): boolean {
  if (owners.size === 0) return false;
  if (owners.has(entry + section.id)) return true;
  for (const id in section.blocks) if (owners.has(entry + id)) return true;
  return false;
}

/** A shape that is kept: alone, or with the assets it was made with, which say what is a drawing. */
type Kept = string | { readonly assets: Site['assets']; readonly shape: string };

/**
 * Of sections without a list of items or a menu: there are thousands of them, of their blocks a hundred times as many.
 */
const sections = new WeakMap<Section, Kept>();
/** Of the other blocks of those that have one. */
const blocks = new WeakMap<Block, Kept>();

const keptFor = (site: Site, kept: Kept | undefined): string | undefined =>
  typeof kept === 'object' ? (kept.assets === site.assets ? kept.shape : undefined) : kept;

function keep<T extends object>(all: WeakMap<T, Kept>, entry: T, site: Site, fresh: string, pictured: boolean): string {
  const shape = once(fresh);
  all.set(entry, pictured ? { assets: site.assets, shape } : shape);
  return shape;
}

/** Returns true if how a block looks hangs on more than itself. */
const isOpen = (block: Block): boolean => listsItems(block) || block.kind === 'menu';

/** Returns everything of a section that decides the look of its places: all but ids, text and link targets. */
function sectionShape(site: Site, section: Section, page: Page): string {
  const known = keptFor(site, sections.get(section));
  if (known !== undefined) return known;
  const { picture } = section;
  let shape = `${section.ground}/${section.space}`;
  if (picture) shape += `/${drawing(site, picture.asset)}${picture.shade > 0 ? ' shaded' : ''}`;
  let pictured = !!picture;
  const open = Object.values(section.blocks).some(isOpen);
  for (const column of section.columnOrder) {
    for (const id of section.columns[column]!.order) {
      const block = section.blocks[id]!;
      if (open) {
        shape += `;${isOpen(block) ? openShape(site, block, page) : blockShape(site, block)}`;
        continue;
      }
      const entry = freshShape(site, block);
      pictured ||= entry.pictured;
      shape += `;${entry.shape}`;
    }
  }
  if (open) return shape;
  return keep(sections, section, site, shape, pictured);
}

/** A drawing is painted with the swatches it is bound to; pictures of pixels all alike. */
function drawing(site: Site, asset: string): string {
  return site.assets[asset]?.bound ? `drawing ${asset}` : 'picture';
}

/** Shapes that some section or block has, each once: of thousands most are built like another. */
const alike = new Map<string, string>();
const MOST_ALIKE = 20_000;

function once(shape: string): string {
  const known = alike.get(shape);
  if (known !== undefined) return known;
  if (alike.size >= MOST_ALIKE) alike.clear();
  alike.set(shape, shape);
  return shape;
}

/** As `freshShape`, kept as long as the block is the same, and with a picture its assets. */
function blockShape(site: Site, block: Block): string {
  const known = keptFor(site, blocks.get(block));
  if (known !== undefined) return known;
  const { shape, pictured } = freshShape(site, block);
  return keep(blocks, block, site, shape, pictured);
}

/** The shape of a block that shows what stands elsewhere: items of a collection, entries of the menu. */
function openShape(site: Site, block: Block, page: Page): string {
  return once(
    `${freshShape(site, block).shape}#${listsItems(block) ? shapeOfItems(site, block, page) : site.shared.header.order.length}`,
  );
}

/**
 * Returns everything of a block that decides the look of its places, by the meaning of its fields, and whether it
 * depends on an image.
 */
function freshShape(site: Site, block: Block): { readonly shape: string; readonly pictured: boolean } {
  work.shapes++;
  let shape: string = block.kind;
  let pictured = false;
  let within: unknown = block;
  walk(
    Block,
    block,
    (meaning, value, at, beside) => {
      const looks = lookOf(site, meaning, value);
      // The field of words describes all of its runs, so the walk skips the runs: a large site has a hundred thousand.
      const deeper = meaning.means !== 'words';
      if (looks === undefined) return deeper;
      if (meaning.means === 'ref' && meaning.to === 'asset') pictured = true;
      // One item apart from the next, and each value by the name of its field: what may be absent is told from what
      // comes after it.
      if (beside !== within) shape += '|';
      within = beside;
      shape += `,${at[at.length - 1]!}=${looks}`;
      return deeper;
    },
    [],
    true,
  );
  return { shape, pictured };
}

/** Returns the part of a field that decides the look of places; undefined if there is none. */
function lookOf(site: Site, meaning: Meaning, value: unknown): string | undefined {
  switch (meaning.means) {
    case 'ref':
      // Where a link leads is no look.
      if (meaning.to === 'page' || meaning.to === 'section') return undefined;
      return meaning.to === 'asset' && typeof value === 'string' ? drawing(site, value) : String(value ?? '');
    case 'words':
      return Array.isArray(value)
        ? (value as Inline[]).map((run) => ('link' in run ? '>' : 'marked' in run ? '_' : '')).join('')
        : '';
    // Words that are not there have no place.
    case 'line':
      return !meaning.looks ? undefined : value === undefined || value === null || value === '' ? '' : 'w';
    case 'field':
      return String(value ?? '');
    case 'choice':
      return meaning.looks ? String(value ?? '') : undefined;
    case 'order':
      return String(Array.isArray(value) ? value.length : 0);
    case 'alt':
    case 'link':
    case 'said':
    case 'focus':
      return undefined;
  }
}
