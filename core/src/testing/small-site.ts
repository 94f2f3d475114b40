import { parseColor } from '../color/index.ts';
import {
  PLAIN_EDGES,
  PLAIN_UNDERLINE,
  SCHEMA_VERSION,
  type Ground,
  type Override,
  type Site,
  type Swatch,
  type TextStyle,
} from '../site/index.ts';

const swatch = (id: string, hex: string, more: Partial<Swatch> = {}): Swatch => ({
  id,
  label: id,
  path: id,
  part: 'core',
  color: parseColor(hex)!.oklch,
  typed: hex,
  rule: null,
  locked: false,
  provisional: false,
  ...more,
});
const style = (id: string, more: Partial<TextStyle> = {}): TextStyle => ({
  id,
  label: id,
  path: id,
  family: 'body',
  weight: 400,
  italic: false,
  size: { kind: 'step', step: 0 },
  lineHeight: 1.5,
  letterSpacing: 0,
  textCase: 'none',
  role: 'text',
  spaceAbove: 0,
  spaceBelow: 8,
  levels: [],
  use: 'running',
  provisional: false,
  ...more,
});
const byId = <T extends { id: string }>(items: T[]): Record<string, T> =>
  Object.fromEntries(items.map((item) => [item.id, item]));

/** A site small enough to reason about: two pages, two grounds, one shared section, a button, a link, a card. */
export function smallSite(overrides: Override[] = []): Site {
  const swatches = [
    swatch('white', '#ffffff'),
    swatch('ink', '#222222'),
    swatch('brand', '#b83a1e'),
    swatch('dark', '#7a2412', { rule: { source: 'brand', lightness: -0.1, chroma: 1, hue: 0 }, part: 'side' }),
  ];
  const styles = [
    style('title', {
      family: 'heading',
      size: { kind: 'step', step: 2 },
      role: 'heading',
      use: 'heading',
      levels: [1],
      weight: 700,
    }),
    style('section', {
      family: 'heading',
      size: { kind: 'step', step: 1 },
      role: 'heading',
      use: 'heading',
      levels: [2],
      weight: 700,
    }),
    style('running'),
    style('label', { use: 'other', weight: 700 }),
  ];
  const spaces = [
    ['even', 'section'],
    ['gutter', 'gutter'],
    ['gap', 'gap'],
    ['card', 'card'],
  ].map(([id, use]) => ({
    id: id!,
    label: id!,
    path: id!,
    use: use as 'section',
    values: { phone: 20, tablet: 30, desktop: 40 },
  }));
  const use = (id: string) => ({ kind: 'swatch' as const, swatch: id });
  const button = {
    id: 'k1',
    label: 'Go',
    href: { to: 'page' as const, page: 'home' },
    variant: 'primary',
    size: 'regular',
  };
  return {
    schemaVersion: SCHEMA_VERSION,
    id: 'small',
    name: 'Small',
    language: 'en',
    assets: {},
    downloads: {},
    collections: {},
    collectionOrder: [],
    items: {},
    brand: {
      swatches: byId(swatches),
      swatchOrder: swatches.map((entry) => entry.id),
      grounds: byId<Ground>([
        {
          id: 'pale',
          label: 'Pale',
          path: 'pale',
          roles: {
            background: use('white'),
            text: use('ink'),
            heading: use('brand'),
            link: use('brand'),
            'link-hover': use('dark'),
            'button-primary-fill-rest': use('brand'),
            'button-primary-label-rest': use('white'),
          },
        },
        { id: 'deep', label: 'Deep', path: 'deep', roles: { background: use('ink'), text: use('white') } },
      ]),
      groundOrder: ['pale', 'deep'],
      families: { heading: 'gelasio', body: 'public-sans', provisional: false },
      scale: { small: { width: 390, base: 16, ratio: 1.2 }, large: { width: 1280, base: 18, ratio: 1.3 } },
      styles: byId(styles),
      styleOrder: styles.map((entry) => entry.id),
      variants: { primary: { id: 'primary', label: 'Primary', path: 'primary' } },
      variantOrder: ['primary'],
      sizes: { regular: { id: 'regular', label: 'Regular', path: 'regular', padX: 16, padY: 8 } },
      sizeOrder: ['regular'],
      buttonStyle: 'label',
      corners: { button: 2, card: 4, picture: 0, field: 2 },
      edges: PLAIN_EDGES,
      underline: PLAIN_UNDERLINE,
      spaces: byId(spaces),
      spaceOrder: spaces.map((space) => space.id),
    },
    shared: {
      header: {
        id: 'header',
        ground: 'pale',
        name: 'Small',
        nameStyle: 'label',
        menuStyle: 'running',
        order: ['m1'],
        items: { m1: { id: 'm1', label: 'More', link: { to: 'page', page: 'more' } } },
      },
      footer: {
        id: 'footer',
        label: 'Footer',
        ground: 'deep',
        space: 'even',
        picture: null,
        columnOrder: ['col1'],
        columns: { col1: { id: 'col1', order: ['foot'] } },
        blocks: { foot: { kind: 'text', id: 'foot', style: 'running', level: null, content: [{ text: 'End' }] } },
      },
      sections: {
        common: {
          id: 'common',
          label: 'Common',
          ground: 'deep',
          space: 'even',
          picture: null,
          columnOrder: ['col1'],
          columns: { col1: { id: 'col1', order: ['c1'] } },
          blocks: { c1: { kind: 'text', id: 'c1', style: 'section', level: 2, content: [{ text: 'Shared' }] } },
        },
      },
      overrides: {},
    },
    pageOrder: ['home', 'more'],
    pages: {
      home: {
        id: 'home',
        title: 'Home',
        description: '',
        file: 'index.html',
        sectionOrder: ['s1', 's2'],
        overrides: byId(overrides),
        sections: {
          s1: {
            id: 's1',
            own: {
              id: 's1',
              label: 'One',
              ground: 'pale',
              space: 'even',
              picture: null,
              columnOrder: ['col1'],
              columns: { col1: { id: 'col1', order: ['h', 'p', 'k'] } },
              blocks: {
                h: { kind: 'text', id: 'h', style: 'title', level: 1, content: [{ text: 'Hello' }] },
                p: {
                  kind: 'text',
                  id: 'p',
                  style: 'running',
                  level: null,
                  content: [
                    { text: 'See ' },
                    { id: 'l1', link: { to: 'page', page: 'more' }, text: 'what more there is' },
                  ],
                },
                k: { kind: 'buttons', id: 'k', order: ['k1'], items: { k1: button } },
              },
            },
          },
          s2: { id: 's2', shared: 'common' },
        },
      },
      more: {
        id: 'more',
        title: 'More',
        description: '',
        file: 'more.html',
        sectionOrder: ['t1', 't2'],
        overrides: {},
        sections: {
          t1: {
            id: 't1',
            own: {
              id: 't1',
              label: 'Two',
              ground: 'deep',
              space: 'even',
              picture: null,
              columnOrder: ['col1'],
              columns: { col1: { id: 'col1', order: ['th', 'tc'] } },
              blocks: {
                th: { kind: 'text', id: 'th', style: 'title', level: 1, content: [{ text: 'More' }] },
                tc: {
                  kind: 'cards',
                  id: 'tc',
                  ground: 'pale',
                  across: 2,
                  headingStyle: 'section',
                  headingLevel: 2,
                  textStyle: 'running',
                  order: ['a'],
                  items: {
                    a: {
                      id: 'a',
                      heading: 'A',
                      content: [{ text: 'Card' }],
                      picture: null,
                      link: { id: 'go', link: { to: 'page', page: 'home' }, text: 'Home' },
                      button: null,
                    },
                  },
                },
              },
            },
          },
          t2: { id: 't2', shared: 'common' },
        },
      },
    },
  };
}

/** An override of one literal, as a person sets it. */
export function literal(
  id: string,
  place: string,
  property: Override['property'],
  css: string,
  more: Partial<Override> = {},
): Override {
  return { id, place, property, band: null, origin: 'set', value: { kind: 'literal', css }, reason: null, ...more };
}
