import type { Element } from 'hast';
import { cutDownText, plural } from '../number/index.ts';
import { contrastRatio, hex, oklchText } from '../color/index.ts';
import { element } from '../kinds/index.ts';
import { assetFile, looseSection } from '../page/index.ts';
import { placeCount } from '../reach/index.ts';
import { formOn } from '../logo/index.ts';
import type { Site, Swatch } from '../site/index.ts';
import { customProperty, recipes, resolvedSwatches, swatchPath } from '../style/index.ts';
import { classes, type SpecimenFrame, type SpecimenPart } from './frame.ts';
import { groundSection } from './samples.ts';

const WHITE = { r: 255, g: 255, b: 255, alpha: 1 };

/** Every swatch with its values, what it follows, and how many places it paints. */
export function palettePart(site: Site, frame: SpecimenFrame): SpecimenPart {
  const { brand } = site;
  const swatch = ({ swatch: entry, oklch, rgb }: ReturnType<typeof resolvedSwatches>[number]): Element =>
    element('li', { dataToken: swatchPath(entry) }, [
      element('div', {
        className: `sample ${classes(recipes.rule(frame.ground))}`,
        style: `background: var(${customProperty(swatchPath(entry))})`,
      }),
      frame.caption(
        entry.label,
        hex(rgb),
        oklchText(oklch),
        ...(entry.rule ? [follows(site, entry)] : []),
        `${cutDownText(contrastRatio(rgb, WHITE), 2)} on white`,
        plural(placeCount(site, swatchPath(entry)), 'place'),
      ),
    ]);
  return frame.part(
    'palette',
    'Palette',
    (['core', 'side'] as const).flatMap((part) => {
      const list = resolvedSwatches(brand).filter((entry) => entry.swatch.part === part);
      return list.length === 0
        ? []
        : [
            frame.heading(part === 'core' ? 'Core' : 'Side and derived', 3),
            element('ul', { className: 'samples' }, list.map(swatch)),
          ];
    }),
  );
}

function follows(site: Site, { rule }: Swatch): string {
  const name = (id: string) => site.brand.swatches[id]?.label ?? id;
  if (!rule) return '';
  if (!('kind' in rule)) return `follows ${name(rule.source)}`;
  return rule.kind === 'mix'
    ? `${name(rule.source)} mixed with ${name(rule.with)}`
    : rule.kind === 'contrast'
      ? `${name(rule.source)} at ${rule.ratio} on ${name(rule.on)}`
      : `${name(rule.source)} laid over ${name(rule.on)}`;
}

/** The logo in the form that stands on each ground. */
export function logoPart(site: Site, frame: SpecimenFrame): SpecimenPart | undefined {
  if (!site.shared.logo) return undefined;
  return frame.part('logos', 'Logo', [
    element(
      'ul',
      { className: 'samples' },
      site.brand.groundOrder.flatMap((id) => {
        const form = formOn(site, id);
        const asset = form && site.assets[form.asset];
        return asset
          ? [
              element('li', { dataToken: 'logo.width' }, [
                element('div', { className: `on-background ${classes(recipes.background(id))}` }, [
                  element('img', {
                    className: `logo ${classes(recipes.logo())}`,
                    src: assetFile(asset, site.brand),
                    width: asset.width,
                    height: asset.height,
                    alt: `${form.label}`,
                  }),
                ]),
                frame.caption(site.brand.grounds[id]!.label, form.label),
              ]),
            ]
          : [];
      }),
    ),
  ]);
}

/** Each ground with a sample of everything that can stand on it, made by the builder of the pages. */
export function groundParts(site: Site): SpecimenPart[] {
  return site.brand.groundOrder.map((id) => {
    const part = looseSection(site, groundSection(site, id));
    return {
      id: part.id,
      label: site.brand.grounds[id]!.label,
      element: {
        ...part.element,
        properties: { ...part.element.properties, dataToken: `background.${site.brand.grounds[id]!.path}.background` },
      },
    };
  });
}
