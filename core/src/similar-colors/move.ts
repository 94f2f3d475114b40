import { cssColor, deltaE, oklchToOklab, paintedRgb, type Oklch, type ParsedColor } from '../color/index.ts';
import { plural } from '../number/index.ts';
import {
  addSwatches,
  applyChange,
  bindDrawing,
  setOp,
  setRule,
  setSwatchColor,
  type Edit,
  type Op,
} from '../change/index.ts';
import { deriveColor, ruleBetween } from '../palette/index.ts';
import type { Site } from '../site/index.ts';
import { swatchColor, swatchPath } from '../style/index.ts';
import { similarColors, type SimilarColor, type SimilarWay } from './similar-colors.ts';

/** Sets the colour of a swatch; the similar colours that go along move by the same amount. One edit. */
export function moveWithSimilar(site: Site, id: string, color: ParsedColor, what?: string): Edit {
  const edit = setSwatchColor(site, id, color, what);
  const decided = site.brand.swatches[id]!.similar;
  if (!decided || !Object.values(decided).includes('along')) return edit;
  const before = swatchColor(site.brand, id)!;
  // A drawing goes along by being painted with the swatch, not by what was decided: none need be known here.
  const along = similarColors(site, id, before, new Map()).filter(
    (entry) => entry.decided === 'along' && !entry.locked,
  );
  return {
    label: along.length > 0 ? `${edit.label} with ${plural(along.length, 'similar colour')}` : edit.label,
    ops: [...edit.ops, ...along.flatMap((entry) => shifted(site, entry, before, color.oklch))],
  };
}

/**
 * Decides of one similar colour, which is remembered: it goes along (at once by as much as
 * the swatch has moved since `from`, and with every later move), or is left.
 *
 * @param from the swatch's colour before it moved
 */
export function decideSimilar(site: Site, id: string, similar: SimilarColor, way: SimilarWay, from: Oklch): Edit {
  const swatch = site.brand.swatches[id]!;
  const now = swatchColor(site.brand, id)!;
  const moved =
    way === 'along' &&
    similar.decided !== 'along' &&
    !similar.locked &&
    deltaE(oklchToOklab(from), oklchToOklab(now)) > 1e-4;
  // A flat colour of a drawing goes along by being painted with the swatch from now on.
  if (similar.kind === 'drawing' && way === 'along')
    return {
      label: `${similar.label} follows ${swatch.label}`,
      ops: bindDrawing(site, similar.at[1]!, similar.at[3]!, id).ops,
    };
  const decided = setOp(site, ['brand', 'swatches', id, 'similar'], { ...swatch.similar, [similar.key]: way });
  return {
    label: way === 'along' ? `${similar.label} moves with ${swatch.label}` : `${similar.label} left as it is`,
    ops: [decided, ...(moved ? shifted(site, similar, from, now) : [])],
  };
}

/**
 * Makes a similar colour follow the swatch by rule, from where the two stood before the
 * swatch moved. A raw colour becomes a new derived swatch first.
 *
 * @param fresh id for that new swatch
 */
export function deriveSimilar(site: Site, id: string, similar: SimilarColor, from: Oklch, fresh: string): Edit {
  const source = site.brand.swatches[id]!;
  const rule = ruleBetween(id, from, similar.color);
  const label = `${similar.label} follows ${source.label}`;
  if (similar.kind === 'swatch') return { label, ops: setRule(site, similar.at.at(-1)!, rule).ops };
  const ops: Op[] = [];
  let now = site;
  for (const make of [
    (here: Site) =>
      addSwatches(here, [
        {
          id: fresh,
          label: `${source.label} similar`,
          color: { typed: '', oklch: similar.color, rgb: similar.rgb, mapped: false },
        },
      ]),
    (here: Site) => setRule(here, fresh, rule),
  ]) {
    const edit = make(now);
    ops.push(...edit.ops);
    now = applyChange(now, edit).site;
  }
  if (similar.kind === 'drawing') ops.push(...bindDrawing(now, similar.at[1]!, similar.at[3]!, fresh).ops);
  else
    ops.push(
      setOp(
        now,
        similar.at,
        similar.kind === 'role'
          ? { kind: 'swatch', swatch: fresh }
          : { kind: 'token', path: swatchPath(now.brand.swatches[fresh]!) },
      ),
    );
  return { label, ops };
}

/** The similar colour moved by as much as the swatch: lightness added, chroma scaled, hue turned. */
function shifted(site: Site, similar: SimilarColor, from: Oklch, to: Oklch): Op[] {
  if (similar.kind === 'drawing') return [];
  const color = deriveColor(similar.color, ruleBetween('', from, to));
  if (similar.kind === 'swatch')
    return [setOp(site, [...similar.at, 'color'], color), setOp(site, [...similar.at, 'typed'], '')];
  const css = cssColor(paintedRgb(color));
  return [setOp(site, similar.at, similar.kind === 'role' ? { kind: 'raw', color: css } : { kind: 'literal', css })];
}
