import { smallSite } from '../testing/small-site.ts';
import { SiteIssues, upcast } from './read.ts';
import { readSite } from '../document/index.ts';
import { danglingReferences } from './references.ts';

const issuesOf = (input: unknown): readonly { path: string; message: string }[] => {
  try {
    readSite(input);
  } catch (error) {
    if (error instanceof SiteIssues) return error.issues;
    throw error;
  }
  return [];
};

describe('site document', () => {
  it('is read as it was written', () => {
    expect(readSite(JSON.parse(JSON.stringify(smallSite())))).toEqual(smallSite());
    expect(danglingReferences(smallSite())).toEqual([]);
  });
  it('says where it is wrong', () => {
    const site = smallSite() as never as { brand: { corners: { button: unknown } } };
    site.brand.corners.button = 'round';
    expect(issuesOf(site)[0]!.path).toBe('brand.corners.button');
    for (const input of [null, 3, 'x', [], {}])
      expect(issuesOf(input).length).withContext(JSON.stringify(input)).toBeGreaterThan(0);
  });
  it('refuses unknown fields, so that a typing error is not silently kept', () => {
    expect(issuesOf({ ...smallSite(), colour: 'red' }).length).toBe(1);
  });
  it('finds every reference that leads nowhere', () => {
    const site = smallSite();
    site.pages['home']!.sections['s2'] = { id: 's2', shared: 'gone' };
    site.brand.grounds['pale']!.roles['text'] = { kind: 'swatch', swatch: 'nobody' };
    site.brand.families.heading = 'unknown';
    expect(
      danglingReferences(site)
        .map(({ kind, target }) => `${kind} ${target}`)
        .sort(),
    ).toEqual(['family unknown', 'section gone', 'swatch nobody']);
  });
  it('finds roles that follow each other in a circle, and files used twice', () => {
    const site = smallSite();
    site.brand.grounds['pale']!.roles['text'] = { kind: 'same', role: 'link' };
    site.brand.grounds['pale']!.roles['link'] = { kind: 'same', role: 'text' };
    site.pages['more']!.file = 'index.html';
    expect(new Set(danglingReferences(site).map((reference) => reference.kind))).toEqual(new Set(['loop', 'file']));
  });
  it('does not open a document from a newer version', () => {
    expect(() => upcast({ schemaVersion: 99 })).toThrowError(SiteIssues, /Update Yohaku/);
  });
});
