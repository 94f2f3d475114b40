import { applyChange, checkTouched, setRole, setValue, type Edit } from '../change/index.ts';
import { contrastRatio, parseColor } from '../color/index.ts';
import { pageTree } from '../page/index.ts';
import { bodyHtml, stylesCss } from '../render/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { auditSite, findings } from './audit.ts';
import { occurringPairs } from './pairs.ts';

const done = (site: Site, edit: Edit): Site => {
  const after = applyChange(site, edit).site;
  checkTouched(site, after);
  return after;
};
const raw = (color: string) => ({ kind: 'raw' as const, color });
/** A list with icons whose one entry has marked words. */
const site = (() => {
  const bare = readSite(smallSite());
  const list = {
    kind: 'list',
    id: 'li',
    style: 'running',
    ordered: false,
    icon: 'check',
    order: ['i1'],
    items: { i1: { id: 'i1', content: [{ text: 'Boats ' }, { id: 'm1', marked: true, text: 'sail late' }] } },
  };
  const own = ['pages', 'home', 'sections', 's1', 'own'];
  return done(
    done(bare, {
      label: '',
      ops: [
        {
          op: 'insert',
          record: [...own, 'blocks'],
          order: [...own, 'columns', 'col1', 'order'],
          id: 'li',
          value: list,
          after: 'k',
        },
      ],
    }),
    setValue(bare, '', ['name'], 'Small'),
  );
})();
const failing = (of: Site, place: string) =>
  findings(auditSite(of))
    .filter((finding) => finding.place.id === place)
    .map((finding) => `${finding.rule} ${finding.state}`);

describe('marked words, icons and selected text', () => {
  it('are places of their own, and pass by themselves', () => {
    const kinds = Object.fromEntries(pageTree(site, 'home').places.map((place) => [place.id, place.kind]));
    expect([kinds['li/i1/icon'], kinds['li/i1/m1'], kinds['li/i1/text']]).toEqual(['icon', 'mark', 'text']);
    expect(bodyHtml(site, 'home')).toMatch(
      /<li[^>]*><svg[^>]*aria-hidden="true"[^>]*>.*<\/svg>Boats <mark[^>]*data-place="li\/i1\/m1">sail late<\/mark><\/li>/,
    );
    for (const id of ['li/i1/icon', 'li/i1/m1', 'li/i1/text']) expect(failing(site, id)).withContext(id).toEqual([]);
  });
  it('are judged each on what it stands on: an icon on its background at 3, words on their mark at 4.5', () => {
    const icon = done(site, setRole(site, 'pale', 'icon', raw('#c0c0c0')));
    expect(new Set(failing(icon, 'li/i1/icon'))).toEqual(new Set(['icon-contrast rest']));
    expect(failing(done(site, setRole(site, 'pale', 'icon', raw('#8a8a8a'))), 'li/i1/icon')).toEqual([]);
    const mark = done(site, setRole(site, 'pale', 'mark', raw('#333333')));
    expect(new Set(failing(done(mark, setRole(mark, 'pale', 'mark-text', raw('#444444'))), 'li/i1/m1'))).toEqual(
      new Set(['text-contrast rest']),
    );
  });
  it('hold for selected text too, whatever value is set on the place itself', () => {
    const selected = done(site, setRole(site, 'pale', 'selection', raw('#fefefe')));
    expect(new Set(failing(selected, 'li/i1/text'))).toEqual(new Set(['text-contrast selected']));
    const pair = occurringPairs(selected).find(
      (entry) => entry.states.includes('selected') && entry.behind?.[0]?.css === '#fefefe',
    )!;
    expect(pair.found).toBeCloseTo(contrastRatio(parseColor('#ffffff')!.rgb, parseColor('#fefefe')!.rgb), 10);
    expect(stylesCss(site)).toContain('::selection');
  });
  it('refuse an icon that nobody drew', () => {
    expect(() =>
      done(site, setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'li', 'icon'], 'skull')),
    ).toThrowError(/last good value is kept/);
  });
});
