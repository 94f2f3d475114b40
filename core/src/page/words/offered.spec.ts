import { acceptChange, insertOp, setValue } from '../../change/index.ts';
import { bodyHtml } from '../../render/index.ts';
import { SECTION_KINDS, layIn } from '../../sections/index.ts';
import type { Site } from '../../site/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { offeredFields, pageTree } from '../index.ts';

describe('what a cropped picture keeps', () => {
  const bare: Site = {
    ...smallSite(),
    assets: { view: { id: 'view', name: 'View', hash: 'a'.repeat(64), type: 'image/png', width: 1600, height: 900 } },
  };
  const site = (['text-picture', 'gallery', 'people'] as const).reduce((now, kind, i) => {
    const own = layIn(now, SECTION_KINDS[kind], `new${i}`);
    return acceptChange(now, {
      ops: [
        insertOp(now, ['pages', 'home', 'sections'], ['pages', 'home', 'sectionOrder'], own.id, { id: own.id, own }),
      ],
    }).site;
  }, bare);
  const pictures = (now: Site) =>
    pageTree(now, 'home').places.filter(({ kind, id }) => kind === 'picture' && id.startsWith('new'));
  const field = (now: Site, at: number) =>
    offeredFields(now, pictures(now)[at]!).find(({ label }) => label === 'Cropped, it keeps')!;
  const typed = (now: Site, at: number, words: string) =>
    acceptChange(now, setValue(now, '', field(now, at).address, field(now, at).kept(words))!).site;

  it('is a side or any point, of every picture of its own: alone, in a gallery, on a card', () => {
    expect(pictures(site).length).toBe(1 + 3 + 3);
    for (const at of [0, 1, 4]) {
      expect([field(site, at).value, field(site, at).focus!.at]).toEqual(['its middle', { x: 0.5, y: 0.5 }]);
      const point = typed(site, at, '30, 20');
      expect([field(point, at).value, field(point, at).focus]).toEqual([
        '30 % from left, 20 % from top',
        { asset: 'view', at: { x: 0.3, y: 0.2 } },
      ]);
      expect(bodyHtml(point, 'home')).toContain('style="object-position: 30% 20%"');
      // The shown text of the point reads back as the same point.
      expect(typed(point, at, field(point, at).value)).toEqual(point);
      const side = typed(point, at, 'its top');
      expect(field(side, at).focus!.at).toEqual({ x: 0.5, y: 0 });
      expect([
        field(side, at).value,
        bodyHtml(side, 'home').includes('object-position'),
        / keeps-top/.test(bodyHtml(side, 'home')),
      ]).toEqual(['its top', false, true]);
      expect(typed(side, at, 'its middle')).toEqual(site);
    }
  });
  it('that is none of it is refused with what can be said', () => {
    const { typed: how, kept } = field(site, 0);
    for (const words of ['the ship', '30', '30, 120', '-3, 4', '30, 20, 10']) {
      expect(how!.problem(words))
        .withContext(words)
        .toBe('Type a side, or two numbers from 0 to 100 for left and top, such as 30, 20.');
      expect(kept(words)).withContext(words).toBeUndefined();
    }
    for (const words of ['Top', '12.5 % 80 %', '0 0', 'Its Left', ''])
      expect(how!.problem(words)).withContext(words).toBe('');
  });
});
