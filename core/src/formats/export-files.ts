import type { Site } from '../site/index.ts';
import { writeDtcg } from './dtcg-write.ts';
import { swatchSheetSvg, swatchesCsv, swatchesJson } from './swatch-files.ts';
import { writeTokensCss } from './tokens-css-write.ts';

/** An open format that tokens or swatches go out in, as one file. */
export interface ExportFile {
  readonly label: string;
  readonly name: string;
  readonly type: string;
  readonly write: (site: Site) => string;
}

/** Every such format, by the name that the command line knows it under. */
export const EXPORT_FILES = {
  dtcg: {
    label: 'DTCG',
    name: 'tokens.json',
    type: 'application/json',
    write: (site) => `${JSON.stringify(writeDtcg(site), null, 2)}\n`,
  },
  css: { label: 'CSS', name: 'tokens.css', type: 'text/css', write: (site) => writeTokensCss(site.brand) },
  svg: { label: 'Swatch sheet (SVG)', name: 'swatches.svg', type: 'image/svg+xml', write: swatchSheetSvg },
  csv: { label: 'CSV', name: 'swatches.csv', type: 'text/csv', write: swatchesCsv },
  json: { label: 'JSON', name: 'swatches.json', type: 'application/json', write: swatchesJson },
} as const satisfies Readonly<Record<string, ExportFile>>;
