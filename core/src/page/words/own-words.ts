import { plainText, type Inline } from '../../kinds/index.ts';
import type { Site } from '../../site/index.ts';
import type { Place } from '../tree/place.ts';
import { pageTree } from '../tree/tree.ts';

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
const SHORT: Readonly<Record<Sampled, readonly [number, string]>> = {
  eyebrow: [10, 'Eyebrow'],
  heading: [8, 'Heading'],
  text: [14, 'Body text'],
  link: [11, 'a link'],
  secondary: [12, 'Secondary'],
  button: [9, 'Button'],
};
/** Pages that are looked through, the home page first: each has to be built for it. */
const PAGES = 4;

/** The parts of a site that its own words depend on. */
const partsOf = (site: Site): readonly unknown[] => [
  site.shared,
  site.items,
  site.collections,
  site.brand.styles,
  site.name,
];
const known = new WeakMap<Site['pages'], { readonly parts: readonly unknown[]; readonly found: OwnWords }>();

/** Words of a site, the same while nothing changes that they are taken from. */
export function ownWords(site: Site): OwnWords {
  const parts = partsOf(site);
  const before = known.get(site.pages);
  if (before?.parts.every((part, i) => part === parts[i])) return before.found;
  const found = findOwnWords(site);
  known.set(site.pages, { parts, found });
  return found;
}

function findOwnWords(site: Site): OwnWords {
  const home = site.pageOrder.find((id) => site.pages[id]!.file === 'index.html') ?? site.pageOrder[0]!;
  const others = site.pageOrder
    .slice(0, PAGES)
    .filter((id) => id !== home)
    .slice(0, PAGES - 1);
  const atHome = pageTree(site, home).places;
  const places = [...atHome, ...others.flatMap((id) => pageTree(site, id).places)];
  const styleOf = (place: Place) => (place.kind === 'text' && place.style ? site.brand.styles[place.style] : undefined);
  const whole = (use: string): string | undefined => {
    const place = atHome.find((entry) => styleOf(entry)?.use === use);
    return (place && wordsOf(site, place)) || undefined;
  };
  // Rather one that is short than one cut short.
  const short = (sampled: Sampled, wanted: (place: Place) => boolean): string => {
    const [most, otherwise] = SHORT[sampled];
    let cut = '';
    for (const place of places) {
      if (!wanted(place)) continue;
      const text = wordsOf(site, place);
      if (text !== '' && text.length <= most) return text;
      cut ||= cutShort(text, most);
    }
    return cut || otherwise;
  };
  const inRole = (role: 'eyebrow' | 'heading' | 'secondary') => short(role, (place) => styleOf(place)?.role === role);
  return {
    title: whole('heading') ?? site.name,
    sentence: whole('running') ?? 'A sentence of body text, about as long as most are.',
    short: {
      eyebrow: inRole('eyebrow'),
      heading: inRole('heading'),
      secondary: inRole('secondary'),
      text: short('text', (place) => styleOf(place)?.use === 'running'),
      link: short('link', (place) => place.kind === 'link'),
      button: short('button', (place) => place.kind === 'button'),
    },
  };
}

/** Returns the text of a place, or the quote in its label (a link within a text has no text of its own). */
function wordsOf(site: Site, place: Place): string {
  let value: unknown = site;
  for (const part of place.words ?? []) value = (value as Record<string, unknown> | undefined)?.[part];
  const text = Array.isArray(value)
    ? plainText(value as Inline[])
    : typeof value === 'string'
      ? value
      : (/“(.+)”$/s.exec(place.label)?.[1] ?? '');
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
