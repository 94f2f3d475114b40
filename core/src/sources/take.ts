import { addSwatches, joinEdits, removeSwatch, type Edit } from '../change/index.ts';
import { deltaERgb } from '../color/index.ts';
import { plural } from '../number/index.ts';
import { replacementOf, type Drop } from '../palette/index.ts';
import type { Site } from '../site/index.ts';
import type { Candidate } from './candidates.ts';

/** The effect of applying a ranked palette. */
export interface Taking {
  /** Candidates that become new swatches. */
  readonly adds: readonly Candidate[];
  /** Swatches that go, each with its replacement among what is kept. */
  readonly drops: readonly (Drop<Candidate> & { readonly color: Candidate })[];
}

/** A new swatch as it is taken. */
export interface NewSwatch {
  readonly id: string;
  readonly label: string;
  readonly part: 'core' | 'side';
}

/**
 * Returns the effect of keeping exactly `kept`. The designer chooses the replacement of
 * a dropped swatch (`replacements`, by candidate id); otherwise it is the closest kept colour.
 */
export function planTaking(
  colors: readonly Candidate[],
  kept: ReadonlySet<string>,
  replacements: Readonly<Record<string, string | undefined>> = {},
): Taking {
  const stay = colors.filter((color) => kept.has(color.id));
  return {
    adds: stay.filter((candidate) => candidate.swatch === null),
    drops: colors
      .filter((color) => !kept.has(color.id) && color.swatch !== null)
      .map((color) => {
        const replacement =
          stay.find((candidate) => candidate.id === replacements[color.id]) ?? replacementOf(color.rgb, stay) ?? null;
        return { color, replacement, deltaE: replacement ? deltaERgb(color.rgb, replacement.rgb) : Infinity };
      }),
  };
}

/** In which part a new colour belongs unless it is said otherwise: all but ornaments are for others to follow. */
export function partFor(color: Candidate): 'core' | 'side' {
  return color.role === 'ornament' ? 'side' : 'core';
}

/**
 * One edit that adds what is new among the kept and deletes the swatches that
 * are not kept, everything that names one going to its replacement.
 *
 * @param names ids, labels and parts of the new swatches, by candidate id
 * @returns undefined when nothing would change
 */
export function takePalette(
  site: Site,
  { adds, drops: gone }: Taking,
  names: ReadonlyMap<string, NewSwatch>,
): Edit | undefined {
  if (adds.length === 0 && gone.length === 0) return undefined;
  const label = [
    adds.length > 0 ? `Add ${plural(adds.length, 'colour')}` : '',
    gone.length > 0 ? `drop ${plural(gone.length, 'swatch', 'swatches')}` : '',
  ]
    .filter(Boolean)
    .join(', ');
  return joinEdits(site, label[0]!.toUpperCase() + label.slice(1), [
    (now) =>
      adds.length > 0
        ? addSwatches(
            now,
            adds.map((candidate) => ({ ...names.get(candidate.id)!, color: candidate.color })),
          )
        : undefined,
    ...gone.map(
      ({ color, replacement }) =>
        (now: Site) =>
          removeSwatch(
            now,
            color.swatch!,
            replacement ? (replacement.swatch ?? names.get(replacement.id)!.id) : undefined,
          ),
    ),
  ]);
}
