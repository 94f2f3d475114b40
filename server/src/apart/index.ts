export { Apart, ApartBusy, type ApartAnswer, type ApartLimits } from './apart.ts';
