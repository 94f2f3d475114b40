import { readFile } from 'node:fs/promises';
import { cutDownText, extractPalette, hex } from '@yohaku/core';
import { PictureRefused, decodePicture } from '../assets/index.ts';
import { print, readArgs, UseError, type Verb } from './host.ts';

export const palette: Verb = {
  help: './yohaku palette FILE [--colors N] [--json]\n\nThe palette of a PNG, JPEG, WebP or SVG, largest share first; N colours at most (1 to 32, default 8).\n',
  async run(args) {
    const { values, positionals } = readArgs(args, { json: { type: 'boolean' }, colors: { type: 'string' } });
    if (positionals.length !== 1) throw new UseError('palette takes one file: ./yohaku palette logo.png');
    const most = values.colors === undefined ? 8 : Number(values.colors);
    if (!Number.isInteger(most) || most < 1 || most > 32) throw new UseError(`--colors takes a whole number from 1 to 32, not “${values.colors}”.`);
    const file = positionals[0]!;
    const bytes = await readFile(file).catch((error: NodeJS.ErrnoException) => {
      throw new UseError(error.code === 'ENOENT' ? `there is no file ${file}.` : `${file} cannot be read: ${error.code ?? error.message}.`);
    });
    const picture = await decodePicture(bytes).catch((error: unknown) => {
      throw error instanceof PictureRefused ? new UseError(`${file}: ${error.message}`) : error;
    });
    const colors = extractPalette(picture.pixels, most).map(({ rgb, share, role }) => ({ hex: hex(rgb), share, role }));
    print(values.json, colors, () => colors.map((one) => `${one.hex}  ${cutDownText(one.share * 100, 1).padStart(5)} %  ${one.role}`).join('\n'));
    return 0;
  },
};
