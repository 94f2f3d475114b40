import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import {
  acceptChange,
  addListSection,
  addPage,
  addSection,
  joinEdits,
  pageOfItems,
  publishedPages,
  SECTION_KINDS,
  setValue,
  siteIndex,
  type Edit,
  type Site,
} from '@yohaku/core';
import { Isolated } from '../isolated/index.ts';
import type { Database } from '../db/index.ts';
import { loadSite } from '../sites/index.ts';
import { freshDatabase, ROOT } from '../testing/database.ts';
import { exportSite } from './index.ts';

const apart = new Isolated();
afterAll(() => apart.close());

/** Elements that paint something: they have a recipe's class, or are of a kind that always has one. */
const PAINTED = /^(a|button|input|textarea|select|h[1-6]|img|hr)$/;

interface Painted {
  readonly place: string | undefined;
  readonly tag: string;
  readonly skipped: boolean;
}

function paintedIn(html: string): Painted[] {
  const found: Painted[] = [];
  const visit = (node: Nodes): void => {
    if (node.type === 'element') {
      const classes = [node.properties['className'] ?? []].flat().map(String);
      if (
        node.properties['dataPlace'] !== undefined ||
        PAINTED.test(node.tagName) ||
        classes.some((className) => className.includes('--'))
      )
        found.push({
          place: node.properties['dataPlace'] === undefined ? undefined : String(node.properties['dataPlace']),
          tag: node.tagName,
          skipped:
            node.tagName === 'input' && ['hidden', 'checkbox', 'radio'].includes(String(node.properties['type'])),
        });
    }
    if ('children' in node) node.children.forEach(visit);
  };
  visit(fromHtml(html));
  return found;
}

describe('every published file', () => {
  let database: Database;
  beforeAll(async () => {
    database = await freshDatabase();
  });
  afterAll(() => database.close());

  it('contains exactly the painted elements that the model lists', async () => {
    const demo = (await loadSite(database, 'ternhaven'))!.site;
    const done = (site: Site, ...edits: ((now: Site) => Edit)[]) => acceptChange(site, joinEdits(site, '', edits)).site;
    const list = ['pages', 'list', 'sections', 'list-log', 'own', 'blocks', 'list-log-list'];
    const site = done(
      demo,
      (now) => addPage(now, 'list', null),
      (now) => addListSection(now, 'list', 'log', 'list-log'),
      (now) => setValue(now, '', [...list, 'limit'], 3),
      (now) => setValue(now, '', [...list, 'paged'], true),
      (now) => addSection(now, 'list', 'list-form', undefined, SECTION_KINDS.form),
      (now) => addPage(now, 'one', null),
      (now) => pageOfItems(now, 'log', 'one'),
    );
    const files = await exportSite(database.db, apart, site, ROOT);
    const index = siteIndex(site);
    const looks = new Map(
      publishedPages(site).flatMap(({ id, files: names }) => names.map((name) => [name, id] as const)),
    );
    const written = [...files.keys()].filter((name) => name.endsWith('.html') && name !== 'specimen.html');
    const redirects = written.filter((name) => files.get(name)!.bytes.includes('http-equiv="refresh"'));
    expect(written.filter((name) => !redirects.includes(name)).sort()).toEqual([...looks.keys()].sort());
    let places = 0;
    for (const [name, id] of looks) {
      const painted = paintedIn(files.get(name)!.bytes.toString('utf8'));
      const known = new Set(index.tree(id)!.places.map((place) => place.id));
      expect(painted.filter(({ place, skipped }) => !skipped && (place === undefined || !known.has(place))))
        .withContext(name)
        .toEqual([]);
      expect([...known].filter((place) => !painted.some((entry) => entry.place === place)))
        .withContext(name)
        .toEqual([]);
      places += known.size;
    }
    expect(places).toBe(index.count);
    expect(
      ['list', 'item', 'answer', 'missing'].every((kind) => publishedPages(site).some((page) => page.kind === kind)),
    ).toBeTrue();
  });
});
