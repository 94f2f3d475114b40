import * as v from 'valibot';
import { byId, Id } from '../fields/index.ts';
import { element } from './element.ts';
import { Content } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { nameOf, orderOf, refTo } from './meaning.ts';

/**
 * Questions with their answers, opened and closed without script. The first stands open, so that it is seen how they
 * look.
 */
export const questions = kindOfBlock(
  'questions',
  {
    questionStyle: refTo('style', 'Style of questions', true),
    answerStyle: refTo('style', 'Style of answers', true),
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, question: nameOf('heading'), answer: Content })),
  },
  {
    label: 'Questions',
    column: 'words',
    tree: (kit, { order }) =>
      element(
        'div',
        { className: 'questions' },
        order.map((id, i) =>
          element('details', { open: i === 0 }, [
            element('summary', {}, [
              kit.words('span', `${id}/question`, ['items', id, 'question'], ['questionStyle'], { className: 'block' }),
            ]),
            kit.words('p', `${id}/answer`, ['items', id, 'answer'], ['answerStyle']),
          ]),
        ),
      ),
    css: `.questions > details { padding-block: 8px; }
.questions summary { display: grid; grid-template-columns: 1.25rem minmax(0, 1fr); align-items: baseline; cursor: pointer; list-style: none; }
.questions summary::-webkit-details-marker { display: none; }
.questions summary::before { content: "+" / ""; }
.questions details[open] > summary::before { content: "\\2212" / ""; }
.questions details > p { padding-inline-start: 1.25rem; }
.col > .questions { max-width: 66ch; }
`,
    samples: ({ styles }) => [
      {
        name: 'questions',
        questionStyle: styles.minor,
        answerStyle: styles.running,
        order: ['a'],
        items: { a: { id: 'a', question: 'Is this a question?', answer: [{ text: 'The answer.' }] } },
      },
    ],
  },
);
