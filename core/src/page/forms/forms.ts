import { type BlockOf } from '../../kinds/index.ts';
import { perSection, sectionsOn, type Page, type Section, type Site } from '../../site/index.ts';

export type Form = BlockOf<'form'>;

/** A form as it stands on a page. */
export interface FormOnPage {
  readonly page: Page;
  readonly section: Section;
  readonly form: Form;
  /** File it is sent to, which says what was to be said. */ readonly file: string;
}

/** File that answers a form which was sent from a page. */
export const answerFile = (page: Page, form: string): string => `${page.file.replace(/\.html$/, '')}-${form}-sent.html`;

/**
 * The forms of a site, page by page in their order; one in a kept section or the footer once for each page that shows
 * it.
 */
export function formsOf(site: Site): FormOnPage[] {
  return site.pageOrder.flatMap((id) => {
    const page = site.pages[id]!;
    return sectionsOn(site, page).flatMap((section) =>
      formsIn(section).map((form): FormOnPage => ({ page, section, form, file: answerFile(page, form.id) })),
    );
  });
}

/** Returns the forms of a section, column by column. */
const formsIn = perSection(({ columnOrder, columns, blocks }) =>
  columnOrder.flatMap((column) =>
    columns[column]!.order.flatMap((id): Form[] => {
      const form = blocks[id]!;
      return form.kind === 'form' ? [form] : [];
    }),
  ),
);

/** A field of a message: its label and its value, in order. */
export interface LetterField {
  readonly label: string;
  readonly value: string;
}

/** Longest answer to one field, characters. */
export const MOST_ANSWER = 5000;

/**
 * Reads what was sent from a form: the fields that the form has, in its order.
 *
 * @param sent values by the ids of fields; a check that is on has `on`
 * @returns the fields, or in a sentence what is missing or no good
 */
export function readLetter(form: Form, sent: ReadonlyMap<string, string>): LetterField[] | string {
  const fields: LetterField[] = [];
  for (const id of form.order) {
    const field = form.items[id]!;
    const value = (sent.get(id) ?? '').replace(/\r\n?/g, '\n').trim();
    if (field.required && value === '') return `“${field.label}” is needed.`;
    if (value.length > MOST_ANSWER)
      return `“${field.label}” has ${value.length} characters; at most ${MOST_ANSWER} are allowed.`;
    const wrong = value === '' ? '' : (PROBLEMS[field.kind]?.(value, field.options) ?? '');
    if (wrong) return `“${field.label}” ${wrong}.`;
    fields.push({ label: field.label, value: field.kind === 'check' ? (value === '' ? 'no' : 'yes') : value });
  }
  return fields;
}

const PROBLEMS: Partial<Record<Form['items'][string]['kind'], (value: string, options: readonly string[]) => string>> =
  {
    email: (value) => (/^[^\s@]+@[^\s@]+$/.test(value) ? '' : 'is no mail address'),
    url: (value) => (/^https?:\/\/\S+$/i.test(value) ? '' : 'is no web address'),
    number: (value) => (Number.isFinite(Number(value)) ? '' : 'is no number'),
    date: (value) => (/^\d{4}-\d{2}-\d{2}$/.test(value) ? '' : 'is no date'),
    time: (value) => (/^\d{2}:\d{2}(:\d{2})?$/.test(value) ? '' : 'is no time'),
    select: (value, options) => (options.includes(value) ? '' : 'is not one of the choices'),
  };
