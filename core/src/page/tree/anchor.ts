import type { Override, Site } from '../../site/index.ts';
import type { Place } from './place.ts';
import { editedPage } from '../files/published.ts';

/** The two ways to address a place: this one on this page, or it wherever it is used. */
export type Where = 'here' | 'used';

/** Where a value set on a place is kept, and by which id it names the place there. */
export interface Anchor {
  readonly record: readonly string[];
  readonly place: string;
}

/** The anchor of a place. What is this page's own is used here only. */
export function anchorOf(place: Place, where: Where): Anchor {
  return where === 'used' && place.usedId !== null
    ? { record: ['shared', 'overrides'], place: place.usedId }
    : { record: ['pages', editedPage(place.page) ?? place.page, 'overrides'], place: place.id };
}

/** Returns true if a value that paints a place is set on it here, or wherever it is used. */
export function whereSet(site: Site, place: Place, override: Override): Where {
  return site.pages[editedPage(place.page) ?? '']?.overrides[override.id] === override ? 'here' : 'used';
}
