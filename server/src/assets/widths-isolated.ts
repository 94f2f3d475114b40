import sharp from 'sharp';

/** A picture to be had in some widths. */
export interface WidthsOrder {
  readonly bytes: Uint8Array;
  readonly widths: readonly number[];
}

/**
 * Returns a picture as WebP in each width, or null for a width that cannot be made. Applies the camera's orientation
 * and keeps animation. Runs in its own process.
 */
export async function drawWidthsIsolated({ bytes, widths }: WidthsOrder): Promise<(Uint8Array | null)[]> {
  const made: (Uint8Array | null)[] = [];
  for (const width of widths) {
    // WebP allows sides of up to 16,383 px, and all frames of an animation together can be too large. Then this width
    // has no file.
    made.push(
      await sharp(bytes, { animated: true, failOn: 'none' })
        .autoOrient()
        .resize({ width, withoutEnlargement: true })
        .webp({ quality: 82 })
        .toBuffer()
        .catch(() => null),
    );
  }
  return made;
}
