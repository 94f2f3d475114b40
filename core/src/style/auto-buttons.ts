import { buttonRole, parseButtonRole, type ButtonPart, type ButtonState, type RoleValue } from '../ground/index.ts';
import type { Brand, Ground } from '../site/index.ts';

/** How a variant is told from its background: by a fill, or by an edge alone. */
export type Manner = 'filled' | 'outlined';

/**
 * Returns the manner of each variant of a brand, by id: that of most backgrounds
 * on which its fill was set. Of those that were set nowhere the first is filled,
 * the others are outlined, so that a new background has both.
 */
export function mannersOf(brand: Pick<Brand, 'grounds' | 'variantOrder'>): ReadonlyMap<string, Manner> {
  return new Map(brand.variantOrder.map((id, nth): [string, Manner] => {
    let balance = 0;
    for (const ground of Object.values(brand.grounds)) {
      const fill = ground.roles[buttonRole(id, 'fill', 'rest')];
      if (fill) balance += isBackground(ground, fill) ? -1 : 1;
    }
    return [id, balance > 0 ? 'filled' : balance < 0 ? 'outlined' : nth === 0 ? 'filled' : 'outlined'];
  }));
}

function isBackground(ground: Ground, fill: RoleValue): boolean {
  const background = ground.roles['background'];
  return (fill.kind === 'same' && fill.role === 'background') || (fill.kind === 'swatch' && background?.kind === 'swatch' && fill.swatch === background.swatch);
}

/** How far an automatic fill goes over to the colour of its label, or, disabled, to the background; share in OKLab, 0 to 1. */
const SHADES: Readonly<Partial<Record<ButtonState, { readonly to: ButtonPart | 'background'; readonly share: number }>>> = {
  hover: { to: 'label', share: 0.12 }, pressed: { to: 'label', share: 0.22 }, disabled: { to: 'background', share: 0.5 },
};

/** What an unset role of a button does: a value as a designer could set it, or a colour between two roles. */
export type AutoValue = RoleValue | { readonly kind: 'between'; readonly role: string; readonly with: string; readonly share: number };

/** What of a background the automatic parts of its buttons look at. */
export interface Looked { readonly isSet: (role: string) => boolean; readonly alike: (one: string, other: string) => boolean; readonly reads: (label: string, fill: string) => boolean; /** Whether a part stands out from the background. */ readonly standsOut: (role: string) => boolean }

/**
 * Returns what fills an unset role of a button. A filled variant takes the clearest
 * swatch, an outlined one the background and an edge of its label's colour. States
 * that nobody set differ from rest; a label passes on the fill it stands on, or is
 * the clearest colour there is; an edge that has the fill's colour at rest goes on
 * having it.
 */
export function autoButton(role: string, manner: Manner, { isSet, alike, reads, standsOut }: Looked): AutoValue {
  const { variant, part, state } = parseButtonRole(role)!;
  const at = (of: ButtonPart, when: ButtonState = state): string => buttonRole(variant, of, when);
  if (part === 'fill') {
    if (state === 'rest') return manner === 'outlined' ? { kind: 'same', role: 'background' } : { kind: 'readable' };
    const shade = SHADES[state];
    return shade ? { kind: 'between', role: at('fill', 'rest'), with: shade.to === 'background' ? 'background' : at(shade.to, 'rest'), share: shade.share } : { kind: 'same', role: at('fill', 'rest') };
  }
  if (part === 'label') {
    if (state === 'disabled') return { kind: 'between', role: at('label', 'rest'), with: at('fill'), share: 0.45 };
    // One that falls short at rest is told there: the state goes on as it is.
    if (state !== 'rest' && (reads(at('label', 'rest'), at('fill')) || !reads(at('label', 'rest'), at('fill', 'rest')))) return { kind: 'same', role: at('label', 'rest') };
    return manner === 'filled' && reads('background', at('fill')) ? { kind: 'same', role: 'background' } : { kind: 'readable' };
  }
  if (state === 'rest') return !isSet(at('fill', 'rest')) && manner === 'outlined' ? { kind: 'same', role: at('label', 'rest') } : { kind: 'same', role: at('fill', 'rest') };
  // A fill that stands out less than at rest keeps the edge of rest, by which the button is told from its background.
  return alike(at('edge', 'rest'), at('fill', 'rest')) && (state === 'disabled' || standsOut(at('fill'))) ? { kind: 'same', role: at('fill') } : { kind: 'same', role: state === 'disabled' ? at('label') : at('edge', 'rest') };
}
