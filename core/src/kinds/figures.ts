import * as v from 'valibot';
import { byId, Id, Label } from '../fields/index.ts';
import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';
import { asLine, nameOf, orderOf, refTo } from './meaning.ts';

/** Large figures, each with what it counts. */
export const figures = kindOfBlock(
  'figures',
  {
    valueStyle: refTo('style', 'Style of figures', true),
    labelStyle: refTo('style', 'Style of labels', true),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, value: asLine(Label, null), label: nameOf('label') })),
  },
  {
    label: 'Figures',
    column: 'words',
    tree: (kit, { order }) =>
      element(
        'dl',
        { className: 'figures' },
        order.map((id) =>
          element('div', {}, [
            kit.words('dt', `${id}/label`, ['items', id, 'label'], ['labelStyle']),
            kit.words('dd', `${id}/value`, ['items', id, 'value'], ['valueStyle']),
          ]),
        ),
      ),
    css: '.figures { display: grid; grid-template-columns: repeat(auto-fit, minmax(160px, 1fr)); gap: 24px; padding-block: 8px; }\n',
    samples: ({ styles }) => [
      {
        name: 'figures',
        valueStyle: styles.minor,
        labelStyle: styles.fine,
        order: ['a', 'b'],
        items: {
          a: { id: 'a', value: '1 284', label: 'A figure' },
          b: { id: 'b', value: '37 %', label: 'and a share' },
        },
      },
    ],
  },
);
