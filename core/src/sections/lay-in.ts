import { Block, mapFields, type Target } from '../kinds/index.ts';
import type { Section, Site } from '../site/index.ts';
import { stylesByRole } from '../style/index.ts';
import type { SectionKind } from './section-kind.ts';

/** What of a site a kind of section can name by a role: the ids that fill it. */
function rolesOf({ brand, pageOrder }: Site): Partial<Record<Target, Readonly<Record<string, string | undefined>>>> {
  return {
    style: { ...stylesByRole(brand) }, ground: { plain: brand.groundOrder[0] }, variant: { main: brand.variantOrder[0], other: brand.variantOrder[1] ?? brand.variantOrder[0] },
    size: { middle: brand.sizeOrder[Math.floor((brand.sizeOrder.length - 1) / 2)] }, page: { home: pageOrder[0] },
  };
}

/**
 * A section of a kind, in the site's own styles, on its first ground with its
 * first padding of sections.
 *
 * @param id the section's; its blocks are called `id-b1`, `id-b2`, … in their order
 * @throws RangeError when the kind names a role that there is none of
 */
export function layIn(site: Site, kind: SectionKind, id: string): Section {
  const { brand } = site;
  const roles = rolesOf(site);
  let count = 0;
  const columns = kind.columns.map((blocks) => blocks.map((block): Block => mapFields(Block, { ...block, id: `${id}-b${++count}` }, (meaning, value) => {
    if (meaning.means !== 'ref') return value;
    const filled = roles[meaning.to]?.[String(value)];
    if (filled === undefined) throw new RangeError(`The kind of section “${kind.id}” names ${meaning.to} “${String(value)}”, which is no role.`);
    return filled;
  })));
  return {
    id, label: kind.label, ground: brand.groundOrder[0]!, space: brand.spaceOrder.find((one) => brand.spaces[one]!.use === 'section')!, picture: null,
    ...(kind.arrangement === undefined ? {} : { arrangement: kind.arrangement }),
    columnOrder: columns.map((_, i) => `col${i + 1}`),
    columns: Object.fromEntries(columns.map((blocks, i) => [`col${i + 1}`, { id: `col${i + 1}`, order: blocks.map((block) => block.id) }])),
    blocks: Object.fromEntries(columns.flat().map((block) => [block.id, block])),
  };
}
