import type { Element } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { hex, oklchText } from '../color/index.ts';
import type { Site } from '../site/index.ts';
import { element } from '../page/index.ts';
import { recipeClass, recipes, resolvedSwatches, swatchPath, customProperty } from '../style/index.ts';

const classes = (...names: string[]): string => names.map(recipeClass).join(' ');

/** A thin specimen: palette, grounds, text styles and buttons in every state, drawn with the site's own classes. */
export function specimenHtml(site: Site): string {
  const { brand } = site;
  const ground = site.shared.header.ground;
  const gutter = brand.spaceOrder.find((id) => brand.spaces[id]!.use === 'gutter');
  const running = brand.styleOrder.find((id) => brand.styles[id]!.use === 'running') ?? brand.styleOrder[0]!;
  const title = brand.styleOrder.find((id) => brand.styles[id]!.levels.includes(2)) ?? running;
  const part = (label: string, children: Element[]) =>
    element('section', { className: `${classes(recipes.surface(ground), ...(gutter ? [recipes.gutter(gutter)] : []))} section` }, [
      element('div', { className: 'cols cols-1' }, [element('div', { className: 'col' }, [
        element('h2', { className: classes(recipes.text(title), recipes.on(ground, 'heading')) }, [label]), ...children,
      ])]),
    ]);
  const note = (text: string, on = ground) => element('p', { className: classes(recipes.text(running), recipes.on(on, 'text')) }, [text]);
  const body = [
    part('Palette', [element('div', { className: 'figures' }, resolvedSwatches(brand).map(({ swatch, oklch, rgb }) =>
      element('div', {}, [
        element('div', { className: 'sample', dataToken: swatchPath(swatch) }),
        note(`${swatch.label} ${hex(rgb)}`), note(oklchText(oklch)),
      ])))]),
    ...brand.groundOrder.map((id) => element('section', { className: `${classes(recipes.surface(id), ...(gutter ? [recipes.gutter(gutter)] : []))} section` }, [
      element('div', { className: 'cols cols-1' }, [element('div', { className: 'col' }, [
        element('h2', { className: classes(recipes.text(title), recipes.on(id, 'heading')) }, [brand.grounds[id]!.label]),
        note('The boat leaves when the water lets it.', id),
        element('p', { className: classes(recipes.text(running), recipes.on(id, 'secondary')) }, [element('a', { className: `link ${classes(recipes.link(id))}`, href: '#' }, ['A link in its place'])]),
        element('div', { className: 'buttons' }, brand.variantOrder.flatMap((variant) => (['rest', 'hover', 'focus', 'pressed', 'disabled'] as const).map((state) =>
          element('a', {
            className: `button ${classes(recipes.text(brand.buttonStyle), recipes.corner('button'), recipes.buttonSize(brand.sizeOrder[0]!), recipes.button(variant, id))}`,
            ...(state === 'rest' ? {} : { dataShow: state }), ...(state === 'disabled' ? { ariaDisabled: 'true', role: 'link' } : {}),
          }, [`${brand.variants[variant]!.label}, ${state}`])))),
      ])]),
    ])),
    part('Text styles', brand.styleOrder.map((id) => {
      const style = brand.styles[id]!;
      return element('p', { className: classes(recipes.text(id), recipes.on(ground, style.slot)) }, [style.label]);
    })),
  ];
  const samples = resolvedSwatches(brand).map(({ swatch }) => `[data-token="${swatchPath(swatch)}"] { background: var(${customProperty(swatchPath(swatch))}); height: 72px; }`).join('\n');
  return `<!doctype html>\n<html lang="${site.language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Specimen, ${escape(site.name)}</title><link rel="icon" href="data:,"><link rel="stylesheet" href="fonts.css"><link rel="stylesheet" href="tokens.css"><link rel="stylesheet" href="styles.css"><style>${samples}</style></head>\n<body class="${classes(recipes.surface(ground))}"><main>${body.map((one) => toHtml(one)).join('\n')}</main></body></html>\n`;
}

const escape = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
