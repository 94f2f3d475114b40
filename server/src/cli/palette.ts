import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { cutDownText } from '@yohaku/core';
import { PictureRefused } from '../assets/index.ts';
import { SourceRefused, readSource } from '../sources/index.ts';
import { print, readArgs, UseError, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

export const palette: Verb = {
  async run(args) {
    const { values, positionals } = readArgs(args, VERBS.palette.options);
    if (positionals.length !== 1) throw new UseError('palette takes one file: ./yohaku palette logo.png');
    const most = values.colors === undefined ? 8 : Number(values.colors);
    if (!Number.isInteger(most) || most < 1 || most > 32)
      throw new UseError(`--colors takes a whole number from 1 to 32, not “${values.colors}”.`);
    const file = positionals[0]!;
    const bytes = await readFile(file).catch((error: NodeJS.ErrnoException) => {
      throw new UseError(
        error.code === 'ENOENT'
          ? `there is no file ${file}.`
          : `${file} cannot be read: ${error.code ?? error.message}.`,
      );
    });
    const read = await readSource(basename(file), bytes).catch((error: unknown) => {
      throw error instanceof PictureRefused || error instanceof SourceRefused
        ? new UseError(`${file}: ${error.message}`)
        : error;
    });
    for (const note of read.notes) process.stderr.write(`${note}\n`);
    const colors = read.colors
      .slice(0, most)
      .map(({ hex, share, role, uses }) => ({ hex, share, role, ...(uses === null ? {} : { uses }) }));
    print(values.json, colors, () =>
      colors
        .map((color) => `${color.hex}  ${cutDownText(color.share * 100, 1).padStart(5)} %  ${color.role}`)
        .join('\n'),
    );
    return 0;
  },
};
