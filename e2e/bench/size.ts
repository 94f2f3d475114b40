import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ROOT } from '../../server/src/testing/database.ts';
import type { Result } from './result.ts';

const FIRST_KB = 450;
const LATER_KB = 200;
const folder = join(ROOT, 'web/dist/browser');

const read = (name: string): string => readFileSync(join(folder, name), 'utf8');
const kilobytes = (names: Iterable<string>): number =>
  [...names].reduce((sum, name) => sum + gzipSync(readFileSync(join(folder, name))).length, 0) / 1024;

/** Scripts that some scripts ask for before they can run, themselves included, but for those that are there. */
function needed(names: readonly string[], there: ReadonlySet<string> = new Set()): Set<string> {
  const seen = new Set<string>();
  const visit = (name: string): void => {
    if (seen.has(name) || there.has(name)) return;
    seen.add(name);
    for (const [, other] of read(name).matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) visit(other!);
  };
  for (const name of names) visit(name);
  return seen;
}

/**
 * Compressed script that the first load of the desk asks for: what index.html names, and what that
 * imports statically; and the most that anything opened later asks for besides.
 */
export function benchSize(): Result[] {
  const first = needed([...read('index.html').matchAll(/(?:src|href)="([^"]+\.js)"/g)].map(([, name]) => name!));
  const later = [
    ...new Set(
      [...first].flatMap((name) => [...read(name).matchAll(/import\("\.\/([^"]+\.js)"\)/g)].map(([, other]) => other!)),
    ),
  ];
  const firstKb = kilobytes(first);
  const largest = Math.max(...later.map((name) => kilobytes(needed([name], first))));
  return [
    {
      name: 'first load, script',
      median: firstKb,
      unit: 'kB gzip',
      reference: 'the limit',
      referenceMedian: FIRST_KB,
      ratio: firstKb / FIRST_KB,
      bound: `at most ${FIRST_KB} kB`,
      holds: firstKb <= FIRST_KB,
    },
    {
      name: `largest of ${later.length} scripts that are fetched when something is first opened`,
      median: largest,
      unit: 'kB gzip',
      reference: 'the limit',
      referenceMedian: LATER_KB,
      ratio: largest / LATER_KB,
      bound: `at most ${LATER_KB} kB`,
      holds: largest <= LATER_KB,
    },
  ];
}
