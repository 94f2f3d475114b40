import { parseColor, type Rgb8 } from '../color/index.ts';
import { readLength } from '../css/index.ts';
import { resolveToken, type TokenTable } from '../style/index.ts';
import type { Cell } from './painting.ts';

/** The value of a cell: the literal CSS, and the tokens that lead to it (none for a literal override). */
export interface CellValue {
  readonly css: string;
  readonly chain: readonly string[];
}

const resolved = new WeakMap<TokenTable, Map<string, CellValue>>();
/** The table asked about last: whole audits ask one table some ten thousand times. */
let last: { readonly table: TokenTable; readonly values: Map<string, CellValue> } | undefined;

function valuesOf(table: TokenTable): Map<string, CellValue> {
  if (last?.table === table) return last.values;
  let values = resolved.get(table);
  if (!values) resolved.set(table, (values = new Map()));
  last = { table, values };
  return values;
}

/** A token's literal value and chain, remembered for its table. */
export function tokenValue(table: TokenTable, path: string): CellValue {
  const known = valuesOf(table);
  let value = known.get(path);
  if (!value) known.set(path, (value = resolveToken(table, path)));
  return value;
}

/** The value that is painted for a cell. */
export function cellValue(table: TokenTable, cell: Cell): CellValue {
  if (cell.override)
    return cell.override.value.kind === 'token'
      ? tokenValue(table, cell.override.value.path)
      : { css: cell.override.value.css, chain: [] };
  return tokenValue(table, cell.token!);
}

const colors = new Map<string, Rgb8 | undefined>();

/** A CSS colour as painted; undefined when the text is none. */
export function colorOf(css: string): Rgb8 | undefined {
  if (colors.has(css)) return colors.get(css);
  if (colors.size > 20_000) colors.clear();
  const rgb = parseColor(css)?.rgb;
  colors.set(css, rgb);
  return rgb;
}

const REM = 16;
/** Returns a length in px for a width and a font size. */
type Length = (width: number, fontSize: number) => number;
const lengths = new Map<string, Length | null>();
/**
 * Length in px of what we emit: px, rem, em, vw, a plain number, or our own
 * `clamp()`, at a page width and (for em) a font size, both in px. Undefined
 * for anything else, so that nobody mistakes it for a figure.
 */
export function lengthOf(css: string, width: number, fontSize: number): number | undefined {
  let length = lengths.get(css);
  if (length === undefined) {
    if (lengths.size > 20_000) lengths.clear();
    lengths.set(css, (length = lengthRead(css) ?? null));
  }
  return length?.(width, fontSize);
}

function lengthRead(css: string): Length | undefined {
  const length = readLength(css);
  if (!length) return undefined;
  if ('fluid' in length) {
    const { low, intercept, slope, high } = length.fluid;
    return (width) => Math.max(low * REM, Math.min(intercept * REM + (slope * width) / 100, high * REM));
  }
  const { value, unit } = length;
  switch (unit) {
    case 'rem':
      return () => value * REM;
    case 'em':
      return (_width, fontSize) => value * fontSize;
    case 'vw':
      return (width) => (value * width) / 100;
    case '%':
      return undefined;
    default:
      return () => value;
  }
}
