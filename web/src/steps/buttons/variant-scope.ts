import { buttonRole, rolePath, type Brand } from '@yohaku/core';
import type { Scope } from '../../state/index.ts';

/** Returns the scope of an edit of variants: their buttons on every background. */
export function variantScope(brand: Brand, variants: readonly string[]): Scope {
  const tokens = variants.flatMap((variant) =>
    brand.groundOrder.map((ground) => rolePath(brand, brand.grounds[ground]!, buttonRole(variant, 'fill', 'rest'))),
  );
  return { tokens, label: `${variants.map((id) => brand.variants[id]?.label ?? '').join(', ')} on every background` };
}
