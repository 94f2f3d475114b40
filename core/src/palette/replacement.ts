import { oklabToOklch, rgb8ToOklab, type Rgb8 } from '../color/index.ts';

/** Chroma below which a hue is not seen. */
const GREY = 0.03;
/** The weights of a difference in chroma and of half a turn of hue, compared with one in lightness. */
const CHROMA = 1.5;
const HUE = 0.15;
/** A strong colour that becomes a grey, or a grey that becomes strong. */
const TURNED_GREY = 0.05;

/**
 * How badly a colour stands in for another, 0 for itself: unlike a plain
 * difference of colours it holds that red had better become orange than a blue
 * or a grey that happens to lie nearer, since what is red means something.
 */
export function standIn(gone: Rgb8, replacement: Rgb8): number {
  const [oklch, other] = [gone, replacement].map((rgb) => oklabToOklch(rgb8ToOklab(rgb))) as [
    ReturnType<typeof oklabToOklch>,
    ReturnType<typeof oklabToOklch>,
  ];
  const turn = Math.abs(((oklch.h - other.h + 540) % 360) - 180) / 180;
  const grey = [oklch.c < GREY, other.c < GREY];
  const hue = grey[0] && grey[1] ? 0 : grey[0] !== grey[1] ? TURNED_GREY : HUE * turn;
  return Math.abs(oklch.l - other.l) + CHROMA * Math.abs(oklch.c - other.c) + hue;
}

/** The colour that stands in best for one that goes; the earlier one wins a draw. */
export function replacementOf<C extends { readonly rgb: Rgb8 }>(gone: Rgb8, kept: readonly C[]): C | undefined {
  return kept.reduce<C | undefined>(
    (best, entry) => (best === undefined || standIn(gone, entry.rgb) < standIn(gone, best.rgb) ? entry : best),
    undefined,
  );
}
