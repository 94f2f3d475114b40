export { GatherStep } from './gather/gather-step.ts';
export { ColourStep } from './colour/colour-step.ts';
export { GroundsStep } from './grounds/grounds-step.ts';
export { TypeStep } from './type/type-step.ts';
export { BuildStep } from './buttons/build-step.ts';
export { PagesStep } from './pages/pages-step.ts';
export { CheckStep } from './check/check-step.ts';
export { PublishStep } from './publish/publish-step.ts';
