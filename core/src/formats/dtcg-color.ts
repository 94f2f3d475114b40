import { parseColor, type ParsedColor } from '../color/index.ts';

/** How each colour space of DTCG 2025.10 is written in CSS; components have the same ranges in both. */
const CSS: Record<string, (parts: readonly string[]) => string> = {
  hsl: ([h, s, l]) => `hsl(${h} ${percent(s)} ${percent(l)}`,
  hwb: ([h, w, b]) => `hwb(${h} ${percent(w)} ${percent(b)}`,
  lab: (parts) => `lab(${parts.join(' ')}`,
  lch: (parts) => `lch(${parts.join(' ')}`,
  oklab: (parts) => `oklab(${parts.join(' ')}`,
  oklch: (parts) => `oklch(${parts.join(' ')}`,
};
for (const space of ['srgb', 'srgb-linear', 'display-p3', 'a98-rgb', 'prophoto-rgb', 'rec2020', 'xyz-d65', 'xyz-d50'])
  CSS[space] = (parts) => `color(${space} ${parts.join(' ')}`;

const percent = (part: string | undefined): string => (part === 'none' ? 'none' : `${part}%`);

/**
 * Reads the `$value` of a DTCG colour token: an object of any colour space of
 * the 2025.10 format, `none` components included, or a plain CSS colour as
 * older files have it.
 *
 * @returns the colour, or why it cannot be read
 */
export function readDtcgColor(value: unknown): ParsedColor | string {
  if (typeof value === 'string') return parseColor(value) ?? `“${value.slice(0, 30)}” is not a colour`;
  if (typeof value !== 'object' || value === null) return 'has no colour in it';
  const {
    colorSpace,
    components,
    alpha = 1,
    hex,
  } = value as { colorSpace?: unknown; components?: unknown; alpha?: unknown; hex?: unknown };
  const write = typeof colorSpace === 'string' && Object.hasOwn(CSS, colorSpace) ? CSS[colorSpace] : undefined;
  if (!write)
    return (
      (typeof hex === 'string' && parseColor(hex)) ||
      `is in the colour space “${String(colorSpace).slice(0, 30)}”, which is unknown`
    );
  if (
    !Array.isArray(components) ||
    components.length !== 3 ||
    !components.every((component) => component === 'none' || Number.isFinite(component))
  )
    return 'needs three components, each a number or “none”';
  if (typeof alpha !== 'number' || alpha < 0 || alpha > 1) return 'has an alpha that is not between 0 and 1';
  const parts = components.map((component: number | 'none') =>
    component === 'none' ? component : String(Math.round(component * 1e5) / 1e5),
  );
  const exact = colorSpace === 'srgb' && typeof hex === 'string' ? parseColor(hex) : undefined;
  const color = parseColor(`${write(parts)}${alpha === 1 ? '' : ` / ${alpha}`})`);
  if (!color) return `${write(parts)}) is not a colour`;
  // The hex beside an sRGB colour is the exact notation where both say the same.
  return exact &&
    alpha === 1 &&
    exact.rgb.r === color.rgb.r &&
    exact.rgb.g === color.rgb.g &&
    exact.rgb.b === color.rgb.b
    ? exact
    : color;
}
