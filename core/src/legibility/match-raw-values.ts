import { useOwnToken, type Edit } from '../change/index.ts';
import { nearestToken, setValues } from '../reach/index.ts';
import type { Site } from '../site/index.ts';

/** Binds every raw value to the token nearest to it, where one compares; undefined where there is none. */
export function matchRawValues(site: Site): Edit | undefined {
  const strays = setValues(site).filter((value) => value.standing === 'stray');
  const ops = strays.flatMap(({ override, record, place }) => {
    const nearest = place ? nearestToken(site, override, place) : undefined;
    return nearest ? useOwnToken(site, record, override, nearest.own ? null : nearest.path).ops : [];
  });
  return ops.length === 0 ? undefined : { label: 'Match raw values to the nearest token', ops };
}
