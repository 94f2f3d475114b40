import { drawnColors, groundColor, iconBox, recolor, type IconSide, type Site } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import type { IconOrder } from './icon-isolated.ts';
import { PictureRefused } from './refused.ts';

const LIMITS = { seconds: 20, megabytes: 1200 };
const TOO_MUCH =
  'The logo takes too long, or too much memory, to be drawn as an icon. Simplify the drawing and use it as the logo.';

/**
 * Draws the site's icon at one size: the logo whole, centred, on its ground's background or on nothing. @throws
 * PictureRefused when the logo cannot be drawn within bounds
 */
export async function drawIcon(apart: Isolated, site: Site, bytes: Buffer, side: IconSide): Promise<Buffer> {
  const { icon, forms } = site.shared.logo!;
  const asset = site.assets[forms[icon.form]!.asset]!;
  const box = iconBox(side, icon.margin, asset);
  const drawing = drawnColors(asset, site.brand);
  const order: IconOrder = {
    side,
    box,
    background: icon.ground === null ? { r: 0, g: 0, b: 0, alpha: 0 } : groundColor(site.brand, icon.ground),
    // Drawings are rasterised at the size they are wanted in, never smaller than their own.
    density: asset.type === 'image/svg+xml' ? Math.min(2400, Math.max(72, (72 * box.width) / asset.width)) : null,
    bytes: drawing.size > 0 ? Buffer.from(recolor(bytes.toString('utf8'), drawing)) : bytes,
  };
  const answer = await apart.run<Uint8Array>('icon', order, LIMITS, { tooLong: TOO_MUCH, tooMuch: TOO_MUCH });
  if ('refused' in answer) throw new PictureRefused(answer.refused);
  return Buffer.from(answer.given);
}
