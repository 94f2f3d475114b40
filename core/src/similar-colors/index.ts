export {
  SIMILAR,
  isSimilar,
  beyondReach,
  similarColors,
  timesShown,
  type PicturesShown,
  type Beyond,
  type SimilarColor,
  type SimilarWay,
} from './similar-colors.ts';
export { decideSimilar, deriveSimilar, moveWithSimilar } from './move.ts';
