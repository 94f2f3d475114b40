export { STRESS_KINDS, longer, stressCss, stressSite, type StressKind } from './stress.ts';
