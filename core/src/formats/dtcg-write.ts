import { hex, readGradient, type Rgb8 } from '../color/index.ts';
import { compositesOf } from './dtcg-composites.ts';
import type { Site } from '../site/index.ts';
import { tokenTable, type Token } from '../style/index.ts';
import { colorOf, lengthOf } from '../reach/index.ts';
import { isKeptProperty } from './tokens-css-write.ts';

/** Our own data in a DTCG file: what a plain reader skips and we read back without loss. */
export const EXTENSION = 'org.yohaku.brand';

interface Node {
  [key: string]: unknown;
}

/**
 * The brand as a DTCG 2025.10 file. Leaf tokens by path; aliases as
 * `{references}`; colours as sRGB objects with their hex; sizes that are fluid
 * as their value at the large width, with the whole `clamp()` beside it; the
 * complete brand once at the root, so that our own import loses nothing.
 */
export function writeDtcg(site: Site): Node {
  const root: Node = {
    $description: `${site.name}, made with Yohaku`,
    $extensions: { [EXTENSION]: { schemaVersion: site.schemaVersion, name: site.name, brand: site.brand } },
  };
  for (const token of tokenTable(site.brand).values()) {
    const steps = token.path.split('.');
    let group = root;
    for (const step of steps.slice(0, -1)) group = (group[step] ??= {}) as Node;
    const written = dtcgToken(token, site.brand.scale.large.width);
    if (written) group[steps.at(-1)!] = written;
    else {
      const extensions = (group['$extensions'] ??= { [EXTENSION]: {} }) as Record<string, Node>;
      extensions[EXTENSION]![steps.at(-1)!] = token.css;
    }
  }
  for (const { path, token } of compositesOf(site.brand)) putBack(root, path, token);
  for (const [path, json] of Object.entries(site.brand.kept ?? {}))
    if (!isKeptProperty(path)) putBack(root, path, JSON.parse(json) as Node);
  return root;
}

/** Puts a token of another tool where it stood, unless a token of ours stands there or on the way. */
function putBack(root: Node, path: string, token: Node): void {
  if (path === '$extensions')
    return void Object.assign(root['$extensions'] as Node, { ...token, ...(root['$extensions'] as Node) });
  const steps = path.split('.');
  let group = root;
  for (const step of steps.slice(0, -1)) {
    if (Object.hasOwn(group, '$value')) return;
    group = (Object.hasOwn(group, step) ? group[step] : (group[step] = {})) as Node;
  }
  if (!Object.hasOwn(group, steps.at(-1)!)) group[steps.at(-1)!] = token;
}

function colorValue({ r, g, b, alpha }: Rgb8): Node {
  const channel = (value: number) => Math.round((value / 255) * 1e5) / 1e5;
  return {
    colorSpace: 'srgb',
    components: [channel(r), channel(g), channel(b)],
    alpha,
    hex: hex({ r, g, b, alpha: 1 }),
  };
}

/** Our own shadow, `x y blur spread colour`, as the format has it. */
export function shadowValue(
  css: string,
): { color: Node } & Record<'offsetX' | 'offsetY' | 'blur' | 'spread', { value: number; unit: string }> {
  const [x, y, blur, spread] = css.split(' ', 4).map((name) => ({ value: Number.parseFloat(name), unit: 'px' })) as [
    Px,
    Px,
    Px,
    Px,
  ];
  return { color: colorValue(colorOf(css.split(' ').slice(4).join(' '))!), offsetX: x, offsetY: y, blur, spread };
}
interface Px {
  value: number;
  unit: string;
}

function dtcgToken(token: Token, width: number): Node | undefined {
  if (token.type === 'text') return undefined;
  const base: Node = { $type: token.type, $description: token.label };
  if (token.alias !== undefined) return { $value: `{${token.alias}}`, ...base };
  const css = token.css!;
  switch (token.type) {
    case 'color': {
      return { $value: colorValue(colorOf(css)!), ...base };
    }
    case 'dimension': {
      const value = Math.round(lengthOf(css, width, 16)! * 1e4) / 1e4;
      return {
        $value: { value, unit: 'px' },
        ...base,
        ...(css.startsWith('clamp') ? { $extensions: { [EXTENSION]: { fluid: css } } } : {}),
      };
    }
    case 'fontFamily':
      return { $value: css.split(',').map((name) => name.trim().replace(/^"|"$/g, '')), ...base };
    case 'gradient': {
      const { angle, from, to } = readGradient(css)!;
      return {
        $value: [
          { color: colorValue(from), position: 0 },
          { color: colorValue(to), position: 1 },
        ],
        ...base,
        $extensions: { [EXTENSION]: { angle } },
      };
    }
    case 'duration':
      return { $value: { value: Number.parseFloat(css), unit: 'ms' }, ...base };
    case 'cubicBezier':
      return { $value: css.slice('cubic-bezier('.length, -1).split(',').map(Number), ...base };
    case 'shadow':
      return { $value: shadowValue(css), ...base };
    case 'fontWeight':
    case 'number':
      return { $value: Number(css), ...base };
  }
}
