import { auditCounts, auditSite, findings, pageTree, readSite, setValues, siteIndex, sectionOf } from '@yohaku/core';
import { manyPlaces, ternhaven, ternhavenFiles } from './index.ts';

const site = readSite(ternhaven);

describe('Ternhaven Ferries', () => {
  it('is a right document of nine pages and at least a thousand places', () => {
    expect(site.pageOrder.length).toBe(9);
    expect(siteIndex(site).places.length).toBeGreaterThanOrEqual(1000);
  });
  it('grows to any number of pages, as a document the reader accepts, with what is set on its places', () => {
    const large = manyPlaces(ternhaven, 2 * site.pageOrder.length + 3);
    expect(readSite(large)).toEqual(large);
    expect(setValues(large).length).toBeGreaterThan(2 * setValues(site).length);
  });
  it('gives every place of a page its own id', () => {
    for (const id of site.pageOrder) {
      const ids = pageTree(site, id).places.map((place) => place.id);
      expect(new Set(ids).size).withContext(id).toBe(ids.length);
    }
  });
  it('carries what its README says: two overrides, a phone override, three strays, one failing pair, text over a picture', () => {
    const values = setValues(site);
    expect(values.filter((value) => value.standing === 'stray').length).toBe(3);
    expect(values.filter((value) => value.standing === 'held' && value.override.band !== 'phone').length).toBe(2);
    expect(values.filter((value) => value.standing === 'held' && value.override.band === 'phone').length).toBe(1);
    expect(values.every((value) => value.place !== null)).toBeTrue();
    const audit = auditSite(site);
    expect(new Set(findings(audit).map((finding) => `${finding.rule} ${finding.tokens[0]}`))).toEqual(
      new Set(['text-contrast background.fog.eyebrow']),
    );
    expect(auditCounts(audit).cannotTell).toBeGreaterThan(0);
  });
  it('has at least fourteen kinds of section, told apart by what they are made of', () => {
    const kinds = new Set(
      Object.values(site.pages).flatMap((page) =>
        page.sectionOrder.map((id) => {
          const section = sectionOf(site, page.sections[id]!)!;
          return JSON.stringify([
            section.columnOrder.length,
            section.picture !== null,
            [...new Set(Object.values(section.blocks).map((block) => block.kind))].sort(),
          ]);
        }),
      ),
    );
    expect(kinds.size).toBeGreaterThanOrEqual(14);
  });
  it('has real copy: no filler, and alternative text on every picture', () => {
    const text = JSON.stringify(site);
    expect(text).not.toMatch(/lorem|ipsum|dolor sit|placeholder|xxx/i);
    for (const page of Object.values(site.pages))
      for (const id of page.sectionOrder)
        for (const block of Object.values(sectionOf(site, page.sections[id]!)!.blocks)) {
          if (block.kind === 'picture') expect(block.alt.length).withContext(block.id).toBeGreaterThan(8);
          if (block.kind === 'cards')
            for (const card of Object.values(block.items))
              if (card.picture) expect(card.picture.alt.length).toBeGreaterThan(8);
        }
  });
  it('reads as it did when it was saved before logos, gradients, icons, marks and selections were known', () => {
    const late = [
      'link-visited',
      'stripe',
      'label',
      'help',
      'error',
      'icon',
      'mark',
      'mark-text',
      'selection',
      'selection-text',
      'background-to',
    ];
    const { logo: _logo, ...shared } = ternhaven.shared;
    const { logo: _sizes, apart: _apart, ...brand } = ternhaven.brand;
    const grounds = Object.fromEntries(
      Object.values(brand.grounds).map(({ wash: _wash, ...ground }) => [
        ground.id,
        { ...ground, roles: Object.fromEntries(Object.entries(ground.roles).filter(([role]) => !late.includes(role))) },
      ]),
    );
    const assets = Object.fromEntries(
      Object.values(ternhaven.assets).map(({ colors: _colors, ...asset }) => [asset.id, asset]),
    );
    const old = readSite(JSON.parse(JSON.stringify({ ...ternhaven, shared, assets, brand: { ...brand, grounds } })));
    // Unset roles follow their rules, and no rule fails.
    expect(new Set(findings(auditSite(old)).map((finding) => `${finding.rule} ${finding.tokens[0]}`))).toEqual(
      new Set(['text-contrast background.fog.eyebrow']),
    );
    expect(pageTree(old, 'home').places.some((place) => place.kind === 'logo')).toBeFalse();
  });
  it('ships the bytes of all its pictures, without scripts or outside references', () => {
    for (const asset of Object.values(site.assets)) {
      const svg = ternhavenFiles.get(asset.hash)!;
      expect(svg).toContain('<svg');
      expect(svg.replace('http://www.w3.org/2000/svg', '')).not.toMatch(/script|href|https?:/i);
    }
  });
});
