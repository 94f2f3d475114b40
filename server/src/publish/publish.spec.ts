import { unzipSync } from 'fflate';
import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import { makeSignInToken } from '../auth/index.ts';
import { Isolated } from '../isolated/index.ts';
import type { Database } from '../db/index.ts';
import { loadSite } from '../sites/index.ts';
import { freshDatabase, ROOT } from '../testing/database.ts';
import {
  exportSite,
  listPublications,
  liveFile,
  liveSite,
  makeLive,
  publishSite,
  zipSite,
  type ExportedSite,
} from './index.ts';

const apart = new Isolated();
afterAll(() => apart.close());

describe('an exported site', () => {
  let database: Database;
  let files: ExportedSite;
  beforeAll(async () => {
    database = await freshDatabase();
    await makeSignInToken(database.db);
    files = await exportSite(database.db, apart, (await loadSite(database, 'ternhaven'))!.site, ROOT);
  });
  afterAll(() => database.close());
  const text = (name: string) => files.get(name)!.bytes.toString('utf8');
  const pages = () => [...files.keys()].filter((name) => name.endsWith('.html'));

  it('has a page a file, tokens, styles, fonts, pictures and the specimen', () => {
    for (const name of [
      'index.html',
      'fares.html',
      'tokens.css',
      'styles.css',
      'fonts.css',
      'tokens.json',
      'specimen.html',
      'site.json',
    ])
      expect(files.has(name)).withContext(name).toBeTrue();
    expect([...files.keys()].filter((name) => name.startsWith('fonts/')).length).toBeGreaterThan(6);
    expect([...files.keys()].filter((name) => /^images\/(?!sharing-)/.test(name)).length).toBe(11);
    expect([...files.keys()].filter((name) => name.startsWith('images/sharing-')).length).toBe(9);
  });
  it('links only to what is there: pages, pictures, styles, fonts', () => {
    const missing: string[] = [];
    for (const page of pages()) {
      const visit = (node: Nodes): void => {
        if (node.type === 'element')
          for (const key of ['href', 'src']) {
            const value = node.properties[key];
            if (typeof value === 'string' && !/^([a-z]+:|#|data:)/.test(value) && !files.has(value.split('#')[0]!))
              missing.push(`${page}: ${value}`);
          }
        if ('children' in node) node.children.forEach(visit);
      };
      visit(fromHtml(text(page)));
    }
    for (const [, url] of text('fonts.css').matchAll(/url\("([^"]+)"\)/g))
      if (!files.has(url!)) missing.push(`fonts.css: ${url}`);
    expect(missing).toEqual([]);
  });
  it('has unique ids, one h1, a title and a language on every page', () => {
    for (const page of pages().filter((name) => name !== 'specimen.html')) {
      const html = text(page);
      const ids = [...html.matchAll(/ id="([^"]+)"/g)].map((match) => match[1]);
      expect(new Set(ids).size).withContext(page).toBe(ids.length);
      expect(html.match(/<h1/g)?.length).withContext(page).toBe(1);
      expect(html).toMatch(/<html lang="en-GB" data-page="[a-z-]+">.*<title>[^<]+<\/title>/s);
    }
  });
  it('runs nothing', () => {
    for (const page of pages())
      expect(text(page))
        .withContext(page)
        .not.toMatch(/<script|javascript:|\son[a-z]+="/i);
  });
  it('zips to the same bytes each time, and to the same files', async () => {
    expect((await zipSite(files)).equals(await zipSite(files))).toBeTrue();
    const unzipped = unzipSync(await zipSite(files));
    expect(Object.keys(unzipped).sort()).toEqual([...files.keys()].sort());
    expect(Buffer.from(unzipped['tokens.css']!).toString()).toBe(text('tokens.css'));
  });

  it('is made live in one go, one at a time, and goes back whole', async () => {
    const { site } = (await loadSite(database, 'ternhaven'))!;
    expect(await liveSite(database.db, 'ternhaven')).toBeUndefined();
    await Promise.all([
      publishSite(database, apart, site, 0, 'owner', ROOT),
      publishSite(database, apart, site, 0, 'owner', ROOT),
    ]);
    const list = await listPublications(database.db, 'ternhaven');
    expect(list.map((entry) => entry.number)).toEqual([2, 1]);
    expect(list.filter((entry) => entry.live).length).toBe(1);
    expect(list[0]!.verdict).toEqual(jasmine.objectContaining({ places: 1178, failed: 10 }) as never);
    expect(await makeLive(database, 'ternhaven', 1)).toBeTrue();
    expect(await makeLive(database, 'ternhaven', 99)).toBeFalse();
    expect((await liveSite(database.db, 'ternhaven'))!.number).toBe(1);
    expect((await liveFile(database.db, 'ternhaven', 'index.html'))?.hash).toMatch(/^[0-9a-f]{64}$/);
    expect(await liveFile(database.db, 'ternhaven', 'toString')).toBeUndefined();
  });
});
