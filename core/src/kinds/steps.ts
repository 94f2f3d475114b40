import * as v from 'valibot';
import { byId, Id } from '../fields/index.ts';
import { element } from './element.ts';
import { Content } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { levelChoice } from './level.ts';
import { nameOf, orderOf, refTo } from './meaning.ts';

/** Things to do one after the other, numbered: each with a heading and what is to be done. */
export const steps = kindOfBlock(
  'steps',
  {
    headingStyle: refTo('style', 'Style of headings', true),
    headingLevel: levelChoice,
    textStyle: refTo('style', 'Style of texts', true),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, heading: nameOf('heading'), content: Content })),
  },
  {
    label: 'Steps',
    column: 'words',
    tree: (kit, { headingLevel, order }) =>
      element(
        'ol',
        { className: 'steps' },
        order.map((id) =>
          element('li', {}, [
            kit.words(
              headingLevel === null ? 'p' : `h${headingLevel}`,
              `${id}/heading`,
              ['items', id, 'heading'],
              ['headingStyle'],
              { level: headingLevel },
            ),
            kit.words('p', `${id}/text`, ['items', id, 'content'], ['textStyle']),
          ]),
        ),
      ),
    css: '.steps { padding-inline-start: 2rem; list-style: decimal; }\n.col > .steps { max-width: 62ch; }\n',
    samples: ({ styles }) => [
      {
        name: 'steps',
        headingStyle: styles.minor,
        headingLevel: 3,
        textStyle: styles.running,
        order: ['a', 'b'],
        items: {
          a: { id: 'a', heading: 'What comes first', content: [{ text: 'And how it is done.' }] },
          b: { id: 'b', heading: 'What comes then', content: [{ text: 'How to do this step.' }] },
        },
      },
    ],
  },
);
