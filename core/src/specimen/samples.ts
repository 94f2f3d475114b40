import { allKinds, type Block, type SampleBrand } from '../kinds/index.ts';
import type { Brand, Section, Site, TextStyle } from '../site/index.ts';

/** The styles in which samples are set, by what they are for. */
export interface SampleStyles { readonly heading: string; readonly minor: string; readonly lead: string; readonly running: string; readonly fine: string; readonly eyebrow: string }

/** Styles for samples: those made for a purpose, else the nearest there is. */
export function sampleStyles(brand: Brand): SampleStyles {
  const styles = brand.styleOrder.map((id) => brand.styles[id]!);
  const find = (wanted: (style: TextStyle) => boolean) => styles.find(wanted)?.id;
  const running = styles.filter((style) => style.use === 'running');
  const plain = running.at(-1)?.id ?? styles[0]!.id;
  const heading = find((style) => style.levels.includes(2)) ?? find((style) => style.use === 'heading') ?? plain;
  return {
    heading, running: plain, lead: running[0]?.id ?? plain,
    minor: find((style) => style.levels.includes(3)) ?? heading, fine: find((style) => style.use === 'fine') ?? plain, eyebrow: find((style) => style.slot === 'eyebrow') ?? plain,
  };
}

/** A section that shows everything that can stand on a ground: the samples of every kind of block. */
export function groundSection(site: Site, ground: string): Section {
  const { brand } = site;
  const { label } = brand.grounds[ground]!;
  const logos = new Set(Object.values(site.shared.logo?.forms ?? {}).map((form) => form.asset));
  const made: SampleBrand = {
    styles: sampleStyles(brand), ground: { id: ground, label }, variants: brand.variantOrder.map((id) => ({ id, label: brand.variants[id]!.label })), size: brand.sizeOrder[0]!,
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
