import type { Oklch } from '../color/index.ts';

const HUES: readonly (readonly [number, string])[] = [
  [18, 'Rose'],
  [45, 'Brick'],
  [70, 'Amber'],
  [100, 'Straw'],
  [125, 'Moss'],
  [155, 'Leaf'],
  [185, 'Jade'],
  [215, 'Lagoon'],
  [245, 'Harbour'],
  [275, 'Cobalt'],
  [305, 'Heather'],
  [340, 'Plum'],
  [360, 'Rose'],
];

/** A plain working name for a colour, for example "Pale straw" or "Dark grey". */
export function proposeName({ l, c, h }: Oklch): string {
  const depth = l > 0.9 ? 'Pale' : l > 0.75 ? 'Light' : l < 0.3 ? 'Dark' : l < 0.45 ? 'Deep' : '';
  if (c < 0.02) {
    if (l > 0.97) return 'White';
    if (l < 0.2) return 'Black';
    return depth ? `${depth} grey` : 'Grey';
  }
  const hue = HUES.find(([end]) => h <= end)![1];
  return depth ? `${depth} ${hue.toLowerCase()}` : hue;
}

/** The name itself when nobody has it, else with the first free number: "Brick 2". */
export function uniqueName(wanted: string, taken: Iterable<string>): string {
  const known = new Set([...taken].map((name) => name.toLowerCase()));
  if (!known.has(wanted.toLowerCase())) return wanted;
  let n = 2;
  while (known.has(`${wanted} ${n}`.toLowerCase())) n++;
  return `${wanted} ${n}`;
}

/**
 * A stored path segment from a label: lower case letters, digits and hyphens, unique among `taken`; `otherwise` where a
 * label has none of them.
 */
export function uniquePath(label: string, taken: Iterable<string>, otherwise = 'token'): string {
  const base =
    label
      .normalize('NFKD')
      .replace(/\p{M}+/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || otherwise;
  const known = new Set(taken);
  let path = base;
  for (let n = 2; known.has(path); n++) path = `${base}-${n}`;
  return path;
}

/**
 * Working names for colours, each its own: what two would share is told apart by how strong and how light they are,
 * then by number.
 */
export function proposeNames(colors: readonly Oklch[], taken: Iterable<string>): string[] {
  const known = [...taken];
  return colors.map((color, i) => {
    const plain = proposeName(color);
    const others = colors.filter((other, at) => at !== i && proposeName(other) === plain);
    const name = uniqueName(others.length > 0 ? `${comparedWith(color, others)}${plain.toLowerCase()}` : plain, known);
    known.push(name);
    return name[0]!.toUpperCase() + name.slice(1);
  });
}

/** Returns the difference of a colour from others of the same name; empty for the middle one. */
function comparedWith({ l, c }: Oklch, others: readonly Oklch[]): string {
  if (others.every((other) => c > other.c + 0.02)) return 'Strong ';
  if (others.every((other) => c < other.c - 0.02)) return 'Soft ';
  if (others.every((other) => l > other.l)) return 'Lighter ';
  return others.every((other) => l < other.l) ? 'Darker ' : '';
}
