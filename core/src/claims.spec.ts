import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');

/** A change of a file: a whole new one, or a line put in before another text. */
type Edit = { readonly whole: string } | { readonly before: string; readonly put: string };

/** The claims of the README about the core: what is added, and in which files. */
const CLAIMS: Readonly<Record<string, Readonly<Record<string, Edit>>>> = {
  'A kind of block': {
    'kinds/notice.ts': {
      whole: `import { element } from './element.ts';
import { Content } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { refTo } from './meaning.ts';

/** A notice between other blocks. */
export const notice = kindOfBlock(
  'notice',
  { style: refTo('style', 'Style', true), content: Content },
  {
    label: 'Notice',
    column: 'words',
    tree: (kit) => element('aside', { className: 'notice' }, [kit.words('p', 'text', ['content'], ['style'])]),
    css: '.notice { padding-inline-start: 1rem; }\\n',
    samples: ({ styles }) => [{ name: 'notice', style: styles.fine, content: [{ text: 'A notice.' }] }],
  },
);
`,
    },
    'kinds/kinds.ts': {
      before: '/** Every kind of block there is',
      put: "import { notice } from './notice.ts';\n",
    },
  },
  'An arrangement': {
    'kinds/arrangements/staggered.ts': {
      whole: `import { arrangedClass, type Arrangement } from './arrangement.ts';

/** Every column begins lower than the one before it. */
export const staggered: Arrangement = {
  id: 'staggered',
  label: 'staggered',
  columns: { min: 2, max: 4 },
  css: \`.\${arrangedClass('staggered')} > * + * { margin-block-start: 2rem; }\\n\`,
};
`,
    },
    'kinds/arrangements/index.ts': { before: 'even, firstWider', put: 'staggered, ' },
  },
  'A painted property': {
    'site/painted.ts': {
      before: "  'font-style': painted(",
      put: "  'text-indent': painted('length', ['textIndent'], inherited),\n",
    },
    'style/recipe.ts': {
      before: "        { property: 'font-style', token: `${base}.slant` },",
      put: "        { property: 'text-indent', token: `${base}.space-above` },\n",
    },
  },
  'A rule of the audit': {
    'legibility/rules/no-notice.ts': {
      whole: `import type { Group } from '../../reach/index.ts';
import type { Judgement } from '../outcome.ts';

/** No text is set at 1280 px at all. */
export function noNotice(group: Group): Judgement[] {
  if (group.kind !== 'text') return [];
  return [{ rule: 'no-notice', verdict: 'fail', state: 'rest', width: 1280, found: 1, needed: 2, tokens: [] }];
}
`,
    },
    'legibility/rules/index.ts': { before: '  (group, { table }) => zoom(', put: '  noNotice,\n' },
    'legibility/outcome.ts': {
      before: '  zoom: {',
      put: "  'no-notice': { asks: 'There is no text', source: 'the test of claims', unit: '' },\n",
    },
  },
  'A format to export': {
    'formats/swatch-lines.ts': {
      whole: `import type { Site } from '../site/index.ts';

/** Writes the names of the swatches, one a line. */
export const swatchLines = ({ brand }: Site): string => brand.swatchOrder.join('\\n');
`,
    },
    'formats/export-files.ts': {
      before: '  svg: { label',
      put: "  lines: { label: 'Lines', name: 'swatches.txt', type: 'text/plain', write: swatchLines },\n",
    },
  },
  'A limit': { 'fields/limits.ts': { before: '  changesAtOnce', put: '  noticesAtOnce: 7,\n' } },
};

/** Imports that some of the lines need: they are in the same files. */
const IMPORTS: Readonly<Record<string, string>> = {
  'kinds/arrangements/index.ts': "import { staggered } from './staggered.ts';\n",
  'legibility/rules/index.ts': "import { noNotice } from './no-notice.ts';\n",
  'formats/export-files.ts': "import { swatchLines } from './swatch-lines.ts';\n",
};

/** Uses everything that was added, through the index of the core. */
const PROBE = `import { allKinds, arrangementOf, auditSite, EXPORT_FILES, findings, LIMITS, bodyHtml, siteIndex, stylesCss } from './src/index.ts';
import { smallSite } from './src/testing/small-site.ts';

const site = structuredClone(smallSite());
const page = site.pages[site.pageOrder[0]!]!;
const section = page.sections[page.sectionOrder[0]!]!.own as { arrangement?: string; blocks: Record<string, unknown>; columns: Record<string, { order: string[] }> };
section.arrangement = 'staggered';
section.blocks['notice'] = { kind: 'notice', id: 'notice', style: site.brand.styleOrder[0]!, content: [{ text: 'Mind the step.' }] };
section.columns['col1']!.order.push('notice');
const html = bodyHtml(site, page.id);
console.log(JSON.stringify({
  'A kind of block': allKinds().some(({ kind }) => kind === 'notice') && html.includes('Mind the step.'),
  'An arrangement': arrangementOf(section).id === 'staggered' && html.includes('arranged-staggered'),
  'A painted property': /text-indent: var\\(--text-/.test(stylesCss(site)) &&
    siteIndex(site).groups.some(({ painting }) => painting.at('text-indent' as never, 'rest', 'desktop')),
  'A rule of the audit': findings(auditSite(site)).some(({ rule }) => rule === ('no-notice' as never)),
  'A format to export': EXPORT_FILES.lines.write(site).includes(site.brand.swatchOrder[0]!),
  'A limit': LIMITS.noticesAtOnce === 7,
}));
`;

describe('the claims of the README', () => {
  let copy: string;
  beforeAll(() => {
    copy = mkdtempSync(join(tmpdir(), 'yohaku-claims-'));
    mkdirSync(join(copy, 'core'));
    for (const name of ['src', 'tsconfig.json', 'package.json'])
      cpSync(join(ROOT, 'core', name), join(copy, 'core', name), {
        recursive: true,
        filter: (path) => !path.endsWith('.spec.ts'),
      });
    symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'));
    for (const files of Object.values(CLAIMS))
      for (const [name, edit] of Object.entries(files)) {
        const file = join(copy, 'core/src', name);
        if ('whole' in edit) writeFileSync(file, edit.whole);
        else {
          const text = readFileSync(file, 'utf8');
          expect(text.split(edit.before).length).withContext(`${name} has “${edit.before}” once`).toBe(2);
          writeFileSync(file, (IMPORTS[name] ?? '') + text.replace(edit.before, () => edit.put + edit.before));
        }
      }
    const kinds = join(copy, 'core/src/kinds/kinds.ts');
    writeFileSync(
      kinds,
      readFileSync(kinds, 'utf8').replace('  embed,\n] as const', '  embed,\n  notice,\n] as const'),
    );
    writeFileSync(join(copy, 'core/probe.ts'), PROBE);
  });
  afterAll(() => rmSync(copy, { recursive: true, force: true }));

  it('name every file that an addition takes', () => {
    const readme = readFileSync(join(ROOT, 'README.md'), 'utf8');
    const where = readme.slice(readme.indexOf('## Where to make a change'), readme.indexOf('## Backup'));
    for (const [claim, files] of Object.entries(CLAIMS)) {
      const line = where.split('\n').find((text) => text.startsWith(`* ${claim}: `));
      expect(line).withContext(claim).toBeDefined();
      const counts = ['no', 'one file', 'two files', 'three files'];
      expect(line).withContext(claim).toContain(counts[Object.keys(files).length]!);
    }
  });

  it('hold in a copy of the core: each addition works, with these files and no other', () => {
    const run = (...args: string[]) =>
      execFileSync(process.execPath, args, { cwd: ROOT, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
    const told = JSON.parse(run('--import', 'tsx', join(copy, 'core/probe.ts'))) as Record<string, boolean>;
    expect(told).toEqual(Object.fromEntries(Object.keys(CLAIMS).map((claim) => [claim, true])));
  });

  it('hold for the compiler', () => {
    const compiled = () =>
      execFileSync(process.execPath, [join(ROOT, 'node_modules/typescript/bin/tsc'), '-p', join(copy, 'core')], {
        encoding: 'utf8',
      });
    try {
      expect(compiled()).toBe('');
    } catch (error) {
      fail((error as { stdout?: string }).stdout ?? String(error));
    }
  });
});
