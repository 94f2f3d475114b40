import { byId } from '../fields/index.ts';
import { ButtonItem } from './button-item.ts';
import { element } from './element.ts';
import { pageLink } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { orderOf } from './meaning.ts';

/** Buttons in a row that breaks where it must. */
export const buttons = kindOfBlock(
  'buttons',
  { order: orderOf('items'), items: byId(ButtonItem) },
  {
    label: 'Buttons',
    column: 'words',
    tree: (kit, { order }) =>
      element(
        'div',
        { className: 'buttons' },
        order.map((id) => kit.button('', ['items', id])),
      ),
    samples: ({ variants, size, page }) => [
      {
        name: 'buttons',
        order: variants.map(({ id }) => id),
        items: Object.fromEntries(
          variants.map(({ id, label }) => [id, { id, label, href: pageLink(page), variant: id, size }]),
        ),
      },
    ],
  },
);
