import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { plural } from '@yohaku/core';
import { writeBackup, type BackupSummary } from '../backup/index.ts';
import { print, readArgs, UseError, withDatabase, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

/** A moment as part of a file's name. */
export const stamp = (now: Date): string => now.toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');

/** Returns the content of a backup in words. */
export const backupWords = ({ sites, changes, files, made }: BackupSummary): string =>
  [
    `${plural(sites.length, 'site')}, ${plural(changes, 'edit')}, ${plural(files, 'file')}, of ${made}`,
    ...sites.map((site) => `${site.id}: ${site.name}, ${plural(site.pages, 'page')}, at edit ${site.sequence}`),
  ].join('\n');

export const backup: Verb = {
  async run(args, host) {
    const { values, positionals } = readArgs(args, VERBS.backup.options);
    if (positionals.length > 0) throw new UseError('backup takes no file but with -o: ./yohaku backup -o FILE');
    const file = resolve(values.output ?? `yohaku-backup-${stamp(new Date())}.tar.gz`);
    if (existsSync(file))
      throw new UseError(`${file} is there already. Nothing was written; give another name with -o.`);
    const summary = await withDatabase(values.data, host, (database) => writeBackup(database, file));
    print(
      values.json,
      { file, made: summary.made, sites: summary.sites, changes: summary.changes, files: summary.files },
      () => `${file}\n${backupWords(summary)}\nThe backup was checked.`,
    );
    return 0;
  },
};
