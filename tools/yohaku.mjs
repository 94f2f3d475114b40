import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { UseError, say } from './say.mjs';
import { BUILD } from './paths.mjs';

const HELP = `Yohaku: colours, type, headings and buttons of a site as shared tokens, with proof of what each change reached.

  ./yohaku start [--port N] [--data DIR] [--empty]    set up, serve, print the address
  ./yohaku link [--data DIR]                          a fresh one-time sign-in address
  ./yohaku test [core|server|web|e2e]                 the tests, all or one part
  ./yohaku bench [NAME…] [--json]                     the benchmarks
  ./yohaku palette FILE [--colors N] [--json]         palette of a picture
  ./yohaku contrast FG BG [--json]                    contrast ratio of two colours
  ./yohaku export SITE --format dtcg|css|site [-o FILE|DIR]
  ./yohaku import FILE --site SITE                    tokens into a site's brand
  ./yohaku import DIR|FILE.zip|site.json --as ID      an exported site as a site of its own
  ./yohaku reach SITE [TOKEN] --json                  the places each token paints
  ./yohaku audit SITE|DIR|FILE.zip [--edition NAME] [--json]
  ./yohaku backup [-o FILE]                           all that is kept, in one file, read back
  ./yohaku restore FILE [--check]                     a backup in place of what is here

Every verb has --help. Exit code: 0 done and nothing failing, 1 something falls short, 2 bad use or bad input.
`;

const OWN_HELP = {
  start: './yohaku start [--port N] [--data DIR] [--empty]\n\n  --port N    port on 127.0.0.1 (default 4780; 0 takes any free one)\n  --data DIR  where the database and the log are kept (default .data)\n  --empty     do not load the demo site on first start\n\nDATABASE_URL, when set, replaces the PostgreSQL it would start.\n',
  bench: './yohaku bench [NAME…] [--json]\n\nRuns the benchmarks (all, or those named): median, unit, and the ratio to a reference in the same run.\n',
  test: './yohaku test [core|server|web|e2e]\n\nRuns all parts or one, and ends with the line "N passed, N failed". Exit 1 when anything failed.\n',
};

async function main([verb, ...rest]) {
  if (verb === undefined || verb === '--help' || verb === 'help' || verb === '-h') return process.stdout.write(HELP);
  if (rest.includes('--help') && OWN_HELP[verb]) return process.stdout.write(OWN_HELP[verb]);
  if (verb === 'start') {
    const { start } = await import('./start.mjs');
    return start(read(rest, { port: { type: 'string' }, data: { type: 'string' }, empty: { type: 'boolean' } }).values);
  }
  if (verb === 'test') {
    const { test } = await import('./test.mjs');
    process.exitCode = await test(read(rest, {}, true).positionals);
    return;
  }
  if (verb === 'bench') {
    const { bench } = await import('./bench.mjs');
    process.exitCode = await bench(rest);
    return;
  }
  const { ensurePackages, ensurePostgres } = await import('./install.mjs');
  ensurePackages();
  const { buildServer } = await import('./build.mjs');
  await buildServer();
  const { runVerb } = await import(join(BUILD, 'cli.mjs'));
  const { ROOT } = await import('./paths.mjs');
  process.exitCode = await runVerb(verb, rest, {
    root: ROOT,
    openCluster: async (data) => {
      ensurePostgres();
      const { useCluster } = await import('./cluster.mjs');
      return useCluster(data);
    },
  });
}

function read(args, options, positionals = false) {
  try {
    return parseArgs({ args, options, allowPositionals: positionals, strict: true });
  } catch (error) {
    throw new UseError(`${error.message.split('. ')[0]}. Try --help.`);
  }
}

try {
  await main(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof UseError) && error.name !== 'UseError') process.stderr.write(`${error.stack ?? error}\n`);
  say(error.message);
  process.exit(2);
}
