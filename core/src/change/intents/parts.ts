import { kindOf, linesOf, withBreaks, type Block } from '../../kinds/index.ts';
import type { Place } from '../../page/index.ts';
import { sampleBlock } from '../../sections/index.ts';
import type { Section, Site } from '../../site/index.ts';
import { sampleBrand, stylesByRole } from '../../style/index.ts';
import { valueAt } from '../json.ts';
import type { Op } from '../change.ts';
import { insertOp, removeOp, setOp, stepOp, type Edit } from './edit.ts';

/** A block of a section, or one of the things that a block has several of: a button, a card, a row. */
export interface BlockPart {
  readonly what: 'block' | 'item';
  /** The label: of its kind, or for an item the label of its block. */
  readonly label: string;
  readonly id: string;
  /** Where it is kept, and the order it stands in. */
  readonly record: readonly string[];
  readonly order: readonly string[];
  /** How many stand in that order. */
  readonly among: number;
}

/** Address of the section that a block belongs to. */
const sectionOfBlock = (block: readonly string[]): string[] => block.slice(0, block.lastIndexOf('blocks'));

/**
 * Returns the parts that contain a place, from the inside out: the item, if its block has
 * several, and the block. Empty outside the blocks of sections, as in the header.
 */
export function partsAt(site: Site, place: Place): BlockPart[] {
  const address = place.block;
  if (!address || address.at(-2) !== 'blocks') return [];
  const block = valueAt(site, address) as Block | undefined;
  const section = valueAt(site, sectionOfBlock(address)) as Section | undefined;
  const column = section && Object.values(section.columns).find(({ order }) => order.includes(address.at(-1)!));
  if (!block || !section || !column) return [];
  const label = kindOf(block)?.label ?? 'Block';
  const parts: BlockPart[] = [
    {
      what: 'block',
      label,
      id: block.id,
      record: address.slice(0, -1),
      order: [...sectionOfBlock(address), 'columns', column.id, 'order'],
      among: column.order.length,
    },
  ];
  // A place is called `block/item/part`, behind the entry or the section of a shared one.
  const item = place.id.slice(place.id.indexOf(':') + 1).split('/')[1];
  if ('items' in block && item !== undefined && Object.hasOwn(block.items, item))
    parts.unshift({
      what: 'item',
      label: `One of ${label.toLowerCase()}`,
      id: item,
      record: [...address, 'items'],
      order: [...address, 'order'],
      among: block.order.length,
    });
  return parts;
}

/**
 * Moves a part one step up or down among its like. A block at the end of its column
 * goes into the next one, from the last into the page's next own section.
 *
 * @returns undefined where there is no farther
 */
export function movePart(site: Site, part: BlockPart, steps: -1 | 1): Edit | undefined {
  const op = stepOp(site, part.order, part.id, steps);
  const label = `Move ${part.label.toLowerCase()}`;
  if (op) return { label, ops: [op] };
  const ops = part.what === 'block' ? farther(site, part, steps) : [];
  return ops.length > 0 ? { label, ops } : undefined;
}

/** Takes a block out of its column, into the one beside it, or into the section beside its own. */
function farther(site: Site, part: BlockPart, steps: -1 | 1): Op[] {
  const address = part.record.slice(0, -1);
  const section = valueAt(site, address) as Section;
  const column = part.order.at(-2)!;
  const beside = section.columnOrder[section.columnOrder.indexOf(column) + steps];
  const end = (order: readonly string[]): string | null =>
    steps > 0 ? null : ((valueAt(site, order) as string[]).at(-1) ?? null);
  if (beside !== undefined) {
    const to = [...address, 'columns', beside, 'order'];
    const list = valueAt(site, part.order) as string[];
    return [
      {
        op: 'move',
        from: [...part.order],
        to,
        id: part.id,
        after: end(to),
        wasAfter: list[list.indexOf(part.id) - 1] ?? null,
      },
    ];
  }
  const [root, page, , entry] = address;
  if (root !== 'pages' || address.at(-1) !== 'own') return [];
  const { sectionOrder, sections } = site.pages[page!]!;
  const next = sectionOrder[sectionOrder.indexOf(entry!) + steps];
  const other = next === undefined ? undefined : sections[next];
  if (!other || !('own' in other)) return [];
  const at = ['pages', page!, 'sections', next!, 'own'];
  const order = [...at, 'columns', steps > 0 ? other.own.columnOrder[0]! : other.own.columnOrder.at(-1)!, 'order'];
  return [
    removeOp(site, part.record, part.order, part.id),
    insertOp(site, [...at, 'blocks'], order, part.id, valueAt(site, [...part.record, part.id]), end(order)),
  ];
}

/** Another part like one, right behind it. */
export function duplicatePart(site: Site, part: BlockPart, id: string): Edit {
  const like = valueAt(site, [...part.record, part.id]) as object;
  return {
    label: `Another like ${part.label.toLowerCase()}`,
    ops: [insertOp(site, part.record, part.order, id, { ...like, id }, part.id)],
  };
}

/** Deletes a part; what is set on its places goes with it. */
export function removePart(site: Site, part: BlockPart): Edit {
  return { label: `Delete ${part.label.toLowerCase()}`, ops: [removeOp(site, part.record, part.order, part.id)] };
}

/**
 * Adds a block of a kind behind another, with first words of its own in the site's styles.
 * @throws RangeError when there is no such kind, or nothing of the site that it could show
 */
export function addBlock(site: Site, behind: BlockPart, kind: string, id: string): Edit {
  const section = valueAt(site, behind.record.slice(0, -1)) as Section;
  const block = sampleBlock(site, section.ground, kind, id);
  return {
    label: `Add ${kindOf(block)!.label.toLowerCase()}`,
    ops: [insertOp(site, behind.record, behind.order, id, block, behind.id)],
  };
}

/** The kinds that a block can become without losing text: a text, a list with one line per paragraph, a quote. */
const TURNS: Readonly<Record<string, readonly ('text' | 'list' | 'quote')[]>> = {
  text: ['list', 'quote'],
  list: ['text'],
  quote: ['text'],
};

/** The kinds that a block can become with its words, each with what it is called; none for most. */
export function turnsOf(
  site: Site,
  part: BlockPart,
): { readonly kind: 'text' | 'list' | 'quote'; readonly label: string }[] {
  const block = part.what === 'block' ? (valueAt(site, [...part.record, part.id]) as Block | undefined) : undefined;
  return (block && TURNS[block.kind] ? TURNS[block.kind]! : []).map((kind) => ({
    kind,
    label: kindOf({ kind })!.label,
  }));
}

/**
 * Makes a list, a quote or a text of a block, with its words and their emphasis and links; each line of a text is an
 * entry of the list.
 */
export function turnBlock(site: Site, part: BlockPart, kind: 'text' | 'list' | 'quote', id: string): Edit | undefined {
  const block = valueAt(site, [...part.record, part.id]) as Block;
  const content =
    block.kind === 'text' || block.kind === 'quote'
      ? block.content
      : block.kind === 'list'
        ? withBreaks(block.order.map((item) => block.items[item]!.content))
        : undefined;
  if (!content || !TURNS[block.kind]?.includes(kind)) return undefined;
  const { running, lead, fine } = stylesByRole(site.brand);
  const lines = linesOf(content).map((line, i) => ({ id: `i${i + 1}`, content: line }));
  const made: Block =
    kind === 'list'
      ? {
          kind,
          id,
          style: block.kind === 'text' && block.level === null ? block.style : running,
          ordered: false,
          order: lines.map((line) => line.id),
          items: Object.fromEntries(lines.map((line) => [line.id, line])),
        }
      : kind === 'quote'
        ? { kind, id, style: lead, content: [...content], source: '', sourceStyle: fine }
        : { kind, id, style: block.kind === 'list' ? block.style : running, level: null, content: [...content] };
  return {
    label: `${kindOf(block)!.label} as ${kindOf(made)!.label.toLowerCase()}`,
    ops: [insertOp(site, part.record, part.order, id, made, part.id), removeOp(site, part.record, part.order, part.id)],
  };
}

/** Lays blocks in behind another, in their order: what was pasted into words and is more than words. */
export function addBlocks(site: Site, behind: BlockPart, blocks: readonly Block[], label: string): Edit {
  let after = behind.id;
  const ops = blocks.map((block) => {
    const op = insertOp(site, behind.record, behind.order, block.id, block, after);
    after = block.id;
    return op;
  });
  return { label, ops };
}

/** The parts that some places belong to, each once: what is done with one is done with all. */
export function partsOfPlaces(site: Site, places: readonly Place[], what: BlockPart['what']): BlockPart[] {
  const parts = new Map<string, BlockPart>();
  for (const place of places) {
    const part = partsAt(site, place).find((entry) => entry.what === what);
    if (part) parts.set([...part.record, part.id].join('/'), part);
  }
  return [...parts.values()];
}

/** Something that the thing at a place may have or not, with whether it has it. */
export interface ExtraHere {
  readonly key: string;
  readonly label: string;
  readonly has: boolean;
  readonly address: readonly string[];
}

/** Returns the optional parts that a block or item may have; empty for most. */
export function extrasAt(site: Site, place: Place): ExtraHere[] {
  const parts = partsAt(site, place);
  const block = parts.find(({ what }) => what === 'block');
  const kind = block && kindOf(valueAt(site, [...block.record, block.id]) as Block);
  return (kind?.extras ?? []).flatMap((extra): ExtraHere[] => {
    const part = parts.find(({ what }) => what === extra.of);
    if (!part) return [];
    const address = [...part.record, part.id, extra.key];
    const value = valueAt(site, address);
    const has = value !== extra.none && value !== undefined;
    // A part is offered only if the site has something for it.
    return has || extra.make(sampleBrand(site, site.brand.groundOrder[0]!), 'new') !== undefined
      ? [{ key: extra.key, label: extra.label, has, address }]
      : [];
  });
}

/** Gives a thing what it may have besides, or takes it away. */
export function turnExtra(site: Site, { key, label, has, address }: ExtraHere, id: string): Edit {
  const block = valueAt(site, address.slice(0, address.lastIndexOf('blocks') + 2)) as Block;
  const extra = kindOf(block)!.extras!.find((entry) => entry.key === key)!;
  return {
    label: `${kindOf(block)!.label} ${has ? 'without' : 'with'} ${label}`,
    ops: [setOp(site, address, has ? extra.none : extra.make(sampleBrand(site, site.brand.groundOrder[0]!), id))],
  };
}

/**
 * Adds a block of a kind between two of a column, or (null) before all of them.
 * @throws RangeError as `addBlock`
 */
export function addBlockAt(
  site: Site,
  section: readonly string[],
  column: string,
  after: string | null,
  kind: string,
  id: string,
): Edit {
  const block = sampleBlock(site, (valueAt(site, section) as Section).ground, kind, id);
  return {
    label: `Add ${kindOf(block)!.label.toLowerCase()}`,
    ops: [insertOp(site, [...section, 'blocks'], [...section, 'columns', column, 'order'], id, block, after)],
  };
}
