import type { Type } from '@angular/core';
import type { Step } from '../state/index.ts';

/** The screen of each step. Its script is fetched when the step is first opened. */
export const STEP_SCREENS: Readonly<Record<Step, () => Promise<Type<unknown>>>> = {
  gather: () => import('./gather/gather-step.ts').then(({ GatherStep }) => GatherStep),
  colour: () => import('./colour/colour-step.ts').then(({ ColourStep }) => ColourStep),
  grounds: () => import('./grounds/grounds-step.ts').then(({ GroundsStep }) => GroundsStep),
  type: () => import('./type/type-step.ts').then(({ TypeStep }) => TypeStep),
  buttons: () => import('./buttons/build-step.ts').then(({ BuildStep }) => BuildStep),
  pages: () => import('./pages/pages-step.ts').then(({ PagesStep }) => PagesStep),
  check: () => import('./check/check-step.ts').then(({ CheckStep }) => CheckStep),
  publish: () => import('./publish/publish-step.ts').then(({ PublishStep }) => PublishStep),
};
