import type { Element } from 'hast';
import { round, plural } from '../number/index.ts';
import { element } from '../kinds/index.ts';
import { BANDS } from '../breakpoint/index.ts';
import { siteIndex } from '../reach/index.ts';
import { CORNER_USES, type Brand, type CornerUse, type Site } from '../site/index.ts';
import {
  cornerText,
  customProperty,
  edgeWidth,
  inheritsFrom,
  namedCorner,
  recipes,
  styleSizeAt,
} from '../style/index.ts';
import { familyById } from '../type/index.ts';
import { classes, type SpecimenFrame, type SpecimenPart } from './frame.ts';

const STATES = ['rest', 'hover', 'focus', 'pressed', 'disabled', 'busy'] as const;

/** Every text style in its own letters with its measures, and how many places are set in it. */
export function stylesPart(site: Site, frame: SpecimenFrame): SpecimenPart {
  const { brand } = site;
  const count = new Map<string, number>();
  for (const group of siteIndex(site).groups)
    if (group.style) count.set(group.style, (count.get(group.style) ?? 0) + group.count);
  return frame.part('styles', 'Text styles', [
    element(
      'ul',
      {},
      brand.styleOrder.map((id) => {
        const style = brand.styles[id]!;
        const family = familyById(brand.families[style.family], brand.fonts)?.name ?? '';
        return element('li', { className: 'style', dataToken: `text.${style.path}.size` }, [
          element('p', { className: classes(recipes.text(id), recipes.role(frame.ground, style.role)) }, [style.label]),
          frame.caption(
            `${family} ${style.weight}${style.italic ? ' italic' : ''}, ${round(styleSizeAt(brand, style, 1280), 1)} px at 1280, ${round(styleSizeAt(brand, style, 390), 1)} at 390`,
            `line height ${style.lineHeight}, letter spacing ${style.letterSpacing} em, ${style.spaceAbove} px above, ${style.spaceBelow} below${style.longest ? `, at most ${style.longest} characters a line` : ''}; ${plural(count.get(id) ?? 0, 'place')}${style.provisional ? '; provisional' : ''}`,
          ),
        ]);
      }),
    ),
  ]);
}

/** One word in all sizes on one baseline. */
export function ladderPart(site: Site, frame: SpecimenFrame): SpecimenPart {
  const { brand } = site;
  const sized = brand.styleOrder
    .map((id) => ({ id, px: styleSizeAt(brand, brand.styles[id]!, 1280) }))
    .sort((entry, other) => other.px - entry.px);
  return frame.part('ladder', 'Scale', [
    element(
      'p',
      { className: 'ladder' },
      sized.flatMap(({ id }) => [
        element(
          'span',
          {
            className: classes(recipes.text(id), recipes.role(frame.ground, 'text')),
            dataToken: `text.${brand.styles[id]!.path}.size`,
          },
          ['Aa'],
        ),
        ' ',
      ]),
    ),
  ]);
}

/** Every variant in every size and state, on every ground. */
export function buttonsPart(site: Site, frame: SpecimenFrame): SpecimenPart {
  const { brand } = site;
  const button = (variant: string, ground: string, size: string, state: (typeof STATES)[number]): Element =>
    element(
      'button',
      {
        type: 'button',
        className: `button ${classes(recipes.text(brand.buttonStyle), recipes.corner('button'), recipes.buttonSize(size), recipes.button(variant, ground))}`,
        ...(state === 'rest' ? {} : { dataShow: state }),
        ...(state === 'disabled' ? { disabled: true } : {}),
        dataToken: `background.${brand.grounds[ground]!.path}.button.${brand.variants[variant]!.path}.fill.${state === 'focus' ? 'rest' : state}`,
      },
      [state],
    );
  return frame.part(
    'buttons',
    'Buttons',
    brand.groundOrder.map((ground) =>
      element(
        'div',
        { className: `on-background ${classes(recipes.background(ground))}` },
        brand.variantOrder.flatMap((variant) =>
          brand.sizeOrder.flatMap((size) => [
            frame.captionOn(
              ground,
              `${brand.variants[variant]!.label}, ${brand.sizes[size]!.label.toLowerCase()}, on ${brand.grounds[ground]!.label}`,
            ),
            element(
              'div',
              {
                className: 'buttons',
                role: 'group',
                ariaLabel: `${brand.variants[variant]!.label}, ${brand.sizes[size]!.label}, on ${brand.grounds[ground]!.label}`,
              },
              STATES.map((state) => button(variant, ground, size, state)),
            ),
          ]),
        ),
      ),
    ),
  );
}

function cornerWords(brand: Brand, use: CornerUse): string {
  const named = namedCorner(brand, use);
  return named
    ? `${named.label}, ${cornerText(named.value)}${named.value.kind === 'share' ? ' of the height' : ' px'}`
    : `${brand.corners[use]} px`;
}

/** Corners, paddings and gaps, drawn as large as they are at each width. */
export function spacePart(site: Site, frame: SpecimenFrame): SpecimenPart {
  const { brand } = site;
  return frame.part('space', 'Space and corners', [
    element(
      'ul',
      { className: 'samples' },
      CORNER_USES.map((use) =>
        element('li', { dataToken: `corner.${use}` }, [
          element('div', { className: `corner ${classes(recipes.corner(use), recipes.rule(frame.ground))}` }),
          frame.caption(
            `${use[0]!.toUpperCase()}${use.slice(1)} corner`,
            cornerWords(brand, use),
            `edge ${edgeWidth(brand, use)} px`,
            brand.shadows?.uses[use] ? `shadow ${brand.shadows.items[brand.shadows.uses[use]]!.label}` : 'no shadow',
          ),
        ]),
      ),
    ),
    element(
      'ul',
      { className: 'samples' },
      brand.spaceOrder.map((id) => {
        const space = brand.spaces[id]!;
        return element('li', {}, [
          element(
            'div',
            { className: 'spaces' },
            BANDS.map((band) =>
              element('div', {
                className: `space ${classes(recipes.rule(frame.ground))}`,
                style: `height: var(${customProperty(`space.${space.path}.${band.id}`)})`,
                dataToken: `space.${space.path}.${band.id}`,
              }),
            ),
          ),
          frame.caption(
            space.label,
            BANDS.map((band) =>
              inheritsFrom(space, band.id)
                ? `on ${band.id} as on ${inheritsFrom(space, band.id)!}`
                : `${space.values[band.id]} px on ${band.id}`,
            ).join(', '),
          ),
        ]);
      }),
    ),
  ]);
}
