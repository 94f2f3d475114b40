import { BUTTON_PARTS, buttonRole, buttonRoles, type ButtonPart, type RoleValue } from '../../background/index.ts';
import { uniqueName, uniquePath } from '../../palette/index.ts';
import type { Anchor } from '../../page/index.ts';
import type { Override, Site, TextStyle } from '../../site/index.ts';
import { resolveToken, swatchPath, tokenTable } from '../../style/index.ts';
import type { Op } from '../change.ts';
import { valueAt } from '../json.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';

/** A place with values set on it, and where they are kept. */
export interface OneOff {
  readonly anchor: Anchor;
  readonly ground: string;
  /** Address of the item it is made from. */
  readonly item: readonly string[] | null;
}

const PART_OF: Partial<Record<Override['property'], ButtonPart>> = {
  'background-color': 'fill',
  color: 'label',
  'border-color': 'edge',
};

/** The values set on a place, in its record. */
function setOn(site: Site, { anchor: { record, place } }: OneOff): Override[] {
  return Object.values((valueAt(site, record) ?? {}) as Record<string, Override>).filter(
    (override) => override.place === place && override.band === null,
  );
}

/**
 * Splits a button off as a variant of its own: like the one it has, with the
 * colours that are set on it as that variant's resting colours on its ground. The
 * values on the place go; corners and paddings set on it stay.
 *
 * @returns undefined where no button is, or no colour is set on it
 */
export function splitVariant(site: Site, at: OneOff, id: string): Edit | undefined {
  const address = at.item;
  const now = address && (valueAt(site, [...address, 'variant']) as string | undefined);
  const values = setOn(site, at).filter((override) => PART_OF[override.property]);
  if (!address || !now || values.length === 0) return undefined;
  const { brand } = site;
  const variants = Object.values(brand.variants);
  const label = uniqueName(
    `${brand.variants[now]!.label} apart`,
    variants.map((variant) => variant.label),
  );
  const ops: Op[] = [
    insertOp(
      site,
      ['brand', 'variants'],
      ['brand', 'variantOrder'],
      id,
      {
        id,
        label,
        path: uniquePath(
          label,
          variants.map((variant) => variant.path),
        ),
      },
      now,
    ),
  ];
  const own = new Map(
    values.map((value) => [buttonRole(id, PART_OF[value.property]!, 'rest'), roleValue(site, value)]),
  );
  for (const ground of Object.values(brand.grounds)) {
    const made = buttonRoles(now)
      .map((role, i) => ({ role: buttonRoles(id)[i]!, value: ground.roles[role] }))
      .filter((entry) => entry.value !== undefined);
    for (const { role, value } of made)
      if (!(ground.id === at.ground && own.has(role)))
        ops.push(setOp(site, ['brand', 'grounds', ground.id, 'roles', role], renamed(value!, now, id)));
  }
  // An edge that was never set follows the fill: it stays what it was, not what the new fill is.
  const edge = (variant: string) => buttonRole(variant, 'edge', 'rest');
  if (own.has(buttonRole(id, 'fill', 'rest')) && !own.has(edge(id)) && !brand.grounds[at.ground]!.roles[edge(now)])
    own.set(edge(id), { kind: 'same', role: edge(now) });
  for (const [role, value] of own) ops.push(setOp(site, ['brand', 'grounds', at.ground, 'roles', role], value));
  ops.push(
    setOp(site, [...address, 'variant'], id),
    ...values.map((value) => removeOp(site, at.anchor.record, null, value.id)),
  );
  return { label: `Make variant ${label}`, ops };
}

/** A role that follows another one of its variant follows that of the new variant. */
function renamed(value: RoleValue, was: string, id: string): RoleValue {
  if (value.kind !== 'same') return value;
  const part = BUTTON_PARTS.find((name) => value.role.startsWith(`button-${was}-${name}-`));
  return part ? { ...value, role: value.role.replace(`button-${was}-`, `button-${id}-`) } : value;
}

function roleValue(site: Site, { value }: Override): RoleValue {
  const swatch =
    value.kind === 'token'
      ? Object.values(site.brand.swatches).find((entry) => swatchPath(entry) === value.path)
      : undefined;
  if (swatch) return { kind: 'swatch', swatch: swatch.id };
  return {
    kind: 'raw',
    color: value.kind === 'literal' ? value.css : resolveToken(tokenTable(site.brand), value.path).css,
  };
}

/**
 * Makes a text style of what is set on one text: like the style it has, with the
 * size, weight, line height and letter spacing of the place. The text takes the
 * new style; the values on it go.
 *
 * @param styled address of the id of its text style
 * @returns undefined where none of these is set on it
 */
export function splitStyle(site: Site, at: OneOff, styled: readonly string[], id: string): Edit | undefined {
  const style = site.brand.styles[valueAt(site, styled) as string];
  const values = setOn(site, at).filter(
    (override) =>
      override.value.kind === 'literal' && STYLE_FIELD[override.property]?.(override.value.css) !== undefined,
  );
  if (!style || values.length === 0) return undefined;
  const styles = Object.values(site.brand.styles);
  const label = uniqueName(
    `${style.label} apart`,
    styles.map((entry) => entry.label),
  );
  const fields = Object.assign(
    {},
    ...values.map((value) => STYLE_FIELD[value.property]!((value.value as { css: string }).css)),
  ) as Partial<TextStyle>;
  const made: TextStyle = {
    ...style,
    ...fields,
    id,
    label,
    path: uniquePath(
      label,
      styles.map((entry) => entry.path),
    ),
    levels: [],
  };
  return {
    label: `Style ${label} of one text`,
    ops: [
      insertOp(site, ['brand', 'styles'], ['brand', 'styleOrder'], id, made, style.id),
      setOp(site, styled, id),
      ...values.map((value) => removeOp(site, at.anchor.record, null, value.id)),
    ],
  };
}

const number = (css: string, unit: RegExp): number | undefined => {
  const found = unit.exec(css);
  return found ? Number(found[1]) : undefined;
};
const PX = /^(\d+(?:\.\d+)?)px$/;
const PLAIN = /^(\d+(?:\.\d+)?)$/;
const EM = /^(-?\d*\.?\d+)em$/;

/** The field of a text style for a value that is set on a place; undefined if styles have no such field. */
const STYLE_FIELD: Partial<Record<Override['property'], (css: string) => Partial<TextStyle> | undefined>> = {
  'font-size': (css) => {
    const px = number(css, PX);
    return px === undefined ? undefined : { size: { kind: 'pinned', small: px, large: px } };
  },
  'font-weight': (css) => {
    const weight = number(css, PLAIN);
    return weight === undefined ? undefined : { weight };
  },
  'line-height': (css) => {
    const height = number(css, PLAIN);
    return height === undefined ? undefined : { lineHeight: height };
  },
  'letter-spacing': (css) => {
    const em = number(css, EM);
    return em === undefined ? undefined : { letterSpacing: em };
  },
  'margin-block-start': (css) => {
    const px = number(css, PX);
    return px === undefined ? undefined : { spaceAbove: px };
  },
  'margin-block-end': (css) => {
    const px = number(css, PX);
    return px === undefined ? undefined : { spaceBelow: px };
  },
};
