import { fieldAt, type FieldHere, type Href, type Target } from '../kinds/index.ts';
import { Site, type Brand } from '../site/index.ts';
import type { Place } from './place.ts';

/** A field of what a place is made from, as it is offered where the place stands. */
export interface Offered {
  readonly address: readonly string[];
  readonly label: string;
  /** What stands there, as the value of one of the options; empty for none. */
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  /** What is kept when an option is chosen. */
  readonly kept: (value: string) => unknown;
}

/** Lists of the brand that something is chosen from. */
const LISTS: Partial<Record<Target, (brand: Brand) => readonly { readonly id: string; readonly label: string }[]>> = {
  style: (brand) => brand.styleOrder.map((id) => brand.styles[id]!), ground: (brand) => brand.groundOrder.map((id) => brand.grounds[id]!),
  variant: (brand) => brand.variantOrder.map((id) => brand.variants[id]!), size: (brand) => brand.sizeOrder.map((id) => brand.sizes[id]!),
};

/**
 * The fields that are chosen where a place stands, by what the kinds say of their
 * fields: of a button its own, of anything else those of its block. A style is that
 * of the place itself, a ground that of a surface.
 */
export function offeredFields(site: Site, place: Place): Offered[] {
  const owner = place.item ?? place.block;
  const style = place.item === null && place.styled ? [...fieldsAt(site, place.styled.slice(0, -1))].filter(({ address }) => address.at(-1) === place.styled!.at(-1)) : [];
  const others = owner ? fieldsAt(site, owner).filter(({ field: { meaning } }) => meaning.means === 'choice' || meaning.means === 'link' || (meaning.means === 'ref' && meaning.to !== 'style' && (meaning.to !== 'ground' || place.kind === 'surface'))) : [];
  return [...style, ...others].flatMap(({ field, address }) => offered(site, field, address));
}

function fieldsAt(site: Site, owner: readonly string[]): { readonly field: FieldHere; readonly address: readonly string[] }[] {
  const { fields } = fieldAt(Site, site, owner);
  const value = (key: string) => fields.find((one) => one.key === key)?.value;
  return fields.flatMap((field) => ((field.meaning.means === 'link' || ('offered' in field.meaning && field.meaning.offered)) && !(field.meaning.means === 'choice' && field.meaning.unless !== undefined && value(field.meaning.unless) === true) ? [{ field, address: [...owner, field.key] }] : []));
}

function offered(site: Site, { meaning, value, empty }: FieldHere, address: readonly string[]): Offered[] {
  const none = empty === 'null' ? null : undefined;
  if (meaning.means === 'choice') {
    const nothing = empty === 'never' ? [] : [{ value: '', label: meaning.none }];
    return [{
      address, label: meaning.label, value: value === null || value === undefined ? '' : String(value), options: [...nothing, ...meaning.options.map((one) => ({ value: String(one.value), label: one.label }))],
      kept: (chosen) => (chosen === '' ? none : meaning.options.find((one) => String(one.value) === chosen)?.value),
    }];
  }
  if (meaning.means === 'link') {
    // An address elsewhere is typed where the words are written; here it stays among the pages until another is chosen.
    const href = value as Href | null | undefined;
    const url = href?.to === 'url' ? href.url : undefined;
    const pages = site.pageOrder.map((id) => ({ value: id, label: site.pages[id]!.title }));
    return [{ address, label: 'Leads to', value: href?.to === 'page' ? href.page : (url ?? ''), options: url === undefined ? pages : [{ value: url, label: url }, ...pages], kept: (chosen) => (chosen === url ? href : { to: 'page', page: chosen }) }];
  }
  const list = meaning.means === 'ref' ? LISTS[meaning.to] : undefined;
  if (!list || meaning.means !== 'ref') return [];
  return [{ address, label: meaning.label, value: String(value ?? ''), options: list(site.brand).map(({ id, label }) => ({ value: id, label })), kept: (chosen) => chosen || none }];
}
