import { allKinds, type Block } from '../kinds/index.ts';
import type { Site } from '../site/index.ts';
import { sampleBrand } from '../style/index.ts';

/** The kinds of block that a site can have one of: those with pictures need a picture, the logo a logo. */
export function blockKinds(site: Site): { readonly kind: string; readonly label: string }[] {
  const made = sampleBrand(site, site.brand.groundOrder[0]!);
  return allKinds()
    .filter((kind) => kind.samples(made).length > 0 || (kind.kind === 'logo' && site.shared.logo))
    .map(({ kind, label }) => ({ kind, label }));
}

/**
 * A block of a kind with first words of its own, in the styles that a site has for them.
 * @param ground the background that it stands on
 * @throws RangeError when there is no such kind, or nothing of the site that it could show
 */
export function sampleBlock(site: Site, ground: string, kind: string, id: string): Block {
  if (kind === 'logo') return { kind, id };
  const [sample] =
    allKinds()
      .find((entry) => entry.kind === kind)
      ?.samples(sampleBrand(site, ground)) ?? [];
  if (!sample) throw new RangeError(`This site has nothing that a block “${kind}” could show.`);
  const { name: _name, ...fields } = sample;
  return { ...fields, kind, id } as Block;
}
