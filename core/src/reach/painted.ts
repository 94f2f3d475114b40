import type { State, PaintedProperty } from '../site/index.ts';
import { bandOf } from '../breakpoint/index.ts';
import { FIELD_PADDING, type TokenTable } from '../style/index.ts';
import type { Painting } from './painting.ts';
import { cellValue, lengthOf } from './value.ts';

/** Font size in px at a width; 16 where nothing sets one. */
export function fontSizeAt(table: TokenTable, painting: Painting, width: number): number {
  const cell = painting.at('font-size', 'rest', bandOf(width));
  return cell ? (lengthOf(cellValue(table, cell).css, width, 16) ?? 16) : 16;
}

/** Value of a property in CSS px where it is a length, at a width and state; undefined where nothing sets it. */
export function pixelsAt(
  table: TokenTable,
  painting: Painting,
  property: PaintedProperty,
  state: State,
  width: number,
): number | undefined {
  if (property === 'font-size')
    return painting.at(property, state, bandOf(width)) ? fontSizeAt(table, painting, width) : undefined;
  const cell = painting.at(property, state, bandOf(width));
  if (!cell) return undefined;
  const css = cellValue(table, cell).css;
  const size = fontSizeAt(table, cell.owner, width);
  if (property === 'line-height' && /^\d*\.?\d+$/.test(css)) return Number(css) * fontSizeAt(table, painting, width);
  // A plain figure as a radius is a share of the height of what is one line high.
  if (property === 'border-radius' && cell.token && /^\d*\.?\d+$/.test(css))
    return Number(css) * heightAt(table, painting, width);
  return lengthOf(css, width, size);
}

/** Height in px of a button or field of one line: its line, padding and edges. */
export function heightAt(table: TokenTable, painting: Painting, width: number): number {
  const px = (property: PaintedProperty) => pixelsAt(table, painting, property, 'rest', width);
  return (px('line-height') ?? 0) + 2 * ((px('padding-block') ?? FIELD_PADDING) + (px('border-width') ?? 0));
}

/**
 * Returns a painted value as text, equal exactly if the painted values are equal: colours as written, lengths in px.
 */
export function paintedText(
  table: TokenTable,
  painting: Painting,
  property: PaintedProperty,
  state: State,
  width: number,
): string | undefined {
  const cell = painting.at(property, state, bandOf(width));
  if (!cell) return undefined;
  const pixels = pixelsAt(table, painting, property, state, width);
  return pixels === undefined ? cellValue(table, cell).css : String(Math.round(pixels * 1000) / 1000);
}
