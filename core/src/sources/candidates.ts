import { deltaERgb, hex, parseColor, type ParsedColor } from '../color/index.ts';
import { plural } from '../number/index.ts';
import { ALIKE, mergeAlike, proposeNames, type Source, type PictureRole, type RankedColor } from '../palette/index.ts';
import { occurringPairs, pairsWith } from '../legibility/index.ts';
import { placeCount } from '../reach/index.ts';
import { resolvedSwatches, swatchPath } from '../style/index.ts';
import type { Site } from '../site/index.ts';

/** A colour to be ranked: of the sources, of the brand, or of both. */
export interface Candidate extends RankedColor {
  readonly hex: string;
  readonly color: ParsedColor;
  /** The swatch's label, or a working name. */
  readonly label: string;
  /** Id of the swatch it is already; null when it would be new. */
  readonly swatch: string | null;
  /** Where it comes from and why it seems to matter, in words. */
  readonly why: string;
  /** Colours that nobody can tell from it, as hex, itself among them. */
  readonly alike: readonly string[];
  /** Ids of the sources in which it occurs. */
  readonly sources: readonly string[];
}

interface Loose {
  readonly rgb: ParsedColor['rgb'];
  readonly extent: number;
  readonly places: number;
  readonly locked: boolean;
  readonly color: ParsedColor;
  readonly swatch: string | null;
  readonly role: PictureRole | null;
  readonly why: string;
  readonly piece: string | null;
}

/** How much a piece's word on the role of a colour counts, beside the extent there: a signal is small by nature. */
const WORD: Record<PictureRole, number> = { signal: 4, text: 2, ground: 1, ornament: 0.5 };

/**
 * Everything that might be in the palette: the swatches there are and the
 * colours of the sources, those nobody can tell apart (ΔE OK under 0.01) joined
 * under the swatch, else under the one that covers most.
 */
export function candidates(site: Site, sources: readonly Source[]): Candidate[] {
  const pairs = occurringPairs(site);
  const swatches = resolvedSwatches(site.brand).map(({ swatch, oklch, rgb }): Loose => {
    const path = swatchPath(swatch);
    return {
      rgb,
      extent: 0,
      places: placeCount(site, path),
      locked: swatch.locked,
      color: { typed: swatch.typed || hex(rgb), oklch, rgb, mapped: false },
      swatch: swatch.id,
      role: null,
      why: '',
      piece: null,
    };
  });
  const found = sources.flatMap((piece) =>
    piece.colors.flatMap((entry): Loose[] => {
      const color = parseColor(entry.typed) ?? parseColor(entry.hex);
      return color
        ? [
            {
              rgb: color.rgb,
              extent: entry.share,
              places: 0,
              locked: false,
              color,
              swatch: null,
              role: entry.role,
              why: entry.why,
              piece: piece.id,
            },
          ]
        : [];
    }),
  );
  // Swatches are told apart by their makers, however near: only what sources gave is joined to them.
  const leads = mergeAlike(found).map(({ all }) => all);
  const groups: { swatch: Loose | null; all: readonly Loose[] }[] = swatches.map((swatch) => ({ swatch, all: [] }));
  for (const all of leads) {
    // However little a swatch paints: what was taken a moment ago paints nothing yet.
    const home = groups
      .filter((group) => group.swatch && deltaERgb(group.swatch.rgb, all[0]!.rgb) < ALIKE)
      .sort((group, other) => deltaERgb(group.swatch!.rgb, all[0]!.rgb) - deltaERgb(other.swatch!.rgb, all[0]!.rgb))[0];
    if (home) home.all = [...home.all, ...all];
    else groups.push({ swatch: null, all });
  }
  const fresh = groups.filter((group) => !group.swatch).map((group) => group.all[0]!);
  const names = new Map(
    proposeNames(
      fresh.map((entry) => entry.color.oklch),
      site.brand.swatchOrder.map((id) => site.brand.swatches[id]!.label),
    ).map((name, i) => [fresh[i]!, name]),
  );
  return groups.map(({ swatch, all }) => {
    const lead = swatch ?? all[0]!;
    const known = swatch ? site.brand.swatches[swatch.swatch!]! : undefined;
    const pieces = [...new Set(all.map((entry) => entry.piece!))];
    const best = leading(all);
    const alike = [...new Set([hex(lead.rgb), ...all.map((entry) => hex(entry.rgb))])];
    const standing = swatch ? pairsWith(pairs, swatchPath(known!)).length : 0;
    return {
      id: swatch?.swatch ?? `new-${hex(lead.rgb).slice(1)}`,
      rgb: lead.rgb,
      hex: hex(lead.rgb),
      color: lead.color,
      label: known?.label ?? names.get(lead)!,
      swatch: swatch?.swatch ?? null,
      extent: Math.max(0, ...all.map((entry) => entry.extent)),
      role: best?.role ?? 'ornament',
      pieces: pieces.length,
      places: lead.places,
      pairs: standing,
      locked: lead.locked,
      why: reason(best, pieces.length, sources.length, lead.places, known?.locked ?? false, alike.slice(1)),
      alike,
      sources: pieces,
    };
  });
}

/** The mention with the role on which the sources agree most. */
function leading(all: readonly Loose[]): Loose | undefined {
  const votes = new Map<PictureRole, number>();
  for (const entry of all) votes.set(entry.role!, (votes.get(entry.role!) ?? 0) + entry.extent * WORD[entry.role!]);
  const [role] = [...votes].sort(([, value], [, other]) => other - value)[0] ?? [];
  return all.filter((entry) => entry.role === role).sort((entry, other) => other.extent - entry.extent)[0];
}

function reason(
  best: Loose | undefined,
  pieces: number,
  all: number,
  places: number,
  locked: boolean,
  others: readonly string[],
): string {
  const parts = [
    ...(locked ? ['locked'] : []),
    ...(best ? [`${best.role === 'ground' ? 'background' : best.role}: ${best.why}`] : ['in no sources']),
    ...(others.length > 0
      ? [`replaces ${others.slice(0, 3).join(', ')}${others.length > 3 ? ` and ${others.length - 3} more` : ''} too`]
      : []),
    ...(all > 1 && pieces > 0 ? [`${pieces} of ${all} pieces`] : []),
    ...(places > 0 ? [plural(places, 'place')] : []),
  ];
  return parts.join('; ');
}
