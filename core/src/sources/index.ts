export { candidates, type Candidate } from './candidates.ts';
export { partFor, planTaking, takePalette, type NewSwatch, type Taking } from './take.ts';
export {
  AS_DRAWN,
  drawnAndBuilt,
  groupSpots,
  type NeverDrawn,
  type PinSpot,
  type SpotGroup,
  type WithoutToken,
} from './compare-design.ts';
export { measureLetters, sizesOf, type Box, type MeasuredLetters } from './measure-drawing.ts';
export { drawnLetters, nearestSpace, type DrawnLetters } from './drawn-figures.ts';
