import {
  BUTTON_STATES,
  buttonRole,
  parseColor,
  ruleBetween,
  type Brand,
  type Ground,
  type RoleValue,
  type Swatch,
  type TextStyle,
} from '@yohaku/core';
import { byId } from './build.ts';

const oklch = (hex: string) => parseColor(hex)!.oklch;
const swatch = (id: string, label: string, part: 'core' | 'side', hex: string): Swatch => ({
  id,
  label,
  path: id,
  part,
  color: oklch(hex),
  typed: hex,
  rule: null,
  locked: false,
  provisional: false,
});
const derived = (id: string, label: string, source: string, sourceHex: string, hex: string): Swatch => ({
  ...swatch(id, label, 'side', hex),
  rule: ruleBetween(source, oklch(sourceHex), oklch(hex)),
});

const swatches = [
  swatch('tern', 'Tern white', 'core', '#fbfaf6'),
  swatch('chart', 'Chart paper', 'core', '#f1eadb'),
  swatch('funnel', 'Funnel', 'core', '#b83a1e'),
  swatch('deep', 'Deep', 'core', '#0e3b43'),
  swatch('ink', 'Ink', 'core', '#14211f'),
  swatch('fog', 'Fog', 'side', '#cfd9d6'),
  swatch('slate', 'Slate', 'side', '#4d605f'),
  derived('press', 'Pressed', 'funnel', '#b83a1e', '#8f2a12'),
  derived('glow', 'Lamp', 'funnel', '#b83a1e', '#ffc2ad'),
  derived('quiet', 'Shallow', 'deep', '#0e3b43', '#3e666c'),
];

const use = (id: string): RoleValue => ({ kind: 'swatch', swatch: id });

interface GroundColors {
  background: string;
  eyebrow: string;
  heading: string;
  text: string;
  link: string;
  visited: string;
  icon: string;
  mark: readonly [behind: string, text: string];
  selection: readonly [behind: string, text: string];
  secondary: string;
  rule: string;
  stripe: string;
  field: string;
  edge: string;
  error: string;
  focus: string;
  primary: [fill: string, hover: string, label: string, edge?: string];
  quiet: [line: string, hover: string];
}

function ground(id: string, label: string, c: GroundColors) {
  const roles: Record<string, RoleValue> = {
    background: use(c.background),
    eyebrow: use(c.eyebrow),
    heading: use(c.heading),
    text: use(c.text),
    link: use(c.link),
    'link-visited': use(c.visited),
    icon: use(c.icon),
    mark: use(c.mark[0]),
    'mark-text': use(c.mark[1]),
    selection: use(c.selection[0]),
    'selection-text': use(c.selection[1]),
    secondary: use(c.secondary),
    rule: use(c.rule),
    stripe: use(c.stripe),
    field: use(c.field),
    'field-edge': use(c.edge),
    error: use(c.error),
    focus: use(c.focus),
  };
  for (const state of BUTTON_STATES) {
    // While it is busy a button looks as at rest, but for its ring.
    if (state === 'busy') continue;
    const fill = state === 'rest' ? c.primary[0] : state === 'disabled' ? 'fog' : c.primary[1];
    roles[buttonRole('primary', 'fill', state)] = use(fill);
    roles[buttonRole('primary', 'edge', state)] = use(state === 'disabled' ? fill : (c.primary[3] ?? fill));
    roles[buttonRole('primary', 'label', state)] = use(state === 'disabled' ? 'slate' : c.primary[2]);
    const line = state === 'rest' ? c.quiet[0] : state === 'disabled' ? 'slate' : c.quiet[1];
    roles[buttonRole('secondary', 'fill', state)] = use(c.background);
    roles[buttonRole('secondary', 'edge', state)] = use(line);
    roles[buttonRole('secondary', 'label', state)] = use(line);
  }
  return { id, label, path: id, roles };
}

function dusk(flat: ReturnType<typeof ground>): Ground {
  return { ...flat, roles: { ...flat.roles, 'background-to': use('quiet') }, wash: { angle: 165 } };
}

const pale = {
  visited: 'quiet',
  icon: 'funnel',
  mark: ['glow', 'ink'],
  selection: ['deep', 'tern'],
  error: 'funnel',
  heading: 'deep',
  text: 'ink',
  secondary: 'slate',
  field: 'tern',
  edge: 'slate',
  focus: 'deep',
  primary: ['funnel', 'press', 'tern'],
  quiet: ['deep', 'quiet'],
} as const;
const dark = {
  visited: 'fog',
  icon: 'glow',
  mark: ['glow', 'ink'],
  selection: ['chart', 'ink'],
  error: 'glow',
  heading: 'tern',
  text: 'chart',
  secondary: 'fog',
  link: 'glow',
  eyebrow: 'glow',
  rule: 'quiet',
  edge: 'fog',
  focus: 'tern',
  primary: ['funnel', 'press', 'tern', 'glow'],
  quiet: ['tern', 'glow'],
} as const;
const list = <T>(value: readonly T[]) => [...value] as [T, T];

const grounds: Ground[] = [
  ground('white', 'Tern white', {
    ...pale,
    background: 'tern',
    stripe: 'chart',
    eyebrow: 'funnel',
    link: 'funnel',
    rule: 'fog',
    primary: [...pale.primary],
    quiet: list(pale.quiet),
  }),
  ground('paper', 'Chart paper', {
    ...pale,
    background: 'chart',
    stripe: 'tern',
    eyebrow: 'funnel',
    link: 'funnel',
    rule: 'fog',
    primary: [...pale.primary],
    quiet: list(pale.quiet),
  }),
  // On purpose: the eyebrow of this ground falls short of 4.5 (see demo/README.md).
  ground('fog', 'Fog', {
    ...pale,
    background: 'fog',
    stripe: 'fog',
    eyebrow: 'funnel',
    link: 'press',
    visited: 'deep',
    error: 'press',
    rule: 'slate',
    primary: [...pale.primary],
    quiet: ['deep', 'ink'],
  }),
  ground('deep', 'Deep', {
    ...dark,
    background: 'deep',
    stripe: 'deep',
    field: 'deep',
    primary: [...dark.primary],
    quiet: list(dark.quiet),
  }),
  // From Deep into Shallow: judged where each text stands on it.
  dusk(
    ground('dusk', 'Dusk', {
      ...dark,
      background: 'deep',
      stripe: 'deep',
      field: 'deep',
      primary: [...dark.primary],
      quiet: list(dark.quiet),
    }),
  ),
  ground('ink', 'Ink', {
    ...dark,
    background: 'ink',
    stripe: 'ink',
    field: 'ink',
    primary: [...dark.primary],
    quiet: list(dark.quiet),
  }),
];

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
  spaceBelow: 12,
  levels: [],
  use: 'other',
  provisional: false,
  ...more,
});

const styles = [
  style('display', 'Display', {
    family: 'heading',
    weight: 700,
    size: { kind: 'step', step: 5 },
    lineHeight: 1.08,
    letterSpacing: -0.015,
    role: 'heading',
    use: 'heading',
    levels: [],
    spaceBelow: 16,
  }),
  style('title', 'Title', {
    family: 'heading',
    weight: 700,
    size: { kind: 'step', step: 4 },
    lineHeight: 1.12,
    letterSpacing: -0.01,
    role: 'heading',
    use: 'heading',
    levels: [1],
    spaceBelow: 16,
  }),
  style('section', 'Section', {
    family: 'heading',
    weight: 700,
    size: { kind: 'step', step: 3 },
    lineHeight: 1.2,
    role: 'heading',
    use: 'heading',
    levels: [2],
    spaceBelow: 12,
  }),
  style('small-heading', 'Small heading', {
    family: 'heading',
    weight: 700,
    size: { kind: 'pinned', small: 20, large: 24 },
    lineHeight: 1.25,
    role: 'heading',
    use: 'heading',
    levels: [3, 4, 5, 6],
    spaceAbove: 8,
    spaceBelow: 8,
    provisional: true,
  }),
  style('lead', 'Lead', { size: { kind: 'step', step: 1 }, lineHeight: 1.5, use: 'running', spaceBelow: 16 }),
  style('body', 'Body', { use: 'running' }),
  style('small-print', 'Small print', {
    size: { kind: 'pinned', small: 14, large: 14.5 },
    lineHeight: 1.5,
    role: 'secondary',
    use: 'fine',
    spaceBelow: 8,
  }),
  style('eyebrow', 'Eyebrow', {
    weight: 700,
    size: { kind: 'pinned', small: 14, large: 15 },
    lineHeight: 1.4,
    letterSpacing: 0.08,
    textCase: 'uppercase',
    role: 'eyebrow',
    spaceBelow: 8,
  }),
  style('menu', 'Menu', { size: { kind: 'pinned', small: 16, large: 16 }, lineHeight: 1.4, spaceBelow: 0 }),
  style('label', 'Button label', {
    weight: 700,
    size: { kind: 'pinned', small: 16, large: 17 },
    lineHeight: 1.3,
    spaceBelow: 0,
  }),
];

const space = (
  id: string,
  label: string,
  use: 'section' | 'gutter' | 'gap' | 'card',
  phone: number,
  tablet: number | null,
  desktop: number,
) => ({ id, label, path: id, use, values: { phone, tablet, desktop } });

const spaces = [
  space('close', 'Close', 'section', 28, 36, 44),
  space('even', 'Even', 'section', 44, 60, 76),
  space('airy', 'Airy', 'section', 64, 96, 136),
  space('gutter', 'Gutter', 'gutter', 20, 32, 56),
  space('gap', 'Gap', 'gap', 20, null, 32),
  space('card', 'Card inset', 'card', 18, 20, 24),
];

/** The brand of Ternhaven Ferries. */
export const brand: Brand = {
  swatches: byId(swatches),
  swatchOrder: swatches.map((entry) => entry.id),
  grounds: byId(grounds),
  groundOrder: grounds.map((entry) => entry.id),
  families: { heading: 'gelasio', body: 'public-sans', provisional: false },
  scale: { small: { width: 390, base: 17, ratio: 1.17 }, large: { width: 1280, base: 18, ratio: 1.28 } },
  styles: byId(styles),
  styleOrder: styles.map((entry) => entry.id),
  variants: {
    primary: { id: 'primary', label: 'Primary', path: 'primary' },
    secondary: { id: 'secondary', label: 'Secondary', path: 'secondary' },
  },
  variantOrder: ['primary', 'secondary'],
  sizes: {
    regular: { id: 'regular', label: 'Regular', path: 'regular', padX: 22, padY: 11 },
    small: { id: 'small', label: 'Small', path: 'small', padX: 14, padY: 6 },
  },
  sizeOrder: ['regular', 'small'],
  buttonStyle: 'label',
  corners: { button: 3, card: 2, picture: 2, field: 'sheet' },
  cornerList: {
    items: {
      sheet: { id: 'sheet', label: 'Sheet', path: 'sheet', value: { kind: 'px', radii: [2] } },
      hull: { id: 'hull', label: 'Hull', path: 'hull', value: { kind: 'px', radii: [2, 2, 14, 14] } },
      buoy: { id: 'buoy', label: 'Buoy', path: 'buoy', value: { kind: 'share', share: 0.5 } },
    },
    order: ['sheet', 'hull', 'buoy'],
  },
  underline: { offset: 0.15, thickness: null },
  edges: { button: 2, card: 0, picture: 0, field: 1, rule: 1 },
  shadows: {
    items: {
      lift: { id: 'lift', label: 'Lift', path: 'lift', x: 0, y: 2, blur: 8, spread: 0, color: 'ink', alpha: 0.14 },
    },
    order: ['lift'],
    uses: { button: null, card: 'lift', picture: null, field: null },
  },
  spaces: byId(spaces),
  spaceOrder: spaces.map((entry) => entry.id),
  apart: { status: ['funnel', 'deep'], chart: ['deep', 'funnel', 'quiet', 'fog'] },
  motion: {
    items: {
      quick: { id: 'quick', label: 'Quick', path: 'quick', duration: 120, easing: [0, 0, 0.58, 1] },
      calm: { id: 'calm', label: 'Calm', path: 'calm', duration: 240, easing: [0.42, 0, 0.58, 1] },
    },
    order: ['quick', 'calm'],
    uses: { button: 'quick', link: 'quick', field: 'calm' },
  },
  logo: { width: 56, smallest: 40, clear: 0.1 },
};
