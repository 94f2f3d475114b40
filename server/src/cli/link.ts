import { existsSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { makeSignInToken } from '../auth/index.ts';
import { print, readArgs, withDatabase, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

export const link: Verb = {
  async run(args, host) {
    const { values } = readArgs(args, VERBS.link.options);
    const running = runningOn(resolve(values.data ?? join(host.root, '.data')));
    const base = process.env['YOHAKU_ADDRESS']?.replace(/\/$/, '') || running || 'http://127.0.0.1:4780';
    const address = await withDatabase(
      values.data,
      host,
      async ({ db }) => `${base}/sign-in#${await makeSignInToken(db)}`,
    );
    if (!running)
      process.stderr.write(
        'yohaku: nothing is running on this data folder yet; the address works once ./yohaku start runs.\n',
      );
    print(values.json, { address }, () => address);
    return 0;
  },
};

/**
 * The address that `start` serves a data folder on; nothing when none runs. A copied folder holds the lock of the
 * original, which names that.
 */
function runningOn(data: string): string {
  const owner = join(data, 'start.lock', 'owner');
  const [, address = '', place = ''] = existsSync(owner) ? readFileSync(owner, 'utf8').split('\n') : [];
  const { dev, ino } = existsSync(data) ? statSync(data) : { dev: 0, ino: 0 };
  return address.startsWith('http') && (place === '' || place === `${dev}:${ino}`) ? address : '';
}
