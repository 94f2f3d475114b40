import type { Brand } from '../site/index.ts';
import { declaredKey } from '../style/index.ts';
import type { Painting } from './painting.ts';

let painted:
  | {
      readonly declared: string;
      readonly root: Map<string, Painting>;
      readonly below: WeakMap<Painting, Map<string, Painting>>;
    }
  | undefined;

/**
 * Looks that nothing is set on, by what they are, below the one they take text
 * values from. While the declarations of a brand stay they are the same from one
 * index to the next; to work them out is half of the time that an index takes.
 */
export function paintingsOf(brand: Brand, parent: Painting | null): Map<string, Painting> {
  const declared = `${brand.buttonStyle}|${declaredKey(brand)}`;
  if (painted?.declared !== declared) painted = { declared, root: new Map(), below: new WeakMap() };
  if (!parent) return painted.root;
  let below = painted.below.get(parent);
  if (!below) painted.below.set(parent, (below = new Map()));
  return below;
}
