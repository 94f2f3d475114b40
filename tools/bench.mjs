import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildServer, buildWeb } from './build.mjs';
import { ensureChromium, ensurePackages, ensurePostgres } from './install.mjs';
import { ROOT } from './paths.mjs';

/** `./yohaku bench`: sets up, then runs e2e/bench; resolves to its exit code. */
export async function bench(args) {
  ensurePackages();
  const chrome = ensureChromium();
  ensurePostgres();
  await buildServer();
  await buildWeb();
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'e2e/bench/main.ts'), ...args], {
      cwd: ROOT,
      env: { ...process.env, CHROME_BIN: chrome },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.on('close', (code) => resolve(code ?? 1));
  });
}
