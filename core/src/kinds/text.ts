import { contentAtLevel, pageLink } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { levelChoice } from './level.ts';
import { refTo } from './meaning.ts';

/** A paragraph or a heading. What it looks like (`style`) is apart from its `level` (null: a paragraph). */
export const text = kindOfBlock(
  'text',
  { style: refTo('style', 'Style', true), level: levelChoice, content: contentAtLevel('level') },
  {
    label: 'Text',
    column: 'words',
    tree: (kit, { level }) => kit.words(level === null ? 'p' : `h${level}`, 'text', ['content'], ['style'], { level }),
    samples: ({ styles, ground, page }) => [
      { name: 'eyebrow', style: styles.eyebrow, level: null, content: [{ text: 'Eyebrow' }] },
      { name: 'heading', style: styles.heading, level: 2, content: [{ text: ground.label }] },
      {
        name: 'lead',
        style: styles.lead,
        level: null,
        content: [{ text: 'A lead sums up the section in one sentence.' }],
      },
      {
        name: 'running',
        style: styles.running,
        level: null,
        content: [
          { text: 'Body text with ' },
          { text: 'strong words', mark: 'strong' as const },
          { text: ', ' },
          { text: 'emphasis', mark: 'em' as const },
          { text: ', ' },
          { id: 'link', link: pageLink(page), text: 'a link in its place' },
          { text: ' and ' },
          { id: 'mark', marked: true as const, text: 'marked words' },
          { text: '. It goes on long enough to show where lines end and how far apart they stand.' },
        ],
      },
      {
        name: 'fine',
        style: styles.fine,
        level: null,
        content: [{ text: 'Small print for details that few readers need.' }],
      },
    ],
  },
);
