import { createHash } from 'node:crypto';
import { SCHEMA_VERSION, flatColors, type Asset, type Page, type Site } from '@yohaku/core';
import { log, logItems } from './log.ts';
import { brand } from './brand.ts';
import { byId } from './build.ts';
import { overridesByPage } from './overrides.ts';
import { pictures } from './pictures.ts';
import { about } from './pages/about.ts';
import { assistance } from './pages/assistance.ts';
import { contact } from './pages/contact.ts';
import { fares } from './pages/fares.ts';
import { freight } from './pages/freight.ts';
import { home } from './pages/home.ts';
import { islands } from './pages/islands.ts';
import { notices } from './pages/notices.ts';
import { sailings } from './pages/sailings.ts';
import { shared } from './shared.ts';

/** The flat colours of a drawing by their share of all that it names. */
function colorsOf(svg: string): Asset['colors'] {
  const flat = flatColors(svg).slice(0, 64);
  const all = flat.reduce((sum, entry) => sum + entry.uses, 0);
  return flat.map(({ hex, uses }) => ({ hex, share: Math.round((uses / all) * 1000) / 1000 }));
}

const assets: Asset[] = pictures.map(({ id, name, svg, width, height }) => ({
  id,
  name,
  hash: createHash('sha256').update(svg).digest('hex'),
  type: 'image/svg+xml',
  width,
  height,
  colors: colorsOf(svg),
}));

const pages: Page[] = [home, sailings, fares, islands, freight, assistance, notices, about, contact].map((page) => ({
  ...page,
  overrides: byId(overridesByPage[page.id] ?? []),
}));

/** Ternhaven Ferries, the demo site. */
export const ternhaven: Site = {
  schemaVersion: SCHEMA_VERSION,
  id: 'ternhaven',
  name: 'Ternhaven Ferries',
  language: 'en-GB',
  brand,
  shared,
  assets: byId(assets),
  downloads: {},
  pageOrder: pages.map((page) => page.id),
  pages: byId(pages),
  collections: { log },
  collectionOrder: ['log'],
  items: logItems,
};

/** Bytes of the demo's pictures by content hash. */
export const ternhavenFiles: ReadonlyMap<string, string> = new Map(
  assets.map((asset) => [asset.hash, pictures.find((picture) => picture.id === asset.id)!.svg]),
);

export { manyPlaces } from './many-places.ts';
