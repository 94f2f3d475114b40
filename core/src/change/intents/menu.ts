import type { Site } from '../../site/index.ts';
import { removeOp, stepOp, type Edit } from './edit.ts';

const RECORD = ['shared', 'header', 'items'];
const ORDER = ['shared', 'header', 'order'];

/** An entry of the menu: its words, and the page it leads to. */
export interface MenuEntry { readonly id: string; readonly label: string; readonly page: string }

/** The entries of the menu, in their order. */
export function menuEntries({ shared: { header } }: Site): MenuEntry[] {
  return header.order.map((id) => header.items[id]!);
}

/** Moves an entry one step; undefined at the end. */
export function moveMenuEntry(site: Site, id: string, steps: -1 | 1): Edit | undefined {
  const op = stepOp(site, ORDER, id, steps);
  return op && { label: `Move ${site.shared.header.items[id]!.label} in the menu`, ops: [op] };
}

/** Takes an entry out of the menu; its page stays. */
export function removeMenuEntry(site: Site, id: string): Edit {
  return { label: `Take ${site.shared.header.items[id]!.label} out of the menu`, ops: [removeOp(site, RECORD, ORDER, id)] };
}
