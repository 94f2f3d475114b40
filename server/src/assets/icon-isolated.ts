import sharp from 'sharp';
import { PictureRefused } from './refused.ts';

/** One icon to draw: a picture in a box on a square of a colour. `density` in dots an inch, for drawings. */
export interface IconOrder {
  readonly side: number;
  readonly box: { readonly left: number; readonly top: number; readonly width: number; readonly height: number };
  readonly background: { readonly r: number; readonly g: number; readonly b: number; readonly alpha: number };
  readonly density: number | null;
  readonly bytes: Uint8Array;
}

/** Draws an icon as PNG. Runs in a process of its own. */
export async function drawIconIsolated({ side, box, background, density, bytes }: IconOrder): Promise<Uint8Array> {
  try {
    const logo = await sharp(bytes, density === null ? {} : { density })
      .resize(box.width, box.height, { fit: 'fill' })
      .toColourspace('srgb')
      .ensureAlpha()
      .png()
      .toBuffer();
    return await sharp({ create: { width: side, height: side, channels: 4, background } })
      .composite([{ input: logo, left: box.left, top: box.top }])
      .png()
      .toBuffer();
  } catch {
    throw new PictureRefused('The logo cannot be drawn as an icon. Add its file again.');
  }
}
