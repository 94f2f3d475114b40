import { changedTokens, siteIndex } from '../reach/index.ts';
import { stylesCss } from '../render/index.ts';
import { danglingReferences, type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { tokenTable } from '../style/index.ts';
import { readDtcg, writeDtcg } from '../formats/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { EASINGS, addMotion, applyChange, readEasing, removeMotion, setValue, type Edit } from './index.ts';

const after = (site: Site, edit: Edit): Site => applyChange(site, edit).site;

describe('motion', () => {
  const site = after(smallSite(), addMotion(smallSite(), 'quick'));

  it('is a duration and a curve by name, taken by what it is chosen for, and by nobody who asks for less', () => {
    const table = tokenTable(site.brand);
    expect([table.get('motion.quick.duration')!.css, table.get('motion.quick.easing')!.css]).toEqual([
      '120ms',
      'cubic-bezier(0, 0, 0.58, 1)',
    ]);
    const css = stylesCss(site);
    const moving = css.slice(css.indexOf('prefers-reduced-motion: no-preference'));
    expect(moving).toContain('transition-duration: var(--motion-quick-duration)');
    expect(css.slice(0, css.indexOf('prefers-reduced-motion'))).not.toContain('transition-duration');
    expect(stylesCss(smallSite())).not.toContain('transition-duration');
  });
  it('reaches the buttons and links that take it', () => {
    const slower = after(site, setValue(site, '', ['brand', 'motion', 'items', 'quick', 'duration'], 300));
    expect([...changedTokens(tokenTable(site.brand), tokenTable(slower.brand))]).toEqual(['motion.quick.duration']);
    const kinds = new Set([...(siteIndex(site).byToken.get('motion.quick.duration') ?? [])].map((group) => group.kind));
    expect([...kinds].sort()).toEqual(jasmine.arrayContaining(['button', 'link']));
  });
  it('is added, deleted, and read back as it was', () => {
    const two = after(site, addMotion(site, 'calm'));
    expect(readSite(two)).toEqual(two);
    const entry = after(two, removeMotion(two, 'quick'));
    expect(entry.brand.motion!.uses).toEqual({ button: null, link: null, field: null });
    expect(after(entry, removeMotion(entry, 'calm')).brand.motion).toBeUndefined();
    const lost = after(site, setValue(site, '', ['brand', 'motion', 'uses', 'button'], 'nobody'));
    expect(danglingReferences(lost).map((found) => `${found.kind} ${found.target}`)).toEqual(['motion nobody']);
  });
  it('goes out as a duration and a cubicBezier', () => {
    const written = writeDtcg(site) as { motion: { quick: Record<string, { $type: string; $value: unknown }> } };
    expect([written.motion.quick['duration']!.$type, written.motion.quick['duration']!.$value]).toEqual([
      'duration',
      { value: 120, unit: 'ms' },
    ]);
    expect([written.motion.quick['easing']!.$type, written.motion.quick['easing']!.$value]).toEqual([
      'cubicBezier',
      [0, 0, 0.58, 1],
    ]);
  });
  it('comes in again from DTCG as it was, and as it was edited there', () => {
    const file = writeDtcg(site) as { motion: { quick: Record<string, { $value: unknown }> } };
    expect(readDtcg(file)).toEqual(jasmine.objectContaining({ brand: site.brand, changed: [], left: [] }));
    file.motion.quick['duration']!.$value = { value: 0.3, unit: 's' };
    file.motion.quick['easing']!.$value = [0.2, 0, 0, 1];
    const read = readDtcg(file);
    expect([read.brand.motion!.items['quick']!.duration, read.brand.motion!.items['quick']!.easing, read.left]).toEqual(
      [300, [0.2, 0, 0, 1], []],
    );
  });
  it('reads curves as numbers or keywords, and nothing else', () => {
    expect(readEasing('ease-out')).toEqual([...EASINGS['ease-out']!]);
    expect(readEasing('cubic-bezier(.2, 0, 0, 1.4)')).toEqual([0.2, 0, 0, 1.4]);
    for (const text of ['', 'bouncy', '1, 2, 3', '1.2, 0, 0, 1', '0 0 NaN 1', '0, 0, 1, 1e999'])
      expect(readEasing(text)).withContext(text).toBeUndefined();
  });
});
