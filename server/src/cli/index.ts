import { audit } from './audit.ts';
import { backup } from './backup.ts';
import { contrast } from './contrast.ts';
import { exportVerb } from './export.ts';
import { UseError, type CliHost, type Verb } from './host.ts';
import { importVerb } from './import.ts';
import { link } from './link.ts';
import { palette } from './palette.ts';
import { reach } from './reach.ts';
import { restore } from './restore.ts';

const VERBS: Record<string, Verb> = { audit, backup, contrast, export: exportVerb, import: importVerb, link, palette, reach, restore };

/** Runs one verb of the command line; resolves to its exit code. Bad use and bad input are one line on standard error and exit code 2. */
export async function runVerb(verb: string, args: string[], host: CliHost): Promise<number> {
  try {
    const found = Object.hasOwn(VERBS, verb) ? VERBS[verb] : undefined;
    if (!found) throw new UseError(`there is no verb “${verb}”. ./yohaku --help lists them.`);
    if (args.includes('--help')) {
      process.stdout.write(found.help);
      return 0;
    }
    return await found.run(args, host);
  } catch (error) {
    if (!(error instanceof Error) || error.name !== 'UseError') throw error;
    process.stderr.write(`yohaku: ${error.message}\n`);
    return 2;
  }
}
