import { addSwatches, applyChange, removeSwatch, type Edit, type Op } from '../change/index.ts';
import { plural } from '../number/index.ts';
import { drops, type Drop } from '../palette/index.ts';
import type { Site } from '../site/index.ts';
import type { Candidate } from './candidates.ts';

/** What taking a sifted palette does. */
export interface Taking {
  /** Candidates that become new swatches. */
  readonly adds: readonly Candidate[];
  /** Swatches that go, each with its heir among what is kept. */
  readonly drops: readonly (Drop<Candidate> & { readonly color: Candidate })[];
}

/** What would change if exactly `kept` stayed: said before it is done. */
export function planTaking(colors: readonly Candidate[], kept: ReadonlySet<string>): Taking {
  return { adds: colors.filter((one) => kept.has(one.id) && one.swatch === null), drops: drops(colors, kept).filter((one) => one.color.swatch !== null) };
}

/**
 * One edit that adds what is new among the kept and deletes the swatches that
 * are not kept, everything that names one going to its heir.
 *
 * @param names ids and labels for the new swatches, by candidate id
 * @returns undefined when nothing would change
 */
export function takePalette(site: Site, { adds, drops: gone }: Taking, names: ReadonlyMap<string, { readonly id: string; readonly label: string }>): Edit | undefined {
  if (adds.length === 0 && gone.length === 0) return undefined;
  const ops: Op[] = [];
  let now = site;
  const run = (edit: Edit) => {
    ops.push(...edit.ops);
    now = applyChange(now, edit).site;
  };
  if (adds.length > 0) run(addSwatches(now, adds.map((one) => ({ ...names.get(one.id)!, color: one.color, part: 'side' as const }))));
  for (const { color, heir } of gone) run(removeSwatch(now, color.swatch!, heir ? (heir.swatch ?? names.get(heir.id)!.id) : undefined));
  const label = [adds.length > 0 ? `Take ${plural(adds.length, 'colour')}` : '', gone.length > 0 ? `drop ${plural(gone.length, 'swatch', 'swatches')}` : ''].filter(Boolean).join(', ');
  return { label: label[0]!.toUpperCase() + label.slice(1), ops };
}
