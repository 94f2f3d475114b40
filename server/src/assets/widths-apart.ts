import sharp from 'sharp';

/** A picture to be had in some widths. */
export interface WidthsOrder { readonly bytes: Uint8Array; readonly widths: readonly number[] }

/** A picture in each of some widths as WebP, null for a width in which there can be none; turned as its camera was held; one that moves goes on moving, as its original does in a wide window. Runs in a process of its own. */
export async function drawWidthsApart({ bytes, widths }: WidthsOrder): Promise<(Uint8Array | null)[]> {
  const made: (Uint8Array | null)[] = [];
  for (const width of widths) {
    // WebP has sides of 16,383 px at most, and a picture that moves may be too large in all its frames: then there is none in this width.
    made.push(await sharp(bytes, { animated: true, failOn: 'none' }).autoOrient().resize({ width, withoutEnlargement: true }).webp({ quality: 82 }).toBuffer().catch(() => null));
  }
  return made;
}
