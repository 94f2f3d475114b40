import type { Asset } from '../site/index.ts';

const ENDING: Record<Asset['type'], string> = { 'image/svg+xml': 'svg', 'image/png': 'png', 'image/jpeg': 'jpg', 'image/webp': 'webp' };

/** Where a picture lies, relative to the pages: named by asset and content, so that it can be kept for ever. */
export function assetFile(asset: Asset): string {
  return `images/${asset.id}-${asset.hash.slice(0, 10)}.${ENDING[asset.type]}`;
}
