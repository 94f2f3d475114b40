import * as v from 'valibot';
import { byId, Copy, Id } from '../fields/index.ts';
import { ButtonItem } from './button-item.ts';
import { element, labelled } from './element.ts';
import { pageLink } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { asLine, choiceOf, nameOf, orderOf, refTo, said, saidList } from './meaning.ts';

const FIELD_KINDS = ['text', 'email', 'tel', 'url', 'number', 'date', 'time', 'area', 'select', 'check'] as const;
const KIND_LABELS: Readonly<Record<(typeof FIELD_KINDS)[number], string>> = {
  text: 'line',
  email: 'email address',
  tel: 'phone number',
  url: 'web address',
  number: 'number',
  date: 'date',
  time: 'time',
  area: 'several lines',
  select: 'choice',
  check: 'checkbox',
};

const Field = v.strictObject({
  id: Id,
  label: nameOf('label'),
  kind: choiceOf(
    v.picklist(FIELD_KINDS),
    'Field type',
    FIELD_KINDS.map((value) => ({ value, label: KIND_LABELS[value] })),
    { looks: false, offered: true },
  ),
  help: asLine(Copy, null),
  /** The text below the field if the input is not valid. */
  error: v.optional(asLine(Copy, null)),
  options: saidList('Choices', 40),
  required: v.optional(
    choiceOf(v.literal(true), 'Answer', [{ value: true, label: 'Required' }], {
      looks: false,
      offered: true,
      none: 'Optional',
    }),
  ),
});

/** A form: fields with label, help and error, and the button that sends it. */
export const form = kindOfBlock(
  'form',
  {
    labelStyle: refTo('style', 'Style of labels', true),
    helpStyle: refTo('style', 'Style of help', true),
    order: orderOf('items'),
    items: byId(Field),
    submit: ButtonItem,
    /** The name of its messages; absent: the name of the page. */
    tray: v.optional(said('Form name', 80)),
    /** The text after the form was sent. */
    answer: v.optional(said('Success message', 600)),
  },
  {
    label: 'Form',
    column: 'parts',
    tree(kit, { id: block, labelStyle, order, items }) {
      const rows = order.map((id) => {
        const field = items[id]!;
        const control = kit.htmlId(`${block}-${id}`);
        const label = kit.words('label', `${id}/label`, ['items', id, 'label'], ['labelStyle'], {
          called: 'Field label',
          role: 'label',
          attributes: { htmlFor: control },
        });
        const attributes = (className: string, more: Record<string, string | number> = {}) =>
          kit.painted(
            {
              part: `${id}/field`,
              kind: 'field',
              label: labelled('Field', field.label),
              style: labelStyle,
              paint: [kit.paint.style(labelStyle), kit.paint.corner('field'), kit.paint.field()],
              item: ['items', id],
            },
            className,
            {
              id: control,
              name: id,
              required: field.required,
              ariaDescribedBy:
                [field.help && `${control}-help`, field.error && `${control}-error`].filter(Boolean).join(' ') ||
                undefined,
              ...more,
            },
          );
        const input =
          field.kind === 'area'
            ? element('textarea', attributes('field area', { rows: 4 }))
            : field.kind === 'select'
              ? element(
                  'select',
                  attributes('field'),
                  field.options.map((option) => element('option', {}, [option])),
                )
              : field.kind === 'check'
                ? element('input', attributes('field check', { type: 'checkbox' }))
                : element('input', attributes('field', { type: field.kind }));
        const below = (part: 'help' | 'error') =>
          field[part]
            ? element('p', { id: `${control}-${part}`, className: part }, [
                kit.words('span', `${id}/${part}`, ['items', id, part], ['helpStyle'], {
                  className: 'block',
                  role: part,
                }),
              ])
            : undefined;
        const help = below('help');
        return element('div', { className: field.kind === 'check' ? 'row row-check' : 'row' }, [
          label,
          input,
          below('error'),
          help,
        ]);
      });
      return element('form', { className: 'form', method: 'post', action: kit.answeredBy() }, [
        ...rows,
        element('div', { className: 'buttons' }, [kit.button('', ['submit'], { submit: true })]),
      ]);
    },
    css: `.form { display: grid; gap: 16px; max-width: 560px; padding-block: 8px; }
.form label { display: block; }
.field { display: block; width: 100%; padding: 10px 12px; border-style: solid; appearance: none; }
.area { resize: vertical; }
.row-check { display: grid; grid-template-columns: 24px 1fr; gap: 10px; align-items: center; }
.row-check label { order: 2; }
.field.check { width: 24px; height: 24px; padding: 0; }
.field.check:checked { background-image: linear-gradient(currentcolor, currentcolor); background-size: 12px 12px; background-position: center; background-repeat: no-repeat; }
.error { display: none; }
.row:has(.field:user-invalid) .error { display: block; }
.block { display: block; }
`,
    extras: [
      { of: 'item', key: 'help', label: 'help', none: '', make: () => 'Help for this field.' },
      {
        of: 'item',
        key: 'error',
        label: 'an error',
        none: undefined,
        make: () => 'Say what is missing and how to correct it.',
      },
    ],
    samples: ({ styles, variants, size, page }) => {
      const field = (id: string, label: string, kind: (typeof FIELD_KINDS)[number], help = '', error = '') => ({
        id,
        label,
        kind,
        help,
        ...(error ? { error } : {}),
        options: kind === 'select' ? ['First choice', 'Second choice', 'Third choice'] : [],
      });
      const fields = [
        field('name', 'Line', 'text', 'Help text for the field.', 'An error says what to do.'),
        field('choice', 'Choice', 'select'),
        field('more', 'Longer answer', 'area'),
        field('agree', 'Checkbox', 'check'),
      ];
      return [
        {
          name: 'form',
          labelStyle: styles.fine,
          helpStyle: styles.fine,
          order: fields.map(({ id }) => id),
          items: Object.fromEntries(fields.map((entry) => [entry.id, entry])),
          submit: { id: 'send', label: 'Send', href: pageLink(page), variant: variants[0]!.id, size },
        },
      ];
    },
  },
);
