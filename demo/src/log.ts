import type { Collection, Item } from '@yohaku/core';
import { byId } from './build.ts';

/** The news of the ferry line, day by day: the demo's collection, listed with the notices. */
const LINES: readonly (readonly [string, string, string, string])[] = [
  ['2025-11-18', 'A seal on Pier 2', 'It left by itself at ten. The 10:15 waited for it.', 'pier'],
  ['2025-10-30', 'New lamp at Skarra', 'The old one is in the school, where it is put to use.', 'works'],
  ['2025-10-12', 'Two hours late', 'Fog from Aldersay on. Everybody had tea; nobody paid.', 'weather'],
  ['2025-09-27', 'Last swim of the year', 'Eleven went in, eleven came out. The cake was shared.', 'people'],
  ['2025-09-03', 'The Dunlin is painted', 'Same colour as before, more of it.', 'works'],
  ['2025-08-15', 'Busiest day', 'Four hundred and six across, and one piano.', 'people'],
];

const items: Item[] = LINES.map(([day, what, told, kind], i) => ({
  id: `log-${i + 1}`,
  collection: 'log',
  slug: what.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-'),
  values: { what, told, day, kind },
}));

export const log: Collection = {
  id: 'log',
  label: 'Log',
  path: 'log',
  fields: byId([
    { id: 'what', label: 'What', kind: 'line' as const },
    { id: 'told', label: 'Told', kind: 'text' as const },
    { id: 'day', label: 'Day', kind: 'date' as const },
    { id: 'kind', label: 'Kind', kind: 'choice' as const, options: ['pier', 'works', 'weather', 'people'] },
  ]),
  fieldOrder: ['what', 'told', 'day', 'kind'],
  itemOrder: items.map((item) => item.id),
};
export const logItems = byId(items);
