import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { swatchSheetSvg, swatchesCsv, swatchesJson, writeTokensCss, writeDtcg, type Site } from '@yohaku/core';
import { exportSite } from '../publish/index.ts';
import { readArgs, siteById, UseError, withApart, withDatabase, type Verb } from './host.ts';

export const exportVerb: Verb = {
  help: './yohaku export SITE --format dtcg|css|svg|csv|json|site [-o FILE|DIR] [--data DIR]\n\ndtcg and css are all tokens; svg (a sheet), csv and json are the swatches. They go to FILE or standard output; site goes to the folder DIR (default: SITE).\n',
  async run(args, host) {
    const { values, positionals } = readArgs(args, { format: { type: 'string' }, output: { type: 'string', short: 'o' }, data: { type: 'string' } });
    const [id] = positionals;
    if (!id || positionals.length !== 1) throw new UseError('export takes one site: ./yohaku export ternhaven --format css');
    const { format, output } = values;
    if (format !== 'site' && !(format && Object.hasOwn(WRITE, format))) throw new UseError(`--format takes ${[...Object.keys(WRITE), 'site'].join(', ')}${format ? `, not “${format}”` : ''}.`);
    await withDatabase(values.data, host, async (database) => {
      const { site } = await siteById(database, id);
      if (format === 'site') {
        const folder = output ?? id;
        for (const [name, file] of await withApart((apart) => exportSite(database.db, apart, site, host.root))) {
          await mkdir(dirname(join(folder, name)), { recursive: true });
          await writeFile(join(folder, name), file.bytes);
        }
        process.stderr.write(`yohaku: the site is in ${folder}\n`);
        return;
      }
      const text = WRITE[format!]!(site);
      if (output) await writeFile(output, text);
      else process.stdout.write(text);
    });
    return 0;
  },
};

const WRITE: Record<string, (site: Site) => string> = {
  dtcg: (site) => `${JSON.stringify(writeDtcg(site), null, 2)}\n`, css: (site) => writeTokensCss(site.brand), svg: swatchSheetSvg, csv: swatchesCsv, json: swatchesJson,
};
