import { deltaERgb, parseColor } from '../color/index.ts';
import { Block, mapFields, walk, type Target } from '../kinds/index.ts';
import {
  SCHEMA_VERSION,
  Section,
  literalCss,
  type Asset,
  type Download,
  type Override,
  type Site,
} from '../site/index.ts';
import { resolveToken, rolePath, styleSizeAt, tokenTable } from '../style/index.ts';

/** The parts of a brand that a section refers to and that another brand may lack. */
const ASKED = ['style', 'ground', 'variant', 'size', 'space'] as const;
type Asked = (typeof ASKED)[number];

/** How something looks that a section names: enough to find its like in another brand. */
interface Look {
  readonly label: string;
  readonly use?: string;
  readonly levels?: readonly number[];
  /** px at the wide end, or of a space on desktops. */ readonly size?: number;
  /** Background, as a CSS colour. */ readonly color?: string;
}

/** A value that is set on a place of a section. */
interface ClippedValue extends Omit<Override, 'id' | 'place'> {
  /** The section or the block whose place it is set on, by its id within the section; and which of its places. */
  readonly owner: string;
  readonly part: string;
  /** The computed value, for a brand without that token. */
  readonly css: string;
}

/** A section copied from a site, with what it names there. */
export interface SectionClip {
  readonly clip: 'section';
  readonly schemaVersion: number;
  readonly site: string;
  readonly section: Section;
  readonly looks: Readonly<Record<Asked, Readonly<Record<string, Look>>>>;
  readonly assets: Readonly<Record<string, Asset>>;
  readonly downloads: Readonly<Record<string, Download>>;
  readonly pages: Readonly<Record<string, string>>;
  readonly collections: Readonly<Record<string, string>>;
  /** Absent in what was copied before values went along. */
  readonly values?: readonly ClippedValue[];
}

function lookOf({ brand }: Site, target: Asked, id: string): Look | undefined {
  switch (target) {
    case 'style': {
      const style = brand.styles[id];
      return (
        style && {
          label: style.label,
          use: style.use,
          levels: style.levels,
          size: styleSizeAt(brand, style, brand.scale.large.width),
        }
      );
    }
    case 'ground':
      return (
        brand.grounds[id] && {
          label: brand.grounds[id].label,
          color: resolveToken(tokenTable(brand), rolePath(brand, brand.grounds[id], 'background')).css,
        }
      );
    case 'variant':
      return brand.variants[id] && { label: brand.variants[id].label };
    case 'size':
      return brand.sizes[id] && { label: brand.sizes[id].label, size: brand.sizes[id].padX };
    case 'space':
      return (
        brand.spaces[id] && {
          label: brand.spaces[id].label,
          use: brand.spaces[id].use,
          size: brand.spaces[id].values.desktop,
        }
      );
  }
}

const listOf = ({ brand }: Site, target: Asked): readonly string[] =>
  ({
    style: brand.styleOrder,
    ground: brand.groundOrder,
    variant: brand.variantOrder,
    size: brand.sizeOrder,
    space: brand.spaceOrder,
  })[target];

/** Returns the overrides of a section, on this page and everywhere. */
function valuesOf(
  { brand, shared, pages }: Site,
  section: Section,
  { page, entry }: { readonly page: string; readonly entry: string },
): ClippedValue[] {
  const table = tokenTable(brand);
  const source = pages[page]?.sections[entry];
  const kept = source && 'shared' in source;
  const of = (values: Readonly<Record<string, Override>>, prefix: string): ClippedValue[] =>
    Object.values(values).flatMap(({ id: _id, place, ...candidate }) => {
      const [owner = '', ...part] = place.split('/');
      const known = owner.startsWith(prefix) ? owner.slice(prefix.length) : '';
      if (known !== section.id && !Object.hasOwn(section.blocks, known)) return [];
      return [
        {
          ...candidate,
          owner: known,
          part: part.join('/'),
          css: candidate.value.kind === 'literal' ? candidate.value.css : resolveToken(table, candidate.value.path).css,
        },
      ];
    });
  // Overrides that apply everywhere come first, so that overrides of this page win.
  return [
    ...(kept ? of(shared.overrides, `${source.shared}:`) : []),
    ...of(pages[page]?.overrides ?? {}, kept ? `${entry}:` : ''),
  ];
}

/**
 * Takes a section along, to be laid in on another page or in another site.
 *
 * @param at where it stands: what is set on its places there goes with it
 */
export function clipSection(
  site: Site,
  section: Section,
  at?: { readonly page: string; readonly entry: string },
): SectionClip {
  const looks: Record<Asked, Record<string, Look>> = { style: {}, ground: {}, variant: {}, size: {}, space: {} };
  const [assets, downloads, pages, collections]: [
    Record<string, Asset>,
    Record<string, Download>,
    Record<string, string>,
    Record<string, string>,
  ] = [{}, {}, {}, {}];
  walk(Section, section, (meaning, value) => {
    if (meaning.means !== 'ref' || typeof value !== 'string') return;
    if (meaning.to === 'asset' && site.assets[value]) {
      const { bound: _bound, ...asset } = site.assets[value];
      assets[value] = asset;
    } else if (meaning.to === 'download' && site.downloads[value]) downloads[value] = site.downloads[value];
    else if (meaning.to === 'page' && site.pages[value]) pages[value] = site.pages[value].file;
    else if (meaning.to === 'collection' && site.collections[value]) collections[value] = site.collections[value].label;
    else if (isAsked(meaning.to)) {
      const look = lookOf(site, meaning.to, value);
      if (look) looks[meaning.to][value] = look;
    }
  });
  return {
    clip: 'section',
    schemaVersion: SCHEMA_VERSION,
    site: site.id,
    section,
    looks,
    assets,
    downloads,
    pages,
    collections,
    values: at ? valuesOf(site, section, at) : [],
  };
}

const isAsked = (target: Target): target is Asked => (ASKED as readonly string[]).includes(target);

/** Something that a section names, with its like here: `sure` where name or look say so, else it is asked about. */
export interface Match {
  readonly target: Asked;
  readonly from: string;
  readonly label: string;
  readonly to: string;
  readonly sure: boolean;
}

/**
 * The like of everything a section names in a brand. In the site it comes from it is what it was, as long as that is
 * there.
 */
export function matchClip(site: Site, clip: SectionClip): Match[] {
  return ASKED.flatMap((target) =>
    Object.entries(clip.looks[target]).map(([from, look]): Match => {
      const all = listOf(site, target).map((id) => ({ id, look: lookOf(site, target, id)! }));
      if (clip.site === site.id && all.some(({ id }) => id === from))
        return { target, from, label: look.label, to: from, sure: true };
      const named = all.find(
        (entry) => entry.look.label.toLowerCase() === look.label.toLowerCase() && entry.look.use === look.use,
      );
      if (named) return { target, from, label: look.label, to: named.id, sure: true };
      const ranked = all
        .map((entry) => ({ ...entry, away: distance(look, entry.look) }))
        .sort((entry, other) => entry.away - other.away);
      return { target, from, label: look.label, to: ranked[0]!.id, sure: ranked[0]!.away < NEAR };
    }),
  );
}

/** Nearer than this two look alike. */
const NEAR = 0.12;

/**
 * How far two looks are from each other; colours by ΔE OK, sizes by the logarithm of their ratio, what they are for
 * counts most.
 */
function distance(look: Look, other: Look): number {
  const use = look.use === other.use ? 0 : 1;
  const levels =
    (look.levels ?? []).some((level) => other.levels?.includes(level)) ||
    (look.levels ?? []).length === (other.levels ?? []).length
      ? 0
      : 0.4;
  const size =
    look.size === undefined || other.size === undefined
      ? look.color === undefined
        ? 0.3
        : 0
      : Math.abs(Math.log(Math.max(1, look.size) / Math.max(1, other.size)));
  const [from, to] = [look.color, other.color].map((color) =>
    color === undefined ? undefined : parseColor(color)?.rgb,
  );
  return use + levels + size + (from && to ? deltaERgb(from, to) : 0);
}

/** The section that a copied section becomes in a site. */
export interface FromClip {
  readonly section: Section;
  readonly assets: readonly Asset[];
  readonly downloads: readonly Download[];
  /** The overrides of its places. */ readonly values: readonly Override[];
  /** The parts that could not be copied, in words. */ readonly left: readonly string[];
}

/**
 * The section of a clip as one of this site.
 *
 * @param choices what is taken for what, by `target from`; the matches where nothing is said
 * @param id of the section; its blocks are called `id-b1`, …
 */
export function fromClip(
  site: Site,
  clip: SectionClip,
  id: string,
  choices: Readonly<Record<string, string>> = {},
): FromClip {
  const to = new Map(
    matchClip(site, clip).map((match) => [
      `${match.target} ${match.from}`,
      choices[`${match.target} ${match.from}`] ?? match.to,
    ]),
  );
  const files = new Map(Object.values(site.pages).map((page) => [page.file, page.id]));
  const labels = new Map(
    Object.values(site.collections).map((collection) => [collection.label.toLowerCase(), collection.id]),
  );
  const assets = new Map<string, Asset>();
  const downloads = new Map<string, Download>();
  const left: string[] = [];
  // The same bytes are the file that the site has; another file of the same name takes its hash into its id.
  const brought = <F extends { readonly id: string; readonly hash: string }>(
    named: string,
    along: Readonly<Record<string, F>>,
    has: Readonly<Record<string, F>>,
    taken: Map<string, F>,
  ): string => {
    const file = along[named];
    if (!file) return named;
    const id =
      Object.values(has).find((entry) => entry.hash === file.hash)?.id ??
      (Object.hasOwn(has, named) ? `${named.slice(0, 50)}-${file.hash.slice(0, 6)}` : named);
    if (!Object.hasOwn(has, id)) taken.set(id, { ...file, id });
    return id;
  };
  const turned = <T>(schema: typeof Section | typeof Block, value: T): T =>
    mapFields(schema as never, value, (meaning, entry) => {
      if (meaning.means !== 'ref' || typeof entry !== 'string') return entry;
      if (meaning.to === 'asset') return brought(entry, clip.assets, site.assets, assets);
      if (meaning.to === 'download') return brought(entry, clip.downloads, site.downloads, downloads);
      if (meaning.to === 'page')
        return clip.site === site.id && Object.hasOwn(site.pages, entry)
          ? entry
          : (files.get(clip.pages[entry] ?? '') ?? files.get('index.html')!);
      if (meaning.to === 'collection')
        return clip.site === site.id && Object.hasOwn(site.collections, entry)
          ? entry
          : (labels.get((clip.collections[entry] ?? '').toLowerCase()) ?? entry);
      return to.get(`${meaning.to} ${entry}`) ?? entry;
    });
  const kept = Object.keys(clip.section.blocks).filter((block) => {
    const entry = clip.section.blocks[block]!;
    const lost =
      entry.kind === 'items' &&
      !(clip.site === site.id && Object.hasOwn(site.collections, entry.collection)) &&
      !labels.has((clip.collections[entry.collection] ?? '').toLowerCase());
    if (lost)
      left.push(
        `the list of ${clip.collections[(entry as { collection: string }).collection] ?? 'a collection'}, which is not on this site`,
      );
    return !lost && !(entry.kind === 'logo' && !site.shared.logo);
  });
  const renamed = new Map(kept.map((block, i) => [block, `${id}-b${i + 1}`]));
  const section = turned(Section, {
    ...clip.section,
    id,
    columns: Object.fromEntries(
      Object.entries(clip.section.columns).map(([key, column]) => [
        key,
        { ...column, order: column.order.flatMap((block) => renamed.get(block) ?? []) },
      ]),
    ),
    blocks: Object.fromEntries(
      kept.map((block) => [renamed.get(block)!, { ...clip.section.blocks[block]!, id: renamed.get(block)! }]),
    ),
  });
  const table = tokenTable(site.brand);
  const values = (clip.values ?? []).flatMap(({ owner, part, css, ...entry }, i): Override[] => {
    const now = owner === clip.section.id ? id : renamed.get(owner);
    if (now === undefined) return [];
    const place = { id: `${id}-o${i + 1}`, place: `${now}/${part}` };
    if (entry.value.kind === 'literal' || table.has(entry.value.path)) return [{ ...entry, ...place }];
    // A token that this brand does not have comes as what it was there, and is counted as a raw value.
    const literal = literalCss(entry.property, css);
    if (literal === undefined)
      left.push(`${entry.property} set to ${entry.value.path}, which this brand does not have`);
    return literal === undefined
      ? []
      : [{ ...entry, ...place, origin: 'pasted', reason: null, value: { kind: 'literal', css: literal } }];
  });
  return { section, assets: [...assets.values()], downloads: [...downloads.values()], values, left };
}

/** A clip as it was kept somewhere; undefined for anything else, or one of another version. */
export function readClip(text: string | null): SectionClip | undefined {
  try {
    const clip = JSON.parse(text ?? '') as Partial<SectionClip> | null;
    return clip?.clip === 'section' && clip.schemaVersion === SCHEMA_VERSION && clip.section && clip.looks
      ? (clip as SectionClip)
      : undefined;
  } catch {
    return undefined;
  }
}
