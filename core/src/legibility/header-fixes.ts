import { setValue, type Edit } from '../change/index.ts';
import { formOn } from '../logo/index.ts';
import type { Place } from '../page/index.ts';
import type { Site } from '../site/index.ts';

/**
 * Returns edits that make a sticky header lower: less clear space around the logo, or
 * a narrower logo that is still at least its smallest width. Where another part of the
 * header is taller than the logo, the edit can be too little; the next reading shows it.
 *
 * @param found height of the header, px
 * @param needed largest height that covers no target, px
 * @returns the edits; empty when the logo cannot give enough height
 */
export function headerFixes(site: Site, place: Place, found: number, needed: number): Edit[] {
  const { logo } = site.brand;
  const form = formOn(site, site.shared.header.ground);
  const asset = form && site.assets[form.asset];
  if (!logo || !asset || place.pictured || !site.shared.header.stays || asset.width <= 0) return [];
  const over = found - needed;
  const edits: Edit[] = [];
  const clear = Math.floor((logo.clear - over / (2 * logo.width)) * 100) / 100;
  if (clear >= 0)
    edits.push(
      setValue(site, `Clear space of the logo ${Math.round(clear * 100)} %`, ['brand', 'logo', 'clear'], clear),
    );
  const width = Math.floor(logo.width - over / (asset.height / asset.width + 2 * logo.clear));
  if (width >= logo.smallest) edits.push(setValue(site, `Logo ${width} px wide`, ['brand', 'logo', 'width'], width));
  return edits;
}
