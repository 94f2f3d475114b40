import { spawnSync } from 'node:child_process';
import { isRoot } from './install.mjs';

/** Runs a program as user postgres when we are root (PostgreSQL refuses root), else as ourselves. */
export function asPostgres(program, args, input, env = {}) {
  const output = {
    cwd: '/',
    env: { ...process.env, ...env },
    stdio: [input === undefined ? 'ignore' : 'pipe', 'pipe', 'pipe'],
    ...(input === undefined ? {} : { input }),
  };
  // pg_ctl hands its output to the server it starts: a pipe would never close.
  if (program.endsWith('pg_ctl')) output.stdio = ['ignore', 'ignore', 'ignore'];
  return isRoot()
    ? spawnSync('runuser', ['-u', 'postgres', '--', program, ...args], output)
    : spawnSync(program, args, output);
}
