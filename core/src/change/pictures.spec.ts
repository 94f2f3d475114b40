import { readSite } from '../document/index.ts';
import { offeredFields, pageTree } from '../page/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { addPicture, keptPictures, removePicture, replacePicture } from './index.ts';
import { edited, testPicture } from '../testing/edited.ts';

describe('pictures of the site', () => {
  const block = { kind: 'picture', id: 'pic', asset: 'a1', alt: 'A boat', shape: 'wide' } as const;
  const at = ['pages', 'home', 'sections', 's1', 'own'];
  const site = edited(
    readSite(smallSite()),
    (now) => addPicture(now, testPicture('a1')),
    (now) => addPicture(now, testPicture('a2')),
    () => ({
      label: '',
      ops: [
        {
          op: 'insert',
          record: [...at, 'blocks'],
          order: [...at, 'columns', 'col1', 'order'],
          id: 'pic',
          value: block,
          after: null,
        },
      ],
    }),
  );
  it('are known by where they are shown, replaced everywhere, and deleted only when nothing shows them', () => {
    expect(keptPictures(site).map(({ asset, uses, where }) => [asset.id, uses, where])).toEqual([
      ['a1', 1, ['Home']],
      ['a2', 0, []],
    ]);
    expect(() => removePicture(site, 'a1')).toThrowError(/is shown once\. Replace it there first/);
    const replaced = edited(
      site,
      (now) => replacePicture(now, 'a1', 'a2'),
      (now) => removePicture(now, 'a1'),
    );
    expect(Object.keys(replaced.assets)).toEqual(['a2']);
    expect(pageTree(replaced, 'home').places.find(({ kind }) => kind === 'picture')!.asset).toBe('a2');
  });
  it('are chosen where they stand, with the words that stand for them', () => {
    const place = pageTree(site, 'home').places.find(({ kind }) => kind === 'picture')!;
    const [asset, alt] = offeredFields(site, place);
    expect([asset!.label, asset!.options.map(({ label }) => label)]).toEqual(['Image', ['a1.png', 'a2.png']]);
    expect([alt!.value, alt!.typed!.problem('IMG_0012.jpg'), alt!.typed!.problem('')]).toEqual([
      'A boat',
      jasmine.stringContaining('This is a file name'),
      '',
    ]);
    expect(alt!.typed!.problem('x'.repeat(251))).toContain('251 characters');
  });
});
