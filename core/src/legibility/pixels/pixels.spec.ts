import * as fc from 'fast-check';
import { applyChange, checkTouched, setValue, type Edit } from '../../change/index.ts';
import { composite, contrastRatio, parseColor, type Rgb8 } from '../../color/index.ts';
import { ripple, siteIndex } from '../../reach/index.ts';
import { AUDIT_WIDTHS } from '../../breakpoint/index.ts';
import { bodyHtml, stylesCss } from '../../render/index.ts';
import { type Site } from '../../site/index.ts';
import { readSite } from '../../document/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { auditCounts, auditSite, findings, type Audit } from '../audit.ts';
import {
  FOCUS_POINTS,
  coverCrop,
  focusFix,
  judgePixels,
  lookBehind,
  pictureFixes,
  pixelSets,
  type PixelSet,
} from './index.ts';

const rgb = (text: string): Rgb8 => parseColor(text)!.rgb;
const set = (colors: readonly Rgb8[], more: Partial<PixelSet> = {}): PixelSet => ({
  page: 'home',
  place: 'h/text',
  width: 1280,
  area: 'lines',
  problem: '',
  rgb: Uint8Array.from(colors.flatMap((color) => [color.r, color.g, color.b])),
  at: Uint16Array.from(colors.flatMap((_, i) => [i, 7])),
  ...more,
});
const half = [...Array<Rgb8>(97).fill(rgb('#000')), ...Array<Rgb8>(3).fill(rgb('#fff'))];

describe('pixels behind a text', () => {
  it('pass as long as less than one in fifty falls short', () => {
    const white = rgb('#fff');
    const three = judgePixels(set(half), null, white, 4.5)!;
    expect([three.share, three.found, three.weakest]).toEqual([0.03, 1, { x: 97, y: 7, ratio: 1 }]);
    const two = judgePixels(set(half.slice(0, 98)), null, white, 4.5)!;
    expect([two.share < 0.02, two.found]).toEqual([true, 21]);
    expect(judgePixels(set([]), null, white, 4.5)).toBeUndefined();
  });
  it('are seen through the shade as the browser lays it over', () => {
    const veil = { ...rgb('#000'), alpha: 0.5 };
    expect(judgePixels(set([rgb('#fff')]), veil, rgb('#fff'), 4.5)!.found).toBeCloseTo(3.95, 1);
  });
  it('agree with the flat rule where the picture is of one colour', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), fc.integer({ min: 0, max: 0xffffff }), (entry, other) => {
        const [fore, behind] = [entry, other].map((value) => rgb(`#${value.toString(16).padStart(6, '0')}`)) as [
          Rgb8,
          Rgb8,
        ];
        const { found, share } = judgePixels(set(Array<Rgb8>(9).fill(behind)), null, fore, 4.5)!;
        return share === (found < 4.5 ? 1 : 0);
      }),
    );
  });
  it('are rated as each of them alone would be, through any veil and with any colour upon it', () => {
    const channel = fc.integer({ min: 0, max: 255 });
    const color = fc.record({ r: channel, g: channel, b: channel, alpha: fc.constantFrom(0, 0.2, 0.55, 1) });
    fc.assert(
      fc.property(
        fc.array(fc.record({ r: channel, g: channel, b: channel, alpha: fc.constant(1) }), {
          minLength: 1,
          maxLength: 160,
        }),
        fc.option(color),
        color,
        fc.double({ min: 1, max: 21, noNaN: true }),
        (pixels, veil, fore, needed) => {
          const ratios = pixels.map((pixel) => {
            const behind = veil ? composite(veil, pixel) : pixel;
            return contrastRatio(composite(fore, behind), behind);
          });
          const low = Math.min(...ratios);
          expect(judgePixels(set(pixels), veil, fore, needed)).toEqual({
            found: [...ratios].sort((ratio, other) => ratio - other)[Math.floor(ratios.length * 0.02)]!,
            share: ratios.filter((ratio) => ratio < needed).length / ratios.length,
            weakest: { x: ratios.indexOf(low), y: 7, ratio: low },
          });
        },
      ),
    );
  });
  it('are cropped as object-fit: cover does it', () => {
    expect(coverCrop({ width: 400, height: 200 }, { width: 100, height: 100 })).toEqual({
      x: 100,
      y: 0,
      width: 200,
      height: 200,
    });
    expect(coverCrop({ width: 100, height: 400 }, { width: 200, height: 100 }, { x: 0.5, y: 0 })).toEqual({
      x: 0,
      y: 0,
      width: 100,
      height: 50,
    });
  });
});

const done = (site: Site, edit: Edit): Site => {
  const after = applyChange(site, edit).site;
  checkTouched(site, after);
  return after;
};
/** The small site with a picture behind its first section, without a shade. */
const pictured = (shade: number): Site => {
  const plain = readSite({
    ...smallSite(),
    assets: {
      hill: { id: 'hill', hash: 'a'.repeat(64), name: 'hill.svg', type: 'image/svg+xml', width: 400, height: 200 },
    },
  });
  return done(
    plain,
    setValue(plain, '', ['pages', 'home', 'sections', 's1', 'own', 'picture'], { asset: 'hill', shade }),
  );
};
const everywhere = (site: Site, color: string): PixelSet[] =>
  siteIndex(site)
    .places.filter((place) => place.overPicture)
    .flatMap((place) =>
      AUDIT_WIDTHS.flatMap((width) =>
        (['lines', 'around'] as const).map((area) =>
          set(Array<Rgb8>(20).fill(rgb(color)), { page: place.page, place: place.id, width, area }),
        ),
      ),
    );
const rows = (audit: Audit, verdict: 'fail' | 'cannot-tell') =>
  findings(audit, new Set([verdict])).filter(
    (finding) => finding.place.overPicture && finding.rule === 'text-contrast',
  );

describe('texts over a picture', () => {
  const site = pictured(0);
  it('cannot be told until their pixels are read, or with the reason why not', () => {
    expect(rows(auditSite(site), 'cannot-tell').length).toBeGreaterThan(0);
    const broken = everywhere(site, '#000').map((entry) => ({
      ...entry,
      problem: 'The picture hill.svg cannot be decoded.',
    }));
    const audit = auditSite(site, undefined, undefined, pixelSets(broken));
    expect(new Set(rows(audit, 'cannot-tell').map((row) => row.reason))).toEqual(
      new Set(['The picture hill.svg cannot be decoded.']),
    );
  });
  it('pass or fail by their pixels, and are judged again when those arrive', () => {
    const before = auditSite(site);
    const dark = auditSite(site, before, undefined, pixelSets(everywhere(site, '#000')));
    const pale = auditSite(site, dark, undefined, pixelSets(everywhere(site, '#fff')));
    expect(auditCounts(before).cannotTell).toBeGreaterThan(0);
    expect([auditCounts(dark).cannotTell, auditCounts(pale).cannotTell]).toEqual([0, 0]);
    expect(rows(dark, 'fail').length).toBeGreaterThan(0);
    expect(rows(pale, 'fail').length).toBe(0);
    // Of one place alone it is another: what was not read anew stays as it was judged.
    const [first] = everywhere(site, '#fff');
    const entry = new Map([
      ...dark.pixels,
      ...pixelSets(everywhere(site, '#fff').filter(({ place }) => place === first!.place)),
    ]);
    expect(
      rows(auditSite(site, dark, undefined, entry), 'fail').map(({ place, width, state }) => [place.id, width, state]),
    ).toEqual(
      rows(auditSite(site, undefined, undefined, entry), 'fail').map(({ place, width, state }) => [
        place.id,
        width,
        state,
      ]),
    );
  });
  it('are told with how much falls short, and where that is seen on the page that hangs', () => {
    const place = siteIndex(site).places.find((entry) => entry.overPicture && entry.kind === 'text')!;
    const text = { state: 'rest' as const, width: 1024, needed: 4.5 };
    const mixed = pixelSets(
      everywhere(site, '#000').map((entry) => ({
        ...entry,
        rgb: entry.rgb.map((value, i) => (i < 30 ? 255 : value)),
        at: entry.at.map((_, i) => i),
      })),
    );
    const found = lookBehind(site, mixed, place, text, 1280)!;
    expect([
      found.share > 0,
      found.share < 1,
      found.weakest < 4.5,
      found.spot?.ratio === found.weakest,
      found.spot!.x >= 20,
    ]).toEqual([true, true, true, true, true]);
    // Where it passes at the width that hangs, there is nothing to ring; without pixels, nothing to say.
    const passing = new Map(
      [...mixed].map(([key, entry]) => [
        key,
        entry.width === 1280 ? { ...entry, rgb: new Uint8Array(60).fill(255) } : entry,
      ]),
    );
    expect(lookBehind(site, passing, place, text, 1280)!.spot).toBeNull();
    expect(lookBehind(site, new Map(), place, text, 1280)).toBeUndefined();
    expect(
      lookBehind(
        site,
        mixed,
        siteIndex(site).places.find((entry) => !entry.overPicture && entry.kind === 'text')!,
        text,
        1280,
      ),
    ).toBeUndefined();
  });
  it('follow the shade and the ground’s colour without new pixels', () => {
    const pixels = pixelSets(everywhere(site, '#000'));
    const shaded = pictured(1);
    expect(rows(auditSite(shaded, undefined, undefined, pixels), 'fail').length).toBe(0);
    const audit = auditSite(shaded, undefined, undefined, pixels);
    const black = done(
      shaded,
      setValue(shaded, '', ['brand', 'swatches', 'white', 'color'], parseColor('#000')!.oklch),
    );
    expect(
      rows(auditSite(done(black, setValue(black, '', ['brand', 'swatches', 'white', 'typed'], '#000')), audit), 'fail')
        .length,
    ).toBeGreaterThan(0);
  });
  it('are fixed by the lightest shade that does, a plate, another ground’s text: each does what it says', () => {
    const pixels = pixelSets(everywhere(site, '#747474'));
    const place = siteIndex(site).places.find((entry) => entry.id === 'p/text')!;
    const fixes = pictureFixes(site, pixels, place, 'o-new');
    expect(fixes.map((fix) => fix.what)).toEqual(['shade', 'plate', 'colour']);
    for (const fix of fixes) {
      const after = done(site, { label: '', ops: fix.ops });
      const left = rows(auditSite(after, undefined, undefined, pixels), 'fail').filter(
        (row) => fix.what === 'shade' || row.place.id === place.id,
      );
      expect(left.map((entry) => entry.place.id))
        .withContext(fix.what)
        .toEqual([]);
      expect([fix.before < 4.5, fix.after >= 4.5])
        .withContext(fix.what)
        .toEqual([true, true]);
    }
    // One percent less would not do.
    const [shade] = fixes;
    const op = shade!.ops[0] as { at: string[]; value: number };
    const less = done(site, setValue(site, '', op.at, Math.round(op.value * 100 - 1) / 100));
    expect(rows(auditSite(less, undefined, undefined, pixels), 'fail').length).toBeGreaterThan(0);
  });
  it('Trial 8: are not fixed by a shade under which nothing is seen of the picture', () => {
    const place = siteIndex(site).places.find((entry) => entry.id === 'p/text')!;
    expect(pictureFixes(site, pixelSets(everywhere(site, '#000')), place, 'o-new').map((fix) => fix.what)).toEqual([
      'plate',
      'colour',
    ]);
  });
  it('are fixed by the nearest focus point with which all of them pass, when the pixels there have been read', () => {
    const black = pixelSets(everywhere(site, '#000'));
    const white = pixelSets(everywhere(site, '#fff'));
    const place = siteIndex(site).places.find((entry) => entry.id === 'p/text')!;
    // All but two corners of the picture are black.
    const turned = (light: readonly string[]) =>
      new Map(FOCUS_POINTS.map((point) => [point, light.includes(`${point.x} ${point.y}`) ? white : black]));
    expect(focusFix(site, black, place, turned([]))).toBeUndefined();
    const fix = focusFix(site, black, place, turned(['0 0', '1 0.75']))!;
    expect([fix.what, fix.label, fix.before < 4.5, fix.after >= 4.5]).toEqual([
      'focus',
      'Focus point 100 % across, 75 % down',
      true,
      true,
    ]);
    const after = done(site, { label: '', ops: fix.ops });
    expect(ripple(site, after).changed.map((entry) => entry.kind)).toEqual(['picture']);
    expect(
      ripple(site, pictured(0.4))
        .added.concat(ripple(pictured(0.3), pictured(0.4)).changed)
        .map((entry) => entry.id),
    ).toEqual(['s1/shade', 's1/shade']);
    expect(stylesCss(after)).toContain('.focus-100-75 { object-position: 100% 75%; }');
    expect(bodyHtml(after, 'home')).toContain('class="backdrop focus-100-75"');
    expect(rows(auditSite(after, undefined, undefined, white), 'fail')).toEqual([]);
    expect(() =>
      done(site, setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'picture', 'focus'], { x: 2, y: 0 })),
    ).toThrowError(/last good value is kept/);
  });
  it('have no fix to offer where nothing is wrong to begin with being flat', () => {
    const flat = readSite(smallSite());
    expect(pictureFixes(flat, new Map(), siteIndex(flat).places[0]!, 'o')).toEqual([]);
  });
});
