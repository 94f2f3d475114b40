export { MOST_SWATCHES, planColors, type ColorPlan } from './plan.ts';
export { type PlanRow, type Arrival } from './plan-row.ts';
export { takeColors, type Settling } from './take.ts';
export { planBrand, takeBrand } from './whole.ts';
