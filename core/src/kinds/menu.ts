import * as v from 'valibot';
import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';
import { choiceOf, refTo } from './meaning.ts';

/** The site's menu once more: in a footer, or in the header that one page has for itself. It follows the menu. */
export const menu = kindOfBlock(
  'menu',
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
  },
  {
    label: 'Menu',
    column: 'words',
    tree: (kit, { flow }) => element('ul', { className: `links ${flow}` }, kit.menu(['style'])),
    css: '.links ul { list-style: none; padding: 4px 0 0 16px; }\n',
    samples: ({ styles }) => [{ name: 'menu', style: styles.running, flow: 'beside' as const }],
  },
);
