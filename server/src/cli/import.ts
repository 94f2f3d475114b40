import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { ChangeRefused, SiteIssues, readDtcg, type Change } from '@yohaku/core';
import { ensureOwner } from '../auth/index.ts';
import { saveChange } from '../sites/index.ts';
import { print, readArgs, siteById, UseError, withDatabase, type Verb } from './host.ts';

export const importVerb: Verb = {
  help: './yohaku import FILE --site SITE [--data DIR] [--json]\n\nReads a DTCG file written by Yohaku into a site’s brand, as one change that can be undone,\nand reports what was taken, changed and left.\n',
  async run(args, host) {
    const { values, positionals } = readArgs(args, { site: { type: 'string' }, data: { type: 'string' }, json: { type: 'boolean' } });
    const [file] = positionals;
    if (!file || positionals.length !== 1) throw new UseError('import takes one file: ./yohaku import tokens.json --site ternhaven');
    if (!values.site) throw new UseError('say into which site: --site ternhaven');
    const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
      throw new UseError(`${file} cannot be read: ${error.code ?? error.message}.`);
    });
    const read = parse(file, text);
    return withDatabase(values.data, host, async (database) => {
      const { site } = await siteById(database, values.site!);
      const change: Change = { id: `import-${randomUUID()}`, schemaVersion: 1, label: `Import ${file.split('/').at(-1)}`.slice(0, 200), ops: [{ op: 'set', at: ['brand'], value: read.brand, was: site.brand }] };
      try {
        await saveChange(database, site.id, change, await ensureOwner(database.db), 'import');
      } catch (error) {
        if (error instanceof ChangeRefused) throw new UseError(`${file}: ${error.message} Nothing was imported.`);
        throw error;
      }
      const report = { taken: read.taken, changed: read.changed, left: read.left };
      print(values.json, report, () => [`${read.taken} tokens taken, ${read.changed.length} edited in the file, ${read.left.length} left`, ...read.changed.map((path) => `edited: ${path}`), ...read.left.map((one) => `left: ${one.path}, ${one.reason}`)].join('\n'));
      return read.left.length > 0 ? 1 : 0;
    });
  },
};

function parse(file: string, text: string): ReturnType<typeof readDtcg> {
  try {
    return readDtcg(JSON.parse(text));
  } catch (error) {
    if (error instanceof SyntaxError) throw new UseError(`${file} is not JSON: ${error.message}`);
    if (error instanceof SiteIssues) throw new UseError(`${file}: ${error.issues[0]!.path} ${error.issues[0]!.message}`);
    throw error;
  }
}
