import { readSite, type Site } from '@yohaku/core';
import { ternhaven } from '../index.ts';

/** The demo with some of its pages, the home page among them: links to those that are left out lead home, and the menu goes without them. */
export function somePages(kept: readonly string[]): Site {
  const document = JSON.parse(JSON.stringify(ternhaven).replaceAll(/"to":"page","page":"([a-z-]+)"/g, (whole, page: string) => (kept.includes(page) ? whole : '"to":"page","page":"home"'))) as Site;
  const { header } = document.shared;
  const order = header.order.filter((id) => {
    const { link } = ternhaven.shared.header.items[id]!;
    return link.to === 'page' && kept.includes(link.page);
  });
  return readSite({
    ...document, pageOrder: [...kept], pages: Object.fromEntries(kept.map((id) => [id, document.pages[id]])),
    shared: { ...document.shared, header: { ...header, order, items: Object.fromEntries(order.map((id) => [id, header.items[id]])) } },
  });
}
