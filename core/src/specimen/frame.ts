import type { Element } from 'hast';
import { element } from '../kinds/index.ts';
import type { Site } from '../site/index.ts';
import { recipeClass, recipes, stylesByRole, type StylesByRole } from '../style/index.ts';

/** Class names of recipes. */
export const classes = (...names: string[]): string => names.map(recipeClass).join(' ');

/** One part of the specimen: an element that carries its key, so that it can be written anew by itself. */
export interface SpecimenPart {
  readonly id: string;
  readonly label: string;
  readonly element: Element;
}

/**
 * How the parts of a specimen are put together: headings and captions in the site's own styles, on the ground of its
 * pages.
 */
export class SpecimenFrame {
  readonly ground: string;
  readonly #styles: StylesByRole;
  readonly #site: Site;

  constructor(site: Site) {
    this.#site = site;
    this.ground = site.shared.header.ground;
    this.#styles = stylesByRole(site.brand);
  }

  part(id: string, label: string, children: readonly (Element | undefined)[]): SpecimenPart {
    const { brand } = this.#site;
    const gutter = brand.spaceOrder.find((space) => brand.spaces[space]!.use === 'gutter');
    return {
      id,
      label,
      element: element(
        'section',
        {
          className: `${classes(recipes.background(this.ground), ...(gutter ? [recipes.gutter(gutter)] : []))} section specimen`,
          dataPart: id,
          ariaLabel: label,
        },
        [
          element('div', { className: 'cols cols-1 arranged-even' }, [
            element('div', { className: 'col' }, [this.heading(label), ...children]),
          ]),
        ],
      ),
    };
  }

  heading(text: string, level = 2): Element {
    return element(
      `h${level}`,
      {
        className: classes(
          recipes.text(level === 2 ? this.#styles.heading : this.#styles.minor),
          recipes.role(this.ground, 'heading'),
        ),
      },
      [text],
    );
  }

  /** Small words about a sample. */
  caption(...lines: string[]): Element {
    return this.captionOn(this.ground, ...lines);
  }

  captionOn(ground: string, ...lines: string[]): Element {
    return element(
      'p',
      { className: `caption ${classes(recipes.text(this.#styles.fine), recipes.role(ground, 'text'))}` },
      lines.flatMap((line, i) => (i === 0 ? [line] : [element('br', {}), line])),
    );
  }
}
