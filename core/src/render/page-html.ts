import type { Root } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { Site } from '../site/index.ts';
import { element, pageTree, type PagePart } from '../page/index.ts';
import { recipeClass } from '../style/index.ts';

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
  const inside = all.filter((part) => part.id !== 'header' && part.id !== 'footer').map((part) => part.html).join('\n');
  const html = (id: string) => all.find((part) => part.id === id)?.html ?? '';
  return `${html('header')}\n<main id="main">\n${inside}\n</main>\n${html('footer')}\n`;
}

/** A whole page as a file: no script, styles beside it. */
export function pageHtml(site: Site, pageId: string): string {
  const { page, body } = pageTree(site, pageId);
  const document: Root = {
    type: 'root',
    children: [
      { type: 'doctype' },
      element('html', { lang: site.language }, [
        element('head', {}, [
          element('meta', { charSet: 'utf-8' }),
          element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
          element('title', {}, [page.file === 'index.html' ? site.name : `${page.title}, ${site.name}`]),
          page.description === '' ? undefined : element('meta', { name: 'description', content: page.description }),
          // No favicon yet: without this line browsers ask the server's root for one.
          element('link', { rel: 'icon', href: 'data:,' }),
          element('link', { rel: 'stylesheet', href: 'fonts.css' }),
          element('link', { rel: 'stylesheet', href: 'tokens.css' }),
          element('link', { rel: 'stylesheet', href: 'styles.css' }),
        ]),
      ]),
    ],
  };
  const shell = toHtml(document);
  return `${shell.replace(/<\/html>$/, '')}<body class="${body.recipes.map(recipeClass).join(' ')}" data-place="${body.id}">\n${bodyHtml(site, pageId)}</body>\n</html>\n`;
}
