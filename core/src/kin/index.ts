export { KIN, isKin, kinOf, type Kin, type KinWay } from './kin.ts';
export { decideKin, deriveKin, moveWithKin } from './move.ts';
