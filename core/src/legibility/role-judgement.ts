import { composite, contrastRatio, gradientExtent, readGradient, type Gradient, type Rgb8 } from '../color/index.ts';
import { behindRole, buttonRole, parseButtonRole, roleNeed } from '../background/index.ts';
import { colorOf, siteIndex, tokenValue, type SiteIndex } from '../reach/index.ts';
import { rolePath, tokenTable, type TokenTable } from '../style/index.ts';
import type { Site, PaintedProperty } from '../site/index.ts';
import { aspectsOf, strictestNeed } from './need.ts';

/** How a role of a ground fares where it is seen on that ground, whether any place has it yet or not. */
export interface RoleJudgement {
  /** Null where there is nothing to rate, or a colour cannot be read. */
  readonly found: number | null;
  readonly needed: number;
  /** The colour to compare with: the background, or the fill, field or mark below. */
  readonly behind: Rgb8;
  /** True if the figure is the lowest along a gradient: where a text stands on it, it may be more. */
  readonly least: boolean;
}

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };

/** The background of a ground over white paper, and the gradient that it is, if it is one. */
export function groundBackdrop(
  site: Site,
  ground: string,
  table: TokenTable = tokenTable(site.brand),
): { readonly color: Rgb8; readonly wash: Gradient | undefined } {
  const css = (role: string) => tokenValue(table, rolePath(site.brand, site.brand.grounds[ground]!, role)).css;
  return { color: composite(colorOf(css('background')) ?? WHITE, WHITE), wash: readGradient(css('wash')) };
}

/**
 * Judges roles of a ground: what each is seen on by its role, and what is asked
 * of it: of the places that have it the strictest, as the audit asks it of them;
 * of a role that no place has, what its role asks.
 */
export function roleJudge(site: Site, ground: string): (role: string) => RoleJudgement {
  const table = tokenTable(site.brand);
  const index = siteIndex(site);
  const of = site.brand.grounds[ground]!;
  const css = (role: string) => tokenValue(table, rolePath(site.brand, of, role)).css;
  const { color: background, wash } = groundBackdrop(site, ground, table);
  const extent = wash ? gradientExtent(wash) : [background];
  const onBackground = (role: string): Rgb8 => composite(colorOf(css(role)) ?? background, background);
  return (role) => {
    const button = parseButtonRole(role);
    const needed = neededOf(index, table, rolePath(site.brand, of, role), role);
    // A part is told from its ground by its fill or its edge, the better of the two.
    if (button && button.part !== 'label') {
      const part = (name: 'fill' | 'edge') =>
        contrastRatio(onBackground(buttonRole(button.variant, name, button.state)), background);
      return { found: Math.max(part('fill'), part('edge')), needed, behind: background, least: wash !== undefined };
    }
    // A stripe is judged by the text that stands on it.
    const fore = colorOf(css(role === 'stripe' ? 'text' : role));
    const under = role === 'stripe' ? role : behindRole(role);
    if (!fore) return { found: null, needed, behind: background, least: false };
    if (under !== 'background') {
      const behind = onBackground(under);
      return { found: contrastRatio(composite(fore, behind), behind), needed, behind, least: false };
    }
    // Over a gradient the figure is the lowest from end to end.
    const [worst] = extent
      .map((behind) => ({ behind, found: contrastRatio(composite(fore, behind), behind) }))
      .sort((entry, other) => entry.found - other.found);
    return { ...worst!, needed, least: wash !== undefined };
  };
}

function neededOf(index: SiteIndex, table: TokenTable, path: string, role: string): number {
  let strictest = 0;
  for (const group of index.byToken.get(role === 'stripe' ? '' : path) ?? []) {
    const has = (property: PaintedProperty) =>
      group.painting.cells.some((cell) => cell.property === property && cell.token === path);
    for (const state of group.states)
      for (const aspect of aspectsOf(group, state))
        if (aspect.properties.some(has)) strictest = Math.max(strictest, strictestNeed(table, group, aspect.rule));
  }
  return strictest || roleNeed(role);
}
