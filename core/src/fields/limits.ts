/**
 * How much there may be of anything. Schema, checks before sending, server and
 * description of the API all read it here.
 */
export const LIMITS = {
  pages: 2000,
  /** Sections of a page, blocks of a section, items of a block, tokens of a kind. */
  list: 500,
  /** Values set on places, in one record. */
  overrides: 2000,
  assets: 5000,
  collections: 200,
  /** Items of a collection, and of all collections of a site. */
  items: 10_000,
  allItems: 50_000,
  /** Shared sections of a site. */
  sharedSections: 500,
  /** Swatches that follow one another, from a plain one to the last. */
  ruleDepth: 12,
  /** References that one operation turns to something else. */
  references: 200_000,
  /** Operations of one edit, and its bytes as JSON. */
  operations: 20_000,
  changeBytes: 8 * 1024 * 1024,
  /** Layout measurements that the desk sends when a site is published. */
  readings: 200_000,
  /** Edits sent at once, and bytes of what is sent. */
  changesAtOnce: 200,
  bodyBytes: 16 * 1024 * 1024,
  /** Bytes of a file: a source, a font, an exported site. */
  sourceBytes: 30 * 1024 * 1024,
  fontBytes: 10 * 1024 * 1024,
  siteFileBytes: 64 * 1024 * 1024,
} as const;
