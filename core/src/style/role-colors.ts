import {
  CONTRAST,
  composite,
  contrastRatio,
  deltaERgb,
  gradientExtent,
  hex,
  oklabToOklch,
  paintedRgb,
  parseColor,
  rgb8ToOklab,
  type Rgb8,
} from '../color/index.ts';
import {
  behindRole,
  clearestFor,
  defaultRoleValue,
  parseButtonRole,
  roleNeed,
  type Clearest,
} from '../background/index.ts';
import { deriveColor } from '../palette/index.ts';
import type { Brand, Ground } from '../site/index.ts';
import { autoButton, mannersOf, type AutoValue, type Looked, type Manner } from './auto-buttons.ts';
import { resolvedSwatches, type ResolvedSwatch } from './swatches.ts';

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };
const BLACK: Rgb8 = { r: 0, g: 0, b: 0, alpha: 1 };

/** Returns true if rules that look for a readable colour look at a swatch first. */
export const isCore = ({ swatch }: ResolvedSwatch): boolean => swatch.part === 'core' && !swatch.rule;

/** The colours of the roles of one ground. */
export interface RoleColors {
  /** Returns the value of a role; its default rule if it is not set. */
  readonly value: (role: string) => AutoValue;
  /** The colour it comes to; what leads back to itself is black. */
  readonly rgb: (role: string) => Rgb8;
  /** Returns the result of the rule for a readable colour there, whether the role uses that rule or not. */
  readonly clearest: (role: string) => Clearest<ResolvedSwatch>;
}

/** Works out the colours of a ground, each on what it is seen on: a label on its fill, texts on all of a gradient. */
export function roleColors(
  ground: Ground,
  swatches: readonly ResolvedSwatch[],
  manners: ReadonlyMap<string, Manner> = new Map(),
): RoleColors {
  const known = new Map<string, Rgb8>();
  const found = new Map<string, Clearest<ResolvedSwatch>>();
  const automatic = new Map<string, AutoValue>();
  const value = (role: string): AutoValue => {
    const set = ground.roles[role];
    if (set) return set;
    if (role === 'background') return { kind: 'raw', color: '#ffffff' };
    const button = parseButtonRole(role);
    if (!button) return defaultRoleValue(role);
    let auto = automatic.get(role);
    if (!auto) automatic.set(role, (auto = autoButton(role, manners.get(button.variant) ?? 'filled', looked)));
    return auto;
  };
  const over = (role: string): Rgb8 => composite(rgb(role), flat('background'));
  const looked: Looked = {
    isSet: (role) => ground.roles[role] !== undefined,
    alike: (name, other) => deltaERgb(over(name), over(other)) < 1e-4,
    standsOut: (role) => contrastRatio(over(role), flat('background')) >= CONTRAST.nonText,
    reads: (label, fill) => contrastRatio(composite(rgb(label), over(fill)), over(fill)) >= CONTRAST.text,
  };
  const swatchRgb = (id: string) => swatches.find((swatch) => swatch.swatch.id === id);
  const core = swatches.filter(isCore);
  const others = swatches.filter((swatch) => !isCore(swatch));
  const flat = (role: string): Rgb8 => composite(rgb(role), WHITE);
  const seenOn = (role: string): readonly Rgb8[] => {
    const behind = behindRole(role);
    if (behind === 'background')
      return ground.wash
        ? gradientExtent({ angle: ground.wash.angle, from: flat('background'), to: flat('background-to') })
        : [flat('background')];
    return [composite(rgb(behind), flat('background'))];
  };
  const clearest = (role: string): Clearest<ResolvedSwatch> => {
    // Roles of one need on one background share the answer.
    const key = behindRole(role) === 'background' ? String(roleNeed(role)) : role;
    let entry = found.get(key);
    if (!entry) found.set(key, (entry = clearestFor(core, others, roleNeed(role), ...seenOn(role))));
    return entry;
  };
  const rgb = (role: string): Rgb8 => {
    let color = known.get(role);
    if (color) return color;
    known.set(role, BLACK);
    known.set(role, (color = worked(role)));
    return color;
  };
  const worked = (role: string): Rgb8 => {
    const entry = value(role);
    switch (entry.kind) {
      case 'swatch':
        return swatchRgb(entry.swatch)?.rgb ?? (role.startsWith('background') ? WHITE : BLACK);
      case 'raw':
        return parseColor(entry.color)?.rgb ?? WHITE;
      case 'same':
        return rgb(entry.role);
      case 'between':
        return colorBetween(over(entry.role), over(entry.with), entry.share);
      case 'readable':
        return clearest(role).rgb;
      case 'contrast': {
        const source = swatchRgb(entry.swatch);
        const on = parseColor(hex(seenOn(role)[0]!))!.oklch;
        const made =
          source &&
          deriveColor(source.oklch, { kind: 'contrast', source: entry.swatch, on: '', ratio: entry.ratio }, on);
        return made ? paintedRgb(made) : BLACK;
      }
    }
  };
  return { value, rgb, clearest };
}

/** Returns a colour between two flat colours, in OKLab. @param share of the second colour, 0 to 1 */
export function colorBetween(entry: Rgb8, other: Rgb8, share: number): Rgb8 {
  const [from, to] = [rgb8ToOklab(entry), rgb8ToOklab(other)];
  const mixed = {
    l: from.l + (to.l - from.l) * share,
    a: from.a + (to.a - from.a) * share,
    b: from.b + (to.b - from.b) * share,
  };
  return paintedRgb({ ...oklabToOklch(mixed), alpha: 1 });
}

/** Returns the result of the rule for a readable colour in a role of a background, with the required ratio. */
export function clearestChoice(
  brand: Brand,
  ground: string,
  role: string,
): Clearest<ResolvedSwatch> & { readonly needed: number } {
  return {
    ...roleColors(brand.grounds[ground]!, resolvedSwatches(brand), mannersOf(brand)).clearest(role),
    needed: roleNeed(role),
  };
}
