import { gradientExtent, type Rgb8 } from '../../color/index.ts';
import { formOn, LOGO_RATIO, logoContrast, paintedForm } from '../../logo/index.ts';
import type { Site } from '../../site/index.ts';
import { WALL_WIDTHS, bandOf } from '../../breakpoint/index.ts';
import type { TokenTable } from '../../style/index.ts';
import { behindOf, cellValue, pixelsAt, tokenValue, type Group } from '../../reach/index.ts';
import { washUnder } from '../pixels/index.ts';
import type { Judgement } from '../outcome.ts';

/** Half of the logo's area stands out from what it is on, and it is no narrower than the smallest width set for it. */
export function logoRules(table: TokenTable, group: Group, site: Site): Judgement[] {
  const width = group.kind === 'logo' ? group.painting.at('width', 'rest', 'desktop') : undefined;
  if (!width) return [];
  const at = WALL_WIDTHS.desktop;
  const form = formOn(site, group.ground);
  const behind = behindOf(table, group, bandOf(at));
  const ground = group.under?.painting.at('background-color', 'rest', bandOf(at));
  const contrast = {
    rule: 'logo-contrast',
    state: 'rest',
    width: at,
    needed: LOGO_RATIO,
    tokens: ground ? cellValue(table, ground).chain : [],
  } as const;
  const painted = pixelsAt(table, group.painting, 'width', 'rest', at)!;
  const smallest = Number.parseFloat(tokenValue(table, 'logo.smallest').css);
  const size: Judgement = {
    rule: 'logo-size',
    state: 'rest',
    width: at,
    found: painted,
    needed: smallest,
    verdict: painted >= smallest ? 'pass' : 'fail',
    tokens: cellValue(table, width).chain,
  };
  if (!form) return [size];
  const wash = behind === 'picture' ? washUnder(table, group) : undefined;
  if (behind === 'picture' && !wash)
    return [
      { ...contrast, found: null, verdict: 'cannot-tell', reason: 'An image is behind the logo; not measured.' },
      size,
    ];
  const { ratio } = logoContrast(paintedForm(site, form), ...(wash ? gradientExtent(wash) : [behind as Rgb8]));
  return [{ ...contrast, found: ratio, verdict: ratio >= LOGO_RATIO ? 'pass' : 'fail' }, size];
}
