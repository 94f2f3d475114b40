import type { SampleBrand } from '../kinds/index.ts';
import type { Site } from '../site/index.ts';
import { stylesByRole } from './styles-by-role.ts';

/** Returns the material for samples of blocks, for a background of a site. */
export function sampleBrand(site: Site, ground: string): SampleBrand {
  const { brand } = site;
  const logos = new Set(Object.values(site.shared.logo?.forms ?? {}).map((form) => form.asset));
  const of = site.collections[site.collectionOrder[0] ?? ''];
  const first = (kind: string) => of?.fieldOrder.find((id) => of.fields[id]!.kind === kind);
  return {
    collection: of && {
      id: of.id,
      heading: first('line') ?? of.fieldOrder[0]!,
      text: first('text'),
      picture: first('picture'),
    },
    styles: stylesByRole(brand),
    ground: { id: ground, label: brand.grounds[ground]!.label },
    variants: brand.variantOrder.map((id) => ({ id, label: brand.variants[id]!.label })),
    size: brand.sizeOrder[0]!,
    space: brand.spaceOrder.find((id) => brand.spaces[id]!.use === 'gap') ?? brand.spaceOrder[0]!,
    page: site.pageOrder[0]!,
    asset: Object.keys(site.assets).find((id) => !logos.has(id)),
    download: Object.keys(site.downloads)[0],
  };
}
