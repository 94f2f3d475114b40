import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { asPostgres } from './as-postgres.mjs';
import { isRoot, postgresBin } from './install.mjs';
import { isAlive } from './lock.mjs';
import { UseError, say } from './say.mjs';

/** Where clusters lie that cannot lie in their data folder; tests put it elsewhere. */
const ELSEWHERE = process.env.YOHAKU_CLUSTERS ?? '/var/lib/yohaku';

/** The owner of a cluster that lies elsewhere: the data folder it belongs to. */
const ownerFile = (folder) => join(folder, '..', `${folder.split('/').at(-1)}.owner`);
const elsewhereFor = (dataDir) => join(ELSEWHERE, createHash('sha256').update(dataDir).digest('hex').slice(0, 16));

/**
 * Where the cluster of a data folder lies: in it, or, when user postgres cannot get
 * there, elsewhere with a pointer kept in the data folder. A folder that was moved
 * finds its cluster again; one that was copied gets a copy of it, and never writes
 * into that of the original.
 *
 * @param dataDir real path of the data folder
 * @throws UseError when the cluster it points to is gone
 */
export function clusterFolder(dataDir) {
  const pointer = join(dataDir, 'cluster-folder');
  const inside = join(dataDir, 'postgres');
  if (!existsSync(pointer)) return choose(dataDir, pointer, inside);
  const named = readFileSync(pointer, 'utf8').trim();
  // A relative pointer stays right wherever the folder goes; absolute ones into a data folder are from before.
  if (named === 'postgres') return inside;
  if (!named.startsWith(ELSEWHERE)) {
    if (existsSync(join(inside, 'PG_VERSION')) || !existsSync(named)) {
      writeFileSync(pointer, 'postgres');
      return inside;
    }
    return named;
  }
  // Cut off before there was anything in it: made anew.
  if (!existsSync(named) && !existsSync(join(dataDir, 'postgres-password'))) return choose(dataDir, pointer, inside);
  if (!existsSync(named) && !existsSync(join(dataDir, 'cluster-making')))
    throw new UseError(
      `the database of ${dataDir} was kept in ${named}, and is not there any more. Nothing was changed. Bring that folder back, or start with another one: --data DIR, and ./yohaku restore with a backup.`,
    );
  return ownElsewhere(dataDir, pointer, named);
}

function choose(dataDir, pointer, inside) {
  let folder = inside;
  mkdirSync(folder, { recursive: true });
  if (isRoot()) {
    spawnSync('chown', ['postgres:postgres', folder]);
    if (asPostgres('test', ['-w', folder, '-a', '-x', folder]).status !== 0) {
      rmSync(folder, { recursive: true });
      folder = elsewhereFor(dataDir);
      mkdirSync(folder, { recursive: true });
      spawnSync('chown', ['postgres:postgres', folder]);
      writeFileSync(ownerFile(folder), dataDir);
    }
  }
  writeFileSync(pointer, folder === inside ? relative(dataDir, inside) : folder);
  return folder;
}

/**
 * A cluster elsewhere that another data folder owns is taken along by a folder that was moved, and copied for one that
 * was copied.
 */
function ownElsewhere(dataDir, pointer, named) {
  const owner = existsSync(ownerFile(named)) ? readFileSync(ownerFile(named), 'utf8').trim() : dataDir;
  if (owner === dataDir) {
    writeFileSync(ownerFile(named), dataDir);
    return named;
  }
  const isThere =
    existsSync(join(owner, 'cluster-folder')) &&
    realpathSync(owner) === owner &&
    readFileSync(join(owner, 'cluster-folder'), 'utf8').trim() === named;
  if (!isThere) {
    // The folder it belonged to is gone: this is it, under another name.
    writeFileSync(ownerFile(named), dataDir);
    return named;
  }
  const own = elsewhereFor(dataDir);
  const part = `${own}.part`;
  say(`copying the database of ${owner}, of which ${dataDir} is a copy`);
  rmSync(part, { recursive: true, force: true });
  const [pid, , , port] = existsSync(join(named, 'postmaster.pid'))
    ? readFileSync(join(named, 'postmaster.pid'), 'utf8').split('\n')
    : [];
  if (pid && isAlive(pid.trim())) copyRunning(dataDir, owner, port, part);
  else {
    cpSync(named, part, { recursive: true, preserveTimestamps: true });
    if (isRoot()) spawnSync('chown', ['-R', 'postgres:postgres', part]);
  }
  rmSync(own, { recursive: true, force: true });
  moveInto(part, own);
  writeFileSync(ownerFile(own), dataDir);
  writeFileSync(pointer, own);
  return own;
}

/** A running database is copied by itself, as it is at one moment: its files would be of many. */
function copyRunning(dataDir, owner, port, part) {
  const password = readFileSync(join(dataDir, 'postgres-password'), 'utf8').trim();
  mkdirSync(part, { recursive: true, mode: 0o700 });
  if (isRoot()) spawnSync('chown', ['postgres:postgres', part]);
  const done = asPostgres(
    join(postgresBin(), 'pg_basebackup'),
    ['-D', part, '-h', '127.0.0.1', '-p', port, '-U', 'postgres', '-w', '-X', 'stream', '-c', 'fast'],
    undefined,
    { PGPASSWORD: password },
  );
  if (done.status !== 0)
    throw new UseError(
      `${dataDir} is a copy of ${owner}, whose database is running and could not be copied (${(done.stderr?.toString() ?? '').trim().split('\n').at(-1)}). Nothing was changed. Stop that one once, or use ./yohaku backup and restore.`,
    );
}

function moveInto(from, to) {
  const done = spawnSync('mv', ['-T', from, to]);
  if (done.status !== 0) throw new UseError(`${from} could not be moved to ${to}. Is the disk full?`);
}
