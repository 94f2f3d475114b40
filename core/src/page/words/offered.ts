import {
  SIDES,
  fieldAt,
  keepsPoint,
  type FieldHere,
  type Href,
  type Keeps,
  type Meaning,
  type Target,
} from '../../kinds/index.ts';
import { Site, type Brand } from '../../site/index.ts';
import { hrefFrom, hrefText, linkOffers } from '../links/link-words.ts';
import type { Place } from '../tree/place.ts';

/** A field of what a place is made from, as it is offered where the place stands. */
export interface Offered {
  readonly address: readonly string[];
  readonly label: string;
  /** The value of the chosen option; empty for none. */
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  /** Returns the value to store for an option. */
  readonly kept: (value: string) => unknown;
  /**
   * Where it is typed, with what is offered, rather than chosen; `problem` says what is wrong with it, empty when
   * nothing is.
   */
  readonly typed?: { readonly offers: readonly string[]; readonly problem: (text: string) => string };
  /**
   * Where it is a point of a picture: which picture, and the point as shares of its width and height. What is typed for
   * a point is its two figures in percent.
   */
  readonly focus?: { readonly asset: string; readonly at: { readonly x: number; readonly y: number } };
}

/** Lists of the brand that something is chosen from. */
const LISTS: Partial<Record<Target, (brand: Brand) => readonly { readonly id: string; readonly label: string }[]>> = {
  style: (brand) => brand.styleOrder.map((id) => brand.styles[id]!),
  ground: (brand) => brand.groundOrder.map((id) => brand.grounds[id]!),
  variant: (brand) => brand.variantOrder.map((id) => brand.variants[id]!),
  size: (brand) => brand.sizeOrder.map((id) => brand.sizes[id]!),
  space: (brand) => brand.spaceOrder.map((id) => brand.spaces[id]!),
};

/**
 * The fields that are chosen where a place stands, by what the kinds say of their
 * fields: of a button its own, of anything else those of its block. A style is that
 * of the place itself, a ground that of a surface.
 */
export function offeredFields(site: Site, place: Place): Offered[] {
  // A picture or field that is one of several has some of it its own, and some with the others.
  const owners =
    (place.kind === 'picture' || place.kind === 'field') && place.item && place.block
      ? [place.item, ...(place.item.length === place.block.length ? [] : [place.block])]
      : [place.item ?? place.block];
  const style =
    place.kind !== 'button' && place.styled
      ? [...fieldsAt(site, place.styled.slice(0, -1))].filter(({ address }) => address.at(-1) === place.styled!.at(-1))
      : [];
  const wanted = (meaning: Meaning): boolean => {
    if (meaning.means === 'choice' || ALWAYS.has(meaning.means)) return true;
    if (shown(meaning)) return place.kind === 'picture';
    return meaning.means === 'ref' && meaning.to !== 'style' && (meaning.to !== 'ground' || place.kind === 'surface');
  };
  const others = owners
    .flatMap((owner) => (owner ? fieldsAt(site, owner) : []))
    .filter(({ field: { meaning } }) => wanted(meaning));
  return [...style, ...others].flatMap(({ field, address }) => offered(site, field, address));
}

/** The fields that every kind offers. */
const ALWAYS: ReadonlySet<Meaning['means']> = new Set(['link', 'said', 'field', 'focus']);

/** Returns true if a field shows an image or its alternative text. */
const shown = (meaning: Meaning): boolean =>
  meaning.means === 'alt' || (meaning.means === 'ref' && meaning.to === 'asset');

function fieldsAt(
  site: Site,
  owner: readonly string[],
): { readonly field: FieldHere; readonly address: readonly string[] }[] {
  const { fields } = fieldAt(Site, site, owner);
  const value = (key: string) => fields.find((field) => field.key === key)?.value;
  return fields.flatMap((field) =>
    (ALWAYS.has(field.meaning.means) ||
      shown(field.meaning) ||
      ('offered' in field.meaning && field.meaning.offered)) &&
    !(field.meaning.means === 'choice' && field.meaning.unless !== undefined && value(field.meaning.unless) === true)
      ? [{ field, address: [...owner, field.key] }]
      : [],
  );
}

function offered(site: Site, { meaning, value, empty }: FieldHere, address: readonly string[]): Offered[] {
  if (meaning.means === 'field') {
    const collection = site.collections[String(valueIn(site, [...address.slice(0, -1), meaning.of]))];
    const fields =
      collection?.fieldOrder.map((id) => collection.fields[id]!).filter(({ kind }) => meaning.kinds.includes(kind)) ??
      [];
    return [
      {
        address,
        label: meaning.label,
        value: String(value ?? ''),
        options: [{ value: '', label: 'none' }, ...fields.map(({ id, label }) => ({ value: id, label }))],
        kept: (chosen) => chosen || undefined,
      },
    ];
  }
  if (meaning.means === 'ref' && meaning.to === 'collection') {
    return [
      {
        address,
        label: meaning.label,
        value: String(value ?? ''),
        options: site.collectionOrder.map((id) => ({ value: id, label: site.collections[id]!.label })),
        kept: (chosen) => chosen,
      },
    ];
  }
  const none = empty === 'null' ? null : undefined;
  if (meaning.means === 'choice') {
    const nothing = empty === 'never' ? [] : [{ value: '', label: meaning.none }];
    return [
      {
        address,
        label: meaning.label,
        value: value === null || value === undefined ? '' : String(value),
        options: [
          ...nothing,
          ...meaning.options.map((option) => ({ value: String(option.value), label: option.label })),
        ],
        kept: (chosen) =>
          chosen === '' ? none : meaning.options.find((option) => String(option.value) === chosen)?.value,
      },
    ];
  }
  if (meaning.means === 'link') {
    const href = value as Href | null | undefined;
    return [
      {
        address,
        label: 'Link to',
        value: href ? hrefText(site, href) : '',
        options: [],
        kept: (typed) => hrefFrom(site, typed),
        typed: {
          offers: linkOffers(site),
          problem: (typed) => {
            const read = hrefFrom(site, typed);
            return typeof read === 'string' ? read : '';
          },
        },
      },
    ];
  }
  if (meaning.means === 'said') {
    const { many, most, label } = meaning;
    const now = many ? (Array.isArray(value) ? value.join(', ') : '') : typeof value === 'string' ? value : '';
    const lines = (typed: string) => [
      ...new Set(
        typed
          .split(',')
          .map((name) => name.trim())
          .filter((name) => name !== ''),
      ),
    ];
    const problem = (typed: string) =>
      !many
        ? typed.length > most
          ? `${typed.length} characters; at most ${most}.`
          : ''
        : lines(typed).length > most
          ? `${lines(typed).length} choices; at most ${most}.`
          : lines(typed).some((line) => line.length > 80)
            ? 'A choice has at most 80 characters. Separate choices with commas.'
            : '';
    return [
      {
        address,
        label: many ? `${label}, separated by commas` : label,
        value: now,
        options: [],
        kept: (typed) => (many ? lines(typed) : typed === '' ? none : typed),
        typed: { offers: [], problem },
      },
    ];
  }
  if (meaning.means === 'focus') {
    const keeps = value as Keeps | undefined;
    const asset = valueIn(site, [...address.slice(0, -1), 'asset']);
    return [
      {
        address,
        label: meaning.label,
        value: keepsText(keeps),
        options: [],
        ...(typeof asset === 'string' && site.assets[asset] ? { focus: { asset, at: keepsPoint(keeps) } } : {}),
        kept: (typed) => {
          const read = keepsFrom(typed);
          return typeof read === 'object' ? read.keeps : undefined;
        },
        typed: {
          offers: [MIDDLE, ...SIDES.map((side) => `its ${side}`)],
          problem: (typed) => {
            const read = keepsFrom(typed);
            return typeof read === 'string' ? read : '';
          },
        },
      },
    ];
  }
  if (meaning.means === 'alt') {
    const alt = typeof value === 'string' ? value : '';
    return [
      {
        address,
        label: 'Alternative text',
        value: alt,
        options: [],
        kept: (typed) => typed,
        typed: { offers: [], problem: altProblem },
      },
    ];
  }
  if (meaning.means === 'ref' && meaning.to === 'asset') {
    const options = Object.values(site.assets)
      .map(({ id, name }) => ({ value: id, label: name }))
      .sort((entry, other) => entry.label.localeCompare(other.label));
    return [{ address, label: meaning.label, value: String(value ?? ''), options, kept: (chosen) => chosen }];
  }
  const list = meaning.means === 'ref' ? LISTS[meaning.to] : undefined;
  if (!list || meaning.means !== 'ref') return [];
  return [
    {
      address,
      label: meaning.label,
      value: String(value ?? ''),
      options: list(site.brand).map(({ id, label }) => ({ value: id, label })),
      kept: (chosen) => chosen || none,
    },
  ];
}

const MIDDLE = 'its middle';

/** Returns the crop focus in words. */
function keepsText(keeps: Keeps | undefined): string {
  if (keeps === undefined) return MIDDLE;
  return typeof keeps === 'string'
    ? `its ${keeps}`
    : `${Math.round(keeps.x * 100)} % from left, ${Math.round(keeps.y * 100)} % from top`;
}

/** Returns the typed crop focus, or a sentence with the problem. */
function keepsFrom(typed: string): { readonly keeps: Keeps | undefined } | string {
  const words = typed
    .trim()
    .toLowerCase()
    .replace(/^(its|the) /, '');
  if (words === '' || words === 'middle' || words === 'center' || words === 'centre') return { keeps: undefined };
  const side = SIDES.find((name) => name === words);
  if (side) return { keeps: side };
  const figures = /^(\d+(?:[.]\d+)?)\s*%?\s*(?:from left)?\s*[,;\s]\s*(\d+(?:[.]\d+)?)\s*%?\s*(?:from top)?$/
    .exec(words)
    ?.slice(1)
    .map(Number);
  if (!figures || figures.some((figure) => figure > 100))
    return 'Type a side, or two numbers from 0 to 100 for left and top, such as 30, 20.';
  return { keeps: { x: figures[0]! / 100, y: figures[1]! / 100 } };
}

/** Longest alternative text that is read out without tiring, characters. */
const MOST_ALT = 250;

/** Returns the problem of an alternative text; empty if there is none. An empty text marks an ornament. */
export function altProblem(text: string): string {
  if (/\.(jpe?g|png|webp|gif|svg|avif)$/i.test(text.trim()))
    return 'This is a file name. Describe the image, or leave the field empty for an ornament.';
  if (text.length > MOST_ALT)
    return `${text.length} characters; at most ${MOST_ALT}, which screen readers read in one go. Put the rest in a caption.`;
  return '';
}

function valueIn(site: Site, address: readonly string[]): unknown {
  return address.reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], site);
}
