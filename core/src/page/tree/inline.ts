import type { ElementContent } from 'hast';
import { element, labelled, type Href, type Inline } from '../../kinds/index.ts';
import type { Page, Site } from '../../site/index.ts';
import { recipes } from '../../style/index.ts';
import { firstItem, linkedItem, originOf } from '../../collections/index.ts';
import { downloadFile } from '../files/download-file.ts';
import { placed, type Build } from './build.ts';
import type { Place } from './place.ts';

/** Where a link leads, relative to the page's own folder. */
export function hrefOf(site: Site, href: Href): string {
  if (href.to === 'url') return href.url;
  if (href.to === 'download') {
    const download = site.downloads[href.download];
    return download ? downloadFile(download) : '#';
  }
  const file = (linkedItem(site, href) ?? firstItem(site, href.page))?.file ?? site.pages[href.page]?.file;
  return file === undefined ? '#' : `${file}${href.anchor === undefined ? '' : `#${href.anchor}`}`;
}

/** Returns true if a link leads to the top of a page that it stands on. */
export const isAt = (link: Href, page: Page): boolean =>
  link.to === 'page' && link.page === originOf(page).id && link.anchor === undefined && link.item === undefined;

/** Runs of text with emphasis and links; each link and each marked run is a place that inherits from its paragraph. */
export function inlineNodes(
  build: Build,
  block: string,
  content: readonly Inline[],
  paragraph: Place,
): ElementContent[] {
  return content.flatMap((run): ElementContent | ElementContent[] => {
    if ('link' in run) {
      const place = build.place({
        id: `${block}/${run.id}`,
        kind: 'link',
        label: labelled('Link', run.text),
        recipes: [recipes.link(build.ground)],
        inherits: paragraph,
        inline: true,
        ...(paragraph.style ? { style: paragraph.style } : {}),
      });
      return element('a', placed(place, 'link', { href: hrefOf(build.site, run.link) }), broken(run.text));
    }
    if ('marked' in run) {
      const place = build.place({
        id: `${block}/${run.id}`,
        kind: 'mark',
        label: labelled('Marked', run.text),
        recipes: [recipes.mark(build.ground)],
        inherits: paragraph,
        inline: true,
        ...(paragraph.style ? { style: paragraph.style } : {}),
      });
      return element('mark', placed(place), broken(run.text));
    }
    return run.mark ? element(run.mark, {}, broken(run.text)) : broken(run.text);
  });
}

/** Words with their line breaks. */
function broken(text: string): ElementContent[] {
  return text
    .split('\n')
    .flatMap((line, i): ElementContent[] => [
      ...(i > 0 ? [element('br', {})] : []),
      ...(line === '' ? [] : [{ type: 'text' as const, value: line }]),
    ]);
}
