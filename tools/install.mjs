import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { BUILD, ROOT } from './paths.mjs';
import { UseError, say } from './say.mjs';

/** Installs the npm packages when the lock file or Node's version differs from what was installed last. */
export function ensurePackages() {
  const stamp = join(BUILD, 'installed');
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.version)
    .digest('hex');
  if (existsSync(join(ROOT, 'node_modules')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('installing packages (npm ci, about two minutes)');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, npm_config_update_notifier: 'false' },
  });
  if (done.status !== 0)
    throw new UseError(
      'npm ci failed; see the lines above. Check that the npm registry can be reached and run this again.',
    );
  mkdirSync(BUILD, { recursive: true });
  writeFileSync(stamp, wanted);
}

/** Folder of PostgreSQL's own programs (initdb, pg_ctl), newest version first; undefined when it is not installed. */
export function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return undefined;
  const versions = readdirSync(base)
    .filter((name) => existsSync(join(base, name, 'bin', 'initdb')))
    .sort((one, other) => Number(other) - Number(one));
  return versions[0] ? join(base, versions[0], 'bin') : undefined;
}

/**
 * Installs PostgreSQL's server from Debian's packages when it is missing, without letting the package start a cluster
 * of its own.
 */
export function ensurePostgres() {
  if (postgresBin()) return;
  say('installing PostgreSQL (apt-get install postgresql)');
  if (isRoot()) {
    // Only an absent file is written: somebody's own settings are left alone.
    const conf = '/etc/postgresql-common/createcluster.conf';
    if (!existsSync(conf)) {
      mkdirSync('/etc/postgresql-common', { recursive: true });
      writeFileSync(conf, 'create_main_cluster = false\n');
    }
  }
  aptInstall('postgresql');
  if (!postgresBin())
    throw new UseError(
      'PostgreSQL was installed but /usr/lib/postgresql has no initdb. Install the package postgresql by hand.',
    );
}

/** Chromium as people have it. */
const CHROMIUM = { package: 'chromium', at: '/usr/bin/chromium' };
/**
 * As Debian builds it for machines without a screen: the same engine without windows, in three quarters of the
 * processor's time. Its script in /usr/bin does not pass on that it is to end.
 */
const HEADLESS = { package: 'chromium-headless-shell', at: '/usr/lib/chromium/chromium-headless-shell' };

/** Path of Chromium, installing it from Debian's packages when it is missing. */
export function ensureChromium() {
  return named() ?? installed(CHROMIUM);
}

/**
 * Path of the browser that tests run in, installing it when it is missing; Chromium itself does where that cannot be.
 */
export function ensureHeadless() {
  const at = named();
  if (at) return at;
  try {
    return installed(HEADLESS);
  } catch (error) {
    if (!existsSync(CHROMIUM.at)) throw error;
    say(`${HEADLESS.package} could not be installed; the tests run in ${CHROMIUM.at}, which takes them longer`);
    return CHROMIUM.at;
  }
}

/**
 * Path of the browser that CHROME_BIN names, installed when it is one of those that are known; undefined when it names
 * none.
 */
function named() {
  const at = process.env.CHROME_BIN;
  if (!at) return undefined;
  const known = [CHROMIUM, HEADLESS].find((one) => one.at === at);
  if (known) return installed(known);
  if (!existsSync(at))
    throw new UseError(`CHROME_BIN says ${at}, and there is nothing. Unset it, or set it to where Chromium is.`);
  return at;
}

function installed({ package: name, at }) {
  if (existsSync(at)) return at;
  say(`installing Chromium (apt-get install ${name})`);
  aptInstall(name);
  if (!existsSync(at)) throw new UseError(`${name} was installed but is not at ${at}. Set CHROME_BIN to where it is.`);
  return at;
}

function aptInstall(name) {
  if (!isRoot())
    throw new UseError(`${name} is missing and this user may not install it. Run: sudo apt-get install ${name}`);
  const options = { stdio: ['ignore', 2, 2], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  try {
    // An installation that was cut off is finished first: nothing else can be installed before.
    spawnSync('dpkg', ['--configure', '-a', '--force-confold'], options);
    execFileSync('apt-get', ['update', '-qq'], options);
    execFileSync(
      'apt-get',
      ['install', '-y', '-qq', '--no-install-recommends', '-o', 'Dpkg::Options::=--force-confold', name],
      options,
    );
  } catch {
    throw new UseError(`apt-get install ${name} failed; see the lines above. Install it by hand and run this again.`);
  }
}

export function isRoot() {
  return process.getuid?.() === 0;
}
