import { buttonRole, rolePath, type Brand } from '@yohaku/core';
import type { Scope } from '../../state/index.ts';

/** What an edit of some variants reaches: their buttons on every ground. */
export function variantScope(brand: Brand, variants: readonly string[]): Scope {
  const tokens = variants.flatMap((variant) => brand.groundOrder.map((ground) => rolePath(brand, brand.grounds[ground]!, buttonRole(variant, 'fill', 'rest'))));
  return { tokens, label: `${variants.map((id) => brand.variants[id]?.label ?? '').join(', ')} on every background` };
}
