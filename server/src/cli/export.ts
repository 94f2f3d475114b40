import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { EXPORT_FILES } from '@yohaku/core';
import { exportSite } from '../publish/index.ts';
import { readArgs, siteById, UseError, withIsolated, withDatabase, type Verb } from './host.ts';
import { EXPORT_FORMATS, VERBS } from '../../../tools/verbs.mjs';

export const exportVerb: Verb = {
  async run(args, host) {
    const { values, positionals } = readArgs(args, VERBS.export.options);
    const [id] = positionals;
    if (!id || positionals.length !== 1)
      throw new UseError('export takes one site: ./yohaku export ternhaven --format css');
    const { output } = values;
    const format = EXPORT_FORMATS.find((entry) => entry === values.format);
    if (!format)
      throw new UseError(
        `--format takes ${EXPORT_FORMATS.join(', ')}${values.format ? `, not “${values.format}”` : ''}.`,
      );
    await withDatabase(values.data, host, async (database) => {
      const { site } = await siteById(database, id);
      if (format === 'site') {
        const folder = output ?? id;
        for (const [name, file] of await withIsolated((apart) => exportSite(database.db, apart, site, host.root))) {
          await mkdir(dirname(join(folder, name)), { recursive: true });
          await writeFile(join(folder, name), file.bytes);
        }
        process.stderr.write(`yohaku: the site is in ${folder}\n`);
        return;
      }
      const text = EXPORT_FILES[format].write(site);
      if (output) await writeFile(output, text);
      else process.stdout.write(text);
    });
    return 0;
  },
};
