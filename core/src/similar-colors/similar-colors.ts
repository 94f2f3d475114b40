import { deltaE, oklchToOklab, paintedRgb, parseColor, type Oklch, type Rgb8 } from '../color/index.ts';
import { roleLabel, roleOn } from '../background/index.ts';
import { ruleSources } from '../palette/index.ts';
import { placeCount, setValues, siteIndex, type SiteIndex } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { rolePath, swatchColor, swatchPath } from '../style/index.ts';

/** The choice for a colour close to a swatch: it moves with the swatch, or stays. */
export type SimilarWay = 'along' | 'leave';

/** A colour close to one that is changed: another swatch, a raw colour of a ground, a colour set on a place. */
export interface SimilarColor {
  /** `swatch:ID`, `role:GROUND/ROLE`, `value:RECORD/ID` or `drawing:ASSET/HEX`; what is decided is remembered by it. */
  readonly key: string;
  readonly kind: 'swatch' | 'role' | 'value' | 'drawing';
  readonly label: string;
  readonly color: Oklch;
  readonly rgb: Rgb8;
  /** ΔE OK to the colour as it was. */
  readonly deltaE: number;
  readonly places: number;
  readonly decided: SimilarWay | null;
  /** A locked swatch is listed, and never moved. */
  readonly locked: boolean;
  /** Where its colour is kept in the document. */
  readonly at: readonly string[];
}

/** Degrees of hue and ΔE OK within which a colour is similar; greys, which have no hue, by ΔE alone. */
export const SIMILAR = { hue: 26, deltaE: 0.3, greyDeltaE: 0.08, grey: 0.02 } as const;

/** Returns true if two colours are close enough to be similar. */
export function isSimilar(oklch: Oklch, other: Oklch): boolean {
  const distance = deltaE(oklchToOklab(oklch), oklchToOklab(other));
  if (oklch.c < SIMILAR.grey || other.c < SIMILAR.grey) return distance <= SIMILAR.greyDeltaE;
  const turn = Math.abs(((oklch.h - other.h + 540) % 360) - 180);
  return turn <= SIMILAR.hue && distance <= SIMILAR.deltaE;
}

/**
 * The colours close to what a swatch was, nearest first: swatches that do not
 * follow it already, raw colours of grounds, colours set on places. What goes
 * along already stays listed however far it is.
 *
 * @param old the colour the swatch had before it moved
 * @param shown how many places show each picture, see `timesShown`; drawings among them are listed
 */
export function similarColors(site: Site, id: string, old: Oklch, shown: PicturesShown): SimilarColor[] {
  const decided = site.brand.swatches[id]?.similar ?? {};
  const base = oklchToOklab(old);
  return (
    everyColor(site, shown)
      .filter(
        (entry) =>
          entry.key !== `swatch:${id}` &&
          !(entry.kind === 'swatch' && follows(site, entry.key.slice('swatch:'.length), id)),
      )
      .filter((entry) => decided[entry.key] !== undefined || isSimilar(old, entry.color))
      // Named and counted when somebody looks at them: a large site has hundreds.
      .map(({ places, label, ...entry }): SimilarColor => ({
        ...entry,
        get label() {
          return label();
        },
        get places() {
          return places();
        },
        rgb: paintedRgb(entry.color),
        deltaE: deltaE(base, oklchToOklab(entry.color)),
        decided: decided[entry.key] ?? null,
      }))
      .sort((color, other) => color.deltaE - other.deltaE)
  );
}

type Found = Omit<SimilarColor, 'rgb' | 'deltaE' | 'decided' | 'label' | 'places'> & {
  readonly label: () => string;
  readonly places: () => number;
};

/** Every colour of the document that is kept as a value of its own. */
function everyColor(site: Site, shown: PicturesShown): Found[] {
  const { brand } = site;
  const swatches = brand.swatchOrder
    .filter((id) => !brand.swatches[id]!.rule)
    .map((id): Found => {
      const swatch = brand.swatches[id]!;
      return {
        key: `swatch:${id}`,
        kind: 'swatch',
        label: () => swatch.label,
        color: swatchColor(brand, id)!,
        places: () => placeCount(site, swatchPath(swatch)),
        locked: swatch.locked,
        at: ['brand', 'swatches', id],
      };
    });
  const roles = Object.values(brand.grounds).flatMap((ground) =>
    Object.entries(ground.roles).flatMap(([role, value]): Found[] => {
      const color = value.kind === 'raw' ? parseColor(value.color) : undefined;
      return color
        ? [
            {
              key: `role:${ground.id}/${role}`,
              kind: 'role',
              label: () => roleOn(role, roleLabel(role), ground.label),
              color: color.oklch,
              places: () => placeCount(site, rolePath(brand, ground, role)),
              locked: false,
              at: ['brand', 'grounds', ground.id, 'roles', role],
            },
          ]
        : [];
    }),
  );
  const values = setValues(site).flatMap((value): Found[] => {
    const { override, record } = value;
    const color = override.value.kind === 'literal' ? parseColor(override.value.css) : undefined;
    return color
      ? [
          {
            key: `value:${record.join('/')}/${override.id}`,
            kind: 'value',
            label: () => `${override.property} of ${value.place?.label ?? override.place}`,
            color: color.oklch,
            places: () => value.count,
            locked: false,
            at: [...record, override.id, 'value'],
          },
        ]
      : [];
  });
  const drawn = Object.values(site.assets)
    .filter((asset) => asset.type === 'image/svg+xml' && shown.has(asset.id))
    .flatMap((asset) =>
      (asset.colors ?? [])
        .filter(({ hex }) => !asset.bound?.[hex])
        .map(({ hex }): Found => ({
          key: `drawing:${asset.id}/${hex}`,
          kind: 'drawing',
          label: () => `${asset.name}: ${hex}`,
          color: parseColor(hex)!.oklch,
          places: () => shown.get(asset.id)!,
          locked: false,
          at: ['assets', asset.id, 'bound', hex],
        })),
    );
  return [...swatches, ...roles, ...values, ...drawn];
}

/** How many places show each picture, by asset id. */
export type PicturesShown = ReadonlyMap<string, number>;

/** Counts them: every page is taken apart for it, so it is asked for where they are taken apart already. */
export function timesShown(site: Site): PicturesShown {
  const index = siteIndex(site);
  const known = counted.get(index);
  if (known) return known;
  const shown = new Map<string, number>();
  for (const { asset } of index.places) if (asset) shown.set(asset, (shown.get(asset) ?? 0) + 1);
  counted.set(index, shown);
  return shown;
}

/** As long as the index of a site stays, so do they. */
const counted = new WeakMap<SiteIndex, PicturesShown>();

/** A picture made of pixels that holds much of a colour: nothing can make it follow. */
export interface Beyond {
  readonly asset: string;
  readonly name: string;
  /** Share of its area, 0 to 1. */ readonly share: number;
  readonly places: number;
}

/** A picture holds much of a colour from this share of its area; a colour this far away (ΔE OK) is still it. */
const BEYOND = { share: 0.05, deltaE: 0.06 } as const;

/** Pictures on the pages that hold much of a colour, most of it first. */
export function beyondReach(site: Site, old: Oklch, shown: PicturesShown): Beyond[] {
  const base = oklchToOklab(old);
  return Object.values(site.assets)
    .filter((asset) => asset.type !== 'image/svg+xml')
    .map((asset): Beyond => ({
      asset: asset.id,
      name: asset.name,
      places: shown.get(asset.id) ?? 0,
      share: (asset.colors ?? [])
        .filter(({ hex }) => deltaE(base, oklchToOklab(parseColor(hex)!.oklch)) <= BEYOND.deltaE)
        .reduce((sum, color) => sum + color.share, 0),
    }))
    .filter((entry) => entry.places > 0 && entry.share >= BEYOND.share)
    .sort((entry, other) => other.share - entry.share);
}

function follows(site: Site, id: string, source: string, depth = 0): boolean {
  const rule = site.brand.swatches[id]?.rule;
  return (
    !!rule && depth < 40 && ruleSources(rule).some((name) => name === source || follows(site, name, source, depth + 1))
  );
}
