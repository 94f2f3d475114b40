import sharp from 'sharp';

/** A picture to be had in some widths. */
export interface WidthsOrder { readonly bytes: Uint8Array; readonly widths: readonly number[] }

/** A picture in each of some widths as WebP, turned as its camera was held; one that moves goes on moving, as its original does in a wide window. Runs in a process of its own. */
export async function drawWidthsApart({ bytes, widths }: WidthsOrder): Promise<Uint8Array[]> {
  const made: Uint8Array[] = [];
  for (const width of widths) made.push(await sharp(bytes, { animated: true }).autoOrient().resize({ width, withoutEnlargement: true }).webp({ quality: 82 }).toBuffer());
  return made;
}
