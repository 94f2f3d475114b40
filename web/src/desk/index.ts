export { StepsLine } from './steps-line.ts';
export { TallyLine } from './tally-line.ts';
export { CheckView, type CheckList } from './check-view.ts';
export { OpenCounts } from './open-counts.ts';
