import { randomUUID } from 'node:crypto';
import { readFile, readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import {
  ChangeRefused,
  SCHEMA_VERSION,
  SiteIssues,
  planBrand,
  planColors,
  readIncoming,
  takeBrand,
  takeColors,
  type Brought,
  type Change,
  type Incoming,
  type Site,
} from '@yohaku/core';
import { ensureOwner } from '../auth/index.ts';
import { isSiteFile } from '../archive/index.ts';
import { SiteRefused, bringFiles, bringIn as bringSite, saveChange } from '../sites/index.ts';
import { print, readArgs, siteById, UseError, withIsolated, withDatabase, type CliHost, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

export const importVerb: Verb = {
  async run(args, host) {
    const { values, positionals } = readArgs(args, VERBS.import.options);
    const [file] = positionals;
    if (!file || positionals.length !== 1)
      throw new UseError('import takes one file: ./yohaku import tokens.json --site ternhaven');
    if (values.as !== undefined) return bringSiteIn(file, values.as, values, host);
    if (!values.site)
      throw new UseError('name the site with --site ternhaven, or, for an exported site, a new id with --as ID');
    const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
      throw new UseError(`${file} cannot be read: ${error.code ?? error.message}.`);
    });
    return withDatabase(values.data, host, async (database) => {
      const { site } = await siteById(database, values.site!);
      const incoming = parse(file, text, site);
      const { rows, counts, edit } = bringIn(site, incoming, values.colour ?? false);
      if (edit) {
        const change: Change = {
          id: `import-${randomUUID()}`,
          schemaVersion: SCHEMA_VERSION,
          label: edit.label,
          ops: [...edit.ops],
        };
        try {
          await saveChange(database, site.id, change, await ensureOwner(database.db), 'import');
        } catch (error) {
          if (error instanceof ChangeRefused) throw new UseError(`${file}: ${error.message} Nothing was imported.`);
          throw error;
        }
      }
      const paths = (arrival: string) => rows.filter((row) => row.arrival === arrival);
      const report = {
        taken: counts.added + counts.changed + counts.equal,
        added: paths('added').map((row) => row.key),
        changed: paths('changed').map((row) => row.key),
        left: paths('left').map((row) => ({ path: row.key, reason: row.note })),
      };
      print(values.json, report, () =>
        [
          `${report.taken} taken: ${counts.added} added, ${counts.changed} changed, ${counts.equal} equal; ${counts.left} left`,
          ...paths('added').map((row) => `added: ${row.key}`),
          ...paths('changed').map(
            (row) => `changed: ${row.key}, ${row.before ?? ''} to ${row.after ?? ''}, ${row.places} places`,
          ),
          ...report.left.map((entry) => `left: ${entry.path}, ${entry.reason}`),
        ].join('\n'),
      );
      return counts.left > 0 ? 1 : 0;
    });
  },
};

function bringIn(site: Site, incoming: Incoming, colourOnly: boolean) {
  if (incoming.brand && !colourOnly)
    return {
      ...planBrand(site, incoming.brand.brand, incoming.left),
      edit: takeBrand(site, incoming.brand.brand, incoming.name),
    };
  const plan = planColors(site, incoming);
  return { ...plan, edit: takeColors(site, incoming, plan, new Map(), () => `s${randomUUID().slice(0, 13)}`) };
}

/** An exported site as a site of its own. */
async function bringSiteIn(
  path: string,
  id: string,
  values: { name?: string | undefined; data?: string | undefined; json?: boolean | undefined },
  host: CliHost,
): Promise<number> {
  if (!/^[a-z][a-z0-9-]{0,59}$/.test(id))
    throw new UseError(
      `--as takes 1 to 60 lower case letters, digits or hyphens, starting with a letter, not “${id}”.`,
    );
  const info = await stat(path).catch(() => {
    throw new UseError(`there is no file or folder ${path}.`);
  });
  const brought: Brought = await withDatabase(values.data, host, (database) =>
    withIsolated(async (apart) => {
      try {
        if (!info.isDirectory()) return await bringSite(database, apart, await readFile(path), id, values.name);
        const files = new Map<string, Uint8Array>();
        for (const folder of ['', 'images', 'fonts', 'downloads'])
          for (const entry of await readdir(join(path, folder), { withFileTypes: true }).catch(() => [])) {
            const name = folder === '' ? entry.name : `${folder}/${entry.name}`;
            if (entry.isFile() && isSiteFile(name)) files.set(name, await readFile(join(path, name)));
          }
        return await bringFiles(database, apart, files, id, values.name);
      } catch (error) {
        if (error instanceof SiteRefused) throw new UseError(`${path}: ${error.message}`);
        throw error;
      }
    }),
  );
  print(values.json, brought, () =>
    [`${brought.name} is here as ${brought.id}: ${brought.pages} pages`, ...brought.notes].join('\n'),
  );
  return 0;
}

function parse(file: string, text: string, { brand }: Site): Incoming {
  try {
    return readIncoming(file.split('/').at(-1)!, text, brand);
  } catch (error) {
    if (error instanceof SiteIssues)
      throw new UseError(`${file}: ${error.issues[0]!.path} ${error.issues[0]!.message}`);
    throw error;
  }
}
