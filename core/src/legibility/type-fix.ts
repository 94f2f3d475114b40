import { setOp, setSpaceAt, setStyleAt, type Op } from '../change/index.ts';
import { round } from '../number/index.ts';
import { bandOf } from '../breakpoint/index.ts';
import { placeCount, siteIndex } from '../reach/index.ts';
import type { Site, TextStyle } from '../site/index.ts';
import { styleSizeAt, tokenTable } from '../style/index.ts';
import type { Finding } from './audit.ts';

/** A way to make a failing size, line height or target pass: one value of a token. */
export interface TypeFix {
  readonly label: string;
  /** Path of the token whose value changes. */
  readonly token: string;
  /** Places set in that style or size. */
  readonly places: number;
  readonly ops: readonly Op[];
}

/** A heading that is put right is this much smaller than the one above it: a step that is seen. */
const STEP = 1.1;

/** The fix of a failing rule of type; undefined where it has none, or the value is set on the place itself. */
export function typeFixFor(site: Site, finding: Finding): TypeFix | undefined {
  const { place, rule, width, needed } = finding;
  if (rule === 'phone-padding') return paddingFix(site, finding);
  const style = place.style ? site.brand.styles[place.style] : undefined;
  const group = siteIndex(site).groupOf.get(place);
  if (
    !style ||
    !group ||
    group.painting.overrides.some(
      (override) => override.property === 'font-size' || override.property === 'line-height',
    )
  )
    return undefined;
  const base = `text.${style.path}`;
  const band = bandOf(width);
  const fix = (label: string, token: string, ops: readonly Op[]): TypeFix => ({
    label,
    token,
    places: placesIn(site, style.id),
    ops,
  });
  switch (rule) {
    case 'phone-size':
      return fix(
        `${style.label} at ${needed} px on ${band}`,
        `${base}.size`,
        setStyleAt(site, style.id, band, needed).ops,
      );
    // A little below: how wide a character is differs from text to text.
    case 'line-length':
      return fix(`max. line length of ${style.label}: ${Math.floor(needed * 0.9)} characters`, `${base}.longest`, [
        setOp(
          site,
          ['brand', 'styles', style.id, 'longest'],
          Math.floor(Math.min(needed, style.longest ?? needed) * 0.9),
        ),
      ]);
    case 'line-height':
      return fix(`line height of ${style.label}: ${needed}`, `${base}.line-height`, [
        setOp(site, ['brand', 'styles', style.id, 'lineHeight'], needed),
      ]);
    case 'font-weight':
      return fix(`weight of ${style.label}: ${finding.found}`, `${base}.weight`, [
        setOp(site, ['brand', 'styles', style.id, 'weight'], finding.found),
      ]);
    case 'zoom':
      return fix(`${style.label} grows from at least ${smallest(site, style)} px`, `${base}.size`, [
        setOp(site, ['brand', 'styles', style.id, 'size'], {
          kind: 'pinned',
          small: smallest(site, style),
          large: round(styleSizeAt(site.brand, { ...style, at: undefined }, site.brand.scale.large.width), 2),
        }),
      ]);
    case 'heading-order': {
      const px = round(needed / STEP - 0.05, 1);
      return fix(`${style.label} at ${px} px on ${band}`, `${base}.size`, setStyleAt(site, style.id, band, px).ops);
    }
    case 'target-size': {
      const [path] = finding.tokens;
      const token = path === undefined ? undefined : tokenTable(site.brand).get(path);
      if (!token?.address || token.address.at(-1) !== 'padY') return undefined;
      const size = site.brand.sizes[token.address[2]!]!;
      const padY = size.padY + Math.ceil((needed - finding.found!) / 2);
      return {
        label: `${token.label}: ${padY} px`,
        token: token.path,
        places: placesIn(site, style.id),
        ops: [setOp(site, token.address, padY)],
      };
    }
    default:
      return undefined;
  }
}

/** The small end from which a size still doubles under zoom: it may grow to no more than two and a half times. */
function smallest(site: Site, style: TextStyle): number {
  return Math.ceil(styleSizeAt(site.brand, { ...style, at: undefined }, site.brand.scale.large.width) / 2.4);
}

function placesIn(site: Site, style: string): number {
  return siteIndex(site).groups.reduce((sum, group) => sum + (group.style === style ? group.count : 0), 0);
}

/** A padding that is a named one: so much of it on the phone as the rule allows. */
function paddingFix(site: Site, { tokens, needed }: Finding): TypeFix | undefined {
  const [path] = tokens;
  const token = path === undefined ? undefined : tokenTable(site.brand).get(path);
  const [, kind, id] = token?.address ?? [];
  const edit = kind === 'spaces' ? setSpaceAt(site, id!, 'phone', Math.floor(needed / 2)) : undefined;
  return (
    edit && {
      label: `${edit.label}: ${Math.floor(needed / 2)} px`,
      token: token!.path,
      places: placeCount(site, token!.path),
      ops: edit.ops,
    }
  );
}
