import {
  cutDownText,
  drawnLetters,
  measureLetters,
  nearestSpace,
  type Box,
  type MeasuredLetters,
  type Pixels,
  type Site,
} from '@yohaku/core';

/** A distance and a space of the brand that differ by at most this share are named together. */
const CLOSE = 0.25;

const px = (value: number): string => `${cutDownText(value, 1).replace(/\.0$/, '')} px`;

/**
 * Says in a sentence or two how large the content of a box on a design is: its letters if it holds any, else its sides.
 *
 * @param width width of the page that the design stands for, CSS px
 * @param box in CSS px of that page; one without height or width is a distance
 * @param pixels of the whole design
 */
export function measuredWords(site: Site, width: number, box: Box, pixels: Pixels): string {
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  if (w === 0 || h === 0) return distanceWords(site, width, Math.max(w, h));
  const k = pixels.width / width;
  const letters = measureLetters(pixels, {
    left: box.left * k,
    top: box.top * k,
    right: box.right * k,
    bottom: box.bottom * k,
  });
  if (!letters) return `${px(w)} wide, ${px(h)} high.`;
  const inPage: MeasuredLetters = {
    ...letters,
    xHeight: letters.xHeight === null ? null : letters.xHeight / k,
    tall: letters.tall / k,
    pitch: letters.pitch === null ? null : letters.pitch / k,
  };
  const { sizes, nearest, pitch } = drawnLetters(site, width, inPage);
  const said = sizes.map(({ family, size, as }) => `${px(size)} in ${family}${as ? ` if ${as}` : ''}`);
  return [
    `Font size: ${said.join(', ')}.`,
    ...(nearest ? [`Nearest style: ${nearest.label}, ${px(nearest.size)}.`] : []),
    ...(pitch === null ? [] : [`Lines are ${px(pitch)} apart.`]),
  ].join(' ');
}

function distanceWords(site: Site, width: number, distance: number): string {
  const near = nearestSpace(site, width, distance);
  return near && Math.abs(near.size - distance) <= near.size * CLOSE
    ? `${px(distance)}. Nearest space: ${near.label}, ${px(near.size)}.`
    : `${px(distance)}.`;
}
