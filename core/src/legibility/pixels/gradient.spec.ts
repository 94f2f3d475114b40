import {
  applyChange,
  checkTouched,
  planUndo,
  setRole,
  setSwatchColor,
  setWash,
  type Edit,
} from '../../change/index.ts';
import {
  contrastRatio,
  gradientColor,
  gradientCss,
  gradientPosition,
  parseColor,
  readGradient,
} from '../../color/index.ts';
import { pageTree } from '../../page/index.ts';
import { siteIndex } from '../../reach/index.ts';
import { AUDIT_WIDTHS } from '../../breakpoint/index.ts';
import { type Site } from '../../site/index.ts';
import { readSite } from '../../document/index.ts';
import { tokenTable, tokensCss } from '../../style/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { auditSite, findings } from '../audit.ts';
import { pictureFixes, pixelSets, readPixelsJson, writePixels, type PixelSet } from './index.ts';

const rgb = (hex: string) => parseColor(hex)!.rgb;
const done = (site: Site, edit: Edit): Site => {
  const applied = applyChange(site, edit);
  checkTouched(site, applied.site);
  expect(applyChange(applied.site, { ops: [...planUndo(applied.site, applied.inverse).ops] }).site).toEqual(site);
  return applied.site;
};
const raw = (color: string) => ({ kind: 'raw' as const, color });
/** Every text of the pale ground at one point of its gradient, at all widths. */
const setsAt = (site: Site, along: number): PixelSet[] =>
  site.pageOrder.flatMap((page) =>
    pageTree(site, page)
      .places.filter((place) => place.overPicture)
      .flatMap((place) =>
        AUDIT_WIDTHS.flatMap((width) =>
          (['lines', 'around'] as const).map((area) => ({
            page,
            place: place.id,
            width,
            area,
            rgb: new Uint8Array(),
            along: new Uint16Array(50).fill(Math.round(along * 65535)),
            at: new Uint16Array(100),
            problem: '',
          })),
        ),
      ),
  );
const ofText = (site: Site, verdict: 'fail' | 'cannot-tell', pixels: PixelSet[] = []) =>
  findings(auditSite(site, undefined, undefined, pixelSets(pixels)), new Set([verdict])).filter(
    (finding) => finding.place.id === 'p/text' && finding.state === 'rest',
  );

describe('position along a gradient', () => {
  it('runs from corner to corner at any angle, as CSS has it', () => {
    const box = { width: 300, height: 100 };
    for (const [angle, start, end] of [
      [180, [150, 0], [150, 100]],
      [90, [0, 50], [300, 50]],
      [0, [10, 100], [10, 0]],
      [135, [0, 0], [300, 100]],
      [45, [0, 100], [300, 0]],
    ] as const) {
      expect(gradientPosition(angle, box, start[0], start[1]))
        .withContext(`${angle} start`)
        .toBeCloseTo(0, 9);
      expect(gradientPosition(angle, box, end[0], end[1]))
        .withContext(`${angle} end`)
        .toBeCloseTo(1, 9);
      expect(gradientPosition(angle, box, 150, 50)).toBeCloseTo(0.5, 9);
    }
    expect(gradientPosition(45, { width: 0, height: 0 }, 0, 0)).toBe(0);
  });
  it('is read back from the CSS it is written as', () => {
    const [from, to] = [rgb('#0e3b43'), { ...rgb('#3e666c'), alpha: 0.5 }];
    expect(readGradient(gradientCss(165, from, to))).toEqual({ angle: 165, from, to });
    expect(readGradient(gradientCss(180, from, to))).toEqual({ angle: 180, from, to });
    expect(readGradient('linear-gradient(red, blue)')).toBeUndefined();
    expect(gradientColor(rgb('#000'), rgb('#ffffff'), 0.5)).toEqual({ r: 128, g: 128, b: 128, alpha: 1 });
  });
});

describe('a ground whose background is a gradient', () => {
  const flat = readSite(smallSite());
  const washed = applyChange(flat, setWash(flat, 'pale', { to: raw('#222222'), angle: 90 })).site;
  it('is one token that follows both ends, and is flat again with nothing left behind', () => {
    expect(tokensCss(washed.brand)).toContain(
      '--background-pale-wash: linear-gradient(90deg, rgb(255, 255, 255) 0%, rgb(34, 34, 34) 100%);',
    );
    expect(
      tokenTable(done(washed, setSwatchColor(washed, 'white', parseColor('#fafafa')!)).brand).get(
        'background.pale.wash',
      )!.css,
    ).toContain('rgb(250, 250, 250) 0%');
    expect(done(flat, setWash(flat, 'pale', { to: raw('#222222'), angle: 90 }))).toEqual(washed);
    expect(done(washed, setWash(washed, 'pale', null)).brand).toEqual(flat.brand);
  });
  it('is judged where each text stands on it, and follows its colours without being read again', () => {
    expect(ofText(washed, 'cannot-tell').length).toBe(AUDIT_WIDTHS.length);
    const near = setsAt(washed, 0.1);
    expect([ofText(washed, 'fail', near).length, ofText(washed, 'cannot-tell', near).length]).toEqual([0, 0]);
    const far = setsAt(washed, 0.9);
    const found = ofText(washed, 'fail', far);
    expect(found.length).toBe(AUDIT_WIDTHS.length);
    expect(found[0]!.found).toBeCloseTo(
      contrastRatio(rgb('#222222'), gradientColor(rgb('#ffffff'), rgb('#222222'), Math.round(0.9 * 65535) / 65535)),
      6,
    );
    const paler = done(washed, setRole(washed, 'pale', 'background-to', raw('#eeeeee')));
    expect(ofText(paler, 'fail', far).length).toBe(0);
  });
  it('passes without a layout where all of it is enough, and cannot be told where only a part is', () => {
    const gentle = done(washed, setRole(washed, 'pale', 'background-to', raw('#dddddd')));
    expect([ofText(gentle, 'fail').length, ofText(gentle, 'cannot-tell').length]).toEqual([0, 0]);
    expect(ofText(washed, 'cannot-tell')[0]!.reason).toContain('gradient');
  });
  it('is read as well after it has travelled as JSON', () => {
    const far = readPixelsJson(JSON.parse(JSON.stringify(writePixels(pixelSets(setsAt(washed, 0.9))))) as never);
    expect(
      findings(auditSite(washed, undefined, undefined, far)).some((finding) => finding.place.id === 'p/text'),
    ).toBeTrue();
  });
  it('is fixed by a plate behind the text or another ground’s colour, each doing what it says', () => {
    const far = setsAt(washed, 0.9);
    const place = siteIndex(washed).byAddress.get('home p/text')!;
    const fixes = pictureFixes(washed, pixelSets(far), place, 'o-new');
    expect(fixes.map((fix) => fix.what)).toEqual(['plate', 'colour']);
    for (const fix of fixes) {
      const after = done(washed, { label: '', ops: fix.ops });
      expect(ofText(after, 'fail', far))
        .withContext(fix.what)
        .toEqual([]);
    }
  });
  it('gives its unset texts the swatch that is read best where it is read worst', () => {
    const site = done(washed, setRole(washed, 'pale', 'background-to', raw('#999999')));
    const unset = done(site, setRole(site, 'pale', 'text', undefined));
    expect(tokenTable(unset.brand).get('background.pale.text')!.alias).toBe('color.core.ink');
  });
});
