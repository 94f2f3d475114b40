export type { Oklab, Oklch, Rgb8 } from './color.ts';
export { linearToOklab, oklabToLinear, oklabToOklch, oklabToRgb8Clipped, oklchToOklab, rgb8ToOklab } from './oklab.ts';
export { LINEAR_OF_8BIT } from './srgb.ts';
export { inSrgb, mapToSrgb, paintedRgb } from './gamut.ts';
export { CONTRAST, LUMINANCE_OF, contrastRatio, isLargeText, luminance, luminanceRatio } from './contrast.ts';
export { composite } from './composite.ts';
export { deltaE, deltaERgb } from './difference.ts';
export { parseColor, type ParsedColor } from './parse.ts';
export { cssColor, hex, hslText, oklchFigures, oklchText, rgbText } from './format.ts';
export { fixPair, type PairFix } from './fix-pair.ts';
export { colorSpots, type ColorSpot } from './find.ts';
export { VISIONS, VISION_LABELS, seenAs, visionMatrix, type Vision, type VisionMatrix } from './vision.ts';
export {
  FIELD,
  fieldColor,
  fieldDarker,
  fieldHeight,
  fieldRatio,
  luminanceAt,
  paintField,
  type ContrastFieldSpec,
} from './contrast-field.ts';
export {
  gradientColor,
  gradientCss,
  gradientExtent,
  gradientPosition,
  readGradient,
  type Gradient,
} from './gradient.ts';
