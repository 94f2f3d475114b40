import { uniqueName, uniquePath } from '../../palette/index.ts';
import type { BandId } from '../../breakpoint/index.ts';
import { referencesTo, type Site } from '../../site/index.ts';
import { insertOp, redirectOp, removeOp, setOp, type Edit } from './edit.ts';

/** A new section padding like another space. */
export function addSpace(site: Site, like: string, id: string): Edit {
  const from = site.brand.spaces[like]!;
  const known = Object.values(site.brand.spaces);
  const label = uniqueName(
    from.use === 'section' ? `${from.label} again` : 'Padding',
    known.map((entry) => entry.label),
  );
  return {
    label: `New padding ${label}`,
    ops: [
      insertOp(
        site,
        ['brand', 'spaces'],
        ['brand', 'spaceOrder'],
        id,
        {
          ...from,
          id,
          label,
          path: uniquePath(
            label,
            known.map((entry) => entry.path),
          ),
          use: 'section',
        },
        like,
      ),
    ],
  };
}

/** Addresses of the sections that have a padding. */
export const spaceUses = (site: Site, id: string): (readonly string[])[] => referencesTo(site, 'space', id);

/**
 * Takes a section padding away; sections that had it take another one.
 *
 * @returns undefined when sections have it and there is no such other padding, when it is the last, or for a space of
 *   one fixed use
 */
export function removeSpace(site: Site, id: string, replacement?: string): Edit | undefined {
  const { spaces } = site.brand;
  const space = spaces[id];
  if (space?.use !== 'section' || Object.values(spaces).filter((entry) => entry.use === 'section').length < 2)
    return undefined;
  const uses = spaceUses(site, id);
  if (uses.length > 0 && (replacement === undefined || replacement === id || spaces[replacement]?.use !== 'section'))
    return undefined;
  return {
    label: `Delete padding ${space.label}`,
    ops: [
      ...(uses.length > 0 ? [redirectOp('space', id, replacement!)] : []),
      removeOp(site, ['brand', 'spaces'], ['brand', 'spaceOrder'], id),
    ],
  };
}

/** Sets a space on one width; null: it takes that of the next wider one. The desktop always has its own. */
export function setSpaceAt(site: Site, id: string, band: BandId, px: number | null): Edit | undefined {
  if (band === 'desktop' && px === null) return undefined;
  return {
    label: `${site.brand.spaces[id]!.label} on ${band}`,
    ops: [setOp(site, ['brand', 'spaces', id, 'values', band], px)],
  };
}
