import {
  composite,
  gradientColor,
  gradientPosition,
  parseColor,
  readGradient,
  coverCrop,
  type Rgb8,
} from '@yohaku/core';
import { focusOf } from '../read/index.ts';

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };
const pictures = new WeakMap<HTMLImageElement, { readonly box: string; readonly data: ImageData }>();

/**
 * Returns the colour of a page at a point, without glyphs and lines: the fill of the
 * topmost element over all layers below, including images and gradients. Undefined
 * outside the page.
 *
 * @param x CSS px of the page
 */
export function builtColor(document: Document, x: number, y: number): Rgb8 | undefined {
  const top = document.elementFromPoint(x, y);
  if (!top) return undefined;
  const layers: Rgb8[] = [];
  for (let element: Element | null = top; element; element = element.parentElement) {
    layers.push(...layersOf(element, x, y));
    if (layers.some((layer) => layer.alpha >= 1)) break;
  }
  return layers.reduceRight((below, layer) => composite(layer, below), WHITE);
}

/** Layers that an element paints at a point, the topmost first. */
function layersOf(element: Element, x: number, y: number): Rgb8[] {
  const view = element.ownerDocument.defaultView!;
  const style = view.getComputedStyle(element);
  const box = element.getBoundingClientRect();
  const layers: Rgb8[] = [];
  if (element.tagName === 'IMG') {
    const pixel = pixelOf(element as HTMLImageElement, box, x, y);
    if (pixel) layers.push(pixel);
  }
  if (element.classList.contains('pictured')) {
    const shade = element.querySelector('.shade');
    const shaded = shade && view.getComputedStyle(shade);
    const color = shaded && parseColor(shaded.backgroundColor)?.rgb;
    if (color) layers.push({ ...color, alpha: color.alpha * Number(shaded.opacity) });
    const image = element.querySelector<HTMLImageElement>('img.backdrop');
    const pixel = image && pixelOf(image, box, x, y);
    if (pixel) layers.push(pixel);
  }
  const gradient = readGradient(style.backgroundImage);
  if (gradient)
    layers.push(
      gradientColor(gradient.from, gradient.to, gradientPosition(gradient.angle, box, x - box.left, y - box.top)),
    );
  const fill = parseColor(style.backgroundColor)?.rgb;
  if (fill) layers.push(fill);
  return layers;
}

/** The pixel of a picture drawn to cover its box. */
function pixelOf(image: HTMLImageElement, box: DOMRect, x: number, y: number): Rgb8 | undefined {
  const [width, height] = [Math.max(1, Math.round(box.width)), Math.max(1, Math.round(box.height))];
  if (!image.complete || image.naturalWidth === 0) return undefined;
  const focus = focusOf(image);
  const key = `${width} ${height} ${focus.x} ${focus.y} ${image.src}`;
  let drawn = pictures.get(image);
  if (drawn?.box !== key) {
    const canvas = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
    const crop = coverCrop({ width: image.naturalWidth, height: image.naturalHeight }, { width, height }, focus);
    canvas.drawImage(image, crop.x, crop.y, crop.width, crop.height, 0, 0, width, height);
    drawn = { box: key, data: canvas.getImageData(0, 0, width, height) };
    pictures.set(image, drawn);
  }
  const [px, py] = [Math.floor(x - box.left), Math.floor(y - box.top)];
  if (px < 0 || py < 0 || px >= width || py >= height) return undefined;
  const at = (py * width + px) * 4;
  const { data } = drawn.data;
  return { r: data[at]!, g: data[at + 1]!, b: data[at + 2]!, alpha: data[at + 3]! / 255 };
}
