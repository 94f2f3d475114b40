import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer, buildWeb } from './build.mjs';
import { useCluster } from './cluster.mjs';
import { ensureChromium, ensurePackages, ensurePostgres } from './install.mjs';
import { ROOT } from './paths.mjs';
import { UseError, say } from './say.mjs';

const PARTS = ['core', 'server', 'web', 'e2e'];

/** `./yohaku test [PART…]`: runs the parts one after the other and sums them up. Resolves to the exit code. */
export async function test(wanted) {
  const unknown = wanted.find((part) => !PARTS.includes(part));
  if (unknown) throw new UseError(`there is no test part “${unknown}”; the parts are ${PARTS.join(', ')}.`);
  const parts = wanted.length > 0 ? PARTS.filter((part) => wanted.includes(part)) : PARTS;
  ensurePackages();
  let passed = 0;
  let failed = 0;
  for (const part of parts) {
    say(`testing ${part}`);
    const began = Date.now();
    const counts = await runners[part]();
    passed += counts.passed;
    failed += counts.failed;
    say(`${part}: ${counts.passed} passed, ${counts.failed} failed, ${Math.round((Date.now() - began) / 1000)} s`);
  }
  process.stdout.write(`${passed} passed, ${failed} failed\n`);
  return failed > 0 || passed === 0 ? 1 : 0;
}

const runners = {
  core: async () => {
    const checks = await check([['tsc', '-p', 'core/tsconfig.json'], ['tsc', '-p', 'demo/tsconfig.json'], ['eslint', '.'], ['depcruise', '--config', '.dependency-cruiser.cjs', 'core/src', 'server/src', 'web/src', 'demo/src']]);
    return add(checks, await jasmine(['core/src/**/*.spec.ts', 'demo/src/**/*.spec.ts']));
  },
  server: async () => {
    const checks = await check([['tsc', '-p', 'server/tsconfig.json']]);
    ensurePostgres();
    await buildServer();
    return add(checks, await withCluster((url) => jasmine(['server/src/**/*.spec.ts'], { YOHAKU_TEST_DATABASE: url })));
  },
  web: async () => {
    const chrome = ensureChromium();
    const { output, code } = await run(process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'test', '--watch=false'], { cwd: join(ROOT, 'web'), env: { CHROME_BIN: chrome, NG_CLI_ANALYTICS: 'false' } });
    const last = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
    if (!last) return { passed: 0, failed: 1 };
    const bad = Number(last[3] ?? 0) + (Number(last[2]) - Number(last[1]));
    return { passed: Number(last[2]) - bad, failed: bad || (code === 0 ? 0 : 1) };
  },
  e2e: async () => {
    const chrome = ensureChromium();
    ensurePostgres();
    await buildServer();
    buildWeb();
    return withCluster(async (url) => {
      const { output, code } = await run(process.execPath, [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test'], { cwd: join(ROOT, 'e2e'), env: { CHROME_BIN: chrome, YOHAKU_TEST_DATABASE: url } });
      const count = (word) => Number(new RegExp(`^\\s+(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0);
      const bad = count('failed') + count('interrupted') + count('did not run') + count('flaky');
      return { passed: count('passed'), failed: bad || (code === 0 ? 0 : 1) };
    });
  },
};

/** Checks that count as one test each: types, lint, the direction of imports. */
async function check(commands) {
  const counts = { passed: 0, failed: 0 };
  for (const [program, ...args] of commands) {
    const { code } = await run(join(ROOT, 'node_modules/.bin', program), args, { cwd: ROOT });
    if (code === 0) counts.passed++;
    else {
      counts.failed++;
      say(`${program} ${args.join(' ')} found something`);
    }
  }
  return counts;
}

async function jasmine(specs, env = {}) {
  const { output, code } = await run(process.execPath, ['--import', 'tsx', join(ROOT, 'node_modules/jasmine/bin/jasmine.js'), '--helper=tools/jasmine-helper.mjs', ...specs], { cwd: ROOT, env });
  const match = /(\d+) specs?, (\d+) failures?/.exec(output);
  if (!match) return { passed: 0, failed: 1 };
  const failed = Number(match[2]);
  return { passed: Number(match[1]) - failed, failed: failed || (code === 0 ? 0 : 1) };
}

/** A throw-away cluster for the time of a part; `fsync` is off, as nothing in it must last. */
async function withCluster(work) {
  const shared = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();
  const folder = mkdtempSync(join(shared, 'yohaku-test-'));
  mkdirSync(folder, { recursive: true });
  const cluster = await useCluster(folder, { fast: true });
  try {
    return await work(cluster.url);
  } finally {
    await cluster.release();
    rmSync(cluster.pgdata, { recursive: true, force: true });
    rmSync(folder, { recursive: true, force: true });
  }
}

const add = (one, other) => ({ passed: one.passed + other.passed, failed: one.failed + other.failed });

/** Runs a program, passing what it prints on to standard error and keeping it. */
function run(program, args, { cwd, env = {} }) {
  return new Promise((resolve) => {
    const child = spawn(program, args, { cwd, env: { ...process.env, FORCE_COLOR: '0', NO_COLOR: '1', ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    const keep = (chunk) => { output += chunk; process.stderr.write(chunk); };
    child.stdout.on('data', keep);
    child.stderr.on('data', keep);
    child.on('error', (error) => resolve({ output: String(error), code: 1 }));
    child.on('close', (code) => resolve({ output, code }));
  });
}
