export { countsOf } from './counts.ts';
