export { MOST_SWATCHES, planColors, type ColorPlan, type PlanRow, type Arrival } from './plan.ts';
export { takeColors, type Settling } from './take.ts';
export { planBrand, takeBrand } from './whole.ts';
