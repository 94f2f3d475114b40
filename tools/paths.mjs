import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The checkout. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');
/** The folder of build results; never committed. */
export const BUILD = join(ROOT, '.build');
