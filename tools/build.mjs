import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
import { BUILD, ROOT } from './paths.mjs';
import { UseError, say } from './say.mjs';

/** Hash of names, sizes and contents of all sources below the given folders, specs aside. */
function sourceHash(folders) {
  const hash = createHash('sha256').update(process.version);
  const visit = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort())
        if (!['node_modules', 'dist', '.angular', 'testing'].includes(name)) visit(join(path, name));
    } else if (!/\.spec\.ts$|\.md$/.test(path)) hash.update(path.slice(ROOT.length)).update(readFileSync(path));
  };
  for (const folder of folders) visit(join(ROOT, folder));
  return hash.digest('hex');
}

const isFresh = (stamp, hash) => existsSync(stamp) && readFileSync(stamp, 'utf8') === hash;

/**
 * Packages that find binaries, WebAssembly or workers from where they lie; pg asks whether its native twin is there.
 */
const APART = ['sharp', 'wawoff2', 'pino', 'pg-native'];
/** css-tree as a whole reads its tables from beside it; it brings a form that has them within. */
const cssTree = {
  name: 'css-tree',
  setup: (esbuild) =>
    esbuild.onResolve({ filter: /^css-tree$/ }, () => ({
      path: join(ROOT, 'node_modules/css-tree/dist/csstree.esm.js'),
    })),
};

/** Bundles the server and its command line when their sources changed. */
export async function buildServer() {
  const stamp = join(BUILD, 'server.stamp');
  const hash = sourceHash([
    'core/src',
    'core/package.json',
    'demo/src',
    'server/src',
    'tools/verbs.mjs',
    'tools/build.mjs',
    'package-lock.json',
  ]);
  if (isFresh(stamp, hash) && existsSync(join(BUILD, 'server.mjs'))) return;
  say('building the server');
  const { build } = await import('esbuild');
  mkdirSync(BUILD, { recursive: true });
  await build({
    entryPoints: {
      server: join(ROOT, 'server/src/main.ts'),
      cli: join(ROOT, 'server/src/cli/index.ts'),
      'isolated-worker': join(ROOT, 'server/src/isolated-worker.ts'),
    },
    outdir: BUILD,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    splitting: true,
    chunkNames: 'chunk-[hash]',
    logLevel: 'warning',
    // Packages are bundled as well: a process that starts reads a few files, not some hundred. The others bring files
    // of their own beside their code.
    external: APART,
    plugins: [cssTree],
    banner: {
      js: "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);",
    },
    alias: { '@yohaku/core': join(ROOT, 'core/src/index.ts'), '@yohaku/demo': join(ROOT, 'demo/src/index.ts') },
  });
  writeFileSync(stamp, hash);
}

/** Builds the desk when its sources changed, each file in the forms it is sent in. */
export async function buildWeb() {
  const stamp = join(BUILD, 'web.stamp');
  const development = process.env['YOHAKU_DEVELOPMENT'] === '1';
  const hash =
    sourceHash([
      'core/src',
      'core/package.json',
      'web/src',
      'web/public',
      'web/angular.json',
      'web/package.json',
      'web/tsconfig.json',
      'web/tsconfig.app.json',
      'web/tsconfig.worker.json',
      'package-lock.json',
    ]) + (development ? ' development' : '');
  if (isFresh(stamp, hash) && existsSync(join(ROOT, 'web/dist/browser/index.html'))) return;
  say('building the desk (about a minute)');
  // Whoever waits for it goes on with other things meanwhile; it ends with them.
  const ng = join(ROOT, 'node_modules/@angular/cli/bin/ng.js');
  const child = spawn(process.execPath, [ng, 'build', ...(development ? ['--configuration', 'development'] : [])], {
    cwd: join(ROOT, 'web'),
    stdio: ['ignore', 2, 2],
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  const end = () => child.kill();
  process.once('exit', end);
  const code = await new Promise((resolve) => child.on('close', resolve).on('error', () => resolve(1)));
  process.off('exit', end);
  if (code !== 0) throw new UseError('the desk could not be built; see the lines above.');
  await pack(join(ROOT, 'web/dist/browser'));
  mkdirSync(BUILD, { recursive: true });
  writeFileSync(stamp, hash);
}

/** Below this a file gains nothing by being packed, bytes. */
const WORTH_PACKING = 1024;

/** Puts a packed form beside every file of text: as small as it gets, for it is made once and sent often. */
async function pack(folder) {
  const files = readdirSync(folder, { recursive: true })
    .map((name) => join(folder, name))
    .filter((file) => /\.(js|css|html|json|svg|txt)$/.test(file) && statSync(file).size > WORTH_PACKING);
  await Promise.all(
    files.map(async (file) => {
      const bytes = readFileSync(file);
      writeFileSync(`${file}.br`, await promisify(brotliCompress)(bytes));
      writeFileSync(`${file}.gz`, await promisify(gzip)(bytes, { level: 9 }));
    }),
  );
}
