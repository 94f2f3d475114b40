import { anyPage, bodyHtml, bodyParts, pageMark, pageTree, recipeClass, type Site } from '@yohaku/core';

/** The content of a frame: parts by key, each rewritten only if its HTML changes. */
export interface FrameSource {
  has(site: Site): boolean;
  parts(site: Site): readonly { readonly id: string; readonly html: string }[];
  /** Inner HTML of the whole body. */
  html(site: Site): string;
  /** Returns the attributes of the body and, for a page, of the root. */
  body(site: Site): { readonly className: string; readonly place: string | null; readonly page: string | null };
}

/** A page, or one part of it. */
export function pageSource(page: string, part: string | null = null): FrameSource {
  const parts = (site: Site) => {
    const all = bodyParts(site, page);
    return part === null ? all : all.filter((entry) => entry.id === part);
  };
  return {
    has: (site) => anyPage(site, page) !== undefined,
    parts,
    html: (site) =>
      part === null
        ? bodyHtml(site, page)
        : parts(site)
            .map((entry) => entry.html)
            .join(''),
    body: (site) => {
      const { body } = pageTree(site, page);
      return { className: body.recipes.map(recipeClass).join(' '), place: body.id, page: pageMark(page) };
    },
  };
}
