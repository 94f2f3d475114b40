import { converter, formatHsl } from 'culori';
import { cutDownText, round } from '../number/index.ts';
import type { Oklch, Rgb8 } from './color.ts';

const toHsl = converter('hsl');
const two = (value: number): string => value.toString(16).padStart(2, '0');

/** `#rrggbb`, with two more digits where the colour is translucent. */
export function hex(color: Rgb8): string {
  const base = `#${two(color.r)}${two(color.g)}${two(color.b)}`;
  return color.alpha >= 1 ? base : base + two(Math.round(color.alpha * 255));
}

/** The 8-bit CSS notation emitted everywhere: hex, or `rgb()` with a decimal alpha. */
export function cssColor(color: Rgb8): string {
  if (color.alpha >= 1) return hex(color);
  return `rgb(${color.r} ${color.g} ${color.b} / ${round(color.alpha, 4)})`;
}

/** `oklch(58.1% 0.180 34)`, rounded for reading. */
export function oklchText(color: Oklch): string {
  const alpha = color.alpha < 1 ? ` / ${round(color.alpha, 3)}` : '';
  return `oklch(${round(color.l * 100, 2)}% ${round(color.c, 4)} ${round(color.h, 2)}${alpha})`;
}

/** The three OKLCH figures as a list shows them: `58.1 0.180 34`. */
export function oklchFigures(color: Oklch): string {
  return `${cutDownText(color.l * 100, 1)} ${cutDownText(color.c, 3)} ${Math.floor(color.h + 1e-9)}`;
}

/** `rgb(207 69 39)`. */
export function rgbText(color: Rgb8): string {
  return color.alpha < 1 ? cssColor(color) : `rgb(${color.r} ${color.g} ${color.b})`;
}

/** `hsl(11, 68%, 48%)`, rounded for reading. */
export function hslText(color: Rgb8): string {
  return formatHsl(toHsl({ mode: 'rgb', r: color.r / 255, g: color.g / 255, b: color.b / 255 })) ?? '';
}
