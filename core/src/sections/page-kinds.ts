import type { SectionKind } from './section-kind.ts';
import { SECTION_KINDS } from './section-kinds.ts';

/**
 * A kind of page that a designer begins with, as data: what it is called at first, and its sections in order. Each
 * begins with an opener.
 */
export interface PageKind {
  readonly id: string;
  readonly label: string;
  /** Title of the first page that is made of it. */
  readonly title: string;
  readonly sections: readonly SectionKind[];
}

const K = SECTION_KINDS;
const kind = (id: string, label: string, title: string, ...sections: readonly SectionKind[]): PageKind => ({
  id,
  label,
  title,
  sections,
});

/**
 * The kinds of page there are. A second level stands in each from the start: what the footer has below it skips none.
 */
export const PAGE_KINDS = {
  plain: kind('plain', 'Plain', 'New page', K.opener, K.text),
  home: kind('home', 'Home', 'Welcome', K['opener-act'], K.cards, K['text-picture'], K.call),
  list: kind('list', 'List', 'Overview', K.opener, K['list-pictures'], K.call),
  item: kind('item', 'Item page', 'Item', K.opener, K['text-picture'], K.gallery, K.call),
  article: kind('article', 'Article', 'Article', K['opener-narrow'], K.text, K['picture-wide'], K.text, K.quotes),
  contact: kind('contact', 'Contact', 'Contact', K.opener, K.contact, K.form, K.hours),
} as const satisfies Readonly<Record<string, PageKind>>;
