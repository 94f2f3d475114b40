import sharp from 'sharp';
import { drawnColors, groundColor, iconBox, recolor, type IconSide, type Site } from '@yohaku/core';

/** Draws the site's icon at one size: the logo whole, centred, on its ground's background or on nothing. */
export async function drawIcon(site: Site, bytes: Buffer, side: IconSide): Promise<Buffer> {
  const { icon, forms } = site.shared.logo!;
  const asset = site.assets[forms[icon.form]!.asset]!;
  const box = iconBox(side, icon.margin, asset);
  const background = icon.ground === null ? { r: 0, g: 0, b: 0, alpha: 0 } : groundColor(site.brand, icon.ground);
  // Drawings are rasterised at the size they are wanted in, never smaller than their own.
  const density = asset.type === 'image/svg+xml' ? Math.min(2400, Math.max(72, (72 * box.width) / asset.width)) : undefined;
  const drawing = drawnColors(asset, site.brand);
  const painted = drawing.size > 0 ? Buffer.from(recolor(bytes.toString('utf8'), drawing)) : bytes;
  const logo = await sharp(painted, density ? { density } : {}).resize(box.width, box.height, { fit: 'fill' }).toColourspace('srgb').ensureAlpha().png().toBuffer();
  return sharp({ create: { width: side, height: side, channels: 4, background } }).composite([{ input: logo, left: box.left, top: box.top }]).png().toBuffer();
}
