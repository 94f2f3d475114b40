import type { Brand, MotionUse } from '../site/index.ts';
import type { Declaration } from './declaration.ts';
import type { Token } from './token.ts';

/** Duration and easing of every motion the brand names. */
export function* motionTokens(brand: Brand): Iterable<Token> {
  for (const id of brand.motion?.order ?? []) {
    const motion = brand.motion!.items[id]!;
    const at = (field: string) => ['brand', 'motion', 'items', id, field];
    yield {
      path: `motion.${motion.path}.duration`,
      label: `${motion.label} motion, duration`,
      type: 'duration',
      css: `${motion.duration}ms`,
      address: at('duration'),
    };
    yield {
      path: `motion.${motion.path}.easing`,
      label: `${motion.label} motion, easing`,
      type: 'cubicBezier',
      css: `cubic-bezier(${motion.easing.join(', ')})`,
      address: at('easing'),
    };
  }
}

/** How the colours of a part move from state to state; nothing where no motion is chosen for it. */
export function motionOf(brand: Brand, use: MotionUse): Declaration[] {
  const motion = brand.motion?.items[brand.motion.uses[use] ?? ''];
  return motion
    ? [
        { property: 'transition-duration', token: `motion.${motion.path}.duration` },
        { property: 'transition-timing-function', token: `motion.${motion.path}.easing` },
      ]
    : [];
}
