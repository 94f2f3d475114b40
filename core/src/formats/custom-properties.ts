import { parseColor } from '../color/index.ts';
import type { Incoming, IncomingColor, LeftToken } from './incoming.ts';
import { labelOfPath } from './label.ts';

const DECLARATION = /(?<![\w-])(--[A-Za-z0-9_\u0080-\uffff-]+)\s*:\s*((?:[^;{}"'()]|"[^"\n]*"|'[^'\n]*'|\((?:[^()]|\([^()]*\))*\))*)(?=;|\}|$)/g;

/** The custom properties declared in a sheet, in order, the last value of each; comments and everything else are passed over. */
export function customProperties(css: string): Map<string, string> {
  const found = new Map<string, string>();
  for (const [, name, value] of css.replace(/\/\*[\s\S]*?\*\//g, ' ').matchAll(DECLARATION)) found.set(name!, value!.trim().replace(/\s*!important$/, ''));
  return found;
}

const VAR = /^var\(\s*(--[^,)\s]+)\s*(?:,[\s\S]*)?\)$/;

/** Reads the colours among the custom properties of a sheet; one that names another by `var()` goes with that. */
export function readCustomProperties(css: string): Pick<Incoming, 'colors' | 'left'> {
  const values = customProperties(css);
  const colors: IncomingColor[] = [];
  const left: LeftToken[] = [];
  for (const [name, value] of values) {
    const key = name.slice(2);
    const target = VAR.exec(value)?.[1];
    const end = target === undefined ? value : resolve(name, values);
    if (target !== undefined) left.push({ path: key, reason: end === undefined ? `names ${target}, which leads to no value` : parseColor(end) ? `names ${target}, which is brought in by itself` : `is ${value.slice(0, 40)}; only colours come in` });
    else {
      const color = parseColor(value);
      if (color) colors.push({ key, label: labelOfPath(key), color, part: 'side', rule: null });
      else left.push({ path: key, reason: `is ${value.slice(0, 40) || 'empty'}; only colours come in` });
    }
  }
  return { colors, left };
}

function resolve(name: string, values: ReadonlyMap<string, string>): string | undefined {
  const trail = new Set<string>();
  let here: string | undefined = name;
  while (here !== undefined && !trail.has(here)) {
    trail.add(here);
    const value = values.get(here);
    if (value === undefined) return undefined;
    const next: string | undefined = VAR.exec(value)?.[1];
    if (next === undefined) return value;
    here = next;
  }
  return undefined;
}
