import * as csstree from 'css-tree';
import { fromHtml } from 'hast-util-from-html';
import type { Element, Nodes } from 'hast';
import {
  ALIKE,
  deltaE,
  extractPalette,
  hex,
  parseColor,
  plural,
  rgb8ToOklab,
  type SourceColor,
  type ParsedColor,
  type Pixels,
} from '@yohaku/core';
import { SourceRefused } from './limits.ts';
import { attributeColor, readStyleSheet } from './style-sheet.ts';
import { ColorTally } from './tally.ts';

const PAINTS = ['fill', 'stroke', 'stopColor', 'floodColor', 'lightingColor', 'color'] as const;
const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'polygon', 'polyline', 'text']);

/**
 * The colours of an SVG: what its fills, strokes and gradient stops name, each
 * with the share of the area where it can be seen. Pixels only measure; they
 * never add a colour.
 */
export function readDrawing(
  name: string,
  svg: string,
  pixels: Pixels,
): { colors: SourceColor[]; notes: string[]; lines: ColorTally['lines'] } {
  const tally = new ColorTally();
  const notes: string[] = [];
  let unpainted = 0;
  const links = new Map<string, string[]>();
  const visit = (node: Nodes, inherited: boolean, within: string | null): void => {
    if (node.type === 'element') {
      const id = typeof node.properties['id'] === 'string' ? node.properties['id'] : null;
      const href = String(node.properties['href'] ?? node.properties['xLinkHref'] ?? '');
      if (node.tagName === 'use' && href.startsWith('#'))
        links.set(within ?? '', [...(links.get(within ?? '') ?? []), href.slice(1)]);
      if (node.tagName === 'style') notes.push(...readStyleSheet(tally, name, textOf(node)));
      const painted = paint(tally, name, svg, node) || inherited;
      if (!painted && SHAPES.has(node.tagName) && node.properties['className'] === undefined) unpainted++;
      for (const child of node.children) visit(child, painted, id ?? within);
    } else if ('children' in node) for (const child of node.children) visit(child, inherited, within);
  };
  visit(fromHtml(svg, { fragment: true, space: 'svg' }), false, null);
  refuseLoops(links);
  if (unpainted > 0) tally.count(parseColor('#000000')!, 'ornament', `${plural(unpainted, 'shape')} without a fill`);
  const written = tally.colors();
  const shares = sharesOf(
    written.map((color) => parseColor(color.hex)!),
    pixels,
  );
  const roles = new Map(extractPalette(pixels, 24).map((color) => [hex(color.rgb), color]));
  const colors = written
    .map((color, i) => {
      const seen = roles.get(color.hex);
      const share = shares[i]!;
      return {
        ...color,
        share,
        role: seen?.role ?? color.role,
        why: share === 0 ? `${color.why}; written, but not to be seen` : seen ? seen.why : color.why,
      };
    })
    .sort((entry, other) => other.share - entry.share);
  return { colors, notes, lines: tally.lines };
}

/** Counts the paints of one element; whether it sets its fill. */
function paint(tally: ColorTally, name: string, svg: string, node: Element): boolean {
  let fills = false;
  const use = (property: string, color: ParsedColor | undefined, typed: string) => {
    if (property === 'fill') fills = true;
    if (!color) return;
    const offset = node.position?.start.offset ?? 0;
    const at = svg.indexOf(typed, offset);
    const why = `${property === 'stopColor' ? 'gradient stop' : property} of <${node.tagName}>`;
    if (at >= 0) tally.mention(color, name, svg, at, typed.length, { role: 'ornament', why });
    else tally.count(color, 'ornament', why);
  };
  for (const property of PAINTS) {
    const value = node.properties[property];
    if (value !== undefined) use(property, attributeColor(value), String(value));
  }
  const style = node.properties['style'];
  if (typeof style === 'string')
    csstree.walk(csstree.parse(style, { context: 'declarationList', parseValue: false }), {
      visit: 'Declaration',
      enter: ({ property, value }) => {
        const written = value.type === 'Raw' ? value.value.trim() : '';
        if (/^(fill|stroke|stop-color|flood-color|color)$/.test(property))
          use(property === 'stop-color' ? 'stopColor' : property, attributeColor(written), written);
      },
    });
  return fills;
}

/** Share of the opaque area nearest to each colour, as far as it can be told from it. */
function sharesOf(colors: readonly ParsedColor[], { data }: Pixels): number[] {
  const labs = colors.map((color) => rgb8ToOklab(color.rgb));
  const counts = labs.map(() => 0);
  const known = new Map<number, number>();
  let total = 0;
  for (let at = 0; at < data.length; at += 4) {
    if (data[at + 3]! < 250) continue;
    const key = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
    let index = known.get(key);
    if (index === undefined) {
      const lab = rgb8ToOklab({ r: data[at]!, g: data[at + 1]!, b: data[at + 2]!, alpha: 1 });
      index = -1;
      let least: number = ALIKE;
      labs.forEach((oklab, i) => {
        const distance = deltaE(oklab, lab);
        if (distance < least) [least, index] = [distance, i];
      });
      known.set(key, index);
    }
    total++;
    if (index >= 0) counts[index]!++;
  }
  return counts.map((count) => (total > 0 ? count / total : 0));
}

/** @throws SourceRefused when `use` leads back to itself */
function refuseLoops(links: ReadonlyMap<string, readonly string[]>): void {
  const done = new Set<string>();
  const walk = (id: string, trail: readonly string[]): void => {
    if (trail.includes(id))
      throw new SourceRefused(
        `In this drawing <use> refers to itself (${[...trail.slice(trail.indexOf(id)), id].join(' → ')}). Expand it and drop it again.`,
      );
    if (done.has(id)) return;
    for (const next of links.get(id) ?? []) walk(next, [...trail, id]);
    done.add(id);
  };
  for (const id of links.keys()) if (id !== '') walk(id, []);
}

function textOf(node: Element): string {
  return node.children.map((child) => (child.type === 'text' ? child.value : '')).join('');
}
