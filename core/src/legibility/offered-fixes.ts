import type { Op } from '../change/index.ts';
import { cutDownText, plural } from '../number/index.ts';
import type { Site } from '../site/index.ts';
import type { Finding } from './audit.ts';
import { fixesFor } from './fix.ts';
import { headerFixes } from './header-fixes.ts';
import { outlineFix } from './outline-fix.ts';
import type { PictureFix } from './pixels/index.ts';
import { typeFixFor } from './type-fix.ts';

/** A way to put a finding right, of whatever rule. */
export interface Fix {
  /** The changed value and its new value. */
  readonly label: string;
  /** The cost and the reach in words; empty if only the place itself changes. */
  readonly effect: string;
  /** Path of the token whose value changes; null if only the place, the page or the header does. */
  readonly token: string | null;
  readonly ops: readonly Op[];
}

/**
 * Returns the fixes of a finding in the order in which they should be tried: a colour of the brand, the smallest change
 * of a colour, a value of a text style, the header, the outline of the page. Texts over pictures have fixes of their
 * own,
 * which need the pixels of the picture (`pictureFixes`).
 *
 * @param finding a failing judgement
 * @returns the fixes; empty if only a person can put it right
 */
export function offeredFixes(site: Site, finding: Finding): Fix[] {
  const { rule, place, found, needed } = finding;
  const type = typeFixFor(site, finding);
  const outline = outlineFix(site, rule, place, found, needed);
  return [
    ...fixesFor(site, finding).map(({ label, deltaE, token, places, ops }) => ({
      label: deltaE === null ? label : `${label}, ΔE ${cutDownText(deltaE, 3)}`,
      effect: changes(places),
      token,
      ops,
    })),
    ...(type ? [{ label: type.label, effect: changes(type.places), token: type.token, ops: type.ops }] : []),
    ...[
      ...(rule === 'covered' && found !== null ? headerFixes(site, place, found, needed) : []),
      ...(outline ? [outline] : []),
    ].map(({ label, ops }) => ({ label, effect: '', token: null, ops })),
  ];
}

/** Returns the fix of a text over a picture as one like all others: with the ratio before and after. */
export function fixOfPicture({ label, before, after, places, ops }: PictureFix): Fix {
  return {
    label,
    effect: `${cutDownText(before)} to ${cutDownText(after)}, ${plural(places, 'place')}`,
    token: null,
    ops,
  };
}

const changes = (places: number): string => `changes ${plural(places, 'place')}`;
