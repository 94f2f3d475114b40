import { spawn } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { freshUrl, ROOT } from '../testing/database.ts';

interface Ran {
  readonly code: number;
  readonly out: string;
  readonly err: string;
}

describe('command line', () => {
  let url: string;
  let folder: string;
  const run = (...args: string[]): Promise<Ran> =>
    new Promise((resolve) => {
      const child = spawn(join(ROOT, 'yohaku'), args, { env: { ...process.env, DATABASE_URL: url }, cwd: folder });
      let out = '';
      let err = '';
      child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
      child.stderr.on('data', (chunk: Buffer) => (err += chunk.toString()));
      child.on('close', (code) => resolve({ code: code ?? -1, out, err }));
    });
  beforeAll(async () => {
    url = await freshUrl();
    folder = await mkdtemp(join(tmpdir(), 'yohaku-cli-'));
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));

  it('backs up, reads a backup back, brings it back, and brings an exported site in as another', async () => {
    const file = join(folder, 'kept.tar.gz');
    const made = await run('backup', '-o', file, '--json');
    expect([made.code, JSON.parse(made.out)]).toEqual([
      0,
      jasmine.objectContaining({ file, sites: [jasmine.objectContaining({ id: 'ternhaven', pages: 9 })] }) as never,
    ]);
    expect([(await run('backup', '-o', file)).code, (await run('restore', file, '--check')).code]).toEqual([2, 0]);
    await run('export', 'ternhaven', '--format', 'site', '-o', join(folder, 'site'));
    const brought = await run('import', join(folder, 'site'), '--as', 'second', '--name', 'Second', '--json');
    expect([brought.code, JSON.parse(brought.out)]).toEqual([
      0,
      jasmine.objectContaining({ id: 'second', name: 'Second', pages: 9 }),
    ]);
    expect((await run('import', join(folder, 'site', 'site.json'), '--as', 'second')).err).toMatch(
      /A site already has the id “second”/,
    );
    const back = await run('restore', file);
    expect([back.code, back.out]).toEqual([
      0,
      jasmine.stringMatching(/The backup was restored. The earlier state is in .*before-restore-/),
    ]);
    const { code, err } = await run('audit', 'second');
    expect([code, err]).toEqual([2, jasmine.stringMatching(/there is no site “second”; there is ternhaven/)]);
    expect((await run('restore', join(folder, 'nothing.tar.gz'))).err.trim().split('\n').at(-1)).toMatch(
      /there is no file/,
    );
  });

  it('rates two colours', async () => {
    const { code, out } = await run('contrast', '#777', 'white', '--json');
    const result = JSON.parse(out) as { ratio: number; aa: boolean };
    expect(code).toBe(1);
    expect(Math.floor(result.ratio * 1000)).toBe(4478);
    expect(result).toEqual(
      jasmine.objectContaining({ aa: false, aaLarge: true, aaa: false, aaaLarge: false }) as never,
    );
    expect((await run('contrast', 'black', 'white')).code).toBe(0);
  });

  it('gives the palette of a picture', async () => {
    const file = join(folder, 'logo.png');
    await writeFile(
      file,
      await sharp({ create: { width: 40, height: 40, channels: 3, background: '#b83a1e' } })
        .png()
        .toBuffer(),
    );
    const { code, out } = await run('palette', file, '--json', '--colors', '3');
    expect(code).toBe(0);
    expect(JSON.parse(out)).toEqual([{ hex: '#b83a1e', share: 1, role: 'ground' }]);
  });

  it('answers bad use and bad input with one line and exit code 2, and nothing on standard output', async () => {
    await writeFile(join(folder, 'broken.png'), 'no picture');
    await writeFile(join(folder, 'no.json'), '{ "color": ');
    for (const args of [
      ['nonsense'],
      ['contrast', 'black'],
      ['contrast', 'black', 'greyish'],
      ['palette', 'nowhere.png'],
      ['palette', 'broken.png'],
      ['palette', 'broken.png', '--colors', '0'],
      ['export', 'ternhaven', '--format', 'pdf'],
      ['export', 'nowhere', '--format', 'css'],
      ['reach', 'ternhaven', 'color.core.nobody'],
      ['audit', './nowhere'],
      ['audit', '.'],
      ['audit', 'broken.png'],
      ['audit', 'ternhaven', '--at', 'none'],
      ['import', 'no.json', '--site', 'ternhaven'],
      ['import', 'no.json'],
      ['import', 'broken.png', '--site', 'ternhaven'],
      ['link', '--nonsense'],
    ]) {
      const { code, out, err } = await run(...args);
      expect(code).withContext(args.join(' ')).toBe(2);
      expect(out).withContext(args.join(' ')).toBe('');
      expect(err.trim().split('\n').length)
        .withContext(`${args.join(' ')}: ${err}`)
        .toBe(1);
    }
  });

  it('has help for every verb', async () => {
    for (const verb of [
      'start',
      'test',
      'link',
      'palette',
      'contrast',
      'export',
      'import',
      'reach',
      'audit',
      'bench',
    ]) {
      const { code, out } = await run(verb, '--help');
      expect(code).withContext(verb).toBe(0);
      expect(out).withContext(verb).toContain(`./yohaku ${verb}`);
    }
  });

  it('audits a site, its export, and an export with an edited tokens.css, by the same figures', async () => {
    const { code, out } = await run('audit', 'ternhaven', '--json');
    const audit = JSON.parse(out) as {
      places: number;
      passed: number;
      failed: number;
      cannotTell: number;
      findings: { rule: string; page: string; place: string; found: number; fix: string }[];
    };
    expect(code).toBe(1);
    expect(audit.passed + audit.failed + audit.cannotTell).toBe(audit.places);
    expect(new Set(audit.findings.map((finding) => `${finding.page} ${finding.place}`)).size).toBe(audit.failed);
    // The first fix names its change and the swatch of the brand that it uses.
    expect(audit.findings[0]!.fix).toMatch(/^Eyebrow on \w+: (?!#)\w/);
    expect((await run('export', 'ternhaven', '--format', 'site', '-o', 'out')).code).toBe(0);
    const exported = await run('audit', './out', '--json');
    expect(JSON.parse(exported.out)).toEqual(audit);
    const tokens = join(folder, 'out', 'tokens.css');
    const css = await readFile(tokens, 'utf8');
    await writeFile(tokens, css.replace(/(--background-fog-eyebrow: )[^;]+/, '$1#5a1406'));
    const fixed = await run('audit', './out', '--json');
    expect([fixed.code, (JSON.parse(fixed.out) as { failed: number }).failed]).toEqual([0, 0]);
    await writeFile(
      join(folder, 'out', 'fares.html'),
      (await readFile(join(folder, 'out', 'fares.html'), 'utf8')).replace(
        'background--fog--eyebrow',
        'background--deep--eyebrow',
      ),
    );
    const edited = await run('audit', './out');
    // An export from before the tokens of backgrounds got their present names is read by its document and tokens.
    await writeFile(tokens, css.replaceAll('--background-', '--ground-'));
    expect(JSON.parse((await run('audit', './out', '--json')).out)).toEqual(audit);
    expect([edited.code, edited.err]).toEqual([2, jasmine.stringMatching(/fares\.html was edited by hand/) as never]);
  });

  it('names in reach exactly the places whose computed values hang on the token’s line', async () => {
    const { out } = await run('reach', 'ternhaven', 'color.core.funnel', '--json');
    const [reach] = JSON.parse(out) as {
      token: string;
      derived: string[];
      places: { place: string; page: string; width: number; state: string; properties: string[] }[];
    }[];
    expect(reach!.token).toBe('color.core.funnel');
    expect(reach!.derived).toEqual(jasmine.arrayContaining(['color.derived.press', 'color.derived.glow']));
    expect(
      reach!.places.some(
        (row) => row.page === 'index.html' && row.place === 'home-board-b1/text' && row.properties.includes('color'),
      ),
    ).toBeTrue();
    expect(new Set(reach!.places.map((row) => row.state))).toEqual(new Set(['rest', 'hover', 'focus', 'busy']));
  });

  it('takes its own tokens back after an export, as one change', async () => {
    // A database of its own: the other tests expect the demo as it was.
    const before = url;
    url = await freshUrl();
    await run('export', 'ternhaven', '--format', 'dtcg', '-o', 'tokens.json');
    const text = await readFile(join(folder, 'tokens.json'), 'utf8');
    await writeFile(join(folder, 'tokens.json'), text.replaceAll('"#b83a1e"', '"#2244aa"'));
    const { code, out } = await run('import', 'tokens.json', '--site', 'ternhaven', '--json');
    expect(code).withContext(out).toBe(0);
    expect((JSON.parse(out) as { changed: string[] }).changed).toContain('color.core.funnel');
    expect((await run('export', 'ternhaven', '--format', 'css')).out).toContain('--color-core-funnel: #2244aa;');
    await writeFile(join(folder, 'house.css'), ':root { --funnel: #aa2200; --rope: oklch(80% 0.05 90); --gap: 4px }');
    const sheet = await run('import', 'house.css', '--site', 'ternhaven', '--json');
    expect([sheet.code, JSON.parse(sheet.out)]).toEqual([
      1,
      {
        taken: 2,
        added: ['rope'],
        changed: ['funnel'],
        left: [
          {
            path: '--gap',
            reason:
              'is 4px; only colours, text styles, shadows, motions and corners can be imported alone; kept, and exported again',
          },
        ],
      },
    ]);
    expect((await run('export', 'ternhaven', '--format', 'csv')).out).toMatch(/^Rope,color\.side\.rope,#cabd9a,/m);
    expect((await run('export', 'ternhaven', '--format', 'svg')).out).toContain('fill="#aa2200"');
    expect(JSON.parse((await run('export', 'ternhaven', '--format', 'json')).out)).toEqual(
      jasmine.objectContaining({ site: 'Ternhaven Ferries' }),
    );
    url = before;
  });
});
