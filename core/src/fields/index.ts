export {
  byField,
  byId,
  Copy,
  Hex,
  Id,
  Label,
  MOST_COPY,
  Order,
  PageOrder,
  PathSegment,
  PlaceId,
  PublishedId,
  isReservedName,
  ranged,
  record,
  text,
} from './fields.ts';
export { LIMITS } from './limits.ts';
export { cleanText, cleanTexts } from './text.ts';
