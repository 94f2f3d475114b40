import { assetFile } from '../page/index.ts';
import type { Asset, Site } from '../site/index.ts';

/** Widths in which pictures of pixels go out besides their own, px. */
export const DELIVERED_WIDTHS = [480, 960, 1600] as const;

/**
 * The widths in which a picture goes out besides its own: smaller ones only, and none of a drawing, which is sharp at
 * any.
 */
export const deliveredWidths = ({ type, width }: Asset): number[] =>
  type === 'image/svg+xml'
    ? []
    : [...DELIVERED_WIDTHS.filter((entry) => entry < width), ...(type === 'image/webp' ? [] : [width])];

/** Where a picture lies in one of its widths, as WebP. */
export const deliveredFile = (asset: Asset, width: number): string =>
  `images/${asset.id}-${asset.hash.slice(0, 10)}-w${width}.webp`;

/** Pages are no wider than this, and so no picture in one of their columns, px. */
const WIDEST = 1120;

/** Returns HTML without the picture widths that do not exist; a picture without any width keeps its original file. */
export function withoutFiles(html: string, missing: ReadonlySet<string>): string {
  if (missing.size === 0) return html;
  return html.replaceAll(/ srcset="([^"]*)" sizes="[^"]*"/g, (whole, offered: string) => {
    const left = offered.split(', ').filter((name) => !missing.has(name.slice(0, name.lastIndexOf(' '))));
    return left.length === 0 ? '' : whole.replace(offered, left.join(', '));
  });
}

/**
 * A page's HTML as it goes out: pictures of pixels are offered in the widths they are
 * kept in, and those after the first are fetched when they come near (`sizes=auto`,
 * HTML Living Standard); embeds that are allowed within the page are in it, over their
 * stand-ins, which stay for whoever shows none.
 */
export function delivered(site: Site, html: string): string {
  const bySource = new Map(Object.values(site.assets).map((asset) => [assetFile(asset, site.brand), asset]));
  let pictures = 0;
  return html
    .replaceAll(/<img ([^>]*?)src="(images\/[^"]+)"/g, (tag, before: string, source: string) => {
      const asset = bySource.get(source);
      const widths = asset ? deliveredWidths(asset) : [];
      if (!asset || widths.length === 0) return tag;
      const sizes = `${pictures++ > 0 ? 'auto, ' : ''}(width < ${WIDEST}px) 100vw, ${WIDEST}px`;
      // Beside sources offered by their widths the `src` is never chosen (HTML Living Standard): a WebP is offered
      // among them, as itself.
      const offered = [
        ...widths.map((width) => [deliveredFile(asset, width), width] as const),
        ...(widths.includes(asset.width) ? [] : [[source, asset.width] as const]),
      ];
      return `<img ${before}src="${source}" srcset="${offered.map(([file, width]) => `${file} ${width}w`).join(', ')}" sizes="${sizes}"${pictures > 1 ? ' loading="lazy"' : ''}`;
    })
    .replaceAll(
      /<div [^>]*data-inside="([^"]*)" data-inside-title="([^"]*)"[^>]*>/g,
      (tag, address: string, title: string) =>
        `${tag}<iframe src="${address}" title="${title}" loading="lazy" referrerpolicy="no-referrer" sandbox="allow-scripts allow-same-origin allow-forms allow-popups allow-presentation"></iframe>`,
    );
}
