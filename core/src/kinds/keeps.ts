import * as v from 'valibot';
import { ranged } from '../fields/index.ts';
import { asFocus } from './meaning.ts';

export const SIDES = ['top', 'bottom', 'left', 'right'] as const;

/**
 * The part of an image that stays visible when cropped: a side, or a point as shares of width and height. Absent: the
 * middle.
 */
export type Keeps = (typeof SIDES)[number] | { readonly x: number; readonly y: number };

/** The field for it, beside the picture's own. */
export const keepsField = v.optional(
  asFocus(
    v.union([v.picklist(SIDES), v.strictObject({ x: ranged('share'), y: ranged('share') })]),
    'Cropped, it keeps',
  ),
);

const percent = (share: number): string => `${Math.round(share * 100)}%`;

/** Returns the class for a side or the position for a point. */
export function keepsAs(keeps: Keeps | undefined): { readonly className: string; readonly style?: string } {
  if (keeps === undefined) return { className: '' };
  return typeof keeps === 'string'
    ? { className: ` keeps-${keeps}` }
    : { className: '', style: `object-position: ${percent(keeps.x)} ${percent(keeps.y)}` };
}

/** The point it comes to, as shares of the picture's width and height; a side is the middle of that side. */
export function keepsPoint(keeps: Keeps | undefined): { readonly x: number; readonly y: number } {
  if (typeof keeps === 'object') return keeps;
  return {
    x: keeps === 'left' ? 0 : keeps === 'right' ? 1 : 0.5,
    y: keeps === 'top' ? 0 : keeps === 'bottom' ? 1 : 0.5,
  };
}

export const KEEPS_CSS = SIDES.map((side) => `.keeps-${side} { object-position: ${side}; }\n`).join('');
