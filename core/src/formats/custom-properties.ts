import { parseColor } from '../color/index.ts';
import type { Incoming, IncomingColor, LeftToken } from './incoming.ts';
import { readSheetParts } from './css-parts.ts';
import { labelOfPath } from './label.ts';
import { VAR } from './var.ts';

const DECLARATION = /(?<![\w-])(--[A-Za-z0-9_\u0080-\uffff-]+)\s*:\s*((?:[^;{}"'()]|"[^"\n]*"|'[^'\n]*'|\((?:[^()]|\([^()]*\))*\))*)(?=;|\}|$)/g;

/** The custom properties declared in a sheet, in order, the last value of each; comments and everything else are passed over. */
export function customProperties(css: string): Map<string, string> {
  const found = new Map<string, string>();
  for (const [, name, value] of css.replace(/\/\*[\s\S]*?\*\//g, ' ').matchAll(DECLARATION)) found.set(name!, value!.trim().replace(/\s*!important$/, ''));
  return found;
}

/**
 * Reads the colours, text styles, shadows, motions and corners among the custom
 * properties of a sheet; one that names another by `var()` goes with that. What
 * has no use here is kept, to be written out again.
 */
export function readCustomProperties(written: ReadonlyMap<string, string>): Pick<Incoming, 'colors' | 'parts' | 'left'> {
  const values = new Map([...written].flatMap(([name, value]) => {
    const end = expand(value, written);
    return end === undefined ? [] : [[name, end] as const];
  }));
  const colors: IncomingColor[] = [];
  const left: LeftToken[] = [];
  for (const [name, value] of values) {
    // Figures alone are no colour in CSS, though they can be typed as one.
    const color = /^[0-9a-f]+$/i.test(value) || VAR.test(written.get(name)!) ? undefined : parseColor(value);
    if (color) colors.push({ key: name.slice(2), label: labelOfPath(name.slice(2)), color, part: 'side', rule: null });
  }
  const sheet = readSheetParts(values, written);
  const named = new Set([...colors.map((one) => `--${one.key}`), ...sheet.told]);
  for (const [name, value] of written) {
    const leave = (reason: string) => left.push({ path: name, reason, kept: JSON.stringify(value) });
    const target = VAR.exec(value)?.[1];
    if (sheet.told.has(name)) continue;
    if (target !== undefined) leave(aliasReason(name, target, written, named));
    else if (!values.has(name)) leave(`is ${short(value)}, which names a property that leads to no value`);
    else if (!named.has(name)) leave(`is ${short(value)}; only colours, text styles, shadows, motions and corners come in by themselves`);
  }
  return { colors, parts: sheet.parts, left: [...left, ...sheet.left] };
}

const short = (value: string): string => value.slice(0, 40) || 'empty';

function aliasReason(name: string, target: string, written: ReadonlyMap<string, string>, named: ReadonlySet<string>): string {
  const trail = new Set([name]);
  let here: string | undefined = target;
  while (here !== undefined && written.has(here) && !trail.has(here)) {
    if (named.has(here)) return `names ${target}, which is brought in by itself`;
    trail.add(here);
    here = VAR.exec(written.get(here)!)?.[1];
  }
  return here === undefined ? `names ${target}, which does not come in` : `names ${target}, which leads to no value`;
}

const DEEPEST = 20;
const REFERENCE = /var\(\s*(--[^,)\s]+)\s*(?:,((?:[^()]|\([^()]*\))*))?\)/;

/** A value with what it names put in (CSS Custom Properties 1, 3); undefined when something leads nowhere or in a circle. */
function expand(value: string, values: ReadonlyMap<string, string>, depth = 0): string | undefined {
  let rest = value;
  for (let found = REFERENCE.exec(rest), count = 0; found; found = REFERENCE.exec(rest)) {
    if (depth > DEEPEST || ++count > 40) return undefined;
    const target = values.get(found[1]!) ?? found[2]?.trim();
    const end = target === undefined ? undefined : expand(target, values, depth + 1);
    if (end === undefined) return undefined;
    rest = rest.slice(0, found.index) + end + rest.slice(found.index + found[0].length);
    // What names itself twice in each value would grow without end.
    if (rest.length > 4000) return undefined;
  }
  return rest;
}
