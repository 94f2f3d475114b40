import type { Pixels } from '@yohaku/core';

/** The pixels of a loaded picture, drawn at a size in px. */
export function pixelsOf(image: HTMLImageElement, width: number, height: number): Pixels {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true, colorSpace: 'srgb' })!;
  context.drawImage(image, 0, 0, width, height);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
