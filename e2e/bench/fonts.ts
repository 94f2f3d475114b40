import { readFileSync } from 'node:fs';
import { create, type Font } from 'fontkit';
import { LIBRARY } from '@yohaku/core';
import { readFontFile } from '../../server/src/fonts/index.ts';
import { fontPath } from '../../server/src/publish/index.ts';
import { ROOT } from '../../server/src/testing/database.ts';
import { median, timed, type Result } from './result.ts';

const WARM_UP = 1500;

/**
 * Every family's first file: all that is read of it, checks included, against fontkit opening it until it can name it
 * and say how high it is.
 */
export function benchFonts(): Result[] {
  const files = LIBRARY.map(({ id, weights }) =>
    readFileSync(fontPath(ROOT, id, `${id}-latin-${weights[0]}-normal.woff2`)),
  );
  const read = () => files.forEach((bytes) => readFontFile(bytes));
  const open = () =>
    files.forEach((bytes) => {
      const font = create(bytes) as Font;
      if (font.ascent === 0 || font.familyName === '') throw new Error('a font says nothing');
    });
  timed(1, read, WARM_UP);
  timed(1, open, WARM_UP);
  // In turns, so that a machine that slows down slows both.
  const rounds = Array.from({ length: 15 }, () => ({ ours: timed(1, read), reference: timed(1, open) }));
  const ratio = median(rounds.map((round) => round.ours / round.reference));
  return [
    {
      name: `metrics of ${files.length} fonts`,
      median: median(rounds.map((round) => round.ours)),
      unit: 'ms',
      reference: 'fontkit opening them',
      referenceMedian: median(rounds.map((round) => round.reference)),
      ratio,
      bound: 'at most 1.5 times',
      holds: ratio <= 1.5,
    },
  ];
}
