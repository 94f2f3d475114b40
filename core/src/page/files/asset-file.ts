import type { Asset, Brand } from '../../site/index.ts';
import { drawnColors } from '../../style/index.ts';

const ENDING: Record<Asset['type'], string> = {
  'image/svg+xml': 'svg',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/webp': 'webp',
};

/**
 * Where a picture lies, relative to the pages: named by asset, content and, for
 * drawings that follow the brand, the colours they are painted with; so that it
 * can be kept for ever.
 */
export function assetFile(asset: Asset, brand: Pick<Brand, 'swatches'>): string {
  const colors = asset.bound
    ? [...drawnColors(asset, brand)].map(([from, to]) => `-${from.slice(1)}${to.slice(1)}`).join('')
    : '';
  return `images/${asset.id}-${asset.hash.slice(0, 10)}${colors}.${ENDING[asset.type]}`;
}

/** Takes the name of a picture apart again: the start of its content hash, and the colours it is painted with. */
export function readAssetFile(
  name: string,
): { readonly start: string; readonly colors: ReadonlyMap<string, string> } | undefined {
  const match = /-([0-9a-f]{10})((?:-[0-9a-f]{12})*)\.\w+$/.exec(name);
  return match
    ? {
        start: match[1]!,
        colors: new Map(
          [...match[2]!.matchAll(/-([0-9a-f]{6})([0-9a-f]{6})/g)].map(([, from, to]) => [`#${from}`, `#${to}`]),
        ),
      }
    : undefined;
}
