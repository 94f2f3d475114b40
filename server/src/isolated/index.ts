export { Isolated, IsolatedBusy, type IsolatedAnswer, type IsolatedLimits } from './isolated.ts';
