import { addCorner, addMotion, addShadow, addStyle, applyChange, setOp, type Edit, type Op } from '../change/index.ts';
import { deltaERgb } from '../color/index.ts';
import type { Incoming, IncomingPart } from '../formats/index.ts';
import { round } from '../number/index.ts';
import { resolvedSwatches, styleSizeAt } from '../style/index.ts';
import { uniqueName, uniquePath } from '../palette/index.ts';
import { placeCount } from '../reach/index.ts';
import type { Brand, Site, TextStyle } from '../site/index.ts';
import { familyById } from '../type/index.ts';
import { SAME, type PlanRow } from './plan-row.ts';

interface Known {
  readonly id: string;
  readonly label: string;
  readonly path: string;
}
/** Where the brand keeps the parts of a kind, and the token that tells what such a part reaches. */
const HOME = {
  style: {
    record: ['brand', 'styles'],
    all: (brand: Brand): readonly Known[] => Object.values(brand.styles),
    token: (path: string) => `text.${path}.size`,
  },
  corner: {
    record: ['brand', 'cornerList', 'items'],
    all: (brand: Brand): readonly Known[] => Object.values(brand.cornerList?.items ?? {}),
    token: (path: string) => `radius.${path}`,
  },
  shadow: {
    record: ['brand', 'shadows', 'items'],
    all: (brand: Brand): readonly Known[] => Object.values(brand.shadows?.items ?? {}),
    token: (path: string) => `shadow.${path}`,
  },
  motion: {
    record: ['brand', 'motion', 'items'],
    all: (brand: Brand): readonly Known[] => Object.values(brand.motion?.items ?? {}),
    token: (path: string) => `motion.${path}.duration`,
  },
} as const;

/** Compares text styles, corners, shadows and motions of a file with the brand's: matched by path, then by name. */
export function planParts(site: Site, incoming: Incoming): PlanRow[] {
  const matched = new Set<string>();
  return incoming.parts.map((part): PlanRow => {
    const mine = likeIn(site.brand, part, matched);
    if (mine) matched.add(`${part.kind} ${mine.id}`);
    const base = { key: part.key, label: mine?.label ?? part.label };
    if (
      part.kind === 'shadow' &&
      swatchFor(site.brand, part) === undefined &&
      !incoming.colors.some((color) => deltaERgb(color.color.rgb, solid(part.color)) < SAME)
    )
      return {
        ...base,
        arrival: 'left',
        places: 0,
        note: 'its colour is not in the palette; kept, and exported again',
      };
    const note = [NAMES[part.kind], part.kind === 'style' ? familyNote(site.brand, part.family) : '']
      .filter((name) => name !== '')
      .join('; ');
    const after = wordsOf(part);
    if (!mine) return { ...base, arrival: 'added', after, places: 0, note };
    const ops = valueOps(site, mine.id, part);
    return {
      ...base,
      arrival: ops.length === 0 ? 'equal' : 'changed',
      before: wordsOf({ ...part, ...nowOf(site.brand, part.kind, mine.id) } as IncomingPart),
      after,
      places: ops.length === 0 ? 0 : placeCount(site, HOME[part.kind].token(mine.path)),
      match: mine.id,
      note,
    };
  });
}

const NAMES = { style: 'text style', corner: 'corner', shadow: 'shadow', motion: 'motion' } as const;

/** Takes one of them in: into the one it stands for, or beside it under its own name. */
export function takePart(site: Site, part: IncomingPart, match: string | undefined, id: string): Edit {
  if (match !== undefined) return { label: '', ops: valueOps(site, match, part) };
  const { record, all } = HOME[part.kind];
  const known = all(site.brand);
  const made = madeLike(site, part, id);
  const now = applyChange(site, made).site;
  const label = uniqueName(
    part.label,
    known.map((entry) => entry.label),
  );
  const ops: Op[] = [
    ...made.ops,
    setOp(now, [...record, id, 'label'], label),
    setOp(
      now,
      [...record, id, 'path'],
      uniquePath(
        label,
        known.map((entry) => entry.path),
      ),
    ),
  ];
  return { label: '', ops: [...ops, ...valueOps(now, id, part)] };
}

/** Something new of the kind: a style like the one that is nearest in size. */
function madeLike(site: Site, part: IncomingPart, id: string): Edit {
  if (part.kind === 'corner') return addCorner(site, id);
  if (part.kind === 'shadow') return addShadow(site, id);
  if (part.kind === 'motion') {
    const made = addMotion(site, id);
    // The first one is nobody's yet: nothing on the pages starts to move because a file came in.
    return site.brand.motion
      ? made
      : {
          ...made,
          ops: [
            ...made.ops,
            setOp(applyChange(site, made).site, ['brand', 'motion', 'uses'], { button: null, link: null, field: null }),
          ],
        };
  }
  const away = (style: string) => Math.abs(Math.log(sizeOf(site.brand, site.brand.styles[style]!) / part.size));
  return addStyle(site, [...site.brand.styleOrder].sort((style, other) => away(style) - away(other))[0]!, id);
}

/** The part of the brand that is called so, unless another one of the file stands for it already. */
function likeIn(brand: Brand, { kind, key, label }: IncomingPart, matched: ReadonlySet<string>): Known | undefined {
  const all = HOME[kind].all(brand).filter((entry) => !matched.has(`${kind} ${entry.id}`));
  const path = uniquePath(label, []);
  return (
    all.find((entry) => entry.path === path) ??
    all.find((entry) => entry.path === key.split('.').at(-1)) ??
    all.find((entry) => entry.label.toLowerCase() === label.toLowerCase())
  );
}

const sizeOf = (brand: Brand, style: TextStyle): number => round(styleSizeAt(brand, style, brand.scale.large.width), 2);

/** Returns a part of the brand in the terms of a file. */
function nowOf(brand: Brand, kind: IncomingPart['kind'], id: string): object {
  if (kind === 'style') {
    const style = brand.styles[id]!;
    return {
      size: sizeOf(brand, style),
      weight: style.weight,
      lineHeight: style.lineHeight,
      letterSpacing: style.letterSpacing,
      italic: style.italic,
    };
  }
  if (kind === 'shadow') return brand.shadows!.items[id]!;
  if (kind === 'motion') return brand.motion!.items[id]!;
  const { value } = brand.cornerList!.items[id]!;
  return { radius: value.kind === 'px' && value.radii.length === 1 ? value.radii[0] : undefined };
}

/** Returns the operations that give a part of the brand the values of the file; empty if it has them. */
function valueOps(site: Site, id: string, part: IncomingPart): Op[] {
  const { brand } = site;
  const at = [...HOME[part.kind].record, id];
  const now = nowOf(brand, part.kind, id) as Record<string, unknown>;
  const unless = (field: string, value: unknown, to: Op): Op[] =>
    value === undefined || JSON.stringify(now[field]) === JSON.stringify(value) ? [] : [to];
  const plain = (field: string, value: unknown): Op[] => unless(field, value, setOp(site, [...at, field], value));
  switch (part.kind) {
    case 'style': {
      const style = brand.styles[id]!;
      // The file knows one size: on a small page it is as much smaller as it is now.
      const small = round(
        part.size * Math.min(1, styleSizeAt(brand, style, brand.scale.small.width) / sizeOf(brand, style)),
        2,
      );
      const family = familyIn(brand, part.family);
      return [
        ...unless(
          'size',
          part.size,
          setOp(site, [...at, 'size'], { kind: 'pinned', small: Math.max(8, small), large: part.size }),
        ),
        ...plain('weight', part.weight),
        ...plain('lineHeight', part.lineHeight),
        ...plain('letterSpacing', part.letterSpacing),
        ...plain('italic', part.italic),
        ...(family && family !== style.family ? [setOp(site, [...at, 'family'], family)] : []),
      ];
    }
    case 'corner':
      return unless('radius', part.radius, setOp(site, [...at, 'value'], { kind: 'px', radii: [part.radius] }));
    case 'shadow':
      return [
        ...plain('x', part.x),
        ...plain('y', part.y),
        ...plain('blur', part.blur),
        ...plain('spread', part.spread),
        ...plain('alpha', round(part.color.alpha, 3)),
        ...plain('color', swatchFor(brand, part)),
      ];
    case 'motion':
      return [...plain('duration', part.duration), ...plain('easing', part.easing)];
  }
}

const solid = <T extends { readonly alpha: number }>(color: T): T => ({ ...color, alpha: 1 });

/** The swatch whose colour a shadow has. */
function swatchFor(brand: Brand, { color }: Extract<IncomingPart, { kind: 'shadow' }>): string | undefined {
  const near = resolvedSwatches(brand)
    .map((swatch) => ({ id: swatch.swatch.id, far: deltaERgb(solid(swatch.rgb), solid(color)) }))
    .sort((entry, other) => entry.far - other.far)[0];
  return near && near.far < SAME ? near.id : undefined;
}

/** Which of the two families of the brand is called so. */
function familyIn(brand: Brand, name: string | undefined): 'heading' | 'body' | undefined {
  return (['body', 'heading'] as const).find(
    (role) => familyById(brand.families[role], brand.fonts)?.name.toLowerCase() === name?.toLowerCase(),
  );
}

function familyNote(brand: Brand, name: string | undefined): string {
  return name === undefined || familyIn(brand, name)
    ? ''
    : `uses ${name} in the file, which is not a family of this site`;
}

/** The values of a part, short enough for a row. */
function wordsOf(part: IncomingPart): string {
  switch (part.kind) {
    // As CSS writes it short: weight, size and line height.
    case 'style':
      return `${part.weight} ${part.size}px${part.lineHeight === undefined ? '' : `/${part.lineHeight}`}`;
    case 'corner':
      return part.radius === undefined ? 'of its own kind' : `${part.radius} px`;
    case 'shadow':
      return [part.x, part.y, part.blur, part.spread].join(' ');
    case 'motion':
      return `${part.duration} ms`;
  }
}
