import {
  backgroundOf,
  coverCrop,
  gradientPosition,
  pageTree,
  type PixelSet,
  type Place,
  type Site,
} from '@yohaku/core';

/** Most pixels kept of one area: enough that one letter in fifty is told from two. */
const MOST_PIXELS = 800;
/** Width of the strip around a part in which its edge and its focus ring must be seen, px. */
const STRIP = 6;

interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/**
 * Reads what lies behind every place over a picture or a gradient on one page,
 * laid out in `document` at `width`: the pixels of the picture drawn as the page
 * crops and scales it, without its shade; of a gradient, how far along it.
 */
export async function readPixels(document: Document, site: Site, page: string, width: number): Promise<PixelSet[]> {
  const places = pageTree(site, page).places.filter((place) => place.overPicture);
  const sets: PixelSet[] = [];
  const element = (place: Place) => document.querySelector<HTMLElement>(`[data-place="${CSS.escape(place.id)}"]`);
  for (const surface of new Set(places.map((place) => place.under!))) {
    const behind = element(surface);
    if (!behind) continue;
    const box = behind.getBoundingClientRect();
    const image = behind.classList.contains('pictured')
      ? behind.querySelector<HTMLImageElement>('img.backdrop')
      : undefined;
    const picture = image === undefined ? undefined : await drawn(image, box);
    const angle = site.brand.grounds[backgroundOf(surface)]?.wash?.angle ?? 0;
    for (const place of places) {
      const own = place.under === surface ? element(place) : null;
      if (own)
        for (const [area, boxes, hole] of areasOf(place, own)) {
          const base = { page, place: place.id, width, area, rgb: new Uint8Array(), problem: '' };
          if (typeof picture === 'string') sets.push({ ...base, at: new Uint16Array(), problem: picture });
          else if (picture) sets.push({ ...base, ...sampled(picture, box, boxes, hole) });
          else sets.push({ ...base, ...along(angle, box, boxes, hole) });
        }
    }
  }
  return sets;
}

/** Boxes to look at, and what is cut out of them: a part covers its own middle. */
function areasOf(place: Place, element: HTMLElement): (readonly ['lines' | 'around', readonly Box[], Box | null])[] {
  const own = element.getBoundingClientRect();
  const around = { left: own.left - STRIP, top: own.top - STRIP, right: own.right + STRIP, bottom: own.bottom + STRIP };
  const text = element.ownerDocument.createRange();
  text.selectNodeContents(element);
  return [
    ...(place.kind === 'button' || place.kind === 'field' || place.kind === 'icon'
      ? []
      : [['lines', [...text.getClientRects()], null] as const]),
    ...(place.states.includes('focus') || place.kind === 'icon' ? [['around', [around], own] as const] : []),
  ];
}

/** The focus point of a picture, as the page has it. */
export function focusOf(image: HTMLImageElement): { x: number; y: number } {
  const [x = 50, y = 50] = getComputedStyle(image)
    .objectPosition.split(' ')
    .map((name) => Number.parseFloat(name));
  return { x: x / 100, y: y / 100 };
}

/**
 * Returns the pixels behind every text over the image of one section at other focus
 * points: the image is drawn once at full cover size and read at other positions.
 *
 * @param surface id of the section's surface
 */
export async function readFocuses(
  document: Document,
  site: Site,
  page: string,
  width: number,
  surface: string,
  focuses: readonly { x: number; y: number }[],
): Promise<PixelSet[][]> {
  const section = document.querySelector<HTMLElement>(`[data-place="${CSS.escape(surface)}"]`);
  const image = section?.querySelector<HTMLImageElement>('img.backdrop');
  if (!section || !image) return focuses.map(() => []);
  await image.decode().catch(() => undefined);
  if (image.naturalWidth === 0) return focuses.map(() => []);
  const box = section.getBoundingClientRect();
  const scale = Math.max(box.width / image.naturalWidth, box.height / image.naturalHeight);
  const [whole, high] = [
    Math.max(1, Math.round(image.naturalWidth * scale)),
    Math.max(1, Math.round(image.naturalHeight * scale)),
  ];
  const canvas = new OffscreenCanvas(whole, high).getContext('2d', { willReadFrequently: true })!;
  canvas.fillStyle = getComputedStyle(section).backgroundColor;
  canvas.fillRect(0, 0, whole, high);
  canvas.drawImage(image, 0, 0, whole, high);
  const picture = canvas.getImageData(0, 0, whole, high);
  const texts = pageTree(site, page)
    .places.filter((place) => place.pictured && place.under?.id === surface)
    .flatMap((place) => {
      const element = document.querySelector<HTMLElement>(`[data-place="${CSS.escape(place.id)}"]`);
      return element
        ? areasOf(place, element)
            .filter(([area]) => area === 'lines')
            .map(([area, boxes, hole]) => ({ place, area, boxes, hole }))
        : [];
    });
  return focuses.map(({ x, y }) => {
    const shifted = new DOMRect(box.left - (whole - box.width) * x, box.top - (high - box.height) * y, whole, high);
    return texts.map(({ place, area, boxes, hole }) => ({
      page,
      place: place.id,
      width,
      area,
      problem: '',
      ...sampled(picture, shifted, boxes, hole),
    }));
  });
}

/** The picture as it is painted in the box, or why it cannot be. */
async function drawn(image: HTMLImageElement | null, box: DOMRect): Promise<ImageData | string> {
  if (!image) return 'The image is missing.';
  try {
    await image.decode();
  } catch {
    return `The image ${image.getAttribute('src')?.split('/').at(-1) ?? ''} cannot be decoded.`;
  }
  // Painted from whole pixel to whole pixel.
  const [width, height] = [
    Math.max(1, Math.round(box.right) - Math.round(box.left)),
    Math.max(1, Math.round(box.bottom) - Math.round(box.top)),
  ];
  const canvas = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  // The section's own background shows through the image.
  canvas.fillStyle = getComputedStyle(image.parentElement!).backgroundColor;
  canvas.fillRect(0, 0, width, height);
  canvas.imageSmoothingQuality = 'high';
  const crop = coverCrop({ width: image.naturalWidth, height: image.naturalHeight }, { width, height }, focusOf(image));
  canvas.drawImage(image, crop.x, crop.y, crop.width, crop.height, 0, 0, width, height);
  return canvas.getImageData(0, 0, width, height);
}

/** An even grid of pixels over the boxes. */
function sampled(
  picture: ImageData,
  section: DOMRect,
  boxes: readonly Box[],
  hole: Box | null,
): Pick<PixelSet, 'rgb' | 'at'> {
  const rgb: number[] = [];
  const at: number[] = [];
  for (const [x, y] of gridOver(boxes, hole)) {
    // Pictures are painted on whole pixels.
    const [px, py] = [Math.floor(x) - Math.round(section.left), Math.floor(y) - Math.round(section.top)];
    if (px < 0 || py < 0 || px >= picture.width || py >= picture.height) continue;
    const i = (py * picture.width + px) * 4;
    rgb.push(picture.data[i]!, picture.data[i + 1]!, picture.data[i + 2]!);
    at.push(Math.max(0, Math.floor(x)), Math.max(0, Math.floor(y)));
  }
  return { rgb: Uint8Array.from(rgb), at: Uint16Array.from(at) };
}

/** How far along a gradient over `surface` an even grid of points over the boxes lies. */
function along(
  angle: number,
  surface: DOMRect,
  boxes: readonly Box[],
  hole: Box | null,
): Pick<PixelSet, 'along' | 'at'> {
  const points = [...gridOver(boxes, hole)];
  return {
    along: Uint16Array.from(points, ([x, y]) =>
      Math.round(gradientPosition(angle, surface, x - surface.left, y - surface.top) * 65535),
    ),
    at: Uint16Array.from(points.flatMap(([x, y]) => [Math.max(0, Math.floor(x)), Math.max(0, Math.floor(y))])),
  };
}

function* gridOver(boxes: readonly Box[], hole: Box | null): Iterable<readonly [x: number, y: number]> {
  const area =
    boxes.reduce((sum, box) => sum + (box.right - box.left) * (box.bottom - box.top), 0) -
    (hole ? (hole.right - hole.left) * (hole.bottom - hole.top) : 0);
  const step = Math.max(1, Math.sqrt(area / MOST_PIXELS));
  for (const box of boxes)
    for (let y = box.top + 0.5; y < box.bottom; y += step)
      for (let x = box.left + 0.5; x < box.right; x += step)
        if (!hole || x <= hole.left || x >= hole.right || y <= hole.top || y >= hole.bottom) yield [x, y];
}
