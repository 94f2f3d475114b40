/** A family for headings and one for text that go together, and why. */
export interface Pairing {
  readonly heading: string;
  readonly body: string;
  readonly why: string;
}

/** Families of the library that we would set together. */
export const PAIRINGS: readonly Pairing[] = [
  {
    heading: 'fraunces',
    body: 'public-sans',
    why: 'Soft, swelling headings over a text that keeps out of the way; good where a warm name meets plain facts.',
  },
  {
    heading: 'gelasio',
    body: 'atkinson-hyperlegible',
    why: 'A bookish heading, and text whose letters are hard to confuse; for readers of every age.',
  },
  {
    heading: 'playfair-display',
    body: 'source-sans-3',
    why: 'High contrast on top, even strokes below: the headings may shout because the text never does.',
  },
  {
    heading: 'bitter',
    body: 'karla',
    why: 'Sturdy slabs hold large sizes; Karla is narrow enough for cards and timetables.',
  },
  {
    heading: 'space-grotesk',
    body: 'newsreader',
    why: 'Technical headings, a text made for long reading on screens: for those who explain difficult things.',
  },
  {
    heading: 'oswald',
    body: 'literata',
    why: 'Narrow headings save lines on a phone; the wide, quiet text was made for books.',
  },
  {
    heading: 'zilla-slab',
    body: 'ibm-plex-sans',
    why: 'Both are drawn with a ruler, one with feet and one without; figures align well in tables.',
  },
  {
    heading: 'dm-serif-display',
    body: 'figtree',
    why: 'One heavy, friendly serif for few words, and a round, open sans for all the others.',
  },
  {
    heading: 'cormorant',
    body: 'nunito-sans',
    why: 'Fine strokes need size: keep the headings large, and let a plain round text carry the rest.',
  },
  {
    heading: 'work-sans',
    body: 'lora',
    why: 'The usual roles turned round: plain headings, and a text with brushed curves that reads like a letter.',
  },
  {
    heading: 'abril-fatface',
    body: 'alegreya-sans',
    why: 'A poster face with few words to say, and a light-footed text with true italics beside it.',
  },
  {
    heading: 'inter',
    body: 'source-serif-4',
    why: 'Large x-heights on both sides, so that sizes agree; made for dense pages with many levels.',
  },
  {
    heading: 'spectral',
    body: 'barlow',
    why: 'An airy serif and a sans drawn after road signs; headings stay elegant, facts stay short.',
  },
  {
    heading: 'archivo-black',
    body: 'open-sans',
    why: 'One weight for headings, as loud as a stamp; the text is as neutral as text can be.',
  },
  {
    heading: 'ibm-plex-mono',
    body: 'crimson-pro',
    why: 'A typewriter for headings and an old-style text: for archives, workshops and lists.',
  },
  {
    heading: 'shantell-sans',
    body: 'rubik',
    why: 'Headings as if by hand, never childish, over a text with softened corners that agrees with them.',
  },
];
