import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ROOT } from '../../server/src/testing/database.ts';
import type { Result } from './result.ts';

const LIMIT_KB = 450;

/** Compressed script that the first load of the desk asks for: what index.html names, and what that imports statically. */
export function benchSize(): Result[] {
  const folder = join(ROOT, 'web/dist/browser');
  const seen = new Set<string>();
  const visit = (name: string): void => {
    if (seen.has(name)) return;
    seen.add(name);
    for (const [, other] of readFileSync(join(folder, name), 'utf8').matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) visit(other!);
  };
  for (const [, name] of readFileSync(join(folder, 'index.html'), 'utf8').matchAll(/(?:src|href)="([^"]+\.js)"/g)) visit(name!);
  const kilobytes = [...seen].reduce((sum, name) => sum + gzipSync(readFileSync(join(folder, name))).length, 0) / 1024;
  return [{ name: 'first load, script', median: kilobytes, unit: 'kB gzip', reference: 'the limit', referenceMedian: LIMIT_KB, ratio: kilobytes / LIMIT_KB, bound: 'at most 450 kB', holds: kilobytes <= LIMIT_KB }];
}
