import type { Element } from 'hast';
import { element } from '../../kinds/index.ts';
import { formOn } from '../../logo/index.ts';
import { recipes } from '../../style/index.ts';
import { assetFile } from '../files/asset-file.ts';
import { placed, type Build } from './build.ts';

/**
 * The logo in the form that belongs on this ground; undefined while a site has none. `alt` is empty where the name
 * stands beside it.
 */
export function logo(build: Build, id: string, alt: string): Element | undefined {
  const form = formOn(build.site, build.ground);
  const asset = form && build.site.assets[form.asset];
  if (!asset) return undefined;
  const place = build.place({
    id,
    kind: 'logo',
    label: 'Logo',
    asset: asset.id,
    recipes: [recipes.logo(), ...build.drawing(asset)],
  });
  return element(
    'img',
    placed(place, 'logo', {
      src: assetFile(asset, build.site.brand),
      width: asset.width,
      height: asset.height,
      alt: alt === '' ? undefined : alt,
      ...(alt === '' ? { role: 'presentation' } : {}),
    }),
  );
}
