import type { Element } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { Section, Site } from '../site/index.ts';
import { pageTree } from '../page/index.ts';
import { recipeClass, tokensCss } from '../style/index.ts';
import { siteFontsCss } from './fonts-css.ts';
import { stylesCss } from './styles-css.ts';

/** All styles of a site in one sheet. @param fonts where the font files lie */
export function siteCss(site: Site, fonts: string): string {
  return `${siteFontsCss(site, fonts, fonts)}${tokensCss(site.brand)}${stylesCss(site)}`;
}

/**
 * One section by itself as a whole document, as it would stand on the site's first page; without script.
 *
 * @param css the site's styles, made once for many (`siteCss`)
 * @param files where the site's pictures lie; ends with a slash
 */
export function sectionHtml(site: Site, section: Section, css: string, files: string): string {
  const page = site.pages[site.pageOrder[0]!]!;
  const alone: Site = {
    ...site,
    pages: {
      ...site.pages,
      [page.id]: {
        ...page,
        sectionOrder: [section.id],
        sections: { [section.id]: { id: section.id, own: section } },
        overrides: {},
      },
    },
  };
  const { body, parts } = pageTree(alone, page.id);
  const part = parts.find(({ id }) => id === section.id)!;
  return `<!doctype html><html lang="${site.language}"><head><meta charset="utf-8"><style>${css}</style></head><body class="${body.recipes.map(recipeClass).join(' ')}">${toHtml(from(part.element, files))}</body></html>`;
}

/**
 * An element with its pictures from another folder: a document without an address of its own has none to begin from.
 */
function from(element: Element, files: string): Element {
  const { src } = element.properties;
  return {
    ...element,
    properties: typeof src === 'string' ? { ...element.properties, src: files + src } : element.properties,
    children: element.children.map((child) => (child.type === 'element' ? from(child, files) : child)),
  };
}
