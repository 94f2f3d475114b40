import {
  buttonRole,
  cssColor,
  gradientCss,
  groundBackdrop,
  placeCount,
  siteIndex,
  roleJudge,
  rolePath,
  tokenTable,
  tokenValue,
  type Brand,
  type Rgb8,
  type Site,
} from '@yohaku/core';

/** One sample of a set line: a role as it stands on this ground. */
export interface RoleSample {
  readonly role: string;
  readonly path: string;
  readonly css: string;
  readonly found: number | null;
  readonly needed: number;
  /** True if the figure is the lowest along a gradient: where a text stands on it, it may be more. */
  readonly least: boolean;
  /** The colour to compare with: the background, or the fill of the button below its label. */
  readonly behind: Rgb8;
  /** True if its colour was chosen; otherwise its rule decides. */
  readonly set: boolean;
  /** Places it paints; a role in no use never counts as failing. */
  readonly places: number;
}

export interface GroundLine {
  readonly id: string;
  readonly label: string;
  /** Path of the token of its background. */
  readonly path: string;
  readonly background: string;
  /** The background as CSS paints it: the colour, or the gradient. */
  readonly painted: string;
  readonly places: number;
  readonly samples: readonly RoleSample[];
  /** The roles a set line leaves out while it is folded: states, the parts of a field, the stripe. */
  readonly more: readonly RoleSample[];
  readonly pictured: boolean;
}

/** Typefaces of samples as CSS, and how the brand writes the line over a heading. */
export interface SampleType {
  readonly heading: string;
  readonly body: string;
  readonly eyebrowCase: string | undefined;
}

/** Returns the type that the samples of a brand are set in. */
export function sampleType(brand: Brand | undefined): SampleType {
  const table = brand && tokenTable(brand);
  return {
    heading: table?.get('family.heading')?.css ?? '',
    body: table?.get('family.body')?.css ?? '',
    eyebrowCase: Object.values(brand?.styles ?? {}).find((style) => style.role === 'eyebrow')?.textCase,
  };
}

/** The roles a set line shows, in reading order. */
export const LINE_ROLES = ['eyebrow', 'heading', 'text', 'link', 'secondary', 'field-edge', 'focus', 'rule'] as const;
export const MORE_ROLES = [
  'link-hover',
  'link-visited',
  'label',
  'field-text',
  'help',
  'error',
  'stripe',
  'icon',
  'mark-text',
  'selection-text',
] as const;

/** Every ground as a set line with its figures. */
export function groundLines(site: Site): GroundLine[] {
  const table = tokenTable(site.brand);
  const index = siteIndex(site);
  const onGround = new Map<string, number>();
  const pictured = new Set<string>();
  for (const group of index.groups) {
    onGround.set(group.ground, (onGround.get(group.ground) ?? 0) + group.count);
    if (group.overPicture) pictured.add(group.ground);
  }
  return site.brand.groundOrder.map((id) => {
    const ground = site.brand.grounds[id]!;
    const css = (role: string) => tokenValue(table, rolePath(site.brand, ground, role)).css;
    const { color: background, wash } = groundBackdrop(site, id, table);
    const judge = roleJudge(site, id);
    const sample = (role: string): RoleSample => {
      const path = rolePath(site.brand, ground, role);
      return { role, path, css: css(role), set: role in ground.roles, ...judge(role), places: placeCount(site, path) };
    };
    /** A button under the pointer, and pressed where that looks otherwise. */
    const held = (variant: string): RoleSample[] => {
      const roles = (['hover', 'pressed'] as const).map((state) => sample(buttonRole(variant, 'label', state)));
      const look = (state: 'hover' | 'pressed') =>
        (['fill', 'label', 'edge'] as const).map((part) => css(buttonRole(variant, part, state))).join();
      return look('hover') === look('pressed') ? roles.slice(0, 1) : roles;
    };
    return {
      id,
      label: ground.label,
      path: rolePath(site.brand, ground, 'background'),
      background: cssColor(background),
      painted: wash ? gradientCss(wash.angle, wash.from, wash.to) : cssColor(background),
      places: onGround.get(id) ?? 0,
      pictured: pictured.has(id),
      samples: [
        ...LINE_ROLES.map(sample),
        ...site.brand.variantOrder.map((variant) => sample(buttonRole(variant, 'label', 'rest'))),
      ],
      more: [...MORE_ROLES.map(sample), ...site.brand.variantOrder.flatMap(held)],
    };
  });
}

/** An open role of a set line: a used role that fails, or one without a chosen colour. */
export interface Call {
  readonly line: GroundLine;
  readonly sample: RoleSample;
  readonly fails: boolean;
}

/** Returns true if a sample falls short where it is in use. Over a gradient the audit tells, text by text. */
export function fallsShort(sample: RoleSample): boolean {
  return (
    sample.places > 0 &&
    !sample.least &&
    sample.role !== 'rule' &&
    sample.found !== null &&
    sample.found < sample.needed
  );
}

/**
 * The roles in use that fail or were never set, those that touch most places first, failing before unset where they
 * touch as many.
 */
export function callsOf(lines: readonly GroundLine[]): Call[] {
  return lines
    .flatMap((line) =>
      [...line.samples, ...line.more].map((sample): Call => ({ line, sample, fails: fallsShort(sample) })),
    )
    .filter(({ sample, fails }) => fails || (sample.places > 0 && !sample.set))
    .sort((call, other) => other.sample.places - call.sample.places || Number(other.fails) - Number(call.fails));
}

/** A line's samples in rows of so many: folded, of those it leaves out only what fails. */
export function rowsOf(line: GroundLine, columns: number, open: boolean): RoleSample[][] {
  const more = open ? line.more : line.more.filter(fallsShort);
  const rows = [[...line.samples]];
  for (let i = 0; i < more.length; i += columns) rows.push(more.slice(i, i + columns));
  return rows;
}
