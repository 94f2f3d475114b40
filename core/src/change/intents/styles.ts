import { round } from '../../number/index.ts';
import { uniquePath, uniqueName } from '../../palette/index.ts';
import { type BandId } from '../../breakpoint/index.ts';
import { RANGES, inRange } from '../../number/index.ts';
import { referencesTo, type Site, type StyleSize, type TextStyle } from '../../site/index.ts';
import { stepSize } from '../../type/index.ts';
import type { Op } from '../change.ts';
import { ChangeRefused } from '../refused.ts';
import { insertOp, redirectOp, removeOp, setOp, type Edit } from './edit.ts';

/** How much several styles change together. */
export type SizeChange = { readonly by: 'steps' | 'px' | 'percent'; readonly amount: number };

const STEPS = { min: -4, max: 10 } as const;

/**
 * Makes several text styles larger or smaller by the same steps of the scale, px
 * or percent; each keeps its relation to the others. By steps, what stands on the
 * scale stays on it and what is pinned grows by the ratio at each end; by px and
 * percent all become pinned. Sizes of single bands go along.
 *
 * @throws ChangeRefused when a size would leave its range; nothing is changed then
 */
export function resizeStyles(site: Site, ids: readonly string[], { by, amount }: SizeChange): Edit {
  const { scale, styles } = site.brand;
  const label = `${ids.length === 1 ? styles[ids[0]!]!.label : `${ids.length} styles`} ${amount < 0 ? 'smaller' : 'larger'} by ${Math.abs(amount)} ${by === 'steps' ? (Math.abs(amount) === 1 ? 'step' : 'steps') : by === 'px' ? 'px' : '%'}`;
  const grown = (px: number, end: 'small' | 'large') =>
    round(by === 'px' ? px + amount : by === 'percent' ? px * (1 + amount / 100) : px * scale[end].ratio ** amount, 2);
  const ops: Op[] = [];
  for (const id of ids) {
    const style = styles[id]!;
    ops.push(setOp(site, ['brand', 'styles', id, 'size'], sized(style, grown, by, amount)));
    if (style.at)
      ops.push(
        setOp(
          site,
          ['brand', 'styles', id, 'at'],
          Object.fromEntries(
            Object.entries(style.at).map(([band, px]) => [
              band,
              checked(style, grown(px, band === 'phone' ? 'small' : 'large')),
            ]),
          ),
        ),
      );
  }
  return { label, ops };

  function sized(style: TextStyle, grow: typeof grown, unit: SizeChange['by'], steps: number): StyleSize {
    if (style.size.kind === 'step' && unit === 'steps') {
      const step = style.size.step + steps;
      if (!Number.isInteger(step) || step < STEPS.min || step > STEPS.max)
        throw new ChangeRefused(
          'invalid',
          `${style.label} would leave the scale: its steps go from ${STEPS.min} to ${STEPS.max}. Nothing was changed.`,
        );
      return { kind: 'step', step };
    }
    const from =
      style.size.kind === 'pinned'
        ? style.size
        : { small: stepSize(scale, 'small', style.size.step), large: stepSize(scale, 'large', style.size.step) };
    return {
      kind: 'pinned',
      small: checked(style, grow(from.small, 'small')),
      large: checked(style, grow(from.large, 'large')),
    };
  }
}

function checked(style: TextStyle, px: number): number {
  const { min, max } = RANGES.fontSize;
  if (!inRange('fontSize', px))
    throw new ChangeRefused(
      'invalid',
      `${style.label} would be ${px} px; sizes go from ${min} to ${max} px. Nothing was changed.`,
    );
  return px;
}

/** Sets one field of several text styles to one value. */
export function setStyles<F extends 'weight' | 'letterSpacing' | 'lineHeight' | 'family'>(
  site: Site,
  ids: readonly string[],
  field: F,
  value: TextStyle[F],
): Edit {
  const what = { weight: 'weight', letterSpacing: 'letter spacing', lineHeight: 'line height', family: 'family' }[
    field
  ];
  return {
    label: `${ids.length === 1 ? site.brand.styles[ids[0]!]!.label : `${ids.length} styles`}, ${what}`,
    ops: ids.map((id) => setOp(site, ['brand', 'styles', id, field], value)),
  };
}

/** Sets the size of one band, or lets it follow the two ends again. */
export function setStyleAt(site: Site, id: string, band: BandId, px: number | undefined): Edit {
  const style = site.brand.styles[id]!;
  const { [band]: _was, ...others } = style.at ?? {};
  const at = px === undefined ? others : { ...others, [band]: px };
  return {
    label: px === undefined ? `${style.label} on ${band} back to the scale` : `${style.label} on ${band}`,
    ops: [setOp(site, ['brand', 'styles', id, 'at'], Object.keys(at).length > 0 ? at : undefined)],
  };
}

/** A new text style like another one, under a name of its own, right behind it. */
export function addStyle(site: Site, like: string, id: string, name?: string): Edit {
  const from = site.brand.styles[like]!;
  const others = Object.values(site.brand.styles);
  const label = uniqueName(
    name || `${from.label} again`,
    others.map((other) => other.label),
  );
  const path = uniquePath(
    label,
    others.map((other) => other.path),
  );
  const made: TextStyle = { ...from, id, label, path, levels: [], provisional: false };
  return {
    label: `New text style ${label}`,
    ops: [insertOp(site, ['brand', 'styles'], ['brand', 'styleOrder'], id, made, like)],
  };
}

/** Every address in the document that names a text style. */
export const styleUses = (site: Site, id: string): (readonly string[])[] => referencesTo(site, 'style', id);

/**
 * Takes a text style away; whatever was set in it takes another one.
 *
 * @param instead id of the style that takes its place; not needed while nothing is set in it
 * @returns undefined when something is set in it and there is no such other style, or it is the last
 */
export function removeStyle(site: Site, id: string, instead?: string): Edit | undefined {
  const style = site.brand.styles[id];
  const uses = styleUses(site, id);
  if (!style || site.brand.styleOrder.length < 2) return undefined;
  if (uses.length > 0 && (instead === undefined || instead === id || !site.brand.styles[instead])) return undefined;
  return {
    label: `Delete text style ${style.label}`,
    ops: [
      ...(uses.length > 0 ? [redirectOp('style', id, instead!)] : []),
      removeOp(site, ['brand', 'styles'], ['brand', 'styleOrder'], id),
    ],
  };
}

/** Settles what is provisional, all of it in one step. */
export function settleProvisional(site: Site): Edit {
  const { brand } = site;
  const ops: Op[] = [
    ...Object.values(brand.styles)
      .filter((style) => style.provisional)
      .map((style) => setOp(site, ['brand', 'styles', style.id, 'provisional'], false)),
    ...(brand.families.provisional ? [setOp(site, ['brand', 'families', 'provisional'], false)] : []),
  ];
  return { label: 'Confirm all provisional styles', ops };
}
