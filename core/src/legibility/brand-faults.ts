import { composite, deltaERgb, type Rgb8 } from '../color/index.ts';
import {
  BASE_ROLES,
  BUTTON_STATES,
  buttonRole,
  buttonRoles,
  parseButtonRole,
  roleLabel,
  type ButtonState,
} from '../background/index.ts';
import { colorOf, siteIndex, tokenValue } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { rolePath, tokenTable } from '../style/index.ts';
import { groundBackdrop, roleJudge } from './role-judgement.ts';

/** A role that no place uses and that would fail if used, or two buttons or states that look alike. */
export interface BrandFault {
  readonly kind: 'unused' | 'alike';
  readonly ground: string;
  /** The failing role; for buttons that look alike, the role of the fill. */
  readonly role: string;
  readonly words: string;
  /** Contrast ratio, or ΔE OK. */
  readonly found: number;
  readonly needed: number;
}

/**
 * The smallest ΔE OK between two variants on one background, or between a state and rest: twice the just noticeable
 * difference.
 */
export const BUTTONS_APART = 0.04;

/**
 * Returns the faults of the brand that no place shows: unused roles that would fail,
 * variants that look alike on a background, and states that look like rest. Disabled
 * buttons are exempt from contrast.
 */
export function brandFaults(site: Site): BrandFault[] {
  const index = siteIndex(site);
  return site.brand.groundOrder.flatMap((id): BrandFault[] => {
    const ground = site.brand.grounds[id]!;
    const judge = roleJudge(site, id);
    const roles = [
      ...BASE_ROLES.filter((role) => !role.startsWith('background')),
      ...site.brand.variantOrder.flatMap(buttonRoles),
    ];
    const unused = roles.flatMap((role): BrandFault[] => {
      const button = parseButtonRole(role);
      if (button?.state === 'disabled' || button?.part === 'edge') return [];
      // A role that some place shows is judged at that place.
      if ((index.byToken.get(rolePath(site.brand, ground, role))?.size ?? 0) > 0) return [];
      const { found, needed } = judge(role);
      if (found === null || found >= needed) return [];
      const name = button ? `${site.brand.variants[button.variant]!.label}, ${roleLabel(role)}` : roleLabel(role);
      return [{ kind: 'unused', ground: id, role, words: `${name} on ${ground.label}`, found, needed }];
    });
    return [...unused, ...alike(site, id)];
  });
}

interface Look {
  readonly fill: Rgb8;
  readonly label: Rgb8;
  readonly edge: Rgb8;
}

function alike(site: Site, id: string): BrandFault[] {
  const { brand } = site;
  const ground = brand.grounds[id]!;
  const table = tokenTable(brand);
  const { color: behind } = groundBackdrop(site, id, table);
  const css = (role: string): Rgb8 =>
    composite(colorOf(tokenValue(table, rolePath(brand, ground, role)).css) ?? behind, behind);
  const look = (variant: string, state: ButtonState): Look => ({
    fill: css(buttonRole(variant, 'fill', state)),
    label: css(buttonRole(variant, 'label', state)),
    edge: css(buttonRole(variant, 'edge', state)),
  });
  const apart = (entry: Look, other: Look): number =>
    Math.max(deltaERgb(entry.fill, other.fill), deltaERgb(entry.edge, other.edge), deltaERgb(entry.label, other.label));
  const shaped = (variant: string): string => JSON.stringify(brand.variants[variant]!.shape ?? null);
  const faults: BrandFault[] = [];
  const fault = (variant: string, words: string, found: number): void => {
    if (found < BUTTONS_APART)
      faults.push({
        kind: 'alike',
        ground: id,
        role: buttonRole(variant, 'fill', 'rest'),
        words: `${words} on ${ground.label}`,
        found,
        needed: BUTTONS_APART,
      });
  };
  brand.variantOrder.forEach((variant, i) => {
    const label = brand.variants[variant]!.label;
    const rest = look(variant, 'rest');
    for (const other of brand.variantOrder.slice(i + 1))
      if (shaped(other) === shaped(variant))
        fault(variant, `${label} and ${brand.variants[other]!.label} look alike`, apart(rest, look(other, 'rest')));
    // The spinner tells a busy button from rest.
    for (const state of BUTTON_STATES)
      if (state !== 'rest' && state !== 'busy')
        fault(variant, `${label}, ${state}, looks the same as at rest`, apart(rest, look(variant, state)));
  });
  return faults;
}
