import * as v from 'valibot';
import { Content } from './inline.ts';
import { element } from './element.ts';
import { KEEPS_CSS, keepsField } from './keeps.ts';
import { kindOfBlock } from './kind.ts';
import { Alt, choiceOf, refTo } from './meaning.ts';

const SHAPES = ['wide', 'square', 'tall', 'whole'] as const;

/** A picture in one of three shapes or whole, with what stands below it. */
export const picture = kindOfBlock(
  'picture',
  {
    asset: refTo('asset', 'Image'),
    alt: Alt,
    shape: choiceOf(v.picklist(SHAPES), 'Shape', SHAPES, { looks: false, offered: true }),
    keeps: keepsField,
    caption: v.optional(v.strictObject({ style: refTo('style', 'Style of the caption', true), content: Content })),
  },
  {
    label: 'Image',
    column: 'parts',
    tree(kit, { shape, caption }) {
      const shown = kit.picture('', [], `picture ${shape}`);
      return caption
        ? element('figure', { className: 'captioned' }, [
            shown,
            kit.words('figcaption', 'caption', ['caption', 'content'], ['caption', 'style']),
          ])
        : shown;
    },
    css: `.picture { display: block; width: 100%; height: auto; object-fit: cover; border-style: solid; }
.picture.wide { aspect-ratio: 16 / 9; }
.picture.square { aspect-ratio: 1; }
.picture.tall { aspect-ratio: 3 / 4; }
${KEEPS_CSS}.captioned > figcaption { padding-block-start: 8px; }
`,
    extras: [
      {
        of: 'block',
        key: 'caption',
        label: 'a caption',
        none: undefined,
        make: ({ styles }) => ({ style: styles.fine, content: [{ text: 'Caption and credit.' }] }),
      },
    ],
    samples: ({ asset, styles }) =>
      asset === undefined
        ? []
        : [
            {
              name: 'picture',
              asset,
              alt: 'Image',
              shape: 'wide' as const,
              caption: { style: styles.fine, content: [{ text: 'Caption of the image.' }] },
            },
          ],
  },
);
