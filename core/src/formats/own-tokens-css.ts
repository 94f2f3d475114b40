import * as v from 'valibot';
import { hex, parseColor, readGradient } from '../color/index.ts';
import { namedProperty } from '../css/index.ts';
import { readCorner, valueAt, withValue } from '../change/index.ts';
import { lengthOf } from '../reach/index.ts';
import { Brand, toIssues } from '../site/index.ts';
import {
  customProperty,
  presentProperties,
  stepOfPath,
  tokenCssValue,
  tokenTable,
  type Token,
  type TokenTable,
} from '../style/index.ts';
import { LIBRARY } from '../type/index.ts';
import { readBoxShadow, readSingle } from './css-values.ts';
import { editedValue, type ReadBrand } from './dtcg-read.ts';
import { MOST_FOREIGN, foreignSize } from './foreign-size.ts';

type Edited = readonly { readonly at: readonly string[]; readonly value: unknown }[];

/**
 * Reads a sheet of custom properties as the tokens of a brand: what
 * `tokens.css` has, edited or not. A sheet is taken for one of the brand's when
 * at least half of its properties are called like its tokens.
 *
 * @param sheet the sheet's properties by name
 * @returns undefined for the sheet of another brand or tool
 */
export function readOwnTokensCss(of: Brand, sheet: ReadonlyMap<string, string>): ReadBrand | undefined {
  const values = new Map([...sheet].map(([name, value]) => [presentProperties(name), presentProperties(value)]));
  const table = tokenTable(of);
  const byProperty = new Map([...table.keys()].map((path) => [customProperty(path), path]));
  const own = [...values.keys()].filter((name) => byProperty.has(name)).length;
  if (own === 0 || own * 2 < values.size) return undefined;
  let brand = of;
  let taken = 0;
  const changed: string[] = [];
  const left: { path: string; reason: string }[] = [];
  // Derived properties come after the properties that they depend on, because they may have followed already.
  const named = [...values].map(([name, value]) => ({ name, value, token: table.get(byProperty.get(name) ?? '') }));
  const isWorkedOut = (token: Token | undefined) =>
    token !== undefined &&
    (token.follows !== undefined || token.address === undefined || token.path.startsWith('scale.'));
  for (const { name, value, token } of named.sort(
    (entry, other) => Number(isWorkedOut(entry.token)) - Number(isWorkedOut(other.token)),
  )) {
    if (!token) {
      const kept = { ...brand.kept, [name]: JSON.stringify(value) };
      const fits =
        kept[name]!.length <= MOST_FOREIGN.inOne &&
        name.length <= MOST_FOREIGN.inName &&
        foreignSize(kept) <= MOST_FOREIGN.inAll;
      if (of.kept?.[name] === kept[name]) taken++;
      else {
        left.push({
          path: name,
          reason: `is not a token of this brand${fits ? '; kept, and exported again' : ', and too long to be kept'}`,
        });
        if (fits) brand = { ...brand, kept };
      }
    } else if (tokenCssValue(token) === value || (isWorkedOut(token) && valueIn(brand, token.path) === value)) taken++;
    else {
      const next = edited(of, table, token, value, byProperty);
      const to = next?.reduce((now, { at, value: set }) => withValue(now, at, set), brand);
      const checked = to && v.safeParse(Brand, to);
      if (!checked)
        left.push({
          path: name,
          reason: !isWorkedOut(token)
            ? `is ${value.slice(0, 40) || 'empty'}, which cannot be read back`
            : 'is computed from other tokens here',
        });
      else if (!checked.success)
        left.push({ path: name, reason: `is ${value.slice(0, 40)}: ${toIssues(checked.issues)[0]!.message}` });
      else {
        brand = checked.output;
        changed.push(token.path);
      }
    }
  }
  return { brand, taken, changed, left };
}

function valueIn(brand: Brand, path: string): string | undefined {
  const token = tokenTable(brand).get(path);
  return token && tokenCssValue(token);
}

function edited(
  brand: Brand,
  table: TokenTable,
  token: Token,
  css: string,
  byProperty: ReadonlyMap<string, string>,
): Edited | undefined {
  const at = token.address?.slice(1);
  if (!at) return undefined;
  const target = table.get(byProperty.get(namedProperty(css) ?? '') ?? '');
  const value = target ? pointing(at, target) : literal(brand, token, at, css);
  if (value !== undefined) return [{ at, value }];
  return target ? undefined : byDtcg(brand, token, at, css);
}

const WIDER: Readonly<Record<string, string>> = { phone: 'tablet', tablet: 'desktop' };

/** Returns the value that makes a token point to another token; undefined if it cannot. */
function pointing(at: readonly string[], target: Token): unknown {
  const there = target.address?.slice(1) ?? [];
  const field = at.at(-1)!;
  if (at[0] === 'grounds' && at[2] === 'roles') {
    if (there[0] === 'swatches') return { kind: 'swatch', swatch: there[1] };
    return there[0] === 'grounds' && there[1] === at[1] && there[2] === 'roles'
      ? { kind: 'same', role: there[3] }
      : undefined;
  }
  if (at[0] === 'corners' || field === 'corner') return there[0] === 'cornerList' ? there[2] : undefined;
  if (field === 'shadow') return there[0] === 'shadows' ? there[2] : undefined;
  // A padding that takes that of the next wider width has none of its own.
  if (at[0] === 'spaces')
    return there[0] === 'spaces' && there[1] === at[1] && WIDER[field] === there.at(-1) ? null : undefined;
  if (at[0] === 'styles' && field === 'family') return there[0] === 'families' ? there[1] : undefined;
  const step = stepOfPath(target.path);
  if (at[0] === 'styles' && field === 'size') return step === undefined ? undefined : { kind: 'step', step };
  return undefined;
}

const WORDS: Readonly<Record<string, unknown>> = { italic: true, normal: false, 'from-font': null, none: null };

/**
 * Returns a value that only CSS can express: sizes, families, words and lengths in em; undefined if DTCG can express
 * it.
 */
function literal(brand: Brand, token: Token, at: readonly string[], css: string): unknown {
  const field = at.at(-1)!;
  const { small, large } = brand.scale;
  if (at[0] === 'styles' && at[2] === 'size') {
    const [from, to] = [small, large].map((end) => lengthOf(css, end.width, 16));
    return from === undefined || to === undefined
      ? undefined
      : { kind: 'pinned', small: rounded(from), large: rounded(to) };
  }
  if (at[0] === 'styles' && at[2] === 'at') return lengthOf(css, large.width, 16);
  if (token.type === 'fontFamily' && at[0] === 'families') {
    const name = css
      .split(',')[0]!
      .trim()
      .replace(/^["']|["']$/g, '')
      .toLowerCase();
    return [...Object.values(brand.fonts ?? {}), ...LIBRARY].find((font) => font.name.toLowerCase() === name)?.id;
  }
  if (token.path.startsWith('radius.')) {
    const corner = token.type === 'number' ? undefined : readCorner(css);
    return typeof corner === 'object' ? corner : undefined;
  }
  if (field === 'textCase') return css;
  if (field === 'italic' || field === 'thickness' || field === 'shadow')
    return Object.hasOwn(WORDS, css) ? WORDS[css] : field === 'thickness' ? readSingle(css).px : undefined;
  // Their length is worked out from a count of characters.
  if (field === 'longest' || field === 'figures') return undefined;
  return token.type === 'text' && typeof valueAt(brand, at) === 'number' ? readSingle(css).em : undefined;
}

const rounded = (px: number): number => Math.round(px * 100) / 100;

function byDtcg(brand: Brand, token: Token, at: readonly string[], css: string): Edited | undefined {
  const given = readSingle(css);
  switch (token.type) {
    case 'color':
      return parseColor(css) ? editedValue(token, css) : undefined;
    case 'gradient': {
      const [was, now] = [readGradient(token.css!), readGradient(css)];
      if (!was || !now) return undefined;
      const ends = editedValue(token, [{ color: hex(now.from) }, { color: hex(now.to) }]) ?? [];
      return now.angle === was.angle ? ends : [...ends, { at, value: now.angle }];
    }
    // An alias has no px of its own: what it stands in is a plain field.
    case 'dimension':
      return given.px === undefined
        ? undefined
        : typeof valueAt(brand, at) === 'object' && valueAt(brand, at) !== null
          ? undefined
          : [{ at, value: given.px }];
    case 'duration':
      return given.ms === undefined ? undefined : [{ at, value: given.ms }];
    case 'cubicBezier':
      return given.curve && [{ at, value: given.curve }];
    case 'shadow': {
      const shadow = token.css === undefined ? undefined : readBoxShadow(css);
      if (typeof shadow !== 'object') return undefined;
      const px = (value: number) => ({ value, unit: 'px' });
      return editedValue(token, {
        offsetX: px(shadow.x),
        offsetY: px(shadow.y),
        blur: px(shadow.blur),
        spread: px(shadow.spread),
        color: { hex: hex({ ...shadow.color, alpha: 1 }), alpha: shadow.color.alpha },
      });
    }
    default:
      return css.trim() === '' || !Number.isFinite(Number(css)) ? undefined : editedValue(token, Number(css));
  }
}
