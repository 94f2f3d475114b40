import type { Pasted } from '../../sections/index.ts';
import type { Section, Site } from '../../site/index.ts';
import { insertOp, type Edit } from './edit.ts';

/** Lays pasted blocks in as a section of their own, behind another or last; undefined where nothing was taken. */
export function addPasted(site: Site, page: string, id: string, { blocks }: Pasted, after?: string): Edit | undefined {
  if (blocks.length === 0) return undefined;
  const { brand } = site;
  const space = brand.spaceOrder.find((one) => brand.spaces[one]!.use === 'section')!;
  const own: Section = {
    id, label: 'Pasted', ground: brand.groundOrder[0]!, space, picture: null, columnOrder: ['c1'], columns: { c1: { id: 'c1', order: blocks.map((block) => block.id) } }, blocks: Object.fromEntries(blocks.map((block) => [block.id, block])),
  };
  return { label: `Paste into ${site.pages[page]!.title}`, ops: [insertOp(site, ['pages', page, 'sections'], ['pages', page, 'sectionOrder'], id, { id, own }, after)] };
}
