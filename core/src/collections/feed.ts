import type { Collection, Site } from '../site/index.ts';
import { itemFile, itemName, listedItems } from './listed.ts';

/** Most items a feed names: its readers look at what is new. */
const MOST = 50;

/** Characters that XML 1.0 forbids (section 2.2): controls, unpaired surrogates, U+FFFE and U+FFFF. */
const NO_XML =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')
    .replaceAll(NO_XML, '');

/** Name of a collection's feed. */
export const feedFile = (collection: Collection): string => `${collection.path}.xml`;

/**
 * The newest items of a collection as RSS 2.0: by its first date, else as they stand. Addresses are relative to the
 * site, which knows no other.
 */
export function feedOf(site: Site, collection: Collection): string {
  const field = (kind: string) => collection.fieldOrder.find((id) => collection.fields[id]!.kind === kind);
  const [date, text] = [field('date'), field('text')];
  const items = listedItems(site, { collection: collection.id, by: date, down: date !== undefined, limit: MOST });
  const lines = items.map((item) => {
    const day = date === undefined ? '' : (item.values[date] ?? '');
    const told = /^\d{4}-\d{2}-\d{2}$/.test(day) ? new Date(`${day}T00:00:00Z`) : undefined;
    return [
      '<item>',
      `<title>${escaped(itemName(collection, item))}</title>`,
      `<link>${escaped(itemFile(site, item) ?? 'index.html')}</link>`,
      `<guid isPermaLink="false">${escaped(`${site.id}-${item.id}`)}</guid>`,
      ...(told && !Number.isNaN(told.getTime()) ? [`<pubDate>${told.toUTCString()}</pubDate>`] : []),
      ...(text === undefined ? [] : [`<description>${escaped(item.values[text] ?? '')}</description>`]),
      '</item>',
    ].join('\n');
  });
  return [
    '<?xml version="1.0" encoding="utf-8"?>',
    '<rss version="2.0">',
    '<channel>',
    `<title>${escaped(`${site.name}: ${collection.label}`)}</title>`,
    '<link>index.html</link>',
    `<description>${escaped(collection.label)}</description>`,
    `<language>${escaped(site.language)}</language>`,
    ...lines,
    '</channel>',
    '</rss>',
    '',
  ].join('\n');
}
