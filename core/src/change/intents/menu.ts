import { pageLink, type Href } from '../../kinds/index.ts';
import type { MenuItem, Site } from '../../site/index.ts';
import { stylesByRole } from '../../style/index.ts';
import type { Op } from '../change.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';
import { joinEdits } from './join-edits.ts';

const RECORD = ['shared', 'header', 'items'];
const ORDER = ['shared', 'header', 'order'];

/** An entry of the menu as a list of it stands: those under another right behind it. */
export interface MenuEntry extends MenuItem {
  readonly first: boolean;
  readonly last: boolean;
  /** How many entries are under it. */ readonly above: number;
}

/** The entries of the menu as they are read: each with those under it behind it. */
export function menuEntries(site: Site): MenuEntry[] {
  const { items } = site.shared.header;
  const listed = (under: string | undefined): MenuEntry[] => {
    const own = siblings(site, under);
    return own.flatMap((id, i) => [
      { ...items[id]!, first: i === 0, last: i === own.length - 1, above: siblings(site, id).length },
      ...(under === undefined ? listed(id) : []),
    ]);
  };
  return listed(undefined);
}

/** Returns true if an entry leads to a page, or to a section of it. */
export const leadsTo = ({ link }: MenuItem, page: string): boolean => link.to === 'page' && link.page === page;

const siblings = ({ shared: { header } }: Site, under: string | undefined): string[] =>
  header.order.filter((id) => header.items[id]!.under === under);

/** An entry, last in the menu. */
export function addMenuEntry(site: Site, id: string, label: string, link: Href): Edit {
  return {
    label: `${label} in the menu`,
    ops: [insertOp(site, RECORD, ORDER, id, { id, label, link } satisfies MenuItem)],
  };
}

/** An entry for a page, last in the menu. */
export function addToMenu(site: Site, page: string, id: string): Edit {
  return addMenuEntry(site, id, site.pages[page]!.title, pageLink(page));
}

/** Moves an entry one step among those it stands with; undefined at the end. */
export function moveMenuEntry(site: Site, id: string, steps: -1 | 1): Edit | undefined {
  const { order, items } = site.shared.header;
  const beside = siblings(site, items[id]!.under);
  const other = beside[beside.indexOf(id) + steps];
  if (other === undefined) return undefined;
  const rest = order.filter((name) => name !== id);
  const after = rest[rest.indexOf(other) - (steps < 0 ? 1 : 0)] ?? null;
  return {
    label: `Move ${items[id]!.label} in the menu`,
    ops: [{ op: 'move', from: ORDER, to: ORDER, id, after, wasAfter: order[order.indexOf(id) - 1] ?? null }],
  };
}

/**
 * Puts an entry under the one before it, or takes it out again, behind the one it was under.
 *
 * @returns undefined where that cannot be: nothing stands before it, it has entries under it itself, or that one is a
 *   button
 */
export function nestMenuEntry(site: Site, id: string, inwards: boolean): Edit | undefined {
  const { order, items } = site.shared.header;
  const item = items[id]!;
  if (inwards) {
    const beside = siblings(site, undefined);
    const before = beside[beside.indexOf(id) - 1];
    return item.under !== undefined || before === undefined ? undefined : under(site, id, before);
  }
  if (item.under === undefined) return undefined;
  const rest = order.filter((name) => name !== id);
  const last = rest.filter((entry) => entry === item.under || items[entry]!.under === item.under).at(-1)!;
  const moved: Op = {
    op: 'move',
    from: ORDER,
    to: ORDER,
    id,
    after: last,
    wasAfter: order[order.indexOf(id) - 1] ?? null,
  };
  return {
    label: `${item.label} out of ${items[item.under]!.label}`,
    ops: [setOp(site, [...RECORD, id, 'under'], undefined), ...(moved.after === moved.wasAfter ? [] : [moved])],
  };
}

/**
 * Makes an entry a button of the brand, or plain words again; undefined for one that stands under another or has some
 * under it.
 */
export function buttonMenuEntry(site: Site, id: string, variant: string | null): Edit | undefined {
  const item = site.shared.header.items[id]!;
  if (variant !== null && (item.under !== undefined || siblings(site, id).length > 0)) return undefined;
  const look = variant === null ? undefined : { variant, size: item.look?.size ?? site.brand.sizeOrder[0]! };
  return {
    label: `${item.label} in the menu: ${variant === null ? 'words' : site.brand.variants[variant]!.label}`,
    ops: [setOp(site, [...RECORD, id, 'look'], look)],
  };
}

/** An entry under another; undefined where it stands there, or cannot. */
function under(site: Site, id: string, above: string): Edit | undefined {
  const { items } = site.shared.header;
  if (
    items[id]!.under === above ||
    items[id]!.look ||
    items[above]!.look ||
    items[above]!.under !== undefined ||
    siblings(site, id).length > 0
  )
    return undefined;
  return {
    label: `${items[id]!.label} under ${items[above]!.label}`,
    ops: [setOp(site, [...RECORD, id, 'under'], above)],
  };
}

/**
 * Puts an entry where it was dragged to in the list of entries as it is read, under the
 * one above it or not. What stands under it goes along; undefined where it stands there already or cannot.
 *
 * @param at its place among the entries without it and without those under it, from 0
 */
export function dragMenuEntry(site: Site, id: string, at: number, inwards: boolean): Edit | undefined {
  const { items } = site.shared.header;
  const moved = [id, ...siblings(site, id)];
  const rest = menuEntries(site)
    .map((entry) => entry.id)
    .filter((name) => !moved.includes(name));
  const before = rest[at - 1];
  const above = inwards && before !== undefined ? (items[before]!.under ?? before) : undefined;
  const wanted = [...rest.slice(0, at), ...moved, ...rest.slice(at)];
  // Between an entry and those under it there is room only under it.
  const next = rest[at];
  const within = next !== undefined && items[next]!.under !== undefined ? items[next]!.under : undefined;
  const target = above ?? within;
  if (target !== undefined && (moved.length > 1 || items[id]!.look || items[target]!.look)) return undefined;
  const order = site.shared.header.order.every((name, i) => name === wanted[i]) ? [] : [setOp(site, ORDER, wanted)];
  const nested = items[id]!.under === target ? [] : [setOp(site, [...RECORD, id, 'under'], target)];
  return order.length + nested.length === 0
    ? undefined
    : {
        label:
          target === undefined
            ? `Move ${items[id]!.label} in the menu`
            : `${items[id]!.label} under ${items[target]!.label}`,
        ops: [...order, ...nested],
      };
}

/**
 * The line above name and menu says so; empty: there is none. It comes on the last of the brand's backgrounds, in the
 * style of fine print.
 */
export function sayNotice(site: Site, words: string): Edit {
  const { notice } = site.shared.header;
  const next =
    words === ''
      ? undefined
      : {
          ...(notice ?? { ground: site.brand.groundOrder.at(-1)!, style: stylesByRole(site.brand).fine }),
          content: [{ text: words }],
        };
  return {
    label: words === '' ? 'No notice line' : 'Notice line',
    ops: [setOp(site, ['shared', 'header', 'notice'], next)],
  };
}

/** Takes an entry from the menu; its page stays, and what is under it moves up. */
export function removeMenuEntry(site: Site, id: string): Edit {
  return {
    label: `Remove ${site.shared.header.items[id]!.label} from the menu`,
    ops: [
      ...siblings(site, id).map((sibling) => setOp(site, [...RECORD, sibling, 'under'], undefined)),
      removeOp(site, RECORD, ORDER, id),
    ],
  };
}

/** Takes the entries of a page from the menu. */
export function removeFromMenu(site: Site, page: string): Edit {
  const entries = site.shared.header.order.filter((id) => leadsTo(site.shared.header.items[id]!, page));
  return joinEdits(
    site,
    `${site.pages[page]!.title} from the menu`,
    entries.map((id) => (now) => removeMenuEntry(now, id)),
  );
}

/**
 * Makes the menu anew: one entry a page in page order, pages under another under its entry; what leads elsewhere and
 * what is named otherwise stays, behind them.
 */
export function menuFromPages(site: Site, fresh: (page: string) => string): Edit {
  const { items, order } = site.shared.header;
  const makes: ((now: Site) => Edit | undefined)[] = [];
  const known = new Map(
    site.pageOrder.map((page) => [
      page,
      order.find((id) => leadsTo(items[id]!, page) && (items[id]!.link as { anchor?: string }).anchor === undefined) ??
        fresh(page),
    ]),
  );
  for (const [page, id] of known) if (!Object.hasOwn(items, id)) makes.push((now) => addToMenu(now, page, id));
  const wanted = [...known.values(), ...order.filter((id) => ![...known.values()].includes(id))];
  makes.push((now) => ({ label: '', ops: [setOp(now, ORDER, wanted)] }));
  for (const page of site.pageOrder) {
    const above = site.pages[page]!.under;
    if (above !== undefined) makes.push((now) => under(now, known.get(page)!, known.get(above)!));
  }
  return joinEdits(site, 'Match menu to pages', makes);
}
