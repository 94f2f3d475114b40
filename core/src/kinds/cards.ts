import * as v from 'valibot';
import { byId, Copy, Id } from '../fields/index.ts';
import { ButtonItem } from './button-item.ts';
import { element, labelled } from './element.ts';
import { Content, Href, pageLink } from './inline.ts';
import { keepsField } from './keeps.ts';
import { kindOfBlock } from './kind.ts';
import { levelChoice } from './level.ts';
import { Alt, asLine, choiceOf, nameOf, orderOf, refTo } from './meaning.ts';

const ACROSS = [1, 2, 3, 4].map((across) => ({ value: across, label: String(across) }));

const Card = v.strictObject({
  id: Id,
  heading: nameOf('card'),
  content: Content,
  picture: v.nullable(v.strictObject({ asset: refTo('asset', 'Image'), alt: Alt, keeps: keepsField })),
  link: v.nullable(v.strictObject({ id: Id, link: Href, text: asLine(Copy, null) })),
  button: v.nullable(ButtonItem),
});

/** Cards on a ground of their own, side by side where there is room. */
export const cards = kindOfBlock(
  'cards',
  {
    ground: refTo('ground', 'Background', true),
    headingStyle: refTo('style', 'Style of headings', true),
    headingLevel: levelChoice,
    textStyle: refTo('style', 'Style of texts', true),
    across: choiceOf(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4)), 'Cards in a row', ACROSS, {
      looks: false,
      offered: true,
    }),
    order: orderOf('items'),
    items: byId(Card),
  },
  {
    label: 'Cards',
    column: 'parts',
    tree(kit, { ground, headingLevel, across, order, items }) {
      const { paint } = kit;
      return element(
        'ul',
        { className: `cards across-${across}` },
        order.map((id) => {
          const card = items[id]!;
          const { kit: on, properties } = kit.onSurface(
            {
              part: `${id}/surface`,
              label: labelled('Card', card.heading),
              paint: [paint.background(ground), ...paint.inset(), paint.corner('card'), ...paint.edge('card')],
            },
            'card',
            ground,
          );
          return element('li', properties, [
            card.picture ? on.picture(id, ['items', id, 'picture'], 'picture wide') : undefined,
            on.words(
              headingLevel === null ? 'p' : `h${headingLevel}`,
              `${id}/heading`,
              ['items', id, 'heading'],
              ['headingStyle'],
              { level: headingLevel },
            ),
            on.words('p', `${id}/text`, ['items', id, 'content'], ['textStyle']),
            card.link ? on.words('p', `${id}/more-line`, ['items', id, 'link'], ['textStyle']) : undefined,
            card.button
              ? element('div', { className: 'buttons' }, [on.button(id, ['items', id, 'button'])])
              : undefined,
          ]);
        }),
      );
    },
    css: `.cards { display: grid; gap: inherit; grid-template-columns: minmax(0, 1fr); padding-block: 8px; }
.card { min-width: 0; border-style: solid; }
.card .picture { margin-block-end: 12px; }
@media (width >= 640px) { .across-2, .across-3, .across-4 { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
@media (width >= 1024px) {
.across-3 { grid-template-columns: repeat(3, minmax(0, 1fr)); }
.across-4 { grid-template-columns: repeat(4, minmax(0, 1fr)); }
}
`,
    extras: [
      { of: 'item', key: 'picture', label: 'an image', none: null, make: ({ asset }) => asset && { asset, alt: '' } },
      {
        of: 'item',
        key: 'link',
        label: 'a link',
        none: null,
        make: ({ page }, id) => ({ id, link: pageLink(page), text: 'More of it' }),
      },
      {
        of: 'item',
        key: 'button',
        label: 'a button',
        none: null,
        make: ({ page, variants, size }, id) => ({
          id,
          label: 'Begin',
          href: pageLink(page),
          variant: variants[0]!.id,
          size,
        }),
      },
    ],
    samples: ({ styles, ground, page }) => [
      {
        name: 'cards',
        ground: ground.id,
        headingStyle: styles.minor,
        headingLevel: 3,
        textStyle: styles.running,
        across: 1,
        order: ['a'],
        items: {
          a: {
            id: 'a',
            heading: 'A card',
            content: [{ text: 'Cards have their own background; this card has the same one.' }],
            picture: null,
            link: { id: 'more', link: pageLink(page), text: 'Where it leads' },
            button: null,
          },
        },
      },
    ],
  },
);
