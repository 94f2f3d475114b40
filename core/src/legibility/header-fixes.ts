import { setValue, type Edit } from '../change/index.ts';
import { formOn } from '../logo/index.ts';
import type { Place } from '../page/index.ts';
import type { Site } from '../site/index.ts';

/**
 * What makes a header that stays lower by its logo, where it covers more than is kept
 * free above what is led to: a narrower logo, and less clear space around it. Only as
 * far as the logo is no narrower than its smallest width. Where something else in the
 * header is taller than the logo this is not enough; the next reading tells.
 *
 * @param found height of the header, px
 * @param needed height it may have, px
 * @returns the edits, the one that leaves more as it is first; none where the logo cannot give that much
 */
export function headerFixes(site: Site, place: Place, found: number, needed: number): Edit[] {
  const { logo } = site.brand;
  const form = formOn(site, site.shared.header.ground);
  const asset = form && site.assets[form.asset];
  if (!logo || !asset || place.pictured || !site.shared.header.stays || asset.width <= 0) return [];
  const over = found - needed;
  const edits: Edit[] = [];
  const clear = Math.floor((logo.clear - over / (2 * logo.width)) * 100) / 100;
  if (clear >= 0) edits.push(setValue(site, `Clear space of the logo ${Math.round(clear * 100)} %`, ['brand', 'logo', 'clear'], clear));
  const width = Math.floor(logo.width - over / (asset.height / asset.width + 2 * logo.clear));
  if (width >= logo.smallest) edits.push(setValue(site, `Logo ${width} px wide`, ['brand', 'logo', 'width'], width));
  return edits;
}
