import { element } from './element.ts';
import { Content } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { lineOf, refTo } from './meaning.ts';

/** Words of somebody else, and whose they are. */
export const quote = kindOfBlock(
  'quote',
  {
    style: refTo('style', 'Style', true),
    content: Content,
    source: lineOf('label'),
    sourceStyle: refTo('style', 'Style of the source', true),
  },
  {
    label: 'Quote',
    column: 'words',
    tree: (kit, { source }) =>
      element('figure', { className: 'quote' }, [
        element('blockquote', {}, [kit.words('p', 'text', ['content'], ['style'])]),
        source === '' ? undefined : kit.words('figcaption', 'source', ['source'], ['sourceStyle']),
      ]),
    css: '.quote { padding-inline-start: 1.25rem; max-width: 58ch; }\n',
    extras: [
      { of: 'block', key: 'source', label: 'whose words they are', none: '', make: () => 'Whose words they are' },
    ],
    samples: ({ styles }) => [
      {
        name: 'quote',
        style: styles.lead,
        content: [{ text: 'A customer’s words, quoted exactly.' }],
        source: 'Whose words they are',
        sourceStyle: styles.fine,
      },
    ],
  },
);
