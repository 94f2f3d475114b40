import { plainText, type Inline } from '../kinds/index.ts';
import type { Site } from '../site/index.ts';
import type { Place } from './place.ts';
import { pageTree } from './tree.ts';

/** The site's own words to set samples in: a brand is judged in the words and letters that it is for. */
export interface OwnWords {
  /** The first heading of the home page, whole. */
  readonly title: string;
  /** The first running text of the home page, whole. */
  readonly sentence: string;
  /** A few letters of each, for a sample among many; the plain name of what it is where the first pages have none. */
  readonly short: Readonly<Record<Sampled, string>>;
}
type Sampled = 'eyebrow' | 'heading' | 'text' | 'link' | 'secondary' | 'button';

/** Most characters of a short sample, and what stands there where a site says nothing of the kind. */
const SHORT: Readonly<Record<Sampled, readonly [number, string]>> = { eyebrow: [10, 'Eyebrow'], heading: [8, 'Heading'], text: [14, 'Running text'], link: [11, 'a link'], secondary: [12, 'Secondary'], button: [9, 'Button'] };
/** Pages that are looked through, the home page first: each has to be built for it. */
const PAGES = 4;

const words = new WeakMap<Site['pages'], { readonly styles: Site['brand']['styles']; readonly found: OwnWords }>();

/** Words of a site, the same while no page and no style changes. */
export function ownWords(site: Site): OwnWords {
  const known = words.get(site.pages);
  if (known?.styles === site.brand.styles) return known.found;
  const home = site.pageOrder.find((id) => site.pages[id]!.file === 'index.html') ?? site.pageOrder[0]!;
  const places = [home, ...site.pageOrder.filter((id) => id !== home)].slice(0, PAGES).flatMap((id) => pageTree(site, id).places);
  const styleOf = (place: Place) => (place.kind === 'text' && place.style ? site.brand.styles[place.style] : undefined);
  const said = (wanted: (place: Place) => boolean, place = places.find((one) => one.page === home && wanted(one))) => (place && wordsOf(site, place)) || undefined;
  const short = (sampled: Sampled, wanted: (place: Place) => boolean): string => {
    const [most, otherwise] = SHORT[sampled];
    const texts = places.filter(wanted).map((place) => wordsOf(site, place));
    return texts.find((text) => text !== '' && text.length <= most) ?? texts.map((text) => cutShort(text, most)).find((text) => text !== '') ?? otherwise;
  };
  const found: OwnWords = {
    title: said((place) => styleOf(place)?.use === 'heading') ?? site.name,
    sentence: said((place) => styleOf(place)?.use === 'running') ?? 'A sentence of running text, as long as most of them are.',
    short: {
      eyebrow: short('eyebrow', (place) => styleOf(place)?.role === 'eyebrow'), heading: short('heading', (place) => styleOf(place)?.role === 'heading'),
      text: short('text', (place) => styleOf(place)?.use === 'running'), link: short('link', (place) => place.kind === 'link'),
      secondary: short('secondary', (place) => styleOf(place)?.role === 'secondary'), button: short('button', (place) => place.kind === 'button'),
    },
  };
  words.set(site.pages, { styles: site.brand.styles, found });
  return found;
}

/** What a place says, or what its name in lists quotes of it (a link within a text has no words of its own). */
function wordsOf(site: Site, place: Place): string {
  let value: unknown = site;
  for (const part of place.words ?? []) value = (value as Record<string, unknown> | undefined)?.[part];
  const text = Array.isArray(value) ? plainText(value as Inline[]) : typeof value === 'string' ? value : (/“(.+)”$/s.exec(place.label)?.[1] ?? '');
  return text.trim();
}

/** As many whole words as there is room for; nothing where not even the first has it. */
function cutShort(text: string, most: number): string {
  let cut = '';
  for (const word of text.split(/\s+/)) {
    const longer = cut === '' ? word : `${cut} ${word}`;
    if (longer.length > most) break;
    cut = longer;
  }
  return cut;
}
