import * as v from 'valibot';
import { parseColor, readGradient, type Rgb8 } from '../color/index.ts';
import { Brand, SiteIssues, toIssues, upcast } from '../site/index.ts';
import { jsonEqual, withValue } from '../change/index.ts';
import { presentPath, tokenTable, type Token } from '../style/index.ts';
import { compositesOf } from './dtcg-composites.ts';
import { EXTENSION, shadowValue } from './dtcg-write.ts';

/** A brand read from a DTCG file, and what was done with each token. */
export interface ReadBrand {
  readonly brand: Brand;
  /** Tokens read as they stood in the brand. */
  readonly taken: number;
  /** Tokens whose value in the file had been edited since it was written, by path. */
  readonly changed: readonly string[];
  /** Tokens that could not be placed, each with the reason. */
  readonly left: readonly { readonly path: string; readonly reason: string }[];
}

interface Leaf {
  readonly path: string;
  readonly value: unknown;
}

/**
 * Reads a DTCG file that Yohaku wrote: the brand in its extension, then every
 * token whose value somebody has edited since.
 * @throws SiteIssues when it is no such file or the brand in it is not right
 */
export function readDtcg(input: unknown): ReadBrand {
  const extension = (
    input as { $extensions?: Record<string, { schemaVersion?: unknown; brand?: unknown } | undefined> } | null
  )?.$extensions?.[EXTENSION];
  if (!extension?.brand)
    throw new SiteIssues([
      {
        path: '$extensions',
        message: `has no “${EXTENSION}”: this is not a DTCG file written by Yohaku. Files of other tools are not read yet.`,
      },
    ]);
  // Files of versions before this one carry their brand as it was then.
  const parsed = v.safeParse(Brand, (upcast(extension) as { brand: unknown }).brand);
  if (!parsed.success) throw new SiteIssues(toIssues(parsed.issues));
  let brand = parsed.output;
  const table = tokenTable(brand);
  const changed: string[] = [];
  const left: { path: string; reason: string }[] = [];
  let taken = 0;
  const composites = new Map([...compositesOf(brand)].map(({ path, token }) => [path, token['$value']]));
  for (const leaf of leaves(input, '')) {
    const token = table.get(leaf.path);
    if (!token && composites.has(leaf.path)) {
      if (!jsonEqual(composites.get(leaf.path), leaf.value))
        left.push({ path: leaf.path, reason: 'is computed from other tokens; edit those tokens instead' });
    } else if (!token) left.push({ path: leaf.path, reason: 'is not a token of the brand in this file' });
    else if (sameValue(token, leaf.value)) taken++;
    else {
      const next = editedValue(token, leaf.value);
      if (!next || !token.address)
        left.push({ path: leaf.path, reason: 'was edited into a value that Yohaku cannot import' });
      else {
        brand = next.reduce((now, { at, value }) => withValue(now, at, value), brand);
        changed.push(leaf.path);
      }
    }
  }
  const checked = v.safeParse(Brand, brand);
  if (!checked.success) throw new SiteIssues(toIssues(checked.issues));
  return { brand: checked.output, taken, changed, left };
}

function* leaves(node: unknown, path: string): Iterable<Leaf> {
  if (typeof node !== 'object' || node === null) return;
  if (Object.hasOwn(node, '$value')) {
    const { $value: value } = node as { $value: unknown };
    yield { path: presentPath(path), value: withPresentPaths(value) };
    return;
  }
  for (const [key, child] of Object.entries(node))
    if (!key.startsWith('$')) yield* leaves(child, path ? `${path}.${key}` : key);
}

/** A value, also one of several parts, whose references name tokens as they are called now. */
function withPresentPaths(value: unknown): unknown {
  if (typeof value === 'string')
    return value.replace(/^\{(.*)\}$/, (_whole, named: string) => `{${presentPath(named)}}`);
  if (Array.isArray(value)) return value.map(withPresentPaths);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, withPresentPaths(part)]));
}

const colorHex = (value: unknown): string | undefined =>
  typeof value === 'string' ? value : (value as { hex?: string } | null)?.hex;
const pixels = (value: unknown): number | undefined => {
  const { value: number, unit } = (value ?? {}) as { value?: unknown; unit?: unknown };
  return typeof number === 'number' ? (unit === 'rem' ? number * 16 : number) : undefined;
};

const milliseconds = (value: unknown): number | undefined => {
  const { value: number, unit } = (value ?? {}) as { value?: unknown; unit?: unknown };
  return typeof number === 'number' ? (unit === 's' ? number * 1000 : number) : undefined;
};
const curve = (value: unknown): [number, number, number, number] | undefined =>
  Array.isArray(value) && value.length === 4 && value.every((entry) => typeof entry === 'number')
    ? (value as [number, number, number, number])
    : undefined;

function sameColor(entry: Rgb8 | undefined, value: unknown): boolean {
  const other = parseColor(colorHex(value) ?? '')?.rgb;
  const alpha = (value as { alpha?: number } | null)?.alpha ?? 1;
  return (
    !!entry &&
    !!other &&
    entry.r === other.r &&
    entry.g === other.g &&
    entry.b === other.b &&
    Math.abs(entry.alpha - alpha) < 0.001
  );
}

/** The colours at the two ends of a gradient; undefined for one with stops between. */
function stopsOf(value: unknown): [unknown, unknown] | undefined {
  return Array.isArray(value) && value.length === 2
    ? [(value[0] as { color?: unknown } | null)?.color, (value[1] as { color?: unknown } | null)?.color]
    : undefined;
}

function sameValue(token: Token, value: unknown): boolean {
  if (token.alias !== undefined) return value === `{${token.alias}}`;
  const css = token.css!;
  switch (token.type) {
    case 'color':
      return sameColor(parseColor(css)?.rgb, value);
    case 'gradient': {
      const { from, to } = readGradient(css)!;
      const [first, last] = stopsOf(value) ?? [];
      return sameColor(from, first) && sameColor(to, last);
    }
    // A fluid size is written as its value at the large width: compared only where it is a plain length.
    case 'dimension':
      return !css.endsWith('px') || pixels(value) === Number.parseFloat(css);
    case 'duration':
      return milliseconds(value) === Number.parseFloat(css);
    case 'cubicBezier':
      return curve(value)?.join(', ') === css.slice('cubic-bezier('.length, -1);
    case 'shadow':
      return sameShadow(shadowValue(css), value);
    case 'fontFamily':
      return Array.isArray(value) && value.join(', ') === css.replaceAll('"', '');
    default:
      return Number(css) === value;
  }
}

type ShadowValue = ReturnType<typeof shadowValue>;
const SHADOW_PARTS = [
  ['offsetX', 'x'],
  ['offsetY', 'y'],
  ['blur', 'blur'],
  ['spread', 'spread'],
] as const;

function sameShadow(element: ShadowValue, value: unknown): boolean {
  const other = (value ?? {}) as Partial<ShadowValue>;
  return (
    SHADOW_PARTS.every(([part]) => pixels(other[part]) === element[part].value) &&
    sameColor(parseColor(String(element.color['hex']))?.rgb, { ...(other.color as object), alpha: 1 }) &&
    (other.color as { alpha?: number } | undefined)?.alpha === element.color['alpha']
  );
}

/** Returns the value for a token from a DTCG file; undefined if it cannot be read back. */
export function editedValue(token: Token, value: unknown): { at: readonly string[]; value: unknown }[] | undefined {
  const at = token.address?.slice(1);
  if (!at) return undefined;
  if (token.type === 'color') {
    const color = parseColor(colorHex(value) ?? '');
    if (!color) return undefined;
    if (token.path.startsWith('background.')) return [{ at, value: { kind: 'raw', color: color.typed } }];
    return [
      { at: [...at, 'color'], value: color.oklch },
      { at: [...at, 'typed'], value: color.typed },
      { at: [...at, 'rule'], value: null },
    ];
  }
  if (token.type === 'gradient') {
    const { from, to } = readGradient(token.css!)!;
    const stops = stopsOf(value);
    const colors = stops?.map((stop) => parseColor(colorHex(stop) ?? ''));
    if (!stops || !colors?.every((color) => color !== undefined)) return undefined;
    // The ends of a gradient are roles of its ground: those that differ are set there.
    return (
      [
        ['background', from],
        ['background-to', to],
      ] as const
    ).flatMap(([role, before], end) =>
      sameColor(before, stops[end])
        ? []
        : [{ at: [...at.slice(0, 2), 'roles', role], value: { kind: 'raw', color: colors[end]!.typed } }],
    );
  }
  if (token.type === 'shadow') {
    const was = shadowValue(token.css!);
    const now = (value ?? {}) as Partial<ShadowValue>;
    const color = now.color as { alpha?: number } | undefined;
    // Its colour is a swatch: only how much of it there is can be read back.
    if (
      !SHADOW_PARTS.every(([part]) => pixels(now[part]) !== undefined) ||
      !sameColor(parseColor(String(was.color['hex']))?.rgb, { ...color, alpha: 1 })
    )
      return undefined;
    return [
      ...SHADOW_PARTS.map(([part, field]) => ({ at: [...at, field], value: pixels(now[part]) })),
      ...(color?.alpha === was.color['alpha'] ? [] : [{ at: [...at, 'alpha'], value: color?.alpha ?? 1 }]),
    ];
  }
  // A named corner of one radius.
  if (token.path.startsWith('radius.') && token.type === 'dimension')
    return pixels(value) === undefined ? undefined : [{ at, value: { kind: 'px', radii: [pixels(value)] } }];
  if (token.type === 'dimension') {
    const px = pixels(value);
    return px === undefined || !token.css?.endsWith('px') ? undefined : [{ at, value: px }];
  }
  if (token.type === 'duration')
    return milliseconds(value) === undefined ? undefined : [{ at, value: milliseconds(value) }];
  if (token.type === 'cubicBezier') return curve(value) && [{ at, value: curve(value) }];
  return typeof value === 'number' && token.css !== undefined ? [{ at, value }] : undefined;
}
