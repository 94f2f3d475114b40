import * as v from 'valibot';
import { byId, Id } from '../fields/index.ts';
import { iconChoice } from './button-item.ts';
import { element } from './element.ts';
import { Content } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { choiceOf, orderOf, refTo } from './meaning.ts';

/** A list: with dots, numbered, or with an icon before each item. */
export const list = kindOfBlock(
  'list',
  {
    style: refTo('style', 'Style', true),
    ordered: choiceOf(
      v.boolean(),
      'Before each item',
      [
        { value: false, label: 'a dot' },
        { value: true, label: 'its number' },
      ],
      { looks: false, offered: true },
    ),
    icon: v.optional(iconChoice('Icon of the whole list', 'ordered')),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, content: Content })),
  },
  {
    label: 'List',
    column: 'words',
    tree: (kit, { ordered, icon, order }) =>
      element(
        ordered ? 'ol' : 'ul',
        { className: icon ? 'list with-icons' : 'list' },
        order.map((id) => {
          const item = kit.words('li', `${id}/text`, ['items', id, 'content'], ['style']);
          if (icon) item.children.unshift(kit.icon(`${id}/icon`, icon, `${id}/text`));
          return item;
        }),
      ),
    css: `.list { padding-inline-start: 1.25rem; list-style: disc; }
.col > .list { max-width: 58ch; }
ol.list { list-style: decimal; }
.with-icons { list-style: none; padding-inline-start: 0; }
.with-icons > li { position: relative; padding-inline-start: 2em; }
.icon { position: absolute; inset-inline-start: 0; top: 0.2em; width: 1.25em; height: 1.25em; fill: none; stroke: currentColor; stroke-width: 2; stroke-linecap: round; stroke-linejoin: round; }
`,
    samples: ({ styles }) => [
      {
        name: 'list',
        style: styles.running,
        ordered: false,
        icon: 'check' as const,
        order: ['a', 'b'],
        items: {
          a: { id: 'a', content: [{ text: 'An item of a list' }] },
          b: { id: 'b', content: [{ text: 'and another one' }] },
        },
      },
    ],
  },
);
