import * as fc from 'fast-check';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { occurringPairs } from '../legibility/index.ts';
import { fontSizeAt, paintedText, siteIndex } from '../reach/index.ts';
import { stylesCss } from '../render/index.ts';
import { styleSize, tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { fluidAt } from '../type/index.ts';
import {
  ChangeRefused,
  addStyle,
  applyChange,
  removeStyle,
  resizeStyles,
  setStyleAt,
  setValue,
  settleProvisional,
  styleUses,
  type Edit,
} from './index.ts';

const after = (site: Site, edit: Edit | undefined): Site => applyChange(site, edit!).site;
const px = (site: Site, id: string, width: number): number =>
  fluidAt(styleSize(site.brand, site.brand.styles[id]!), width);
const painted = (site: Site, style: string, width: number): number =>
  fontSizeAt(
    tokenTable(site.brand),
    siteIndex(site).groups.find((group) => group.style === style && group.kind === 'text')!.painting,
    width,
  );

describe('several text styles changed together', () => {
  const ids = ['title', 'section', 'running'];
  it('keep their relation: by steps all grow by the ratio, by percent by the same share, by px by the same px', () => {
    const site = smallSite();
    fc.assert(
      fc.property(
        fc.constantFrom('steps', 'px', 'percent'),
        fc.integer({ min: -3, max: 8 }),
        fc.constantFrom(390, 1280),
        (by, amount, width) => {
          const next = after(site, resizeStyles(site, ids, { by, amount }));
          for (const id of ids) {
            const was = px(site, id, width);
            const { ratio } = width === 390 ? site.brand.scale.small : site.brand.scale.large;
            const wanted =
              by === 'steps' ? was * ratio ** amount : by === 'percent' ? was * (1 + amount / 100) : was + amount;
            expect(px(next, id, width))
              .withContext(`${id} ${by} ${amount} ${width}`)
              .toBeCloseTo(wanted, 1);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
  it('are one undo step, and back where they were', () => {
    const site = smallSite();
    const { site: next, inverse } = applyChange(site, resizeStyles(site, ids, { by: 'percent', amount: 10 }));
    expect(applyChange(next, { ops: inverse }).site).toEqual(site);
  });
  it('take sizes of single bands along, and what stands on the scale stays on it', () => {
    const site = after(smallSite(), setStyleAt(smallSite(), 'title', 'phone', 30));
    const next = after(site, resizeStyles(site, ['title'], { by: 'px', amount: 2 }));
    expect(next.brand.styles['title']!.at).toEqual({ phone: 32 });
    expect(after(site, resizeStyles(site, ['title'], { by: 'steps', amount: 1 })).brand.styles['title']!.size).toEqual({
      kind: 'step',
      step: 3,
    });
  });
  it('are refused together when one would leave its range, with its name', () => {
    const site = smallSite();
    expect(() => resizeStyles(site, ids, { by: 'px', amount: -15 })).toThrowError(
      ChangeRefused,
      /section would be .* px; sizes go from 8 to 200 px\. Nothing was changed\./,
    );
    expect(() => resizeStyles(site, ids, { by: 'steps', amount: 9 })).toThrowError(
      ChangeRefused,
      /would leave the scale/,
    );
  });
});

describe('a size for one band alone', () => {
  it('is painted there and nowhere else, and follows again when it is taken back', () => {
    const site = smallSite();
    const set = after(site, setStyleAt(site, 'title', 'phone', 31));
    expect([320, 639].map((width) => painted(set, 'title', width))).toEqual([31, 31]);
    expect(painted(set, 'title', 640)).toBe(painted(site, 'title', 640));
    expect(stylesCss(set)).toContain('font-size: var(--text-title-size-on-phone)');
    expect(after(set, setStyleAt(set, 'title', 'phone', undefined))).toEqual(site);
    expect(readSite(set)).toEqual(set);
  });
});

describe('figures and the max. line length of a style', () => {
  it('are painted where they are set, the line in em of the family', () => {
    let site = smallSite();
    const group = () => siteIndex(site).groups.find((entry) => entry.style === 'running' && entry.kind === 'text')!;
    expect(group().painting.at('max-width', 'rest', 'desktop')).toBeUndefined();
    site = after(site, setValue(site, 'longest', ['brand', 'styles', 'running', 'longest'], 60));
    site = after(site, setValue(site, 'figures', ['brand', 'styles', 'running', 'figures'], 'table'));
    const table = tokenTable(site.brand);
    expect(paintedText(table, group().painting, 'font-variant-numeric', 'rest', 1280)).toBe('tabular-nums');
    // Sixty characters of some 0.46 em each, at 18 px.
    const wide = Number(paintedText(table, group().painting, 'max-width', 'rest', 1280));
    expect(wide / fontSizeAt(table, group().painting, 1280) / 60).toBeGreaterThan(0.35);
    expect(wide / fontSizeAt(table, group().painting, 1280) / 60).toBeLessThan(0.6);
  });
});

describe('text styles of one’s own', () => {
  it('are added like another one under a name and a path of their own', () => {
    const site = smallSite();
    const next = after(site, addStyle(site, 'running', 'pull', 'Running'));
    expect(next.brand.styleOrder).toEqual(['title', 'section', 'running', 'pull', 'label']);
    const again = after(next, addStyle(next, 'running', 'pull-2', 'Running'));
    expect(new Set(Object.values(again.brand.styles).map((style) => style.path)).size).toBe(6);
    expect(readSite(again)).toEqual(again);
  });
  it('leave only with something in their place while text is set in them', () => {
    const site = smallSite();
    expect(styleUses(site, 'running').length).toBeGreaterThan(1);
    expect(removeStyle(site, 'running')).toBeUndefined();
    expect(removeStyle(site, 'running', 'nobody')).toBeUndefined();
    const gone = after(site, removeStyle(site, 'running', 'label'));
    expect([
      gone.brand.styles['running'],
      styleUses(gone, 'running'),
      gone.brand.styleOrder.includes('running'),
    ]).toEqual([undefined, [], false]);
    expect(readSite(gone)).toEqual(gone);
    expect(occurringPairs(gone).length).toBeGreaterThan(0);
    const unused = after(site, addStyle(site, 'running', 'pull'));
    expect(after(unused, removeStyle(unused, 'pull'))).toEqual(site);
  });
  it('that are provisional are decided in one step', () => {
    const site = smallSite();
    site.brand.styles['title']!.provisional = true;
    site.brand.families.provisional = true;
    const settled = after(site, settleProvisional(site));
    expect([settled.brand.styles['title']!.provisional, settled.brand.families.provisional]).toEqual([false, false]);
    expect(settleProvisional(settled).ops).toEqual([]);
  });
});
