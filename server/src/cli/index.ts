import type { VERBS } from '../../../tools/verbs.mjs';
import type { CliHost, Verb } from './host.ts';

type OwnVerbs = {
  readonly [V in keyof typeof VERBS as (typeof VERBS)[V]['own'] extends false ? V : never]: () => Promise<Verb>;
};

/** The code of each verb outside the outer script; loaded on demand, because most verbs need little of the others. */
const RUN: OwnVerbs = {
  audit: async () => (await import('./audit.ts')).audit,
  backup: async () => (await import('./backup.ts')).backup,
  contrast: async () => (await import('./contrast.ts')).contrast,
  export: async () => (await import('./export.ts')).exportVerb,
  import: async () => (await import('./import.ts')).importVerb,
  link: async () => (await import('./link.ts')).link,
  palette: async () => (await import('./palette.ts')).palette,
  reach: async () => (await import('./reach.ts')).reach,
  restore: async () => (await import('./restore.ts')).restore,
};

/**
 * Runs one verb of the command line, one that is declared; resolves to its exit code. Bad use and bad input are one
 * line on standard error and exit code 2.
 */
export async function runVerb(verb: string, args: string[], host: CliHost): Promise<number> {
  try {
    return await (await RUN[verb as keyof typeof RUN]()).run(args, host);
  } catch (error) {
    if (!(error instanceof Error) || error.name !== 'UseError') throw error;
    process.stderr.write(`yohaku: ${error.message}\n`);
    return 2;
  }
}
