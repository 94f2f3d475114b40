export { AUDIT_WIDTHS, BANDS, WALL_WIDTHS, bandOf, bandQuery, type Band, type BandId } from './bands.ts';
