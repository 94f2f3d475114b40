import * as csstree from 'css-tree';
import type { Element, Nodes, Root } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { sanitize } from 'hast-util-sanitize';
import { toHtml } from 'hast-util-to-html';
import { PictureRefused } from './refused.ts';
import { SCHEMA } from './svg-schema.ts';

/** Most elements, characters of words, and depth of a drawing: more of either is no logo, and takes minutes to draw. */
export const DRAWING_LIMITS = { elements: 100_000, words: 20_000, depth: 200 } as const;

const EMBEDDED = /^data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/=\s]*$/i;
const OWN_REFERENCE = /^#[^\s"'()<>&\\]{1,200}$/;

/** A drawing that was written anew from what is allowed, and what was left out of it, in whole sentences. */
export interface CleanSvg {
  readonly svg: string;
  readonly notes: readonly string[];
}

/**
 * Writes a drawing anew from an allow-list of elements, attributes and CSS, so
 * that opening the file by itself runs nothing and fetches nothing: no scripts,
 * handlers, animations, other languages, doctypes, processing instructions, and no
 * reference but to its own parts and to pictures that are embedded in it.
 *
 * @throws PictureRefused when it holds no drawing, or far more than drawings do
 */
export function cleanSvg(text: string): CleanSvg {
  const tree = fromHtml(text, { fragment: true, space: 'svg' });
  const root = tree.children.find((node): node is Element => node.type === 'element' && node.tagName === 'svg');
  if (!root)
    throw new PictureRefused('This SVG holds no drawing that can be read. Save it as plain SVG and drop it again.');
  measure(root, 1, { words: 0 });
  const before = countOf(root);
  const cleaned = sanitize(withPlainHrefs(root), SCHEMA) as Nodes;
  const kept = (cleaned.type === 'root' ? (cleaned as Root).children[0] : cleaned) as Element | undefined;
  if (!kept || kept.type !== 'element' || kept.tagName !== 'svg')
    throw new PictureRefused('This SVG holds no drawing that can be read. Save it as plain SVG and drop it again.');
  keepOwnReferences(kept);
  kept.properties = { xmlns: 'http://www.w3.org/2000/svg', ...kept.properties };
  delete kept.properties['xmlnsXLink'];
  const gone = before - countOf(kept);
  return {
    svg: toHtml(kept, {
      space: 'svg',
      closeEmptyElements: true,
      tightSelfClosing: true,
      characterReferences: { useNamedReferences: false },
    }),
    notes:
      gone > 0
        ? [
            `${gone} ${gone === 1 ? 'part' : 'parts'} that a drawing does not need (program data, animation) ${gone === 1 ? 'was' : 'were'} removed.`,
          ]
        : [],
  };
}

function measure(node: Nodes, depth: number, seen: { words: number }): void {
  if (depth > DRAWING_LIMITS.depth)
    throw new PictureRefused(
      `This drawing is nested deeper than ${DRAWING_LIMITS.depth} levels. Simplify it and drop it again.`,
    );
  if (node.type === 'element' && node.tagName === 'style') return;
  if (node.type === 'text' && (seen.words += node.value.trim().length) > DRAWING_LIMITS.words)
    throw new PictureRefused(
      `This drawing holds more than ${DRAWING_LIMITS.words / 1000} thousand characters of text. Turn its text into shapes, or remove it, and drop it again.`,
    );
  if ('children' in node) for (const child of node.children) measure(child, depth + 1, seen);
}

function countOf(node: Nodes): number {
  let count = node.type === 'element' ? 1 : 0;
  if ('children' in node) for (const child of node.children) count += countOf(child);
  return count;
}

/** `xlink:href` said as `href`, which every reader of SVG 2 takes; the first that is there counts. */
function withPlainHrefs(node: Element): Element {
  const { xLinkHref, ...properties } = node.properties;
  return {
    ...node,
    properties:
      xLinkHref === undefined || properties['href'] !== undefined ? properties : { ...properties, href: xLinkHref },
    children: node.children.map((child) => (child.type === 'element' ? withPlainHrefs(child) : child)),
  };
}

/** Takes every reference away that leads out of the file, in attributes, styles and sheets. */
function keepOwnReferences(node: Element): void {
  for (const [name, value] of Object.entries(node.properties)) {
    const text = Array.isArray(value) ? value.join(' ') : String(value);
    if (name === 'href') {
      if (!OWN_REFERENCE.test(text.trim()) && !(node.tagName === 'image' && EMBEDDED.test(text.trim())))
        delete node.properties[name];
    } else if (name === 'style') {
      const css = cleanCss(text, 'declarationList');
      if (css === '') delete node.properties[name];
      else node.properties[name] = css;
    } else if (name !== 'xmlns' && /[(\\@<]/.test(text) && !isPlainValue(text)) delete node.properties[name];
  }
  if (node.tagName === 'style')
    node.children = [
      {
        type: 'text',
        value: cleanCss(
          node.children.map((child) => (child.type === 'text' ? child.value : '')).join(''),
          'stylesheet',
        ),
      },
    ];
  else for (const child of node.children) if (child.type === 'element') keepOwnReferences(child);
}

/** Returns true if an attribute's value, read as CSS, refers to nothing but parts of the file. */
function isPlainValue(text: string): boolean {
  const ast = parsed(text, 'value');
  let plain = ast !== undefined;
  if (ast)
    csstree.walk(ast, (node) => {
      if (leadsOut(node)) plain = false;
    });
  return plain;
}

/**
 * CSS written anew: rules with plain selectors and their declarations; no at-rules, nothing that could not be read, no
 * reference out of the file.
 */
function cleanCss(css: string, context: 'stylesheet' | 'declarationList'): string {
  const ast = parsed(css, context);
  if (!ast) return '';
  csstree.walk(ast, {
    enter(node: csstree.CssNode, item: csstree.ListItem<csstree.CssNode>, list: csstree.List<csstree.CssNode>) {
      if (!list) return;
      if (
        node.type === 'Atrule' ||
        node.type === 'Raw' ||
        node.type === 'Comment' ||
        (node.type === 'Rule' && node.prelude.type === 'Raw')
      )
        list.remove(item);
      else if (node.type === 'Declaration') {
        let bad = node.value.type === 'Raw' || /behavio|binding|^--/i.test(node.property);
        csstree.walk(node.value, (inside) => {
          if (leadsOut(inside)) bad = true;
        });
        if (bad) list.remove(item);
      }
    },
  });
  const written = csstree.generate(ast);
  // Both end a sheet within XML; no selector or value of the kept kind has them.
  return /[<&]/.test(written) ? '' : written;
}

/**
 * CSS as a tree; undefined where it cannot be read at all: a single value has nothing to go on with behind an error.
 */
function parsed(css: string, context: 'stylesheet' | 'declarationList' | 'value'): csstree.CssNode | undefined {
  try {
    return csstree.parse(css, { context, onParseError: () => {} });
  } catch {
    return undefined;
  }
}

function leadsOut(node: csstree.CssNode): boolean {
  if (node.type === 'Url') return !OWN_REFERENCE.test(node.value.trim());
  return (
    node.type === 'Raw' ||
    (node.type === 'Function' && /^(expression|image|image-set|src|cross-fade|element)$/i.test(node.name)) ||
    (node.type === 'Function' && /\\/.test(node.name))
  );
}
