import type { Element, ElementContent } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { contrastRatio, hex, oklchText, parseColor } from '../color/index.ts';
import { cutDownText } from '../number/index.ts';
import { ruleWords } from '../palette/index.ts';
import { placeCount } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { resolvedSwatches, swatchPath } from '../style/index.ts';

/** One swatch as plain figures, for tables and other tools. */
export interface SwatchFigures {
  readonly name: string;
  readonly token: string;
  readonly hex: string;
  readonly oklch: string;
  readonly part: 'core' | 'side';
  /** The rule it follows, in words; empty when it is plain. */
  readonly follows: string;
  readonly places: number;
}

/** All swatches of a site in their order. */
export function swatchFigures(site: Site): SwatchFigures[] {
  return resolvedSwatches(site.brand).map(({ swatch, oklch, rgb }) => ({
    name: swatch.label,
    token: swatchPath(swatch),
    hex: hex(rgb),
    oklch: oklchText(oklch),
    part: swatch.part,
    follows: swatch.rule ? ruleWords(swatch.rule, (id) => site.brand.swatches[id]?.label ?? id) : '',
    places: placeCount(site, swatchPath(swatch)),
  }));
}

/** The swatches as CSV (RFC 4180) with a heading line. */
export function swatchesCsv(site: Site): string {
  const cell = (value: string | number) =>
    /[",\r\n]/.test(String(value)) ? `"${String(value).replaceAll('"', '""')}"` : String(value);
  const rows = swatchFigures(site).map((figure) => [
    figure.name,
    figure.token,
    figure.hex,
    figure.oklch,
    figure.part,
    figure.follows,
    figure.places,
  ]);
  return [['name', 'token', 'hex', 'oklch', 'part', 'follows', 'places'], ...rows]
    .map((row) => `${row.map(cell).join(',')}\r\n`)
    .join('');
}

/** The swatches as plain JSON. */
export function swatchesJson(site: Site): string {
  return `${JSON.stringify({ site: site.name, swatches: swatchFigures(site) }, null, 2)}\n`;
}

const CARD = { width: 260, height: 110, gap: 12, across: 3 };
const WHITE = parseColor('#ffffff')!.rgb;

/** A sheet of all swatches as SVG, three in a row, each with its name, hex, OKLCH and places. */
export function swatchSheetSvg(site: Site): string {
  const figures = swatchFigures(site);
  const columns = Math.max(1, Math.min(CARD.across, figures.length));
  const [width, height] = [columns, Math.max(1, Math.ceil(figures.length / columns))].map(
    (count, i) => count * (i === 0 ? CARD.width : CARD.height) + (count + 1) * CARD.gap,
  ) as [number, number];
  const cards = figures.map((figure, i): Element => {
    const [x, y] = [
      CARD.gap + (i % columns) * (CARD.width + CARD.gap),
      CARD.gap + Math.floor(i / columns) * (CARD.height + CARD.gap),
    ];
    const ink = contrastRatio(parseColor(figure.hex)!.rgb, WHITE) >= 4.5 ? '#ffffff' : '#000000';
    const line = (down: number, size: number, text: string): Element =>
      element('text', { x: String(x + 12), y: String(y + down), fill: ink, fontSize: String(size) }, [
        { type: 'text', value: text },
      ]);
    return element('g', { id: figure.token }, [
      element(
        'rect',
        { x: String(x), y: String(y), width: String(CARD.width), height: String(CARD.height), fill: figure.hex },
        [],
      ),
      line(30, 17, figure.name),
      line(56, 13, figure.hex),
      line(76, 13, figure.oklch),
      line(
        96,
        13,
        `${figure.places} places, ratio on white ${cutDownText(contrastRatio(parseColor(figure.hex)!.rgb, WHITE), 2)}`,
      ),
    ]);
  });
  const sheet = element(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width: String(width),
      height: String(height),
      viewBox: `0 0 ${width} ${height}`,
      fontFamily: 'sans-serif',
    },
    [element('title', {}, [{ type: 'text', value: `Swatches of ${site.name}` }]), ...cards],
  );
  return `${toHtml(sheet, { space: 'svg', closeEmptyElements: true })}\n`;
}

const element = (tagName: string, properties: Element['properties'], children: ElementContent[]): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
});
