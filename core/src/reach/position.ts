import type { Section } from '../site/index.ts';

/**
 * Returns a name for a place by its position in the section, without ids: two sections
 * of one shape have the same places under the same names. Null for a place in a run of
 * words, because only their ids tell runs apart.
 *
 * @param place id within the section: `block/part` or `block/item/part`
 */
export function positionIn(section: Section, place: string): string | null {
  const [owner, ...rest] = place.split('/');
  if (owner === section.id) return `s/${rest.join('/')}`;
  let at = 0;
  for (const column of section.columnOrder) {
    const found = section.columns[column]!.order.indexOf(owner!);
    if (found < 0) {
      at += section.columns[column]!.order.length;
      continue;
    }
    const block = section.blocks[owner!]! as { readonly order?: readonly string[] };
    const text = JSON.stringify(block);
    const steps = rest.map((step) => {
      const item = block.order?.indexOf(step) ?? -1;
      return item >= 0
        ? `#${item}`
        : text.includes(`"id":"${step}"`) || text.includes(`"id":"${step.replace(/-[^-]*$/, '')}"`)
          ? null
          : step;
    });
    return steps.includes(null) ? null : `${at + found}/${steps.join('/')}`;
  }
  return null;
}
