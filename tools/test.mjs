import { spawn } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer, buildWeb } from './build.mjs';
import { useCluster } from './cluster.mjs';
import { ensureHeadless, ensurePackages, ensurePostgres } from './install.mjs';
import { BUILD, ROOT } from './paths.mjs';
import { UseError, say } from './say.mjs';

const PARTS = ['core', 'server', 'web', 'e2e'];

/**
 * Writes a fontconfig file that gives the test browser the same fonts on every machine:
 * the substitute for a missing font decides how tall a page is. The files are those of fonts-dejavu-core, which comes
 * with Debian's fontconfig.
 */
function onlyOurFonts() {
  const folder = join(ROOT, '.test');
  mkdirSync(join(folder, 'fonts'), { recursive: true });
  for (const name of ['Sans', 'Sans-Bold', 'Serif', 'Serif-Bold', 'SansMono', 'SansMono-Bold']) {
    const from = `/usr/share/fonts/truetype/dejavu/DejaVu${name}.ttf`;
    if (existsSync(from)) copyFileSync(from, join(folder, 'fonts', `DejaVu${name}.ttf`));
  }
  const file = join(folder, 'fonts.conf');
  writeFileSync(
    file,
    `<?xml version="1.0"?>\n<!DOCTYPE fontconfig SYSTEM "urn:fontconfig:fonts.dtd">\n<fontconfig>\n<dir>${join(folder, 'fonts')}</dir>\n<cachedir>${join(folder, 'fontconfig')}</cachedir>\n<alias><family>sans-serif</family><prefer><family>DejaVu Sans</family></prefer></alias>\n<alias><family>serif</family><prefer><family>DejaVu Serif</family></prefer></alias>\n<alias><family>monospace</family><prefer><family>DejaVu Sans Mono</family></prefer></alias>\n</fontconfig>\n`,
  );
  return file;
}

/** How many jobs run beside each other. Half of them wait for servers and databases that they start and kill. */
const BESIDE = 2;
/** Specs of attacks that run in a process of their own. */
const ALONE = /first-start|no-500|server-lives/;
/** Where journeys leave what they saw when they failed, and how much of each is told. */
const JOURNEYS_OUT = join(ROOT, '.test/e2e');
const SEEN_LINES = 260;

/** Programs that run now. */
const running = new Set();
let stopped = false;
/** Stops the running part, its children and its database when a signal arrives; starts nothing else. */
function stopWithSignals() {
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      if (!stopped) say('stopping');
      stopped = true;
      for (const child of running) child.kill('SIGTERM');
    });
}

/**
 * `./yohaku test [PART…]`: runs the parts and sums them up; journeys by themselves, after all others. Resolves to the
 * exit code.
 */
export async function test(wanted) {
  const unknown = wanted.find((part) => !PARTS.includes(part));
  if (unknown) throw new UseError(`there is no test part “${unknown}”; the parts are ${PARTS.join(', ')}.`);
  const parts = wanted.length > 0 ? PARTS.filter((part) => wanted.includes(part)) : PARTS;
  ensurePackages();
  const needs = (...some) => parts.some((part) => some.includes(part));
  const chrome = needs('web', 'e2e') ? ensureHeadless() : '';
  if (needs('server', 'e2e')) ensurePostgres();
  stopWithSignals();
  // Servers that specs and journeys start want both built; checks and specs without a server run meanwhile.
  const building = needs('server', 'e2e') ? buildServer().then(buildWeb) : Promise.resolve();
  const jobsOf = (some, given) =>
    parts
      .filter((part) => some.includes(part))
      .flatMap((part) => jobs[part](given))
      .sort((one, other) => other.long - one.long);
  const work = async (url) => {
    const built = jobsOf(['server'], { url, chrome }).map((job) => ({ ...job, after: building }));
    const [done] = await Promise.all([inTurns([...jobsOf(['core', 'web'], { url, chrome }), ...built]), building]);
    if (parts.includes('e2e')) done.push(...(await inTurns(jobs.e2e({ url, chrome }))));
    return done;
  };
  const results = needs('server', 'e2e') ? await withCluster(work) : await work();
  return sumUp(parts, results);
}

/** Says what each part came to and what failed, with the line that CI reads last. Resolves to the exit code. */
function sumUp(parts, results) {
  const sum = (some, key) => some.reduce((total, one) => total + one[key], 0);
  for (const part of parts) {
    const own = results.filter((result) => result.part === part);
    say(`${part}: ${sum(own, 'passed')} passed, ${sum(own, 'failed')} failed, ${Math.round(sum(own, 'ms') / 1000)} s`);
  }
  for (const { part, name, failed, faults } of results)
    if (failed > 0)
      say(`failed in ${part}, ${name}: ${faults.length > 0 ? faults.join(' | ') : 'see what it printed'}`);
  if (stopped) say('stopped before all had run');
  // Tests that did not run have not passed.
  const [passed, failed] = [sum(results, 'passed'), Math.max(stopped ? 1 : 0, sum(results, 'failed'))];
  process.stdout.write(`${passed} passed, ${failed} failed\n`);
  return failed > 0 || passed === 0 ? 1 : 0;
}

/**
 * The jobs of each part: a name, a program, and the way to count its output. Long jobs
 * (`long`, in seconds) start first, so that none runs alone at the end.
 */
const jobs = {
  core: () => [
    // The core by itself, as it has neither Node.js nor a browser; then all that runs on Node.js.
    checked('core', 'tsc', ['-p', 'core/tsconfig.json'], 10),
    checked('core', 'tsc', ['-p', 'tsconfig.node.json'], 15),
    checked('core', 'eslint', ['.'], 40),
    checked('core', 'prettier', ['--check', '--log-level', 'warn', '.'], 50),
    checked(
      'core',
      'depcruise',
      ['--config', '.dependency-cruiser.cjs', 'core/src', 'server/src', 'web/src', 'demo/src'],
      10,
    ),
    specs('core', 'specs', ['core/src/**/*.spec.ts', 'demo/src/**/*.spec.ts'], 45),
  ],
  server: ({ url }) => {
    // Those that start and kill servers, or watch the memory of one, have a process each; the others are loaded once
    // for all.
    const [alone, together] = [true, false].map((apart) =>
      readdirSync(join(ROOT, 'server/src/attack')).filter(
        (file) => file.endsWith('.spec.ts') && ALONE.test(file) === apart,
      ),
    );
    // Specs run from the sources; the processes that they start for files are the built ones.
    const env = { YOHAKU_TEST_DATABASE: url, YOHAKU_BUILT: BUILD };
    return [
      specs('server', 'specs', ['server/src/!(attack)/**/*.spec.ts'], 90, env),
      ...alone.map((file) => specs('server', file, [`server/src/attack/${file}`], 80, env)),
      specs(
        'server',
        'attack',
        together.map((file) => `server/src/attack/${file}`),
        70,
        env,
      ),
    ];
  },
  web: ({ chrome }) => [
    {
      part: 'web',
      name: 'specs',
      long: 40,
      args: [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'test', '--watch=false'],
      cwd: join(ROOT, 'web'),
      env: { CHROME_BIN: chrome, NG_CLI_ANALYTICS: 'false', FONTCONFIG_FILE: onlyOurFonts() },
      count: (output, code) => {
        const last = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
        if (!last) return { passed: 0, failed: 1 };
        const bad = Number(last[3] ?? 0) + (Number(last[2]) - Number(last[1]));
        return { passed: Number(last[2]) - bad, failed: bad || (code === 0 ? 0 : 1) };
      },
      faults: /^Chrome Headless \S+ \(.*?\) (.* FAILED)$/gm,
    },
  ],
  e2e: ({ url, chrome }) => [
    {
      part: 'e2e',
      name: 'journeys',
      long: 500,
      args: [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test'],
      cwd: join(ROOT, 'e2e'),
      env: { CHROME_BIN: chrome, YOHAKU_TEST_DATABASE: url, FONTCONFIG_FILE: onlyOurFonts() },
      count: (output, code) => {
        const count = (word) => Number(new RegExp(`^\\s+(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0);
        const bad = count('failed') + count('interrupted') + count('did not run') + count('flaky');
        return { passed: count('passed'), failed: bad || (code === 0 ? 0 : 1) };
      },
      // With what was wrong in its own words: what it saw is long, and of a long record only the end may be kept.
      faults: /^\s+\d+\) (journeys\/.*\n\s*\n.*)$/gm,
      // The page at the moment of failure exists only on the machine that ran the test.
      seen: () =>
        readdirSync(JOURNEYS_OUT)
          .map((folder) => join(JOURNEYS_OUT, folder, 'error-context.md'))
          .filter((file) => existsSync(file))
          .map((file) => readFileSync(file, 'utf8').split('\n').slice(0, SEEN_LINES).join('\n')),
    },
  ],
};

/** A check of types, lint or the direction of imports; it counts as one test. */
function checked(part, program, args, long) {
  return {
    part,
    name: `${program} ${args.join(' ')}`,
    long,
    args: [join(ROOT, 'node_modules/.bin', program), ...args],
    cwd: ROOT,
    count: (_output, code) => (code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }),
  };
}

function specs(part, name, files, long, env = {}) {
  return {
    part,
    name,
    long,
    args: [
      '--import',
      'tsx',
      join(ROOT, 'node_modules/jasmine/bin/jasmine.js'),
      '--helper=tools/jasmine-helper.mjs',
      ...files,
    ],
    cwd: ROOT,
    env,
    count: (output, code) => {
      const match = /(\d+) specs?, (\d+) failures?/.exec(output);
      if (!match) return { passed: 0, failed: 1 };
      const failed = Number(match[2]);
      return { passed: Number(match[1]) - failed, failed: failed || (code === 0 ? 0 : 1) };
    },
    faults: /^\d+\) (.*)$/gm,
  };
}

/**
 * Runs jobs, so many beside each other; what one prints is passed on whole when it has ended, that of a single job as
 * it comes.
 */
async function inTurns(all) {
  const waiting = [...all];
  const done = [];
  const worker = async () => {
    for (let job = waiting.shift(); job && !stopped; job = waiting.shift()) {
      await job.after;
      if (stopped) return;
      const began = Date.now();
      const { output, code } = await run(process.execPath, job.args, {
        cwd: job.cwd,
        env: job.env,
        live: all.length === 1,
      });
      const counts = job.count(output, code);
      const ms = Date.now() - began;
      if (all.length > 1) process.stderr.write(`\n${output}`);
      if (counts.failed > 0) for (const words of job.seen?.() ?? []) process.stderr.write(`\n${words}\n`);
      say(`${job.part}, ${job.name}: ${counts.passed} passed, ${counts.failed} failed, ${Math.round(ms / 1000)} s`);
      done.push({
        part: job.part,
        name: job.name,
        ms,
        ...counts,
        faults:
          counts.failed > 0 && job.faults
            ? [...new Set([...output.matchAll(job.faults)].map((one) => one[1].replaceAll(/[\s─]+/g, ' ').trim()))]
            : [],
      });
    }
  };
  await Promise.all(Array.from({ length: BESIDE }, worker));
  return done;
}

/** A throw-away cluster for all parts; `fsync` is off, as nothing in it must last. */
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

/** Runs a program and keeps what it prints; `live` passes it on to standard error as it comes. */
function run(program, args, { cwd, env = {}, live }) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      cwd,
      env: { ...process.env, FORCE_COLOR: '0', NO_COLOR: '1', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    running.add(child);
    const keep = (chunk) => {
      output += chunk;
      if (live) process.stderr.write(chunk);
    };
    child.stdout.on('data', keep);
    child.stderr.on('data', keep);
    child.on('error', (error) => resolve({ output: String(error), code: 1 }));
    child.on('close', (code) => {
      running.delete(child);
      resolve({ output, code });
    });
  });
}
