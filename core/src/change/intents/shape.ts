import { uniqueName, uniquePath } from '../../palette/index.ts';
import { inRange } from '../../number/index.ts';
import {
  CORNER_USES,
  type Corner,
  type CornerUse,
  type CornerValue,
  type EdgeUse,
  type OwnShape,
  type Shadow,
  type Site,
} from '../../site/index.ts';
import { capital } from '../../style/index.ts';
import type { Op } from '../change.ts';
import { jsonEqual } from '../json.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';
import { joinEdits } from './join-edits.ts';

/**
 * Reads a corner as it is typed: `8`, `8px`, four radii from top left
 * clockwise (`8 2 8 2`), or a share of the height (`50 %`).
 * @returns why it is none, in words
 */
export function readCorner(text: string): CornerValue | string {
  const plain = text.trim().replaceAll(',', '.');
  const share = /^(\d*\.?\d+)\s*%$/.exec(plain);
  if (share) {
    const value = Number(share[1]) / 100;
    return inRange('cornerShare', value)
      ? { kind: 'share', share: value }
      : 'A percentage is at most 50 %, where both corners of a side meet.';
  }
  const radii = plain === '' ? [] : plain.split(/\s+/).map((name) => Number(name.replace(/px$/, '')));
  if (radii.length !== 1 && radii.length !== 4)
    return `“${text.slice(0, 24)}” is not a corner. Type one radius, four radii, or a percentage such as 50 %.`;
  if (!radii.every((value) => inRange('corner', value)))
    return `“${text.slice(0, 24)}” is not a corner. Radii go from 0 to 100 px.`;
  return { kind: 'px', radii: radii.length === 1 ? [radii[0]!] : (radii as [number, number, number, number]) };
}

/** A new named corner; without a value like the one named last. */
export function addCorner(site: Site, id: string, value?: CornerValue): Edit {
  const list = site.brand.cornerList;
  const known = Object.values(list?.items ?? {});
  const label = uniqueName(
    'Corner',
    known.map((entry) => entry.label),
  );
  const made: Corner = {
    id,
    label,
    path: uniquePath(
      label,
      known.map((entry) => entry.path),
    ),
    value: value ?? known.at(-1)?.value ?? { kind: 'px', radii: [8] },
  };
  return {
    label: `New corner ${label}`,
    ops: list
      ? [insertOp(site, ['brand', 'cornerList', 'items'], ['brand', 'cornerList', 'order'], id, made)]
      : [setOp(site, ['brand', 'cornerList'], { items: { [id]: made }, order: [id] })],
  };
}

/** Gives a use a corner by its value: the named one that has it, else a new one. */
export function setCornerValue(site: Site, use: CornerUse, value: CornerValue, id: string): Edit | undefined {
  const known = Object.values(site.brand.cornerList?.items ?? {}).find((item) => jsonEqual(item.value, value));
  if (known) return setCornerOf(site, use, known.id);
  const edit = joinEdits(site, `${capital(use)} corner`, [
    (now) => addCorner(now, id, value),
    (now) => setCornerOf(now, use, id),
  ]);
  return edit.ops.length > 1 ? edit : undefined;
}

/** Where variants name a corner or a shadow as their own. */
function variantsWith(site: Site, part: 'corner' | 'shadow', id: string): string[][] {
  return Object.values(site.brand.variants)
    .filter(({ shape }) => shape?.[part] === id)
    .map((variant) => ['brand', 'variants', variant.id, 'shape', part]);
}

/**
 * Gives button variants a corner (px or the id of a named one), an edge (px) or
 * a shadow (id, or null for none) of their own, all in one act; `undefined`
 * gives them back what all buttons have.
 */
export function setVariantShape<P extends keyof OwnShape>(
  site: Site,
  ids: readonly string[],
  part: P,
  value: OwnShape[P],
): Edit {
  const { variants, variantOrder } = site.brand;
  const of = variantOrder.filter((id) => ids.includes(id));
  const names = of.map((id) => variants[id]!.label).join(', ');
  return {
    label: `${capital(part)} of ${names} buttons`.slice(0, 200),
    ops: of.flatMap((id) => {
      const { [part]: _, ...rest } = variants[id]!.shape ?? {};
      const shape = value === undefined ? rest : { ...rest, [part]: value };
      return [setOp(site, ['brand', 'variants', id, 'shape'], Object.keys(shape).length > 0 ? shape : undefined)];
    }),
  };
}

/** The radius in px that something keeps when the corner it was named is gone: its first, or of a share the usual 8. */
function plainRadius(value: CornerValue): number {
  return value.kind === 'px' ? value.radii[0] : 8;
}

/** Takes a named corner away; what had it keeps its first radius as its own. */
export function removeCorner(site: Site, id: string): Edit {
  const corner = site.brand.cornerList!.items[id]!;
  const uses = CORNER_USES.filter((use) => site.brand.corners[use] === id);
  return {
    label: `Delete corner ${corner.label}`,
    ops: [
      ...uses.map((use) => setOp(site, ['brand', 'corners', use], plainRadius(corner.value))),
      ...variantsWith(site, 'corner', id).map((at) => setOp(site, at, plainRadius(corner.value))),
      ...(site.brand.cornerList!.order.length === 1
        ? [setOp(site, ['brand', 'cornerList'], undefined)]
        : [removeOp(site, ['brand', 'cornerList', 'items'], ['brand', 'cornerList', 'order'], id)]),
    ],
  };
}

/**
 * Changes the value of a named corner; undefined when cards or pictures have it and it would be a share of a height
 * they do not have.
 */
export function setCorner(site: Site, id: string, value: CornerValue): Edit | undefined {
  const { corners, cornerList } = site.brand;
  if (value.kind === 'share' && (corners.card === id || corners.picture === id)) return undefined;
  return {
    label: `Corner ${cornerList!.items[id]!.label}`,
    ops: [setOp(site, ['brand', 'cornerList', 'items', id, 'value'], value)],
  };
}

/**
 * Gives a use a named corner, or a radius of its own; undefined when a share of the height would shape cards or
 * pictures.
 */
export function setCornerOf(site: Site, use: CornerUse, to: string | number): Edit | undefined {
  const named = typeof to === 'string' ? site.brand.cornerList?.items[to] : undefined;
  if (typeof to === 'string' && (!named || (named.value.kind === 'share' && (use === 'card' || use === 'picture'))))
    return undefined;
  return { label: `${capital(use)} corner`, ops: [setOp(site, ['brand', 'corners', use], to)] };
}

/**
 * Shapes a use by one radius, as a slider does: its own, or that of the corner
 * it is named, which then shapes all that have it.
 */
export function setRadius(site: Site, use: CornerUse, px: number): Edit {
  const value = site.brand.corners[use];
  return typeof value === 'number'
    ? { label: `${capital(use)} corner`, ops: [setOp(site, ['brand', 'corners', use], px)] }
    : {
        label: `Corner ${site.brand.cornerList!.items[value]!.label}`,
        ops: [setOp(site, ['brand', 'cornerList', 'items', value, 'value'], { kind: 'px', radii: [px] })],
      };
}

/** Sets the width of an edge, px. */
export function setEdge(site: Site, use: EdgeUse, px: number): Edit {
  return {
    label: use === 'rule' ? 'Width of rules' : `${capital(use)} edge`,
    ops: [setOp(site, ['brand', 'edges', use], px)],
  };
}

/** Sets the offset (em) or the thickness (px; null: as the font has it) of the underline of links. */
export function setUnderline(site: Site, part: 'offset' | 'thickness', value: number | null): Edit {
  return { label: `Underline of links, ${part}`, ops: [setOp(site, ['brand', 'underline', part], value)] };
}

/** Reads `0 2 8` or `0 2 8 -1`: offsets right and down, blur and spread, px. @returns why it is none, in words */
export function readShadow(text: string): Pick<Shadow, 'x' | 'y' | 'blur' | 'spread'> | string {
  const numbers = text
    .trim()
    .replaceAll(',', '.')
    .split(/\s+/)
    .map((name) => Number(name.replace(/px$/, '')));
  if (text.trim() === '' || numbers.length < 2 || numbers.length > 4 || !numbers.every(Number.isFinite))
    return `“${text.slice(0, 24)}” is not a shadow. Type right, down, blur and spread in px, such as 0 2 8 0.`;
  const [x, y, blur = 0, spread = 0] = numbers as [number, number, number?, number?];
  if (![x, y, spread].every((value) => inRange('shadowOffset', value)) || !inRange('shadowBlur', blur))
    return 'Offsets and spread go from -60 to 60 px, blur from 0 to 120.';
  return { x, y, blur, spread };
}

/** A new shadow in the darkest of the core swatches; the first one makes the part. */
export function addShadow(site: Site, id: string): Edit {
  const { shadows, swatches, swatchOrder } = site.brand;
  const known = Object.values(shadows?.items ?? {});
  const label = uniqueName(
    'Shadow',
    known.map((entry) => entry.label),
  );
  const darkest =
    [...swatchOrder].sort((swatch, other) => swatches[swatch]!.color.l - swatches[other]!.color.l)[0] ?? '';
  const made: Shadow = {
    id,
    label,
    path: uniquePath(
      label,
      known.map((entry) => entry.path),
    ),
    x: 0,
    y: 2,
    blur: 8,
    spread: 0,
    color: darkest,
    alpha: 0.2,
    ...(known.at(-1) ? { x: known.at(-1)!.x, y: known.at(-1)!.y, blur: known.at(-1)!.blur } : {}),
  };
  return {
    label: `New shadow ${label}`,
    ops: shadows
      ? [insertOp(site, ['brand', 'shadows', 'items'], ['brand', 'shadows', 'order'], id, made)]
      : [
          setOp(site, ['brand', 'shadows'], {
            items: { [id]: made },
            order: [id],
            uses: { button: null, card: null, picture: null, field: null },
          }),
        ],
  };
}

/** Takes a shadow away; what had it has none from then on. */
export function removeShadow(site: Site, id: string): Edit {
  const shadows = site.brand.shadows!;
  const label = `Delete shadow ${shadows.items[id]!.label}`;
  const own = variantsWith(site, 'shadow', id).map((at) => setOp(site, at, null));
  if (shadows.order.length === 1) return { label, ops: [...own, setOp(site, ['brand', 'shadows'], undefined)] };
  const ops: Op[] = CORNER_USES.filter((use) => shadows.uses[use] === id).map((use) =>
    setOp(site, ['brand', 'shadows', 'uses', use], null),
  );
  return {
    label,
    ops: [...own, ...ops, removeOp(site, ['brand', 'shadows', 'items'], ['brand', 'shadows', 'order'], id)],
  };
}
