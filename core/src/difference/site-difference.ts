import { jsonEqual, valueAt } from '../change/index.ts';
import { plural } from '../number/index.ts';
import { editedPage, type Place } from '../page/index.ts';
import { changedTokens, ripple, siteIndex, type SiteIndex } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { tokenTable, type Token } from '../style/index.ts';

/** The differences between two states of a site, however many edits lie between them. */
export interface SiteDifference {
  /** Tokens whose own value differs, with both; not every alias that follows one. */
  readonly tokens: readonly {
    readonly path: string;
    readonly label: string;
    readonly before: string;
    readonly after: string;
  }[];
  /** Pages that are there in both and differ in what is painted or written, with the places that do. */
  readonly pages: readonly { readonly id: string; readonly title: string; readonly places: number }[];
  /** Pages that are new, and those that are gone, by title. */
  readonly added: readonly string[];
  readonly gone: readonly string[];
  /** Other differences in words: names, orders, page details, pictures, items. */
  readonly besides: readonly string[];
  /**
   * How many differences that is: each token, each page written or built otherwise, each page come or gone, each of the
   * rest.
   */
  readonly count: number;
}

/**
 * Compares two states of a site. The count is 0 exactly when the documents are
 * equal, and so when all published files are: `site.json`, which is one of them,
 * is the document. An edit and its undo leave no difference.
 */
export function siteDifference(before: Site, after: Site): SiteDifference {
  const [old, now] = [tokenTable(before.brand), tokenTable(after.brand)];
  /** Returns true for a token that only a rule changed: another difference caused it. */
  const follows = (was: Token | undefined, is: Token | undefined): boolean =>
    !!was?.follows &&
    !!is?.follows &&
    is.address !== undefined &&
    jsonEqual(valueAt(before, is.address), valueAt(after, is.address));
  const value = (token: { alias?: string; css?: string } | undefined) => token?.alias ?? token?.css ?? 'none';
  const tokens = [...changedTokens(old, now)]
    .filter((path) => value(old.get(path)) !== value(now.get(path)) && !follows(old.get(path), now.get(path)))
    .map((path) => ({
      path,
      label: (now.get(path) ?? old.get(path))!.label,
      before: value(old.get(path)),
      after: value(now.get(path)),
    }));
  const what = ripple(before, after);
  const touched = new Map<string, number>();
  const note = (places: readonly Place[], index: SiteIndex) => {
    for (const { page } of places) {
      const id = editedPage(page) ?? page;
      touched.set(id, (touched.get(id) ?? 0) + index.times(page));
    }
  };
  note([...what.changed, ...what.added], siteIndex(after));
  note(what.removed, siteIndex(before));
  const both = after.pageOrder.filter((id) => before.pages[id]);
  const written = both.filter((id) => !jsonEqual(before.pages[id], after.pages[id]));
  const parts = (['header', 'footer', 'sections', 'overrides', 'logo'] as const).filter(
    (part) => !jsonEqual(before.shared[part], after.shared[part]),
  );
  // A value of a token is told as that; names and orders of the brand are not painted.
  const brand = tokens.length === 0 && !jsonEqual(before.brand, after.brand);
  const besides = [
    ...(before.name !== after.name ? ['the name of the site'] : []),
    ...(brand ? ['names and order of tokens'] : []),
    ...parts.map((part) => SHARED[part]),
    ...(jsonEqual(before.pageOrder, after.pageOrder) || before.pageOrder.length !== after.pageOrder.length
      ? []
      : ['the order of pages']),
    ...(jsonEqual(before.assets, after.assets) ? [] : ['pictures']),
    ...(jsonEqual(before.downloads, after.downloads) ? [] : ['downloads']),
    ...collectionWords(before, after),
    ...DETAILS.flatMap(([part, words]) => (before[part] === after[part] ? [] : [words])),
  ];
  const added = after.pageOrder.filter((id) => !before.pages[id]).map((id) => after.pages[id]!.title);
  const gone = before.pageOrder.filter((id) => !after.pages[id]).map((id) => before.pages[id]!.title);
  const pages = both
    .filter((id) => touched.has(id) || written.includes(id))
    .map((id) => ({ id, title: after.pages[id]!.title, places: touched.get(id) ?? 0 }));
  return {
    tokens,
    pages,
    added,
    gone,
    besides,
    count: tokens.length + written.length + added.length + gone.length + besides.length,
  };
}

const DETAILS = [
  ['language', 'the language of the site'],
  ['id', 'the address of the site'],
] as const;

/** Returns words for new, deleted and changed collections, with the number of changed items. */
function collectionWords(before: Site, after: Site): string[] {
  if (
    before.collections === after.collections &&
    before.items === after.items &&
    before.collectionOrder === after.collectionOrder
  )
    return [];
  const words = [...new Set([...before.collectionOrder, ...after.collectionOrder])].flatMap((id): string[] => {
    const [was, is] = [before.collections[id], after.collections[id]];
    if (!was || !is) return [`the collection ${(was ?? is)!.label}, ${was ? 'deleted' : 'new'}`];
    const items = new Set([...was.itemOrder, ...is.itemOrder]);
    const differ = [...items].filter((item) => !jsonEqual(before.items[item], after.items[item])).length;
    const { itemOrder: wasOrder, ...wasRest } = was;
    const { itemOrder: isOrder, ...isRest } = is;
    const order = wasOrder.length === isOrder.length && differ === 0 && !jsonEqual(wasOrder, isOrder);
    return [
      ...(jsonEqual(wasRest, isRest) ? [] : [`the fields and address of ${is.label}`]),
      ...(differ > 0 ? [`${plural(differ, 'item')} of ${is.label}`] : []),
      ...(order ? [`the order of items in ${is.label}`] : []),
    ];
  });
  if (words.length === 0 && !jsonEqual(before.items, after.items)) return ['items'];
  return words.length === 0 && !jsonEqual(before.collectionOrder, after.collectionOrder)
    ? ['the order of collections']
    : words;
}

const SHARED = {
  header: 'the header',
  footer: 'the footer',
  sections: 'shared sections',
  overrides: 'overrides on shared parts',
  logo: 'the logo',
} as const;
