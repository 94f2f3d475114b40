import { allKinds, type Block } from '../kinds/index.ts';
import type { Section, Site } from '../site/index.ts';
import { sampleBrand } from '../style/index.ts';

/** A section that shows everything that can stand on a ground: the samples of every kind of block. */
export function groundSection(site: Site, ground: string): Section {
  const made = sampleBrand(site, ground);
  const { label } = made.ground;
  const id = (name: string) => `specimen-${ground}-${name}`;
  const columns = { words: [] as Block[], parts: [] as Block[] };
  for (const kind of allKinds())
    for (const { name, ...sample } of kind.samples(made))
      columns[kind.column].push({ ...sample, kind: kind.kind, id: id(name) } as Block);
  const order = (blocks: readonly Block[]) => blocks.map((block) => block.id);
  return {
    id: id('section'),
    label,
    ground,
    space: site.brand.spaceOrder.find((space) => site.brand.spaces[space]!.use === 'section')!,
    picture: null,
    columnOrder: ['words', 'parts'],
    columns: {
      words: { id: 'words', order: order(columns.words) },
      parts: { id: 'parts', order: order(columns.parts) },
    },
    blocks: Object.fromEntries([...columns.words, ...columns.parts].map((block) => [block.id, block])),
  };
}
