import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { UseError, say } from './say.mjs';
import { BUILD } from './paths.mjs';
import { HELP, VERBS, helpOf } from './verbs.mjs';

async function main([verb, ...rest]) {
  if (verb === undefined || verb === '--help' || verb === 'help' || verb === '-h') return process.stdout.write(HELP);
  if (rest.includes('--help') && Object.hasOwn(VERBS, verb)) return process.stdout.write(helpOf(verb));
  if (verb === 'start') {
    const { start } = await import('./start.mjs');
    return start(read(rest, VERBS.start.options).values);
  }
  if (verb === 'test') {
    const { test } = await import('./test.mjs');
    process.exitCode = await test(read(rest, VERBS.test.options, true).positionals);
    return;
  }
  if (verb === 'bench') {
    const { bench } = await import('./bench.mjs');
    process.exitCode = await bench(rest);
    return;
  }
  if (!Object.hasOwn(VERBS, verb)) throw new UseError(`there is no verb “${verb}”. ./yohaku --help lists them.`);
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
