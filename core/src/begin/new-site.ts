import { luminance, parseColor, type ParsedColor } from '../color/index.ts';
import type { RoleValue } from '../background/index.ts';
import { proposeNames, uniqueName, uniquePath } from '../palette/index.ts';
import { SECTION_KINDS, layIn } from '../sections/index.ts';
import {
  PLAIN_EDGES,
  PLAIN_UNDERLINE,
  SCHEMA_VERSION,
  type Brand,
  type Ground,
  type Site,
  type Space,
  type Swatch,
  type TextStyle,
} from '../site/index.ts';
import { stylesByRole } from '../style/index.ts';
import { PAIRINGS } from '../type/index.ts';

/** A colour that is given, and what it is called by who gives it. */
export type GivenColor = ParsedColor & { readonly label?: string };

/** The known facts about a site before it exists. Everything left open gets a provisional default. */
export interface Beginning {
  readonly id: string;
  readonly name: string;
  /** As HTML has it: `en`, `pt-BR`. */
  readonly language: string;
  /** Colours of the brand, in the order in which they were given. */
  readonly colors?: readonly GivenColor[];
  /** Families of the library, by id; a pairing of ours when absent. */
  readonly families?: { readonly heading: string; readonly body: string };
  /** The whole brand of another site; then colours and families are those that it has. */
  readonly brand?: Brand;
}

/** Most characters of a given name that are kept. */
const LONGEST_NAME = 60;
/** Chroma (OKLCH) from which a colour is more than a grey. */
const COLOURED = 0.04;
/**
 * The highest relative luminance of ink and the lowest of paper at which text of one on the other has a ratio of 10 : 1
 * or more.
 */
const DARK = 0.025;
const LIGHT = 0.72;

const use = (swatch: string): RoleValue => ({ kind: 'swatch', swatch });
/** In the hue of a swatch, at a ratio on the background, whichever that is. */
const inHue = (swatch: string, ratio: number): RoleValue => ({ kind: 'contrast', swatch, ratio });
const byId = <T extends { readonly id: string }>(items: readonly T[]): Record<string, T> =>
  Object.fromEntries(items.map((item) => [item.id, item]));

/**
 * A site of one page that passes every check: swatches from the colours given (or
 * ink and paper), three backgrounds by rule, a type scale, two button variants, a
 * home page with an opener and a text, a header and a footer. With a brand of
 * another site it is as good as that.
 */
export function newSite({
  id,
  name,
  language,
  colors = [],
  families,
  brand = brandFrom(colors, families),
}: Beginning): Site {
  const roles = stylesByRole(brand);
  const ground = (at: number): string => brand.groundOrder.at(at) ?? brand.groundOrder[0]!;
  const spaces = brand.spaceOrder.filter((space) => brand.spaces[space]!.use === 'section');
  const bare: Site = {
    schemaVersion: SCHEMA_VERSION,
    id,
    name,
    language,
    brand,
    assets: {},
    downloads: {},
    pageOrder: ['home'],
    pages: {},
    collections: {},
    collectionOrder: [],
    items: {},
    shared: {
      header: {
        id: 'header',
        ground: ground(0),
        name,
        nameStyle: brand.buttonStyle,
        menuStyle: brand.styles['menu'] ? 'menu' : roles.running,
        order: [],
        items: {},
        fold: 'Menu',
      },
      footer: {
        id: 'footer',
        label: 'Footer',
        ground: ground(-1),
        space: spaces.at(-1)!,
        picture: null,
        columnOrder: ['col1'],
        columns: { col1: { id: 'col1', order: ['footer-name'] } },
        blocks: {
          'footer-name': { kind: 'text', id: 'footer-name', style: roles.fine, level: null, content: [{ text: name }] },
        },
      },
      sections: {},
      overrides: {},
    },
  };
  const opener = layIn(bare, SECTION_KINDS.opener, 'home-s1');
  const title = opener.blocks['home-s1-b1']!;
  const own =
    title.kind === 'text'
      ? { ...opener, blocks: { ...opener.blocks, [title.id]: { ...title, content: [{ text: name }] } } }
      : opener;
  const sections = [own, { ...layIn(bare, SECTION_KINDS.text, 'home-s2'), ground: ground(1) }];
  return {
    ...bare,
    pages: {
      home: {
        id: 'home',
        title: 'Home',
        description: '',
        file: 'index.html',
        sectionOrder: sections.map((section) => section.id),
        sections: Object.fromEntries(sections.map((section) => [section.id, { id: section.id, own: section }])),
        overrides: {},
      },
    },
  };
}

/** A brand of ours around colours and families: what neither says is decided for now. */
function brandFrom(colors: readonly GivenColor[], families: Beginning['families']): Brand {
  const { swatches, paper, ink, accent } = swatchesFrom(colors);
  const pairing = families ?? PAIRINGS[0]!;
  const styles = textStyles();
  const spaces = distances();
  return {
    swatches: byId(swatches),
    swatchOrder: swatches.map((swatch) => swatch.id),
    ...groundsFrom(paper, ink, accent),
    families: { heading: pairing.heading, body: pairing.body, provisional: families === undefined },
    scale: { small: { width: 390, base: 17, ratio: 1.15 }, large: { width: 1280, base: 18, ratio: 1.2 } },
    styles: byId(styles),
    styleOrder: styles.map((style) => style.id),
    variants: {
      main: { id: 'main', label: 'Main', path: 'main' },
      quiet: { id: 'quiet', label: 'Quiet', path: 'quiet' },
    },
    variantOrder: ['main', 'quiet'],
    sizes: { regular: { id: 'regular', label: 'Regular', path: 'regular', padX: 20, padY: 10 } },
    sizeOrder: ['regular'],
    buttonStyle: 'label',
    corners: { button: 3, card: 3, picture: 0, field: 3 },
    edges: PLAIN_EDGES,
    underline: PLAIN_UNDERLINE,
    spaces: byId(spaces),
    spaceOrder: spaces.map((space) => space.id),
  };
}

/** Returns a name for each colour: the given name, otherwise one that describes how it looks. */
function namesOf(colors: readonly GivenColor[], taken: readonly string[]): ReadonlyMap<GivenColor, string> {
  const names = new Map<GivenColor, string>();
  for (const color of colors)
    if (color.label)
      names.set(
        color,
        uniqueName(color.label[0]!.toUpperCase() + color.label.slice(1, LONGEST_NAME), [...taken, ...names.values()]),
      );
  const others = colors.filter((color) => !color.label);
  proposeNames(
    others.map((other) => other.oklch),
    [...taken, ...names.values()],
  ).forEach((name, i) => names.set(others[i]!, name));
  return names;
}

/**
 * Swatches of the colours given, those that are missing for text on paper made up for now, and which of them are what.
 */
function swatchesFrom(colors: readonly GivenColor[]): {
  readonly swatches: readonly Swatch[];
  readonly paper: string;
  readonly ink: string;
  readonly accent: string;
} {
  const made: Swatch[] = [];
  const add = (label: string, color: ParsedColor, more: Partial<Swatch> = {}): string => {
    const swatch: Swatch = {
      id: `c${made.length + 1}`,
      label,
      path: uniquePath(
        label,
        made.map((entry) => entry.path),
        'colour',
      ),
      part: 'core',
      color: color.oklch,
      typed: color.typed,
      rule: null,
      locked: false,
      provisional: false,
      ...more,
    };
    made.push(swatch);
    return swatch.id;
  };
  const named = namesOf(colors, ['Ink', 'Paper', 'Tint']);
  const opaque = colors.filter(({ rgb }) => rgb.alpha === 1);
  const light = opaque
    .filter(({ rgb }) => luminance(rgb) >= LIGHT)
    .sort((color, other) => other.oklch.l - color.oklch.l)[0];
  const dark = opaque
    .filter((color) => color !== light && luminance(color.rgb) <= DARK)
    .sort((color, other) => color.oklch.l - other.oklch.l)[0];
  const lead = opaque
    .filter((color) => color !== light && color !== dark && color.oklch.c >= COLOURED)
    .sort((color, other) => other.oklch.c - color.oklch.c)[0];
  const hue = (lead ?? opaque.find((color) => color.oklch.c >= COLOURED))?.oklch.h ?? 85;
  const inkColor = dark ?? parseColor(`oklch(0.24 0.012 ${hue.toFixed(1)})`)!;
  const paperColor = light ?? parseColor(`oklch(0.985 0.004 ${hue.toFixed(1)})`)!;
  const ink = add(dark ? named.get(dark)! : 'Ink', inkColor, { provisional: !dark });
  const paper = add(light ? named.get(light)! : 'Paper', paperColor, { provisional: !light });
  let accent = ink;
  for (const color of colors) {
    if (color === light || color === dark) continue;
    const swatch = add(named.get(color)!, color);
    if (color === lead) accent = swatch;
  }
  add('Tint', paperColor, {
    id: 'tint',
    part: 'side',
    rule: { kind: 'mix', source: paper, with: accent, share: 0.07 },
    provisional: true,
  });
  return { swatches: made, paper, ink, accent };
}

/**
 * Three backgrounds that stand on rules: open (paper), tinted, closed (ink). Each colour on them follows when a swatch
 * moves.
 */
function groundsFrom(paper: string, ink: string, accent: string): Pick<Brand, 'grounds' | 'groundOrder'> {
  const ground = (id: string, label: string, background: RoleValue, text: RoleValue): Ground => ({
    id,
    label,
    path: id,
    roles: {
      background,
      text,
      heading: text,
      link: inHue(accent, 5),
      'link-hover': text,
      secondary: inHue(ink, 6),
      eyebrow: inHue(accent, 5),
      'field-edge': inHue(ink, 4),
      'button-main-fill-rest': inHue(accent, 5),
      'button-quiet-fill-rest': { kind: 'same', role: 'background' },
      'button-quiet-label-rest': { kind: 'same', role: 'text' },
      'button-quiet-edge-rest': { kind: 'same', role: 'text' },
    },
  });
  const grounds = [
    ground('open', 'Open', use(paper), use(ink)),
    ground('tinted', 'Tinted', use('tint'), { kind: 'readable' }),
    ground('closed', 'Closed', use(ink), use(paper)),
  ];
  return { grounds: byId(grounds), groundOrder: grounds.map((entry) => entry.id) };
}

function textStyles(): TextStyle[] {
  const style = (id: string, label: string, more: Partial<TextStyle>): TextStyle => ({
    id,
    label,
    path: id,
    family: 'body',
    weight: 400,
    italic: false,
    size: { kind: 'step', step: 0 },
    lineHeight: 1.55,
    letterSpacing: 0,
    textCase: 'none',
    role: 'text',
    spaceAbove: 0,
    spaceBelow: 14,
    levels: [],
    use: 'running',
    provisional: true,
    ...more,
  });
  const heading = (id: string, label: string, level: number, step: number): TextStyle =>
    style(id, label, {
      family: 'heading',
      weight: 700,
      size: { kind: 'step', step },
      lineHeight: 1.2,
      role: 'heading',
      levels: [level],
      use: 'heading',
      spaceBelow: 12,
    });
  return [
    heading('headline', 'Headline', 1, 6),
    heading('section', 'Section', 2, 4),
    heading('small-heading', 'Small heading', 3, 2),
    style('lead', 'Lead', { size: { kind: 'step', step: 1 }, lineHeight: 1.5 }),
    style('body', 'Body', {}),
    style('small-print', 'Small print', {
      size: { kind: 'step', step: -1 },
      role: 'secondary',
      use: 'fine',
      spaceBelow: 8,
    }),
    style('eyebrow', 'Eyebrow', {
      size: { kind: 'step', step: -1 },
      weight: 700,
      role: 'eyebrow',
      use: 'other',
      spaceBelow: 8,
    }),
    style('menu', 'Menu', { lineHeight: 1.4, use: 'other', spaceBelow: 0 }),
    style('label', 'Button label', { weight: 700, lineHeight: 1.3, use: 'other', spaceBelow: 0 }),
  ];
}

function distances(): Space[] {
  const space = (
    id: string,
    label: string,
    of: Space['use'],
    phone: number,
    tablet: number,
    desktop: number,
  ): Space => ({ id, label, path: id, use: of, values: { phone, tablet, desktop } });
  return [
    space('even', 'Even', 'section', 48, 64, 88),
    space('narrow', 'Narrow', 'section', 28, 32, 40),
    space('gutter', 'Gutter', 'gutter', 20, 32, 48),
    space('gap', 'Gap', 'gap', 16, 20, 24),
    space('card', 'Card', 'card', 16, 20, 24),
  ];
}

/** The id a site of a name can have, as part of its address: lower case, a letter first, nobody's yet. */
export function freshSiteId(name: string, taken: Iterable<string>): string {
  const path = uniquePath(name, [], 'site');
  return uniquePath(/^[a-z]/.test(path) ? path : `site-${path}`, taken, 'site');
}
