import { parseColor } from '../color/index.ts';
import { namedProperty, withReferences } from '../css/index.ts';
import type { Incoming, IncomingColor, LeftToken } from './incoming.ts';
import { readSheetParts } from './css-parts.ts';
import { labelOfPath } from './label.ts';

/**
 * Reads the colours, text styles, shadows, motions and corners among the custom
 * properties of a sheet; one that names another by `var()` goes with that. What
 * has no use here is kept, to be written out again.
 */
export function readCustomProperties(
  written: ReadonlyMap<string, string>,
): Pick<Incoming, 'colors' | 'parts' | 'left'> {
  const values = new Map(
    [...written].flatMap(([name, value]) => {
      const end = withReferences(value, written);
      return end === undefined ? [] : [[name, end] as const];
    }),
  );
  const colors: IncomingColor[] = [];
  const left: LeftToken[] = [];
  for (const [name, value] of values) {
    // Figures alone are no colour in CSS, though they can be typed as one.
    const color =
      /^[0-9a-f]+$/i.test(value) || namedProperty(written.get(name)!) !== undefined ? undefined : parseColor(value);
    if (color) colors.push({ key: name.slice(2), label: labelOfPath(name.slice(2)), color, part: 'side', rule: null });
  }
  const sheet = readSheetParts(values, written);
  const named = new Set([...colors.map((color) => `--${color.key}`), ...sheet.told]);
  for (const [name, value] of written) {
    const leave = (reason: string) => left.push({ path: name, reason, kept: JSON.stringify(value) });
    const target = namedProperty(value);
    if (sheet.told.has(name)) continue;
    if (target !== undefined) leave(aliasReason(name, target, written, named));
    else if (!values.has(name)) leave(`is ${short(value)}, which names a property without a value`);
    else if (!named.has(name))
      leave(`is ${short(value)}; only colours, text styles, shadows, motions and corners can be imported alone`);
  }
  return { colors, parts: sheet.parts, left: [...left, ...sheet.left] };
}

const short = (value: string): string => value.slice(0, 40) || 'empty';

function aliasReason(
  name: string,
  target: string,
  written: ReadonlyMap<string, string>,
  named: ReadonlySet<string>,
): string {
  const trail = new Set([name]);
  let here: string | undefined = target;
  while (here !== undefined && written.has(here) && !trail.has(here)) {
    if (named.has(here)) return `names ${target}, which is imported separately`;
    trail.add(here);
    here = namedProperty(written.get(here)!);
  }
  return here === undefined ? `names ${target}, which is not imported` : `names ${target}, which has no value`;
}
