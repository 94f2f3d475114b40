import { type LogoForm, type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import {
  addLogoForm,
  applyChange,
  checkTouched,
  planUndo,
  removeGround,
  removeLogoForm,
  setLogoOn,
  setSwatchColor,
  setValue,
  type Edit,
} from '../change/index.ts';
import { contrastRatio, parseColor } from '../color/index.ts';
import { auditSite, findings } from '../legibility/index.ts';
import { pageTree } from '../page/index.ts';
import { ripple } from '../reach/index.ts';
import { bodyHtml, pageHtml } from '../render/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { formOn, iconBox, logoContrast } from './index.ts';

const rgb = (hex: string) => parseColor(hex)!.rgb;
const form = (
  id: string,
  plate: string | null,
  ...colors: [string, number][]
): Pick<LogoForm, 'id' | 'colors' | 'plate'> => ({ id, plate, colors: colors.map(([hex, share]) => ({ hex, share })) });
const asset = (id: string) => ({
  id,
  name: `${id}.svg`,
  hash: id.charCodeAt(0).toString(16).padStart(64, '0'),
  type: 'image/svg+xml' as const,
  width: 120,
  height: 60,
});
const done = (site: Site, edit: Edit): Site => {
  const applied = applyChange(site, edit);
  checkTouched(site, applied.site);
  // Every edit of the logo can be undone to the very document there was.
  expect(applyChange(applied.site, { ops: [...planUndo(applied.site, applied.inverse).ops] }).site).toEqual(site);
  return applied.site;
};
const dark = form('dark', null, ['#222222', 0.7], ['#b83a1e', 0.3]);
const light = form('light', null, ['#ffffff', 0.7], ['#b83a1e', 0.3]);
const withBoth = (): Site => {
  const bare = readSite(smallSite());
  const site = applyChange(bare, addLogoForm(bare, asset('a'), dark)).site;
  return readSite(applyChange(site, addLogoForm(site, asset('b'), light)).site);
};

describe('contrast of a logo', () => {
  it('is the ratio that at least half of its area reaches', () => {
    const three = form('x', null, ['#000000', 0.4], ['#777777', 0.2], ['#eeeeee', 0.4]);
    expect(logoContrast(three, rgb('#ffffff')).ratio).toBeCloseTo(contrastRatio(rgb('#777777'), rgb('#ffffff')), 10);
    expect(logoContrast(three, rgb('#ffffff')).seen).toBeCloseTo(0.6, 10);
  });
  it('of a form with a plate of its own is rated on that, and is the same everywhere', () => {
    const plated = form('x', '#ffffff', ['#ffffff', 0.8], ['#000000', 0.2]);
    expect(logoContrast(plated, rgb('#000000'))).toEqual({
      ratio: contrastRatio(rgb('#000000'), rgb('#ffffff')),
      seen: 1,
    });
    expect(logoContrast(plated, rgb('#000000'))).toEqual(logoContrast(plated, rgb('#ff0000')));
  });
  it('of a form of one plate colour alone is nothing', () => {
    expect(logoContrast(form('x', '#ffffff', ['#ffffff', 1]), rgb('#000000'))).toEqual({ ratio: 1, seen: 0 });
  });
});

describe('logo', () => {
  const site = withBoth();
  it('begins with its first form and is gone again when that is undone', () => {
    const bare = readSite(smallSite());
    const logo = done(bare, addLogoForm(bare, asset('a'), dark)).shared.logo!;
    expect([logo.formOrder, logo.icon.form]).toEqual([['dark'], 'dark']);
  });
  it('takes on each background the form seen best, or the one set, and follows when the background’s colour turns', () => {
    expect([formOn(site, 'pale')!.id, formOn(site, 'deep')!.id]).toEqual(['dark', 'light']);
    expect(formOn(done(site, setLogoOn(site, 'pale', 'light')), 'pale')!.id).toBe('light');
    const turned = done(site, setSwatchColor(site, 'white', parseColor('#101010')!));
    expect(formOn(turned, 'pale')!.id).toBe('light');
    expect(bodyHtml(turned, 'home')).toContain('images/b-');
    expect(bodyHtml(site, 'home')).toContain('images/a-');
  });
  it('is a place in the header of every page, judged for contrast and for its smallest width', () => {
    for (const page of site.pageOrder)
      expect(pageTree(site, page).places.some((place) => place.id === 'header/logo')).toBeTrue();
    const rules = (of: Site) =>
      findings(auditSite(of))
        .filter((finding) => finding.rule.startsWith('logo'))
        .map((finding) => `${finding.place.page} ${finding.rule}`);
    expect(rules(site)).toEqual([]);
    expect(rules(done(site, setLogoOn(site, 'pale', 'light')))).toEqual([
      'home logo-contrast',
      'more logo-contrast',
      '~404 logo-contrast',
    ]);
    const narrow = done(site, setValue(site, '', ['brand', 'logo', 'width'], 20));
    expect(rules(narrow)).toEqual(['home logo-size', 'more logo-size', '~404 logo-size']);
    // Judged again from the audit before the edit, the answer is the same.
    expect(findings(auditSite(narrow, auditSite(site)))).toEqual(findings(auditSite(narrow)));
  });
  it('counts as changed wherever another form stands after an edit', () => {
    const ids = (of: Site) => ripple(site, of).changed.map((place) => `${place.page} ${place.id}`);
    expect(ids(done(site, setLogoOn(site, 'pale', 'light')))).toEqual([
      'home header/logo',
      'more header/logo',
      '~404 header/logo',
    ]);
    expect(ids(done(site, setLogoOn(site, 'deep', 'dark')))).toEqual([]);
  });
  it('says the name where it stands alone, and nothing where the name stands beside it', () => {
    expect(bodyHtml(site, 'home')).toMatch(/<img class="logo logo"[^>]*role="presentation"[^>]*>Small<\/a>/);
    expect(bodyHtml(done(site, setValue(site, '', ['shared', 'logo', 'named'], false)), 'home')).toMatch(
      /<img class="logo logo"[^>]*alt="Small"[^>]*><\/a>/,
    );
  });
  it('names its icons in every page, and none while there is no logo', () => {
    expect(pageHtml(site, 'more')).toContain('sizes="16x16" href="icon-16.png"');
    expect(pageHtml(readSite(smallSite()), 'more')).toContain('rel="icon" href="data:,"');
  });
  it('loses a form to the ones that are left, and the last one with it', () => {
    const set = done(
      done(site, setLogoOn(site, 'deep', 'dark')),
      setValue(site, '', ['shared', 'logo', 'icon', 'ground'], 'deep'),
    );
    const without = done(set, removeLogoForm(set, 'dark'));
    expect(without.shared.logo!.onGround).toEqual({});
    expect(without.shared.logo!.icon.form).toBe('light');
    expect(done(without, removeLogoForm(without, 'light')).shared.logo).toBeUndefined();
    const replacement = done(set, removeGround(set, 'deep', 'pale')).shared.logo!;
    expect([replacement.onGround, replacement.icon.ground]).toEqual([{}, 'pale']);
  });
});

describe('icon of the site', () => {
  it('holds the whole logo, centred and inside its margin, at every size', () => {
    for (const side of [16, 32, 180, 512])
      for (const [width, height] of [
        [120, 60],
        [10, 900],
        [64, 64],
      ] as const)
        for (const margin of [0, 0.12, 0.4]) {
          const box = iconBox(side, margin, { width, height });
          expect(box.left).toBeGreaterThanOrEqual(0);
          expect(box.left + box.width).toBeLessThanOrEqual(side);
          expect(Math.abs(2 * box.left + box.width - side)).toBeLessThanOrEqual(1);
          expect(Math.abs(2 * box.top + box.height - side)).toBeLessThanOrEqual(1);
          expect(Math.max(box.width, box.height)).toBe(side - 2 * Math.round(side * margin));
        }
  });
});
