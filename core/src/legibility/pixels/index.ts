export {
  NO_PIXELS,
  PIXEL_AREAS,
  coloured,
  coverCrop,
  pixelKey,
  pixelSets,
  type PixelSet,
  type PixelSets,
} from './pixel-set.ts';
export { FAILING_SHARE, judgePixels, type PixelVerdict } from './judge-pixels.ts';
export { picturedSection, veilOf, washUnder } from './veil.ts';
export { FOCUS_POINTS, focusFix, pictureFixes, type FocusPoint, type PictureFix } from './fix-picture.ts';
export { PixelsJson, readPixelsJson, writePixels } from './pixels-json.ts';
export { lookBehind, type Behind, type OverPicture } from './behind.ts';
