import { sectionOf, type Block, type Inline, type Page, type Section, type Site } from '../site/index.ts';

/** One part of a page with its shape: two parts of one shape have places of the same looks in the same order. */
export interface PartShape {
  /** `header`, `footer`, or the id of the section's entry on the page: that of the part in the tree. */
  readonly id: string;
  readonly shape: string;
}

/** The parts of a page after its own surface, in the order of its tree. A part with values set on its places here has a shape of its own. */
export function partShapes(site: Site, page: Page): PartShape[] {
  const owners = ownersOf(Object.values(page.overrides));
  const parts: PartShape[] = [{ id: 'header', shape: owners.has(site.shared.header.id) ? `own ${page.id} header` : 'header' }];
  for (const id of page.sectionOrder) {
    const entry = page.sections[id]!;
    const section = sectionOf(site, entry);
    if (!section) continue;
    const own = touches(owners, section, 'shared' in entry ? `${id}:` : '');
    parts.push({ id, shape: own ? `own ${page.id} ${id}` : 'shared' in entry ? `shared ${entry.shared}` : sectionShape(site, section) });
  }
  parts.push({ id: 'footer', shape: touches(owners, site.shared.footer, '') ? `own ${page.id} footer` : 'footer' });
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

/** What of a section decides how its places look: everything but its ids, its words, and where its links lead. */
function sectionShape(site: Site, section: Section): string {
  const { picture } = section;
  let shape = `${section.ground}/${section.space}`;
  if (picture) shape += `/${drawing(site, picture.asset)}${picture.shade > 0 ? ' shaded' : ''}`;
  for (const column of section.columnOrder) for (const id of section.columns[column]!.order) shape += `;${blockShape(site, section.blocks[id]!)}`;
  return shape;
}

/** A drawing is painted with the swatches it is bound to; pictures of pixels all alike. */
function drawing(site: Site, asset: string): string {
  return site.assets[asset]?.bound ? `drawing ${asset}` : 'picture';
}

function runs(content: readonly Inline[]): string {
  let shape = '';
  for (const run of content) if ('link' in run) shape += '>'; else if ('marked' in run) shape += '_';
  return shape;
}

function blockShape(site: Site, block: Block): string {
  let shape: string = block.kind;
  switch (block.kind) {
    case 'text': return `${shape} ${block.style}${runs(block.content)}`;
    case 'picture': return `${drawing(site, block.asset)}${block.caption ? ` below ${block.caption.style}${runs(block.caption.content)}` : ''}`;
    case 'quote': return `${shape} ${block.style}${runs(block.content)}${block.source === '' ? '' : ` by ${block.sourceStyle}`}`;
    case 'logo': case 'rule': return shape;
    case 'buttons':
      for (const id of block.order) shape += buttonShape(block.items[id]!);
      return shape;
    case 'list':
      shape += ` ${block.style}${block.icon ? '*' : ''}`;
      for (const id of block.order) shape += `,${runs(block.items[id]!.content)}`;
      return shape;
    case 'table': return `${shape} ${block.style} ${block.headStyle}${block.caption === '' ? '' : ' captioned'} ${block.columnOrder.length} ${block.order.length}`;
    case 'cards':
      shape += ` ${block.ground} ${block.headingStyle} ${block.textStyle}`;
      for (const id of block.order) {
        const card = block.items[id]!;
        shape += `,${card.picture ? drawing(site, card.picture.asset) : ''}${runs(card.content)}${card.link ? `+${runs([card.link])}` : ''}${card.button ? buttonShape(card.button) : ''}`;
      }
      return shape;
    case 'form':
      shape += ` ${block.labelStyle} ${block.helpStyle}${buttonShape(block.submit)}`;
      for (const id of block.order) shape += `,${block.items[id]!.help === '' ? '' : '?'}${block.items[id]!.error ? '!' : ''}`;
      return shape;
    case 'figures': return `${shape} ${block.labelStyle} ${block.valueStyle} ${block.order.length}`;
  }
}

const buttonShape = (button: { readonly size: string; readonly variant: string }): string => `[${button.size} ${button.variant}]`;
