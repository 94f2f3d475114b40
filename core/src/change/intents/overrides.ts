import type { BandId } from '../../breakpoint/index.ts';
import type { Anchor } from '../../page/index.ts';
import type { Override, Site, Space } from '../../site/index.ts';
import { styleSizeAt, tokenTable, type Token } from '../../style/index.ts';
import type { Op } from '../change.ts';
import { valueAt } from '../json.ts';
import { ChangeRefused } from '../refused.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';
import { setStyleAt } from './styles.ts';

/** Sets a property of one place, here or wherever it is used, as its anchor says. */
export function addOverride(
  site: Site,
  { record, place }: Anchor,
  value: Omit<Override, 'place'>,
  placeLabel: string,
): Edit {
  const override: Override = { ...value, place };
  const kept = valueAt(site, record) as Record<string, Override> | undefined;
  if (!kept)
    throw new ChangeRefused(
      'invalid',
      `${placeLabel} is on a generated page and cannot have its own value. Nothing was changed; change its style or background instead.`,
    );
  const same = Object.values(kept).find(
    (entry) => entry.place === override.place && entry.property === override.property && entry.band === override.band,
  );
  const label = `${override.property} of ${placeLabel}`;
  if (same)
    return {
      label,
      ops: [
        setOp(site, [...record, same.id, 'value'], override.value),
        setOp(site, [...record, same.id, 'origin'], override.origin),
      ],
    };
  return { label, ops: [insertOp(site, record, null, override.id, override)] };
}

/**
 * Removes a value that is set on a place, so that the place uses its own token again; with a `path`, binds the value to
 * that token instead.
 */
export function useOwnToken(site: Site, record: readonly string[], override: Override, path: string | null): Edit {
  const other = path === null ? undefined : tokenTable(site.brand).get(path)?.label;
  const label =
    other === undefined ? `Use the token for ${override.property}` : `Bind ${override.property} to ${other}`;
  if (path === null) return { label, ops: [removeOp(site, record, null, override.id)] };
  return {
    label,
    ops: [
      setOp(site, [...record, override.id, 'value'], { kind: 'token', path }),
      setOp(site, [...record, override.id, 'origin'], 'set'),
    ],
  };
}

/** Leaves a value with a reason; it counts as held from then on. */
export function keepOverride(site: Site, record: readonly string[], override: Override, reason: string): Edit {
  return {
    label: `Keep ${override.property}, with a reason`,
    ops: [setOp(site, [...record, override.id, 'reason'], reason.trim())],
  };
}

/**
 * Lifts a value into the token the place would take: the token gets the value at
 * the widths it was set for and at no others, the override goes. Undefined when
 * that token cannot hold a plain value of this kind.
 * @throws ChangeRefused when it was set for one width and the token is the same at all
 */
export function liftOverride(
  site: Site,
  record: readonly string[],
  override: Override,
  path: string,
): Edit | undefined {
  const token = tokenTable(site.brand).get(path);
  if (!token?.address || override.value.kind !== 'literal') return undefined;
  const ops = lifted(site, token, override.value.css, override.band);
  if (!ops) return undefined;
  return { label: `Save to ${token.label}`, ops: [...ops, removeOp(site, record, null, override.id)] };
}

/**
 * Returns in words the other values that saving to the token replaces; empty when
 * only the value itself changes.
 */
export function liftLoss(site: Site, override: Override, path: string): string {
  const [, kind, id, field] = tokenTable(site.brand).get(path)?.address ?? [];
  const style = kind === 'styles' && (field === 'size' || field === 'at') ? site.brand.styles[id!] : undefined;
  if (!style || override.band !== null) return '';
  const at = (width: number): number => Math.round(styleSizeAt(site.brand, style, width) * 10) / 10;
  const { small, large } = site.brand.scale;
  const sizes =
    at(small.width) === at(large.width)
      ? ''
      : `${at(small.width)} px at ${small.width} and ${at(large.width)} px at ${large.width}`;
  return [
    sizes && `replaces ${sizes} by one size`,
    style.size.kind === 'step' ? `removes ${style.label} from the type scale` : '',
  ]
    .filter(Boolean)
    .join(' and ');
}

function lifted(site: Site, token: Token, css: string, band: BandId | null): readonly Op[] | undefined {
  const address = token.address!;
  const [, kind, id, field] = address;
  const px = /^\d+(\.\d+)?px$/.test(css) ? Number.parseFloat(css) : undefined;
  if (kind === 'styles' && (field === 'size' || field === 'at'))
    return px === undefined ? undefined : band ? setStyleAt(site, id!, band, px).ops : sizeAtAll(site, id!, px);
  if (kind === 'spaces')
    return px === undefined
      ? undefined
      : [setOp(site, ['brand', 'spaces', id!, 'values'], spaceAt(site.brand.spaces[id!]!.values, band, px))];
  const value =
    token.type === 'color' && kind === 'grounds'
      ? { kind: 'raw', color: css }
      : token.type === 'dimension' && typeof valueAt(site, address) === 'number'
        ? px
        : token.type === 'fontWeight' || token.type === 'number'
          ? Number(css)
          : undefined;
  if (value === undefined || Number.isNaN(value)) return undefined;
  if (band)
    throw new ChangeRefused(
      'invalid',
      `${css} is set on ${band} only, and ${token.label} is the same at all widths. Nothing was changed; set it at all widths first, or keep it here, with a reason.`,
    );
  return [setOp(site, address, value)];
}

/** A size that is the same at every width. */
function sizeAtAll(site: Site, id: string, px: number): readonly Op[] {
  const at = ['brand', 'styles', id];
  return [
    setOp(site, [...at, 'size'], { kind: 'pinned', small: px, large: px }),
    ...(site.brand.styles[id]!.at ? [setOp(site, [...at, 'at'], undefined)] : []),
  ];
}

/** The values of a space with one width or all of them set; narrower widths that followed it keep what they had. */
function spaceAt(values: Space['values'], band: BandId | null, px: number): Space['values'] {
  if (band === null) return { desktop: px, tablet: null, phone: null };
  const tablet = values.tablet ?? values.desktop;
  if (band === 'desktop') return { ...values, desktop: px, tablet };
  return band === 'tablet' ? { ...values, tablet: px, phone: values.phone ?? tablet } : { ...values, phone: px };
}
