import { Block, mapFields, type Target } from '../kinds/index.ts';
import { namingField } from '../collections/index.ts';
import type { Section, Site } from '../site/index.ts';
import { stylesByRole } from '../style/index.ts';
import type { SectionKind } from './section-kind.ts';

type Roles = Partial<Record<Target, Readonly<Record<string, string | undefined>>>>;

/** Returns the ids of a site that fill the roles of a kind of section. */
function rolesOf({ brand, pageOrder, assets, downloads, shared, collectionOrder }: Site): Roles {
  const ofTheLogo = new Set(Object.values(shared.logo?.forms ?? {}).map((form) => form.asset));
  return {
    style: { ...stylesByRole(brand) },
    ground: { plain: brand.groundOrder[0], other: brand.groundOrder[1] ?? brand.groundOrder[0] },
    variant: { main: brand.variantOrder[0], other: brand.variantOrder[1] ?? brand.variantOrder[0] },
    size: { middle: brand.sizeOrder[Math.floor((brand.sizeOrder.length - 1) / 2)] },
    page: { home: pageOrder[0] },
    // A picture of the site stands in until the right one is chosen.
    asset: { picture: Object.keys(assets).find((id) => !ofTheLogo.has(id)) },
    download: { first: Object.keys(downloads)[0] },
    collection: { first: collectionOrder[0] },
  };
}

/** The field of a collection that fills a role there: what names an item, or the first of a kind. */
function fieldFor({ collections, collectionOrder }: Site, role: string): string | undefined {
  const of = collections[collectionOrder[0] ?? ''];
  return of && (role === 'naming' ? namingField(of) : of.fieldOrder.find((id) => of.fields[id]!.kind === role));
}

/** A block without the fields that nothing fills. */
const without = (block: Block): Block =>
  Object.fromEntries(Object.entries(block).filter(([, value]) => value !== undefined)) as Block;

/** The blocks of a kind with its roles filled in; a role there is none of is told, not thrown. */
function filled(
  site: Site,
  roles: Roles,
  kind: SectionKind,
  ids: (count: number) => string,
  missing: (to: Target, role: string) => string,
): Block[][] {
  let count = 0;
  return kind.columns.map((blocks) =>
    blocks.map((block): Block =>
      without(
        mapFields(Block, { ...block, id: ids(++count) }, (meaning, value) => {
          if (meaning.means === 'field') return value === undefined ? undefined : fieldFor(site, String(value));
          return meaning.means === 'ref'
            ? (roles[meaning.to]?.[String(value)] ?? missing(meaning.to, String(value)))
            : value;
        }),
      ),
    ),
  );
}

/** Returns true if a site has all that a kind of section shows: one with pictures needs a picture. */
export function canLayIn(site: Site, kind: SectionKind): boolean {
  let all = true;
  filled(
    site,
    rolesOf(site),
    kind,
    (count) => `b${count}`,
    () => {
      all = false;
      return 'none';
    },
  );
  return all;
}

/** How a kind is laid in. */
export interface LaidIn {
  /** True if the page has its first heading already: then that of an opener is one of the second level. */
  readonly headed?: boolean;
  /** The text of its first heading in place of its own: the title of a page without a heading. */
  readonly title?: string;
}

/**
 * A section of a kind, in the site's own styles, on the ground it names with the
 * site's first padding of sections.
 *
 * @param id the section's; its blocks are called `id-b1`, `id-b2`, … in their order
 * @throws RangeError when the kind names a role that there is none of
 */
export function layIn(site: Site, kind: SectionKind, id: string, { headed = false, title }: LaidIn = {}): Section {
  const { brand } = site;
  const roles = rolesOf(site);
  const columns = filled(
    site,
    roles,
    kind,
    (count) => `${id}-b${count}`,
    (to, role) => {
      throw new RangeError(`The kind of section “${kind.id}” names ${to} “${role}”, which is not a role.`);
    },
  ).map((blocks) =>
    blocks.map((block): Block => {
      if (block.kind !== 'text' || block.level !== 1) return block;
      return headed
        ? { ...block, level: 2, style: stylesByRole(brand).heading }
        : title === undefined
          ? block
          : { ...block, content: [{ text: title }] };
    }),
  );
  return {
    id,
    label: kind.label,
    ground: roles.ground![kind.ground ?? 'plain']!,
    space: brand.spaceOrder.find((space) => brand.spaces[space]!.use === 'section')!,
    picture: null,
    ...(kind.arrangement === undefined ? {} : { arrangement: kind.arrangement }),
    columnOrder: columns.map((_, i) => `col${i + 1}`),
    columns: Object.fromEntries(
      columns.map((blocks, i) => [`col${i + 1}`, { id: `col${i + 1}`, order: blocks.map((block) => block.id) }]),
    ),
    blocks: Object.fromEntries(columns.flat().map((block) => [block.id, block])),
  };
}
