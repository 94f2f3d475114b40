import { jsonEqual } from '../change/index.ts';
import { changedTokens, ripple } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { tokenTable } from '../style/index.ts';

/** What differs between two states of a site, however many edits lie between them. */
export interface SiteDifference {
  /** Tokens whose own value differs, with both; not every alias that follows one. */
  readonly tokens: readonly { readonly path: string; readonly label: string; readonly before: string; readonly after: string }[];
  /** Pages that are there in both and differ in what is painted or written, with the places that do. */
  readonly pages: readonly { readonly id: string; readonly title: string; readonly places: number }[];
  /** Pages that are new, and those that are gone, by title. */
  readonly added: readonly string[];
  readonly gone: readonly string[];
  /** What differs besides: names, orders, facts of pages, pictures, in words. */
  readonly besides: readonly string[];
  /** How many differences that is: each token, each page written or built otherwise, each page come or gone, each of the rest. */
  readonly count: number;
}

/** Compares two states of a site. An edit and its undo leave no difference. */
export function siteDifference(before: Site, after: Site): SiteDifference {
  const [old, now] = [tokenTable(before.brand), tokenTable(after.brand)];
  const value = (token: { alias?: string; css?: string } | undefined) => token?.alias ?? token?.css ?? 'none';
  const tokens = [...changedTokens(old, now)].filter((path) => value(old.get(path)) !== value(now.get(path))).map((path) => ({ path, label: (now.get(path) ?? old.get(path))!.label, before: value(old.get(path)), after: value(now.get(path)) }));
  const what = ripple(before, after);
  const touched = new Map<string, number>();
  for (const { page } of [...what.changed, ...what.added, ...what.removed]) touched.set(page, (touched.get(page) ?? 0) + 1);
  const both = after.pageOrder.filter((id) => before.pages[id]);
  const written = both.filter((id) => !jsonEqual(before.pages[id], after.pages[id]));
  const parts = (['header', 'footer', 'sections', 'overrides', 'logo'] as const).filter((part) => !jsonEqual(before.shared[part], after.shared[part]));
  // A value of a token is told as that; names and orders of the brand are not painted.
  const brand = tokens.length === 0 && !jsonEqual(before.brand, after.brand);
  const besides = [
    ...(before.name !== after.name ? ['the name of the site'] : []), ...(brand ? ['names and order in the brand'] : []), ...parts.map((part) => SHARED[part]),
    ...(jsonEqual(before.pageOrder, after.pageOrder) || before.pageOrder.length !== after.pageOrder.length ? [] : ['the order of pages']), ...(jsonEqual(before.assets, after.assets) ? [] : ['pictures']), ...(jsonEqual(before.downloads, after.downloads) ? [] : ['downloads']),
  ];
  const added = after.pageOrder.filter((id) => !before.pages[id]).map((id) => after.pages[id]!.title);
  const gone = before.pageOrder.filter((id) => !after.pages[id]).map((id) => before.pages[id]!.title);
  const pages = both.filter((id) => touched.has(id) || written.includes(id)).map((id) => ({ id, title: after.pages[id]!.title, places: touched.get(id) ?? 0 }));
  return { tokens, pages, added, gone, besides, count: tokens.length + written.length + added.length + gone.length + besides.length };
}

const SHARED = { header: 'the header', footer: 'the footer', sections: 'shared sections', overrides: 'values set on shared parts', logo: 'the logo' } as const;
