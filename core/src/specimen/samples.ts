import { allKinds, type Block, type SampleBrand } from '../kinds/index.ts';
import type { Section, Site } from '../site/index.ts';
import { stylesByRole } from '../style/index.ts';

/** A section that shows everything that can stand on a ground: the samples of every kind of block. */
export function groundSection(site: Site, ground: string): Section {
  const { brand } = site;
  const { label } = brand.grounds[ground]!;
  const logos = new Set(Object.values(site.shared.logo?.forms ?? {}).map((form) => form.asset));
  const made: SampleBrand = {
    styles: stylesByRole(brand), ground: { id: ground, label }, variants: brand.variantOrder.map((id) => ({ id, label: brand.variants[id]!.label })), size: brand.sizeOrder[0]!,
    page: site.pageOrder[0]!, asset: Object.keys(site.assets).find((id) => !logos.has(id)),
  };
  const id = (name: string) => `specimen-${ground}-${name}`;
  const columns = { words: [] as Block[], parts: [] as Block[] };
  for (const kind of allKinds()) for (const { name, ...sample } of kind.samples(made)) columns[kind.column].push({ ...sample, kind: kind.kind, id: id(name) } as Block);
  const order = (blocks: readonly Block[]) => blocks.map((block) => block.id);
  return {
    id: id('section'), label, ground, space: brand.spaceOrder.find((space) => brand.spaces[space]!.use === 'section')!, picture: null,
    columnOrder: ['words', 'parts'], columns: { words: { id: 'words', order: order(columns.words) }, parts: { id: 'parts', order: order(columns.parts) } },
    blocks: Object.fromEntries([...columns.words, ...columns.parts].map((block) => [block.id, block])),
  };
}
