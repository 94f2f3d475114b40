import type { Element } from 'hast';
import * as v from 'valibot';
import { element, labelled } from './element.ts';
import type { Kit, ListedItem } from './kit.ts';
import { kindOfBlock } from './kind.ts';
import { levelChoice } from './level.ts';
import { choiceOf, fieldOf, refTo, said } from './meaning.ts';

const LIMITS_OFFERED = [3, 6, 12, 24, 48, 100].map((value) => ({ value, label: String(value) }));
const WORDS = ['line', 'text', 'rich', 'date', 'number', 'choice', 'link'];

const FROM_OFFERED = [1, 2, 3, 6].map((value) => ({ value, label: value === 1 ? 'the first' : `the first ${value}` }));
const LOOKS = [
  { value: 'cards', label: 'cards' },
  { value: 'rows', label: 'rows' },
  { value: 'table', label: 'table' },
  { value: 'gallery', label: 'images' },
];

/**
 * Items of a collection, each with what a few of its fields say: as cards on a ground
 * of their own, one below the other, as rows of a table or as pictures; put together by
 * what a field says, and going on over further pages where the brand's designer says so.
 */
export const items = kindOfBlock(
  'items',
  {
    collection: refTo('collection', 'Collection', true),
    look: choiceOf(v.picklist(['cards', 'rows', 'table', 'gallery']), 'Layout', LOOKS, { offered: true }),
    heading: v.optional(fieldOf('collection', 'Heading', WORDS)),
    text: v.optional(fieldOf('collection', 'Text', WORDS)),
    further: v.optional(fieldOf('collection', 'More text', [...WORDS, 'download'])),
    picture: v.optional(fieldOf('collection', 'Image', ['picture'])),
    by: v.optional(fieldOf('collection', 'Sort by', WORDS)),
    down: v.optional(
      choiceOf(v.literal(true), 'Order', [{ value: true, label: 'Descending' }], {
        looks: false,
        offered: true,
        none: 'Ascending',
      }),
    ),
    only: v.optional(fieldOf('collection', 'Only where', WORDS)),
    value: v.optional(said('… is', 80)),
    group: v.optional(fieldOf('collection', 'Group by', ['choice', 'line'])),
    from: v.optional(
      choiceOf(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(10_000)), 'Skip', FROM_OFFERED, {
        looks: false,
        offered: true,
        none: 'none',
      }),
    ),
    limit: choiceOf(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100)), 'At most', LIMITS_OFFERED, {
      looks: false,
      offered: true,
    }),
    paged: v.optional(
      choiceOf(v.literal(true), 'Remaining items', [{ value: true, label: 'on more pages' }], {
        looks: false,
        offered: true,
        none: 'not shown',
      }),
    ),
    ground: refTo('ground', 'Background of cards', true),
    groupStyle: v.optional(refTo('style', 'Style of groups', true)),
    headingStyle: refTo('style', 'Style of headings', true),
    headingLevel: levelChoice,
    textStyle: refTo('style', 'Style of texts', true),
  },
  {
    label: 'Items of a collection',
    column: 'parts',
    tree(kit, block) {
      const listed = kit.items(block);
      const groups: ListedItem[][] = [];
      for (const item of listed) {
        const last = groups.at(-1);
        if (last && last[0]!.group?.text === item.group?.text) last.push(item);
        else groups.push([item]);
      }
      const { headingLevel } = block;
      const parts = groups.flatMap((group): Element[] => {
        const { group: head, id } = group[0]!;
        const title =
          head && head.text !== ''
            ? [
                kit.itemWords(
                  headingLevel === null ? 'p' : `h${headingLevel}`,
                  `${id}/group`,
                  { text: `${head.text} (${head.count})` },
                  [block.groupStyle === undefined ? 'headingStyle' : 'groupStyle'],
                  { level: headingLevel, styledAt: ['groupStyle'] },
                ),
              ]
            : [];
        // Within a group the heading is that of the group: its items are a list below it.
        const level = title.length === 0 ? headingLevel : null;
        return [...title, block.look === 'table' ? asTable(kit, block, group) : asList(kit, block, group, level)];
      });
      const pages = kit.listPages(block);
      const more =
        pages.length > 0
          ? [
              element('nav', { ariaLabel: 'Pages of the list' }, [
                element('ul', { className: 'list-pages' }, kit.pageLinks(pages, ['textStyle'])),
              ]),
            ]
          : [];
      return parts.length === 1 && more.length === 0
        ? parts[0]!
        : element('div', { className: 'listing' }, [...parts, ...more]);
    },
    css: `.listed { display: grid; gap: 16px; list-style: none; padding: 0; }
.listed > li { display: flow-root; }
.listed .picture { max-width: 280px; margin-block-end: 8px; }
.list-pages { display: flex; flex-wrap: wrap; gap: 4px 16px; list-style: none; padding-block: 12px; }
.list-pages a { display: inline-block; min-width: 24px; min-height: 24px; text-align: center; }
`,
    samples: ({ collection, styles, ground }) =>
      collection === undefined
        ? []
        : [
            {
              name: 'items',
              collection: collection.id,
              look: 'rows' as const,
              heading: collection.heading,
              ...(collection.text === undefined ? {} : { text: collection.text }),
              ...(collection.picture === undefined ? {} : { picture: collection.picture }),
              limit: 3,
              ground: ground.id,
              headingStyle: styles.minor,
              headingLevel: 3,
              textStyle: styles.running,
            },
          ],
  },
);

type List = v.InferOutput<typeof items.schema>;

function asList(kit: Kit, { look, ground }: List, shown: readonly ListedItem[], level: number | null): Element {
  const { paint } = kit;
  return element(
    'ul',
    { className: look === 'cards' ? 'cards across-3' : look === 'gallery' ? 'gallery across-3' : 'listed' },
    shown.map((item) => {
      const card =
        look === 'cards'
          ? kit.onSurface(
              {
                part: `${item.id}/surface`,
                label: `Card “${item.name}”`,
                paint: [paint.background(ground), ...paint.inset(), paint.corner('card'), ...paint.edge('card')],
              },
              'card',
              ground,
            )
          : undefined;
      const on = card?.kit ?? kit;
      return element('li', card?.properties ?? {}, [
        item.picture
          ? on.itemPicture(`${item.id}/picture`, item.picture, look === 'gallery' ? 'picture square' : 'picture wide')
          : undefined,
        item.heading
          ? on.itemWords(level === null ? 'p' : `h${level}`, `${item.id}/heading`, item.heading, ['headingStyle'], {
              level,
              ...(item.href === undefined ? {} : { href: item.href }),
            })
          : undefined,
        item.text && look !== 'gallery'
          ? on.itemWords('p', `${item.id}/text`, item.text, ['textStyle'], {})
          : undefined,
        item.further && look !== 'gallery'
          ? on.itemWords('p', `${item.id}/further`, item.further, ['textStyle'], {})
          : undefined,
      ]);
    }),
  );
}

/** Rows of a table: the first cell heads its row. */
function asTable(kit: Kit, block: List, shown: readonly ListedItem[]): Element {
  const { paint } = kit;
  const fields = (['heading', 'text', 'further'] as const).filter((name) => block[name] !== undefined);
  const names = kit.fieldNames(
    block,
    fields.map((field) => block[field]),
  );
  const first = shown[0]!.id;
  const head = fields.map((field, i) =>
    element(
      'th',
      kit.painted(
        {
          part: `${first}/head-${field}`,
          kind: 'cell',
          label: labelled('Column head', names[i]!),
          paint: [...paint.text(block.headingStyle), paint.rule(), paint.line('end')],
          style: block.headingStyle,
        },
        '',
        { scope: 'col' },
      ),
      [names[i]!],
    ),
  );
  const rows = shown.map((item) =>
    element(
      'tr',
      {},
      fields.map((field) => {
        const words = item[field];
        const cell = kit.painted(
          {
            part: `${item.id}/cell-${field}`,
            kind: 'cell',
            label: labelled('Cell', words?.text ?? ''),
            paint: [...paint.text(block.textStyle), paint.rule(), paint.line('end')],
            style: block.textStyle,
          },
          '',
          field === 'heading' ? { scope: 'row' } : {},
        );
        const href = field === 'heading' ? item.href : undefined;
        return element(
          field === 'heading' ? 'th' : 'td',
          cell,
          words
            ? [kit.itemWords('span', `${item.id}/${field}`, words, ['textStyle'], href === undefined ? {} : { href })]
            : [],
        );
      }),
    ),
  );
  return element('div', { className: 'table-wrap', tabIndex: 0, role: 'region', ariaLabel: names[0] ?? 'Table' }, [
    element('table', {}, [element('thead', {}, [element('tr', {}, head)]), element('tbody', {}, rows)]),
  ]);
}
