import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';
import { refTo } from './meaning.ts';

/** Room between what is above and what is below it, as one of the brand's spaces has it at each width. */
export const space = kindOfBlock(
  'space',
  { space: refTo('space', 'Space', true) },
  {
    label: 'Space',
    column: 'words',
    // Two empty rows and what keeps them apart: as high as the space is.
    tree: (kit, block) =>
      element(
        'div',
        kit.painted(
          { part: 'space', kind: 'surface', label: 'Space', paint: [kit.paint.between(block.space)] },
          'room',
          {
            ariaHidden: 'true',
          },
        ),
        [element('i', {}), element('i', {})],
      ),
    css: '.room { display: grid; }\n',
    samples: ({ space }) => [{ name: 'space', space }],
  },
);
