export { KIN, isKin, beyondReach, kinOf, type Beyond, type Kin, type KinWay } from './kin.ts';
export { decideKin, deriveKin, moveWithKin } from './move.ts';
