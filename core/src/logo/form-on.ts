import { composite, gradientExtent, parseColor, readGradient, type Rgb8 } from '../color/index.ts';
import type { Brand, Logo, LogoForm, Site } from '../site/index.ts';
import { drawnColors, resolveToken, rolePath, tokenTable } from '../style/index.ts';
import { logoContrast } from './contrast.ts';

const WHITE: Rgb8 = { r: 255, g: 255, b: 255, alpha: 1 };

/** The background of a ground as it is seen on white paper. */
export function groundColor(brand: Brand, ground: string): Rgb8 {
  const css = resolveToken(tokenTable(brand), rolePath(brand, brand.grounds[ground]!, 'background')).css;
  return composite(parseColor(css)?.rgb ?? WHITE, WHITE);
}

/** All that may lie behind a logo on a ground: the one colour of its background, or those of its gradient. */
export function groundExtent(brand: Brand, ground: string): readonly Rgb8[] {
  const wash = readGradient(resolveToken(tokenTable(brand), rolePath(brand, brand.grounds[ground]!, 'wash')).css);
  return wash ? gradientExtent(wash) : [groundColor(brand, ground)];
}

const known = new WeakMap<Brand, { logo: Logo; assets: Site['assets']; forms: Map<string, LogoForm | undefined> }>();

/** A form with the colours its drawing is painted with now. */
export function paintedForm(site: Pick<Site, 'brand' | 'assets'>, form: LogoForm): Pick<LogoForm, 'colors' | 'plate'> {
  const asset = site.assets[form.asset];
  if (!asset?.bound) return form;
  const drawn = drawnColors(asset, site.brand);
  const now = (hex: string) => drawn.get(hex) ?? hex;
  return {
    colors: form.colors.map(({ hex, share }) => ({ hex: now(hex), share })),
    plate: form.plate === null ? null : now(form.plate),
  };
}

/**
 * The form of the logo on a ground: the one set for it, else the one seen best, the earlier one in a draw. Undefined
 * while there is no logo.
 */
export function formOn(site: Pick<Site, 'brand' | 'shared' | 'assets'>, ground: string): LogoForm | undefined {
  const {
    brand,
    assets,
    shared: { logo },
  } = site;
  if (!logo || !brand.grounds[ground]) return undefined;
  let kept = known.get(brand);
  if (kept?.logo !== logo || kept.assets !== assets) known.set(brand, (kept = { logo, assets, forms: new Map() }));
  if (!kept.forms.has(ground)) kept.forms.set(ground, choose(site, logo, ground));
  return kept.forms.get(ground);
}

function choose(site: Pick<Site, 'brand' | 'assets'>, logo: Logo, ground: string): LogoForm | undefined {
  const set = logo.onGround[ground];
  if (set !== undefined) return logo.forms[set];
  const backgrounds = groundExtent(site.brand, ground);
  let best: LogoForm | undefined;
  let most = -1;
  for (const id of logo.formOrder) {
    const form = logo.forms[id]!;
    const { ratio, seen } = logoContrast(paintedForm(site, form), ...backgrounds);
    // First by what is seen at all, then by how clearly.
    const worth = seen * 100 + ratio;
    if (worth > most) [best, most] = [form, worth];
  }
  return best;
}
