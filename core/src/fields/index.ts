export { byField, byId, Copy, Hex, Id, Label, MOST_COPY, Order, PageOrder, PathSegment, PlaceId, isReservedName, ranged, record, text } from './fields.ts';
export { LIMITS } from './limits.ts';
export { cleanText, cleanTexts } from './text.ts';
