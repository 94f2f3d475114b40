import { readSite, type Site } from '@yohaku/core';
import { ternhaven } from '../index.ts';

/** Three pages on which every kind of block stands. */
export const EVERY_KIND = ['home', 'fares', 'contact'];

/**
 * The demo with some of its pages, the home page among them: links to those that are left out lead home, and the menu
 * goes without them.
 */
export function somePages(kept: readonly string[]): Site {
  const isGone = (value: unknown): value is { readonly to: 'page'; readonly page: string } =>
    (value as { to?: unknown } | null)?.to === 'page' && !kept.includes((value as { page: string }).page);
  const { items } = ternhaven.shared.header;
  const order = ternhaven.shared.header.order.filter((id) => !isGone(items[id]!.link));
  const chosen: Site = {
    ...ternhaven,
    pageOrder: [...kept],
    pages: Object.fromEntries(kept.map((id) => [id, ternhaven.pages[id]!])),
    shared: {
      ...ternhaven.shared,
      header: { ...ternhaven.shared.header, order, items: Object.fromEntries(order.map((id) => [id, items[id]!])) },
    },
  };
  return readSite(
    JSON.parse(JSON.stringify(chosen), (_key, value: unknown) => (isGone(value) ? { ...value, page: 'home' } : value)),
  );
}
