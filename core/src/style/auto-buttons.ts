import { buttonRole, parseButtonRole, type ButtonPart, type ButtonState, type RoleValue } from '../background/index.ts';
import type { Brand, Ground } from '../site/index.ts';

/** The contrast of a variant with its background: a fill, or only an edge. */
export type Manner = 'filled' | 'outlined';

/**
 * Returns the manner of each variant by id: the manner on most backgrounds where its
 * fill is set. Of the variants without any set fill, the first is filled and the others
 * are outlined, so that a new background has both.
 */
export function mannersOf(brand: Pick<Brand, 'grounds' | 'variantOrder'>): ReadonlyMap<string, Manner> {
  return new Map(
    brand.variantOrder.map((id, nth): [string, Manner] => {
      let balance = 0;
      for (const ground of Object.values(brand.grounds)) {
        const fill = ground.roles[buttonRole(id, 'fill', 'rest')];
        if (fill) balance += isBackground(ground, fill) ? -1 : 1;
      }
      return [id, balance > 0 ? 'filled' : balance < 0 ? 'outlined' : nth === 0 ? 'filled' : 'outlined'];
    }),
  );
}

function isBackground(ground: Ground, fill: RoleValue): boolean {
  const background = ground.roles['background'];
  return (
    (fill.kind === 'same' && fill.role === 'background') ||
    (fill.kind === 'swatch' && background?.kind === 'swatch' && fill.swatch === background.swatch)
  );
}

/**
 * The share of the label's colour, or of the background for a disabled button, in an automatic fill; in OKLab, 0 to 1.
 */
const SHADES: Readonly<
  Partial<Record<ButtonState, { readonly to: ButtonPart | 'background'; readonly share: number }>>
> = {
  hover: { to: 'label', share: 0.12 },
  pressed: { to: 'label', share: 0.22 },
  disabled: { to: 'background', share: 0.5 },
};

/** The value of an unset button role: a value that a designer could set, or a colour between two roles. */
export type AutoValue =
  RoleValue | { readonly kind: 'between'; readonly role: string; readonly with: string; readonly share: number };

/** Questions about a background that decide the automatic parts of its buttons. */
export interface Looked {
  readonly isSet: (role: string) => boolean;
  readonly alike: (name: string, other: string) => boolean;
  readonly reads: (label: string, fill: string) => boolean;
  /** Returns true if a part has enough contrast with the background. */ readonly standsOut: (role: string) => boolean;
}

/**
 * Returns the automatic value of an unset button role. A filled variant uses the
 * clearest swatch; an outlined variant uses the background as its fill and its label's
 * colour as its edge. Unset states differ from rest. A label passes on its fill, or is
 * the clearest available colour. An edge with the fill's colour at rest follows the fill.
 */
export function autoButton(role: string, manner: Manner, { isSet, alike, reads, standsOut }: Looked): AutoValue {
  const { variant, part, state } = parseButtonRole(role)!;
  const at = (of: ButtonPart, when: ButtonState = state): string => buttonRole(variant, of, when);
  if (part === 'fill') {
    if (state === 'rest') return manner === 'outlined' ? { kind: 'same', role: 'background' } : { kind: 'readable' };
    const shade = SHADES[state];
    return shade
      ? {
          kind: 'between',
          role: at('fill', 'rest'),
          with: shade.to === 'background' ? 'background' : at(shade.to, 'rest'),
          share: shade.share,
        }
      : { kind: 'same', role: at('fill', 'rest') };
  }
  if (part === 'label') {
    if (state === 'disabled') return { kind: 'between', role: at('label', 'rest'), with: at('fill'), share: 0.45 };
    // A label that fails at rest is reported at rest, so the state repeats it.
    if (state !== 'rest' && (reads(at('label', 'rest'), at('fill')) || !reads(at('label', 'rest'), at('fill', 'rest'))))
      return { kind: 'same', role: at('label', 'rest') };
    return manner === 'filled' && reads('background', at('fill'))
      ? { kind: 'same', role: 'background' }
      : { kind: 'readable' };
  }
  if (state === 'rest')
    return !isSet(at('fill', 'rest')) && manner === 'outlined'
      ? { kind: 'same', role: at('label', 'rest') }
      : { kind: 'same', role: at('fill', 'rest') };
  // A fill with little contrast keeps the edge of rest, which shows the button on its background.
  return alike(at('edge', 'rest'), at('fill', 'rest')) && (state === 'disabled' || standsOut(at('fill')))
    ? { kind: 'same', role: at('fill') }
    : { kind: 'same', role: state === 'disabled' ? at('label') : at('edge', 'rest') };
}
