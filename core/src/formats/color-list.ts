import { colorSpots, cssColor, hex, parseColor, type ColorSpot, type ParsedColor } from '../color/index.ts';
import { proposeName } from '../palette/index.ts';
import type { Incoming, IncomingColor, LeftToken } from './incoming.ts';
import { labelOfPath } from './label.ts';

/**
 * Reads a plain list: on each line a colour in any notation and, before or
 * after it, what it is called; a CSV with a heading line is one of these. Lines
 * without a colour are left, with their number.
 */
export function readColorList(text: string): Pick<Incoming, 'colors' | 'left'> {
  const colors: IncomingColor[] = [];
  const left: LeftToken[] = [];
  const seen = new Set<string>();
  text.split(/\r?\n/).forEach((line, i) => {
    if (line.trim() === '') return;
    const spots = colorSpots(line.split(',').length > 2 ? line : line.replace(/;+\s*$/, ''));
    // A code is meant rather than a word that happens to name a colour.
    const spot = spots.find(isCode) ?? spots[0];
    if (!spot)
      return void left.push({
        path: `line ${i + 1}`,
        reason: i === 0 && /,|\t/.test(line) ? 'is a heading' : `contains no colour: ${line.trim().slice(0, 40)}`,
      });
    const words = nameBeside(line, spot.index, spot.length);
    const label = words || proposeName(spot.color.oklch);
    const key = seen.has(label.toLowerCase()) ? `${label} (line ${i + 1})` : label;
    seen.add(label.toLowerCase());
    colors.push({ key, label, color: spot.color, part: 'side', rule: null });
  });
  return { colors, left };
}

/** A code, and no word that happens to name a colour. */
const isCode = ({ color }: ColorSpot): boolean => /[#(\d]/.test(color.typed);

/** Most words, and characters, that are a name and no sentence. */
const [NAME_WORDS, NAME_LENGTH] = [3, 30];

/**
 * The colours named anywhere in a text, each once, with what it is called where
 * that stands beside it: `Moss #4b5d23, sand: oklch(0.9 0.04 90)`. What is a
 * sentence, or says only that it is a colour, is no name.
 */
export function namedColors(text: string): (ParsedColor & { readonly label?: string })[] {
  const all = colorSpots(text);
  // Before a code a word that happens to name a colour is what the code is called.
  const spots = all.filter((entry, i) => {
    const next = all[i + 1];
    return (
      isCode(entry) ||
      !next ||
      !isCode(next) ||
      !/^[\s:="'–-]*$/.test(text.slice(entry.index + entry.length, next.index))
    );
  });
  const found = new Map<string, ParsedColor & { readonly label?: string }>();
  // A word between two colours names one of them. The first color decides whether names come before or after colors.
  const clean = (part: string): string => part.replace(/^[^\p{L}\d]+|[^\p{L}\d)]+$/gu, '').replaceAll(/\s+/g, ' ');
  const leads =
    spots[0] !== undefined &&
    isName(
      clean(
        text
          .slice(0, spots[0].index)
          .split(/[,;\r\n\t|]/)
          .at(-1)!,
      ),
    );
  spots.forEach((spot, at) => {
    const [before, after] = [spots[at - 1], spots[at + 1]];
    const key = cssColor(spot.color.rgb);
    if (found.has(key)) return;
    // The text between this colour and its neighbours, up to the next entry of the list.
    const ahead = text
      .slice(before ? before.index + before.length : 0, spot.index)
      .split(/[,;\r\n\t|]/)
      .at(-1)!;
    const behind = text.slice(spot.index + spot.length, after ? after.index : undefined).split(/[,;\r\n\t|]/)[0]!;
    const beside = [ahead, behind];
    const isSentence = beside.some((part) => part.trim().split(/\s+/).length > NAME_WORDS);
    const between = (other: ColorSpot | undefined, part: string): boolean =>
      other !== undefined &&
      !/[,;\r\n\t|]/.test(
        text.slice(Math.min(other.index + other.length, spot.index + spot.length), Math.max(other.index, spot.index)),
      ) &&
      part !== '';
    const own = [
      ...(!leads && between(before, ahead) ? [] : [ahead]),
      ...(leads && between(after, behind) ? [] : [behind]),
    ];
    const label = isSentence ? undefined : own.map(clean).find(isName);
    found.set(key, label ? { ...spot.color, label } : spot.color);
  });
  return [...found.values()];
}

function isName(words: string): boolean {
  return (
    /\p{L}/u.test(words) &&
    words.length <= NAME_LENGTH &&
    words.split(' ').length <= NAME_WORDS &&
    !/[.!?:{}()<>=]|^(?:and|or|the|our|is|colou?rs?|background(?:-color)?|fill|stroke)$/i.test(words)
  );
}

/** Words before the colour, else those after it, without marks and other codes. */
function nameBeside(line: string, index: number, length: number): string {
  const clean = (part: string) =>
    (
      part
        .split(/[,;\t|]/)
        .map((name) => name.replace(/^[\s"'$@:=*•–-]+|[\s"':=–-]+$/g, ''))
        .find((name) => /[\p{L}]/u.test(name) && !colorSpots(name).some(isCode)) ?? ''
    )
      .slice(0, 80)
      .trim();
  return clean(line.slice(0, index)) || clean(line.slice(index + length));
}

/**
 * Reads plain JSON in which colours stand as text: `{ "sea": "#0e3b43" }`, nested, or a list of objects with a name.
 */
export function readColorJson(input: unknown): Pick<Incoming, 'colors' | 'left'> {
  const colors: IncomingColor[] = [];
  const left: LeftToken[] = [];
  const visit = (node: unknown, path: readonly string[], depth: number): void => {
    if (depth > 30) return;
    if (typeof node === 'string') {
      const color = parseColor(node);
      const key = path.join('.') || hex(color?.rgb ?? { r: 0, g: 0, b: 0, alpha: 1 });
      if (color) colors.push({ key, label: labelOfPath(key), color, part: 'side', rule: null });
      else left.push({ path: path.join('.'), reason: `“${node.slice(0, 30)}” is not a colour` });
      return;
    }
    if (typeof node !== 'object' || node === null)
      return void left.push({ path: path.join('.'), reason: 'is not a colour' });
    const { name } = node as { name?: unknown };
    const value =
      (node as { hex?: unknown }).hex ?? (node as { color?: unknown }).color ?? (node as { value?: unknown }).value;
    if (typeof name === 'string' && typeof value === 'string' && parseColor(value))
      return void colors.push({
        key: name,
        label: name.slice(0, 80),
        color: parseColor(value)!,
        part: 'side',
        rule: null,
      });
    for (const [step, child] of Object.entries(node)) visit(child, [...path, step], depth + 1);
  };
  visit(input, [], 0);
  return { colors, left };
}
