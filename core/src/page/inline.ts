import type { ElementContent } from 'hast';
import { element, labelled, type Href, type Inline } from '../kinds/index.ts';
import type { Site } from '../site/index.ts';
import { recipes } from '../style/index.ts';
import { placed, type Build } from './build.ts';
import type { Place } from './place.ts';

/** Where a link leads, relative to the page's own folder. */
export function hrefOf(site: Site, href: Href): string {
  if (href.to === 'url') return href.url;
  const file = site.pages[href.page]?.file;
  return file === undefined ? '#' : `${file}${href.anchor === undefined ? '' : `#${href.anchor}`}`;
}

/** Runs of text with emphasis and links; each link and each marked run is a place that inherits from its paragraph. */
export function inlineNodes(build: Build, block: string, content: readonly Inline[], paragraph: Place): ElementContent[] {
  return content.map((run): ElementContent => {
    if ('link' in run) {
      const place = build.place({
        id: `${block}/${run.id}`, kind: 'link', label: labelled('Link', run.text), recipes: [recipes.link(build.ground)],
        inherits: paragraph, inline: true, ...(paragraph.style ? { style: paragraph.style } : {}),
      });
      return element('a', placed(place, 'link', { href: hrefOf(build.site, run.link) }), [run.text]);
    }
    if ('marked' in run) {
      const place = build.place({ id: `${block}/${run.id}`, kind: 'mark', label: labelled('Marked', run.text), recipes: [recipes.mark(build.ground)], inherits: paragraph, inline: true, ...(paragraph.style ? { style: paragraph.style } : {}) });
      return element('mark', placed(place), [run.text]);
    }
    const text: ElementContent = { type: 'text', value: run.text };
    return run.mark ? element(run.mark, {}, [text]) : text;
  });
}
