import { siteIndex, type Place, type Site } from '@yohaku/core';
import type { PlaceRef } from '../../state/index.ts';

/** Places in hand as they are in a site; those that are gone are left out. */
export function selectedPlaces(site: Site, refs: readonly PlaceRef[]): Place[] {
  const { byAddress } = siteIndex(site);
  return refs.flatMap(({ page, id }) => byAddress.get(`${page} ${id}`) ?? []);
}
