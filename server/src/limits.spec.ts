import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LIMITS } from '@yohaku/core';
import { VERBS } from '../../tools/verbs.mjs';
import { ROOT } from './testing/database.ts';

describe('limits', () => {
  it('stand in the docs as they are', () => {
    const rows = [...readFileSync(join(ROOT, 'docs/limits.md'), 'utf8').matchAll(/^\| (\w+) \| ([\d,]+) \|/gm)].map(
      ([, name, most]) => [name!, Number(most!.replaceAll(',', ''))],
    );
    expect(Object.fromEntries(rows)).toEqual(LIMITS as unknown as Record<string, number>);
  });
});

describe('verbs', () => {
  it('stand in the docs as they are used, each and no other', () => {
    const rows = [...readFileSync(join(ROOT, 'docs/commands.md'), 'utf8').matchAll(/^\| `\.\/yohaku (.+?)` \|/gm)].map(
      ([, use]) => use!.replaceAll('\\|', '|'),
    );
    expect(rows).toEqual(Object.entries(VERBS).flatMap(([verb, { use }]) => use.map((entry) => `${verb} ${entry}`)));
  });
});
