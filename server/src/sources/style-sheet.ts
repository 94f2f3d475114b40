import * as csstree from 'css-tree';
import { colorSpots, parseColor, type ParsedColor, type PictureRole } from '@yohaku/core';
import type { ColorTally } from './tally.ts';

/** The role that a property gives a colour. */
function roleOf(property: string, selector: string): { role: PictureRole; why: string } {
  const where = `${property} of ${selector.slice(0, 40)}`;
  if (/^background/.test(property))
    return /\b(btn|button|cta)\b|^a\b|\[type=.?submit/i.test(selector)
      ? { role: 'signal', why: where }
      : { role: 'ground', why: where };
  if (property === 'color' || property === '-webkit-text-fill-color')
    return /(^|[\s,.])a\b|link/i.test(selector) ? { role: 'signal', why: where } : { role: 'text', why: where };
  return { role: 'ornament', why: where };
}

interface Defined {
  readonly color: ParsedColor;
}

/**
 * Reads the colours of a style sheet: literals with the role their property
 * gives them, custom properties by where they are used. What comes before and
 * after an error is read.
 *
 * @param at adds the line of the sheet's start, for sheets inside a page
 * @returns sentences about what could not be read, with the line
 */
export function readStyleSheet(tally: ColorTally, file: string, css: string): string[] {
  const notes: string[] = [];
  const ast = csstree.parse(css, {
    positions: true,
    parseCustomProperty: true,
    parseValue: true,
    onParseError: (error) => {
      if (notes.length < 5)
        notes.push(`${file}, line ${(error as { line?: number }).line ?? '?'}: ${error.message}. The rest was read.`);
    },
  });
  const defined = new Map<string, Defined>();
  const uses: { name: string; property: string; selector: string }[] = [];
  let selector = '';
  csstree.walk(ast, {
    enter(node: csstree.CssNode) {
      if (node.type === 'Rule') selector = csstree.generate(node.prelude);
      if (node.type !== 'Declaration' || !node.loc) return;
      const start = node.loc.start.offset + node.property.length;
      const text = css.slice(start, node.loc.end.offset);
      const custom = node.property.startsWith('--');
      for (const { color, index, length } of colorSpots(wordsOnly(text))) {
        if (color.rgb.alpha === 0) continue;
        if (custom) {
          defined.set(node.property, { color });
          tally.written(color, file, css, start + index, length);
        } else tally.mention(color, file, css, start + index, length, roleOf(node.property, selector));
      }
      csstree.walk(node.value, {
        visit: 'Function',
        enter: (call) => {
          const name = call.name.toLowerCase() === 'var' ? call.children.first : null;
          if (name?.type === 'Identifier') uses.push({ name: name.name, property: node.property, selector });
        },
      });
    },
  });
  for (const { name, property, selector: of } of uses) {
    const found = defined.get(name);
    if (found) tally.count(found.color, ...(Object.values(roleOf(property, of)) as [PictureRole, string]));
  }
  return notes;
}

/** Tokens of CSS in which names are no colours (CSS Syntax 3, 4). */
const BLANKED: ReadonlySet<string> = new Set([
  'string-token',
  'bad-string-token',
  'url-token',
  'bad-url-token',
  'comment-token',
]);

/** Addresses and strings blanked out, so that names in them are no colours; lengths stay. */
function wordsOnly(text: string): string {
  let blanked = text;
  csstree.tokenize(text, (type, start, end) => {
    if (BLANKED.has(csstree.tokenNames[type] ?? ''))
      blanked = blanked.slice(0, start) + ' '.repeat(end - start) + blanked.slice(end);
  });
  return blanked;
}

/** A presentation attribute of a page or drawing as a colour. */
export function attributeColor(value: unknown): ParsedColor | undefined {
  return typeof value === 'string' && !/^(none|inherit|currentcolor|transparent|url)/i.test(value.trim())
    ? parseColor(value)
    : undefined;
}
