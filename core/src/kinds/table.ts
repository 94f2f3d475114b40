import * as v from 'valibot';
import { byId, Copy, Id, record, text } from '../fields/index.ts';
import { element, labelled } from './element.ts';
import { kindOfBlock } from './kind.ts';
import type { Kit, Path } from './kit.ts';
import { asLine, orderOf, refTo } from './meaning.ts';

/** A table with a head; every second row stands on a stripe. */
export const table = kindOfBlock(
  'table',
  {
    style: refTo('style', 'Style', true),
    headStyle: refTo('style', 'Style of the head', true),
    caption: asLine(text(200), null),
    columnOrder: orderOf('columns'),
    columns: byId(v.strictObject({ id: Id, label: asLine(text(80), null, { looks: false }) })),
    // A cell is there whether it says something or not.
    order: orderOf('items'),
    items: byId(v.strictObject({ id: Id, cells: record(Id, asLine(Copy, 'cell', { looks: false })) })),
  },
  {
    label: 'Table',
    column: 'parts',
    tree(kit, { style, headStyle, caption, columnOrder, columns, order, items }) {
      const cell = (on: Kit, tag: 'td' | 'th', part: string, set: string, words: string, at: Path) =>
        element(
          tag,
          on.painted(
            {
              part,
              kind: 'cell',
              label: labelled(tag === 'td' ? 'Cell' : 'Column head', words),
              paint: [...on.paint.text(set), on.paint.rule(), on.paint.line('end')],
              style: set,
              words: at,
            },
            '',
            tag === 'th' ? { scope: 'col' } : {},
          ),
          [words],
        );
      // The tree is noted in the order in which it is read: the caption first.
      const title = caption === '' ? undefined : kit.words('caption', 'caption', ['caption'], ['headStyle']);
      const head = element('thead', {}, [
        element(
          'tr',
          {},
          columnOrder.map((id) =>
            cell(kit, 'th', `head/${id}`, headStyle, columns[id]!.label, ['columns', id, 'label']),
          ),
        ),
      ]);
      const body = element(
        'tbody',
        {},
        order.map((row, i) => {
          const { cells } = items[row]!;
          // Over a picture there is no stripe: it would hide the picture.
          const striped =
            i % 2 === 1 && !kit.overPicture
              ? kit.onSurface(
                  {
                    part: `${row}/stripe`,
                    label: labelled('Table stripe', cells[columnOrder[0]!] ?? ''),
                    paint: [kit.paint.stripe()],
                  },
                  '',
                )
              : undefined;
          return element(
            'tr',
            striped?.properties ?? {},
            columnOrder.map((id) =>
              cell(striped?.kit ?? kit, 'td', `${row}/${id}`, style, cells[id] ?? '', ['items', row, 'cells', id]),
            ),
          );
        }),
      );
      return element('div', { className: 'table-wrap', tabIndex: 0, role: 'region', ariaLabel: caption || 'Table' }, [
        element('table', {}, [title, head, body]),
      ]);
    },
    css: `.table-wrap { overflow-x: auto; padding-block: 8px; }
table { width: 100%; border-collapse: collapse; }
caption { text-align: start; }
th, td { text-align: start; vertical-align: baseline; padding: 10px 12px; border-width: 0; border-style: solid; }
`,
    samples: ({ styles }) => [
      {
        name: 'table',
        style: styles.running,
        headStyle: styles.fine,
        caption: 'A table',
        columnOrder: ['what', 'much'],
        columns: { what: { id: 'what', label: 'What' }, much: { id: 'much', label: 'How much' } },
        order: ['a', 'b', 'c'],
        items: Object.fromEntries(
          (
            [
              ['a', 'The first row', '12.50'],
              ['b', 'A striped row', '8.00'],
              ['c', 'The last row', '111.25'],
            ] as const
          ).map(([id, what, much]) => [id, { id, cells: { what, much } }]),
        ),
      },
    ],
  },
);
