import { auditSite, findings } from '../legibility/index.ts';
import { siteIndex } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { styleSizeAt } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange,
  addToMenu,
  addPage,
  addSection,
  joinEdits,
  pageAddress,
  pageUses,
  removeFromMenu,
  removeSection,
  renamePage,
  setStyles,
  setValue,
  type Edit,
} from './index.ts';

const site = smallSite();
const after = (from: Site, ...makes: ((now: Site) => Edit)[]): Site =>
  makes.reduce((now, make) => acceptChange(now, make(now)).site, from);

describe('Trial 12: a new page', () => {
  const added = after(site, (now) => addPage(now, 'p-new', null));

  it('has the address of its title as long as it may, and keeps one that was typed or is live', () => {
    const renamed = after(added, (now) => renamePage(now, 'p-new', 'Opening hours', true));
    expect([added, renamed].map((entry) => entry.pages['p-new']!.file)).toEqual([
      'new-page.html',
      'opening-hours.html',
    ]);
    expect(after(renamed, (now) => renamePage(now, 'p-new', 'Hours')).pages['p-new']!.file).toBe('opening-hours.html');
    const typed = after(renamed, (now) =>
      setValue(now, '', ['pages', 'p-new', 'file'], pageAddress(' When We Open.html')),
    );
    expect(typed.pages['p-new']!.file).toBe('when-we-open.html');
    expect(after(typed, (now) => renamePage(now, 'p-new', 'Hours', true)).pages['p-new']!.file).toBe(
      'when-we-open.html',
    );
    expect(
      ['Über uns <i>', 'Ἀθῆναι', 'Zürich–Öfen'].map(
        (title) => after(added, (now) => renamePage(now, 'p-new', title, true)).pages['p-new']!.file,
      ),
    ).toEqual(['uber-uns-i.html', 'page.html', 'zurich-ofen.html']);
    // Another page's address is not taken; the home page's never changes.
    expect(after(added, (now) => renamePage(now, 'p-new', 'More', true)).pages['p-new']!.file).toBe('more-2.html');
    expect(after(added, (now) => renamePage(now, 'home', 'Start', true)).pages['home']!.file).toBe('index.html');
  });
  it('stands in no menu until it is put there, and what leads to it is counted', () => {
    expect(pageUses(added, 'p-new')).toEqual({ menu: [], links: 0 });
    const listed = after(added, (now) => addToMenu(now, 'p-new', 'm-new'));
    expect(pageUses(listed, 'p-new').menu).toEqual(['m-new']);
    expect(listed.shared.header.order.at(-1)).toBe('m-new');
    expect(
      pageUses(
        after(listed, (now) => removeFromMenu(now, 'p-new')),
        'p-new',
      ).menu,
    ).toEqual([]);
    expect(pageUses(site, 'more')).toEqual({ menu: ['m1'], links: 1 });
  });
  it('blank, fails nothing that the others do not', () => {
    const footer = after(added, (now) => setValue(now, '', ['shared', 'footer', 'blocks', 'foot', 'level'], 3));
    expect(
      findings(auditSite(footer))
        .filter((finding) => finding.place.page === 'p-new')
        .map((finding) => `${finding.rule} ${finding.place.id}`),
    ).toEqual([]);
  });
  it('sets its text in a style that is read, also where none of those is on the scale', () => {
    const pinned = after(site, (now) =>
      setValue(now, '', ['brand', 'styles', 'running', 'size'], { kind: 'pinned', small: 16, large: 17 }),
    );
    const grown = after(pinned, (now) => addSection(now, 'home', 'x-new'));
    const place = siteIndex(grown).byAddress.get('home x-new-b2/text')!;
    expect(place.style).toBe('running');
    expect(styleSizeAt(grown.brand, grown.brand.styles[place.style!]!, 1280)).toBe(17);
  });
});

describe('Trial 10: several in one act', () => {
  it('weight, spacing and family of several styles are one edit', () => {
    const styles = ['title', 'section'];
    for (const [field, value] of [
      ['weight', 600],
      ['letterSpacing', 0.02],
      ['lineHeight', 1.2],
      ['family', 'body'],
    ] as const) {
      const edit = setStyles(site, styles, field, value);
      expect(styles.map((id) => after(site, () => edit).brand.styles[id]![field]))
        .withContext(field)
        .toEqual([value, value]);
    }
  });
  it('several sections are changed, doubled and deleted in one, and come back in one', () => {
    const edit = joinEdits(
      site,
      'Delete 2 sections',
      ['s1', 's2'].map((id) => (now: Site) => removeSection(now, 'home', id)),
    );
    const { site: without, inverse } = acceptChange(site, edit);
    expect(without.pages['home']!.sectionOrder).toEqual([]);
    expect(acceptChange(without, { ops: inverse }).site).toEqual(site);
    // An edit made on what the one before it left.
    expect(
      after(site, (now) =>
        joinEdits(now, '', [
          (entry) => addPage(entry, 'p-1', null),
          (entry) => addPage(entry, 'p-2', 'p-1'),
          () => undefined,
        ]),
      ).pageOrder,
    ).toEqual(['home', 'more', 'p-1', 'p-2']);
  });
});
