import * as v from 'valibot';
import { byId, Copy, Id } from '../fields/index.ts';
import { element } from './element.ts';
import { Href, pageLink } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { asLine, choiceOf, orderOf, refTo } from './meaning.ts';

/** Links one below the other or side by side: to pages, to places elsewhere, to files. */
export const links = kindOfBlock(
  'links',
  {
    style: refTo('style', 'Style', true),
    flow: choiceOf(
      v.picklist(['below', 'beside']),
      'Layout',
      [
        { value: 'below', label: 'stacked' },
        { value: 'beside', label: 'in a row' },
      ],
      { looks: false, offered: true },
    ),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, more: v.strictObject({ id: Id, link: Href, text: asLine(Copy, null) }) })),
  },
  {
    label: 'Links',
    column: 'words',
    tree: (kit, { flow, order }) =>
      element(
        'ul',
        { className: `links ${flow}` },
        order.map((id) => element('li', {}, [kit.words('p', `${id}/line`, ['items', id, 'more'], ['style'])])),
      ),
    css: '.links { list-style: none; padding: 0; display: flex; flex-wrap: wrap; gap: 8px 24px; }\n.links.below { flex-direction: column; }\n',
    samples: ({ styles, page }) => [
      {
        name: 'links',
        style: styles.running,
        flow: 'beside' as const,
        order: ['a', 'b'],
        items: {
          a: { id: 'a', more: { id: 'la', link: pageLink(page), text: 'A link' } },
          b: { id: 'b', more: { id: 'lb', link: pageLink(page), text: 'and another' } },
        },
      },
    ],
  },
);
