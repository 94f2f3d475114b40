import { hex, paintedRgb } from '../color/index.ts';
import { mapRule } from '../palette/index.ts';
import { SiteIssues, type Brand } from '../site/index.ts';
import { swatchColor, swatchPath } from '../style/index.ts';
import { readColorJson, readColorList } from './color-list.ts';
import { customProperties } from '../css/index.ts';
import { readCustomProperties } from './custom-properties.ts';
import { readForeignDtcg } from './dtcg-foreign.ts';
import { readDtcg } from './dtcg-read.ts';
import { EXTENSION } from './dtcg-write.ts';
import type { Incoming, IncomingColor } from './incoming.ts';
import { readOwnTokensCss } from './own-tokens-css.ts';

/** Most characters of a file of tokens. */
export const LARGEST_TOKENS = 5_000_000;

/**
 * Reads a file of tokens by what is in it: DTCG (ours and other tools'), plain
 * JSON with colours, CSS custom properties (ours and other tools'), a plain list.
 *
 * @param brand the one it is brought into: by it we know our own sheet again
 * @throws SiteIssues saying what is wrong when nothing in it can be used
 */
export function readIncoming(name: string, text: string, brand?: Brand): Incoming {
  if (text.length > LARGEST_TOKENS)
    throw issue(
      `has ${Math.round(text.length / 1e6)} MB; up to ${LARGEST_TOKENS / 1e6} MB are read. Use only the part with the colours`,
    );
  if (text.trim() === '') throw issue('is empty');
  const incoming =
    /^\s*[[{]/.test(text) && !/^\s*\{?\s*--/.test(text) ? readJson(name, text) : readText(name, text, brand);
  if (incoming.colors.length + incoming.parts.length === 0)
    throw issue(
      incoming.left.length > 0
        ? `contains no colour that can be imported: ${incoming.left[0]!.path} ${incoming.left[0]!.reason}`
        : 'has no colour in it',
    );
  return incoming;
}

const issue = (message: string): SiteIssues =>
  new SiteIssues([{ path: 'The file', message: `${message}. Nothing was changed.` }]);

function readText(name: string, text: string, brand: Brand | undefined): Incoming {
  const values = customProperties(text);
  const own = brand && readOwnTokensCss(brand, values);
  if (own) return { name, format: 'yohaku', colors: colorsOf(own.brand), parts: [], left: own.left, brand: own };
  const css = readCustomProperties(values);
  return css.colors.length + css.parts.length > 0 || /\.css$/i.test(name)
    ? { name, format: 'css', ...css, brand: null }
    : { name, format: 'list', parts: [], ...readColorList(text), brand: null };
}

function readJson(name: string, text: string): Incoming {
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    throw issue(`is not valid JSON (${(error as Error).message.slice(0, 120)})`);
  }
  const extension = (input as { $extensions?: Record<string, unknown> }).$extensions?.[EXTENSION];
  if (extension !== undefined) {
    const brand = readDtcg(input);
    return { name, format: 'yohaku', colors: colorsOf(brand.brand), parts: [], left: brand.left, brand };
  }
  const tokens = /"\$(?:value|ref)"/.test(text);
  return {
    name,
    format: tokens ? 'dtcg' : 'list',
    parts: [],
    ...(tokens ? readForeignDtcg(input as Record<string, unknown>) : readColorJson(input)),
    brand: null,
  };
}

/** The swatches of a brand as colours that can go to another. */
function colorsOf(brand: Brand): IncomingColor[] {
  return brand.swatchOrder.map((id) => {
    const swatch = brand.swatches[id]!;
    const oklch = swatchColor(brand, id)!;
    const rgb = paintedRgb(oklch);
    return {
      key: swatchPath(swatch),
      label: swatch.label,
      part: swatch.part,
      rule:
        swatch.rule && mapRule(swatch.rule, (name) => (brand.swatches[name] ? swatchPath(brand.swatches[name]) : name)),
      color: { typed: swatch.rule ? '' : swatch.typed || hex(rgb), oklch, rgb, mapped: false },
    };
  });
}
