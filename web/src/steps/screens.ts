import type { Type } from '@angular/core';
import type { Step } from '../state/index.ts';

/** The screen of each step. Its script is fetched when the step is first opened. */
export const STEP_SCREENS: Readonly<Record<Step, () => Promise<Type<unknown>>>> = {
  sources: () => import('./sources/sources-step.ts').then(({ SourcesStep }) => SourcesStep),
  colour: () => import('./colour/colour-step.ts').then(({ ColourStep }) => ColourStep),
  backgrounds: () => import('./backgrounds/backgrounds-step.ts').then(({ BackgroundsStep }) => BackgroundsStep),
  type: () => import('./type/type-step.ts').then(({ TypeStep }) => TypeStep),
  buttons: () => import('./buttons/buttons-step.ts').then(({ ButtonsStep }) => ButtonsStep),
  pages: () => import('./pages/pages-step.ts').then(({ PagesStep }) => PagesStep),
  check: () => import('./check/check-step.ts').then(({ CheckStep }) => CheckStep),
  publish: () => import('./publish/publish-step.ts').then(({ PublishStep }) => PublishStep),
};
