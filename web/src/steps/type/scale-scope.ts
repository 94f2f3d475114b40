import { stepPath, type Brand } from '@yohaku/core';
import type { Scope } from '../../state/index.ts';

/** Returns the scope of a scale field: the text size moves all used steps, the step all but the text size. */
export function scaleScope(brand: Brand | undefined, field: 'base' | 'ratio'): Scope {
  const steps = new Set(
    Object.values(brand?.styles ?? {}).flatMap((style) => (style.size.kind === 'step' ? [style.size.step] : [])),
  );
  return {
    tokens: [...steps].filter((step) => field === 'base' || step !== 0).map(stepPath),
    label: field === 'base' ? 'Text size of the scale' : 'Step of the scale',
  };
}
