import Papa from 'papaparse';

/** The parts of a message in a spreadsheet. */
interface SheetMessage {
  readonly at: string;
  readonly tray: string;
  readonly page: string;
  readonly fields: readonly { readonly label: string; readonly value: string }[];
}

/**
 * Letters as a sheet: when, in which tray, from which page, then a column for every field that one of them has; cells
 * that a program would run are made words.
 */
export function messagesSheet(letters: readonly SheetMessage[]): string {
  const labels = [...new Set(letters.flatMap(({ fields }) => fields.map(({ label }) => label)))];
  const data = letters.map(({ at, tray, page, fields }) => [
    at,
    tray,
    page,
    ...labels.map((label) =>
      fields
        .filter((field) => field.label === label)
        .map(({ value }) => value)
        .join('\n'),
    ),
  ]);
  return `${Papa.unparse({ fields: ['Sent', 'Tray', 'Page', ...labels], data }, { newline: '\n', escapeFormulae: true })}\n`;
}
