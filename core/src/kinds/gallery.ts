import * as v from 'valibot';
import { byId, Id } from '../fields/index.ts';
import { element } from './element.ts';
import { keepsField } from './keeps.ts';
import { kindOfBlock } from './kind.ts';
import { Alt, choiceOf, orderOf, refTo } from './meaning.ts';

const SHAPES = ['wide', 'square', 'tall'] as const;
const ACROSS = [2, 3, 4].map((across) => ({ value: across, label: String(across) }));

/** Pictures side by side, all in one shape. */
export const gallery = kindOfBlock(
  'gallery',
  {
    shape: choiceOf(v.picklist(SHAPES), 'Shape', SHAPES, { looks: false, offered: true }),
    across: choiceOf(v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(4)), 'Images in a row', ACROSS, {
      looks: false,
      offered: true,
    }),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, asset: refTo('asset', 'Image'), alt: Alt, keeps: keepsField })),
  },
  {
    label: 'Gallery',
    column: 'parts',
    tree: (kit, { shape, across, order }) =>
      element(
        'div',
        { className: `gallery across-${across}` },
        order.map((id) => element('div', {}, [kit.picture(id, ['items', id], `picture ${shape}`)])),
      ),
    css: '.gallery { display: grid; gap: 16px; grid-template-columns: repeat(2, minmax(0, 1fr)); padding-block: 8px; }\n@media (width >= 640px) { .gallery.across-3 { grid-template-columns: repeat(3, minmax(0, 1fr)); } .gallery.across-4 { grid-template-columns: repeat(4, minmax(0, 1fr)); } }\n',
    samples: ({ asset }) =>
      asset === undefined
        ? []
        : [
            {
              name: 'gallery',
              shape: 'square' as const,
              across: 2,
              order: ['a', 'b'],
              items: { a: { id: 'a', asset, alt: 'Image' }, b: { id: 'b', asset, alt: 'The same once more' } },
            },
          ],
  },
);
