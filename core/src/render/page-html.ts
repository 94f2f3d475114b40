import type { Element, Root } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { Page, Site } from '../site/index.ts';
import { firstItem, originOf } from '../collections/index.ts';
import { element } from '../kinds/index.ts';
import { assetFile, isMade, pageMark, pageTree, type PagePart } from '../page/index.ts';
import { ICON_SIDES, iconFile } from '../logo/index.ts';
import { recipeClass, tokensCss } from '../style/index.ts';
import { delivered } from './delivered.ts';
import { SHARING, sharingFile } from './sharing.ts';
import { siteFontsCss } from './fonts-css.ts';
import { stylesCss } from './styles-css.ts';

const parts = new WeakMap<PagePart, string>();

/** HTML of one part of a page; an unchanged part gives the same string without being written again. */
export function partHtml(part: PagePart): string {
  let html = parts.get(part);
  if (html === undefined) {
    html = toHtml(part.element);
    parts.set(part, html);
  }
  return html;
}

/** The parts of a page's body in order, each with its key and HTML: header, main sections, footer. */
export function bodyParts(site: Site, pageId: string): { id: string; html: string }[] {
  return pageTree(site, pageId).parts.map((part) => ({ id: part.id, html: partHtml(part) }));
}

/** Inner HTML of `<body>`: a skip link, header, `<main>` with the sections, footer. */
export function bodyHtml(site: Site, pageId: string): string {
  const all = bodyParts(site, pageId);
  const inside = all
    .filter((part) => part.id !== 'header' && part.id !== 'footer')
    .map((part) => part.html)
    .join('\n');
  const html = (id: string) => all.find((part) => part.id === id)?.html ?? '';
  return `${html('header')}\n<main id="main">\n${inside}\n</main>\n${html('footer')}\n`;
}

/** The icon in its sizes. Without one an empty address: otherwise browsers ask the server's root for it. */
function iconLinks(site: Site): Element[] {
  if (!site.shared.logo) return [element('link', { rel: 'icon', href: 'data:,' })];
  return [
    ...ICON_SIDES.filter((side) => side <= 32).map((side) =>
      element('link', { rel: 'icon', type: 'image/png', sizes: `${side}x${side}`, href: iconFile(side) }),
    ),
    element('link', { rel: 'apple-touch-icon', href: iconFile(180) }),
    element('link', { rel: 'manifest', href: 'site.webmanifest' }),
  ];
}

/** The manifest that names the icon for home and splash screens. */
export function webManifest(site: Site): string {
  return `${JSON.stringify({ name: site.name, lang: site.language, icons: ICON_SIDES.map((side) => ({ src: iconFile(side), sizes: `${side}x${side}`, type: 'image/png' })) }, null, 2)}\n`;
}

/** Returns the Open Graph tags of a page. */
function sharing(site: Site, page: Page): Element[] {
  const asset = page.picture === undefined ? undefined : site.assets[page.picture];
  const tell = (property: string, content: string) => element('meta', { property: `og:${property}`, content });
  return [
    tell('title', page.file === 'index.html' ? site.name : page.title),
    tell('site_name', site.name),
    ...(page.description === '' ? [] : [tell('description', page.description)]),
    // Nobody shares an answer page, so it has no sharing picture.
    ...(asset
      ? [tell('image', assetFile(asset, site.brand))]
      : isMade(page.id)
        ? []
        : [
            tell('image', sharingFile(originOf(page))),
            tell('image:width', String(SHARING.width)),
            tell('image:height', String(SHARING.height)),
          ]),
  ];
}

/**
 * Returns the page at a former address: it redirects to the present page in any browser and on any host; if several
 * items had the address, to the first.
 */
export function redirectHtml(site: Site, page: Page): string {
  return leadingOn(firstItem(site, page.id)?.file ?? page.file, page.title, page.language ?? site.language);
}

/** Returns the HTML that redirects from a former address of an item to its current address. */
export const itemRedirectHtml = (
  site: Site,
  { file, title }: { readonly file: string; readonly title: string },
): string => leadingOn(file, title, site.language);

function leadingOn(href: string, title: string, language: string): string {
  const document: Root = {
    type: 'root',
    children: [
      { type: 'doctype' },
      element('html', { lang: language }, [
        element('head', {}, [
          element('meta', { charSet: 'utf-8' }),
          element('title', {}, [title]),
          element('meta', { httpEquiv: 'refresh', content: `0; url=${href}` }),
          element('link', { rel: 'canonical', href }),
          element('meta', { name: 'robots', content: 'noindex' }),
        ]),
        element('body', {}, [element('p', {}, [element('a', { href }, [title])])]),
      ]),
    ],
  };
  return `${toHtml(document)}\n`;
}

/**
 * A whole page as a file, without script: with its stylesheets beside it, or by
 * itself with all of its styles within.
 *
 * @param fonts where the font files lie; given, the page stands by itself
 */
export function pageHtml(site: Site, pageId: string, fonts?: string): string {
  const { page, body } = pageTree(site, pageId);
  const document: Root = {
    type: 'root',
    children: [
      { type: 'doctype' },
      element('html', { lang: page.language ?? site.language, dataPage: pageMark(pageId) }, [
        element('head', {}, [
          element('meta', { charSet: 'utf-8' }),
          element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
          element('title', {}, [page.file === 'index.html' ? site.name : `${page.title}, ${site.name}`]),
          page.description === '' ? undefined : element('meta', { name: 'description', content: page.description }),
          page.unlisted ? element('meta', { name: 'robots', content: 'noindex' }) : undefined,
          ...sharing(site, page),
          ...(fonts === undefined
            ? [
                ...iconLinks(site),
                ...['fonts.css', 'tokens.css', 'styles.css'].map((href) =>
                  element('link', { rel: 'stylesheet', href }),
                ),
              ]
            : [
                element('link', { rel: 'icon', href: 'data:,' }),
                element('style', {}, [`${siteFontsCss(site, fonts, fonts)}${tokensCss(site.brand)}${stylesCss(site)}`]),
              ]),
        ]),
      ]),
    ],
  };
  const inside = fonts === undefined ? delivered(site, bodyHtml(site, pageId)) : bodyHtml(site, pageId);
  const shell = toHtml(document);
  return `${shell.replace(/<\/html>$/, '')}<body class="${body.recipes.map(recipeClass).join(' ')}" data-place="${body.id}">\n${inside}</body>\n</html>\n`;
}
