import { audit } from './audit.ts';
import { backup } from './backup.ts';
import { contrast } from './contrast.ts';
import { exportVerb } from './export.ts';
import type { VERBS } from '../../../tools/verbs.mjs';
import type { CliHost, Verb } from './host.ts';
import { importVerb } from './import.ts';
import { link } from './link.ts';
import { palette } from './palette.ts';
import { reach } from './reach.ts';
import { restore } from './restore.ts';

/** What runs each verb that is not the outer script's own. */
const RUN: { readonly [V in keyof typeof VERBS as (typeof VERBS)[V]['own'] extends false ? V : never]: Verb } = { audit, backup, contrast, export: exportVerb, import: importVerb, link, palette, reach, restore };

/** Runs one verb of the command line, one that is declared; resolves to its exit code. Bad use and bad input are one line on standard error and exit code 2. */
export async function runVerb(verb: string, args: string[], host: CliHost): Promise<number> {
  try {
    return await RUN[verb as keyof typeof RUN].run(args, host);
  } catch (error) {
    if (!(error instanceof Error) || error.name !== 'UseError') throw error;
    process.stderr.write(`yohaku: ${error.message}\n`);
    return 2;
  }
}
