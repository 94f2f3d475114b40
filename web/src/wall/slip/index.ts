export { type SlipSpot, slipSpot } from './slip-spot.ts';
export { Slip } from './slip.ts';
