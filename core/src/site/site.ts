import * as v from 'valibot';
import {
  byField,
  byId,
  Hex,
  Id,
  Label,
  LIMITS,
  Order,
  PageOrder,
  PathSegment,
  ranged,
  record,
  text,
} from '../fields/index.ts';
import { asLine, asOrder, Content, Href, nameOf, orderOf, refTo } from '../kinds/index.ts';
import { BANDS } from '../breakpoint/index.ts';
import { Brand } from './brand.ts';
import { Collection, Item } from './collection.ts';
import { Download } from './download.ts';
import { Section } from './section.ts';
import { Logo } from './logo.ts';
import { Override } from './override.ts';
import { SCHEMA_VERSION } from './versions/chain.ts';

/** The settings of a section on this page only. */
const onThisPage = {
  /** The anchor of the section; unique on the page. */
  anchor: v.optional(PathSegment),
  /** Widths at which it is not shown. */
  hidden: v.optional(
    v.pipe(
      v.array(v.picklist(BANDS.map(({ id }) => id))),
      v.minLength(1),
      v.maxLength(BANDS.length - 1, 'must leave a width at which the section is shown'),
    ),
  ),
};

/** A section on a page: its own, or a reference to a shared one. */
export const SectionEntry = byField([
  ['shared', v.strictObject({ id: Id, shared: refTo('section', 'Shared section'), ...onThisPage })],
  [null, v.strictObject({ id: Id, own: Section, ...onThisPage })],
]);
export type SectionEntry = v.InferOutput<typeof SectionEntry>;

/** The name of a page's file. */
const PageFile = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(?:-[a-z0-9]+)*\.html$/, 'must look like "fares.html"'),
  v.maxLength(80),
  v.check((file) => file !== 'specimen.html', 'is reserved for the specimen'),
);
/** A language by its tag (BCP 47). */
const Language = v.pipe(
  v.string(),
  v.regex(/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/, 'must be a language tag like en or pt-BR'),
);

export const Page = v.strictObject({
  id: Id,
  title: Label,
  description: text(300),
  /** File name in the export; the page with `index.html` is the home page. */
  file: PageFile,
  /** Addresses it had while it was live, which lead on to it. */
  former: v.optional(v.pipe(v.array(PageFile), v.minLength(1), v.maxLength(LIMITS.list))),
  /** The page it stands under; that one stands under none. */
  under: v.optional(refTo('page', 'Under')),
  /** Absent: that of the site. */
  language: v.optional(Language),
  /** Search engines are asked not to list it. */
  unlisted: v.optional(v.literal(true)),
  /** The sharing image. */
  picture: v.optional(refTo('asset', 'Sharing image')),
  /** Kept sections that stand in place of what all pages share. */
  header: v.optional(refTo('section', 'Header of this page')),
  footer: v.optional(refTo('section', 'Footer of this page')),
  /** The missing ones of the two. */
  without: v.optional(v.pipe(v.array(v.picklist(['header', 'footer'])), v.minLength(1), v.maxLength(2))),
  sectionOrder: orderOf('sections'),
  sections: byId(SectionEntry),
  overrides: byId(Override, LIMITS.overrides),
});
export type Page = v.InferOutput<typeof Page>;

/**
 * An entry of the menu: its words, and where it leads. `under` another it is shown once
 * that one is opened; one with entries under it leads where it did from within.
 * `look`: it is a button.
 */
export const MenuItem = v.strictObject({
  id: Id,
  label: nameOf('menu'),
  link: Href,
  under: v.optional(Id),
  look: v.optional(v.strictObject({ variant: refTo('variant', 'Variant'), size: refTo('size', 'Size') })),
});
export type MenuItem = v.InferOutput<typeof MenuItem>;

export const Header = v.pipe(
  v.strictObject({
    id: Id,
    ground: refTo('ground', 'Background', true),
    name: asLine(Label, null),
    menuStyle: refTo('style', 'Style of the menu', true),
    nameStyle: refTo('style', 'Style of the name', true),
    order: orderOf('items'),
    items: byId(MenuItem),
    /** How name and menu stand; absent: beside each other. */
    arrangement: v.optional(v.picklist(['centred', 'below'])),
    /** It stays in sight while the page is scrolled. */
    stays: v.optional(v.literal(true)),
    /**
     * Where the first section of a page has a picture behind it, it lies over that, on no ground of its own; there it
     * does not stay.
     */
    over: v.optional(v.literal(true)),
    /** The label of the button that opens the menu on phones, if the menu is collapsed; absent: the menu wraps. */
    fold: v.optional(nameOf('menu')),
    /** A line above name and menu that everybody should read. */
    notice: v.optional(
      v.strictObject({
        ground: refTo('ground', 'Background of the notice', true),
        style: refTo('style', 'Style of the notice', true),
        content: Content,
      }),
    ),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const { items } = dataset.value;
    for (const item of Object.values(items)) {
      if (item.under === undefined) continue;
      const above = Object.hasOwn(items, item.under) ? items[item.under]! : undefined;
      const wrong = !above
        ? `is under “${item.under}”, which is not an entry`
        : above === item || above.under !== undefined
          ? 'can only be indented one level'
          : above.look
            ? 'cannot be under a button'
            : '';
      if (wrong)
        addIssue({
          message: wrong,
          path: [
            { type: 'object', origin: 'value', input: dataset.value, key: 'items', value: items },
            { type: 'object', origin: 'value', input: items, key: item.id, value: item },
            { type: 'object', origin: 'value', input: item, key: 'under', value: item.under },
          ],
        });
    }
  }),
);
export type Header = v.InferOutput<typeof Header>;

/** The parts that all pages share. */
export const Shared = v.strictObject({
  header: Header,
  footer: Section,
  sections: byId(Section, LIMITS.sharedSections),
  overrides: byId(Override, LIMITS.overrides),
  logo: v.optional(Logo),
});
export type Shared = v.InferOutput<typeof Shared>;

/** A side of a picture, px. */
const side = v.pipe(v.number(), v.finite(), v.gtValue(0, 'must be more than 0'), v.maxValue(100_000));

/** A picture or file known to the site; its bytes are kept apart, by content hash. */
export const Asset = v.strictObject({
  id: Id,
  name: Label,
  hash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  type: v.picklist(['image/svg+xml', 'image/png', 'image/jpeg', 'image/webp']),
  width: side,
  height: side,
  /**
   * Its colours as they were read: flat ones of a drawing, the palette of a picture; with their share of it, 0 to 1.
   */
  colors: v.optional(v.pipe(v.array(v.strictObject({ hex: Hex, share: ranged('share') })), v.maxLength(64))),
  /** Flat colours of a drawing that follow a swatch, by the hex they are drawn in. */
  bound: v.optional(
    v.pipe(
      record(Hex, refTo('swatch', 'Swatch')),
      v.check((bound) => Object.keys(bound).length <= 12, 'can follow at most 12 swatches'),
    ),
  ),
});
export type Asset = v.InferOutput<typeof Asset>;

export const Site = v.strictObject({
  schemaVersion: v.literal(SCHEMA_VERSION),
  id: Id,
  name: Label,
  language: Language,
  brand: Brand,
  shared: Shared,
  assets: byId(Asset, LIMITS.assets),
  downloads: byId(Download, LIMITS.assets),
  pageOrder: asOrder(PageOrder, 'pages'),
  pages: byId(Page, LIMITS.pages),
  collections: byId(Collection, LIMITS.collections),
  collectionOrder: asOrder(Order, 'collections'),
  items: byId(Item, LIMITS.allItems),
});
export type Site = v.InferOutput<typeof Site>;

/** The home page: the one whose file is `index.html`. */
export function homePage(site: Site): Page | undefined {
  return Object.values(site.pages).find((page) => page.file === 'index.html');
}

/** The section behind an entry, shared or own; undefined when a reference leads nowhere. */
export function sectionOf(site: Site, entry: SectionEntry): Section | undefined {
  return 'shared' in entry ? site.shared.sections[entry.shared] : entry.own;
}
