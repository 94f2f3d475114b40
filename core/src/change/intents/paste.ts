import type { Pasted } from '../../sections/index.ts';
import type { Override, Section, Site } from '../../site/index.ts';
import { insertOp, type Edit } from './edit.ts';

/**
 * Lays pasted blocks in as a section of their own, behind another or last; undefined where nothing was taken.
 *
 * @param raw keeps looks of elsewhere as raw values, to be matched or decided; else they stay behind
 */
export function addPasted(
  site: Site,
  page: string,
  id: string,
  { blocks, looks }: Pasted,
  after?: string,
  raw = false,
): Edit | undefined {
  if (blocks.length === 0) return undefined;
  const { brand } = site;
  const space = brand.spaceOrder.find((name) => brand.spaces[name]!.use === 'section')!;
  const own: Section = {
    id,
    label: 'Pasted',
    ground: brand.groundOrder[0]!,
    space,
    picture: null,
    columnOrder: ['c1'],
    columns: { c1: { id: 'c1', order: blocks.map((block) => block.id) } },
    blocks: Object.fromEntries(blocks.map((block) => [block.id, block])),
  };
  return {
    label: `Paste into ${site.pages[page]!.title}`,
    ops: [
      insertOp(site, ['pages', page, 'sections'], ['pages', page, 'sectionOrder'], id, { id, own }, after),
      ...(raw ? looks : []).map(({ block, property, css }, i) => {
        const override: Override = {
          id: `${id}-o${i + 1}`,
          place: `${block}/text`,
          property,
          band: null,
          origin: 'pasted',
          value: { kind: 'literal', css },
          reason: null,
        };
        return insertOp(site, ['pages', page, 'overrides'], null, override.id, override);
      }),
    ],
  };
}
