import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { makeSignInToken } from '../auth/index.ts';
import { print, readArgs, withDatabase, type Verb } from './host.ts';

export const link: Verb = {
  help: './yohaku link [--data DIR] [--json]\n\nA fresh one-time sign-in address for the owner, good for thirty minutes.\n',
  async run(args, host) {
    const { values } = readArgs(args, { data: { type: 'string' }, json: { type: 'boolean' } });
    const owner = join(resolve(values.data ?? join(host.root, '.data')), 'start.lock', 'owner');
    const running = existsSync(owner) ? (readFileSync(owner, 'utf8').split('\n')[1] ?? '') : '';
    const base = running.startsWith('http') ? running : 'http://127.0.0.1:4780';
    const address = await withDatabase(values.data, host, async ({ db }) => `${base}/sign-in#${await makeSignInToken(db)}`);
    if (!running) process.stderr.write('yohaku: nothing is running on this data folder yet; the address works once ./yohaku start runs.\n');
    print(values.json, { address }, () => address);
    return 0;
  },
};
