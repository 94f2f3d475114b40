import * as v from 'valibot';
import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';
import { levelChoice } from './level.ts';
import { choiceOf, fieldOf, refTo, said } from './meaning.ts';

const LIMITS_OFFERED = [3, 6, 12, 24, 48, 100].map((value) => ({ value, label: String(value) }));
const WORDS = ['line', 'text', 'date', 'number', 'choice', 'link'];

/** Items of a collection, each with what a few of its fields say: as cards on a ground of their own, or one below the other. */
export const items = kindOfBlock('items', {
  collection: refTo('collection', 'Collection', true),
  look: choiceOf(v.picklist(['cards', 'rows']), 'They stand', [{ value: 'cards', label: 'as cards' }, { value: 'rows', label: 'one below the other' }], { offered: true }),
  heading: v.optional(fieldOf('collection', 'Heading', WORDS)), text: v.optional(fieldOf('collection', 'Text', WORDS)), picture: v.optional(fieldOf('collection', 'Picture', ['picture'])),
  by: v.optional(fieldOf('collection', 'In order of', WORDS)), down: v.optional(choiceOf(v.literal(true), 'Order', [{ value: true, label: 'last first' }], { looks: false, offered: true, none: 'first first' })),
  only: v.optional(fieldOf('collection', 'Only where', WORDS)), value: v.optional(said('… is', 80)),
  limit: choiceOf(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100)), 'At most', LIMITS_OFFERED, { looks: false, offered: true }),
  ground: refTo('ground', 'Background of cards', true), headingStyle: refTo('style', 'Style of headings', true), headingLevel: levelChoice, textStyle: refTo('style', 'Style of texts', true),
}, {
  label: 'Items of a collection', column: 'parts',
  tree(kit, block) {
    const { look, ground, headingLevel } = block;
    return element('ul', { className: look === 'cards' ? 'cards across-3' : 'listed' }, kit.items(block).map((item) => {
      const { paint } = kit;
      const card = look === 'cards' ? kit.onSurface({ part: `${item.id}/surface`, label: `Card “${item.name}”`, paint: [paint.surface(ground), ...paint.inset(), paint.corner('card'), ...paint.edge('card')] }, 'card', ground) : undefined;
      const on = card?.kit ?? kit;
      return element('li', card?.properties ?? {}, [
        item.picture ? on.itemPicture(`${item.id}/picture`, item.picture, 'picture wide') : undefined,
        item.heading ? on.itemWords(headingLevel === null ? 'p' : `h${headingLevel}`, `${item.id}/heading`, item.heading, ['headingStyle'], { level: headingLevel, ...(item.href === undefined ? {} : { href: item.href }) }) : undefined,
        item.text ? on.itemWords('p', `${item.id}/text`, item.text, ['textStyle'], {}) : undefined,
      ]);
    }));
  },
  css: '.listed { display: grid; gap: 16px; list-style: none; padding: 0; }\n.listed > li { display: flow-root; }\n.listed .picture { max-width: 280px; margin-block-end: 8px; }\n',
  samples: () => [],
});
