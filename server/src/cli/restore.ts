import { mkdir } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { checkBackup, restoreBackup } from '../backup/index.ts';
import { listSites } from '../sites/index.ts';
import { backupWords, stamp } from './backup.ts';
import { print, readArgs, UseError, withDatabase, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

export const restore: Verb = {
  async run(args, host) {
    const { values, positionals } = readArgs(args, VERBS.restore.options);
    if (positionals.length !== 1) throw new UseError('restore takes one file: ./yohaku restore yohaku-backup.tar.gz');
    const file = resolve(positionals[0]!);
    // Before a database is opened, or started: a file that is no backup is the commonest mistake.
    const checked = await checkBackup(file);
    const found = { file, made: checked.made, sites: checked.sites, changes: checked.changes, files: checked.files };
    if (values.check) {
      print(values.json, found, () => `${backupWords(checked)}\nThe backup is complete.`);
      return 0;
    }
    const before = await withDatabase(values.data, host, async (database) => {
      let kept: string | null = null;
      if ((await listSites(database.db)).length > 0) {
        const folder = join(
          process.env['DATABASE_URL'] ? process.cwd() : resolve(values.data ?? join(host.root, '.data')),
          'backups',
        );
        await mkdir(folder, { recursive: true, mode: 0o700 });
        kept = join(folder, `before-restore-${stamp(new Date())}.tar.gz`);
      }
      await restoreBackup(database, file, kept ?? undefined);
      return kept;
    });
    print(
      values.json,
      { ...found, before },
      () => `${backupWords(checked)}\nThe backup was restored.${before ? ` The earlier state is in ${before}.` : ''}`,
    );
    return 0;
  },
};
