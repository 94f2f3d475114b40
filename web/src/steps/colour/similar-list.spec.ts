import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { swatchColor, type Site } from '@yohaku/core';
import { auditFeature, deskFeature, siteFeature, SiteActions } from '../../state/index.ts';
import { small } from '../../testing/small.ts';
import { SimilarList } from './similar-list.ts';

describe('similar colours', () => {
  /** The small site with so many swatches close to one. */
  function crowded(count: number): Site {
    const site = small();
    const { brand } = site;
    const ids = Array.from({ length: count }, (_, i) => `near-${i}`);
    const near = Object.fromEntries(
      ids.map((id, i) => [
        id,
        {
          ...brand.swatches['brand']!,
          id,
          label: `Near ${i}`,
          color: { ...brand.swatches['brand']!.color, l: brand.swatches['brand']!.color.l + 0.001 * (i + 1) },
        },
      ]),
    );
    return {
      ...site,
      brand: { ...brand, swatches: { ...brand.swatches, ...near }, swatchOrder: [...brand.swatchOrder, ...ids] },
    };
  }
  async function shown(site: Site): Promise<ComponentFixture<SimilarList>> {
    TestBed.configureTestingModule({
      providers: [
        provideStore({
          [siteFeature.name]: siteFeature.reducer,
          [deskFeature.name]: deskFeature.reducer,
          [auditFeature.name]: auditFeature.reducer,
        }),
      ],
    });
    TestBed.inject(Store).dispatch(SiteActions.loaded({ site, sequence: 1, pending: [], aside: [] } as never));
    const fixture = TestBed.createComponent(SimilarList);
    fixture.componentRef.setInput('id', 'brand');
    fixture.componentRef.setInput('from', swatchColor(site.brand, 'brand')!);
    await fixture.whenStable();
    return fixture;
  }
  const names = (fixture: ComponentFixture<SimilarList>) =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('[aria-label="Similar colours"] .name')].map(
      (entry) => entry.textContent,
    );
  const more = (fixture: ComponentFixture<SimilarList>) =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((entry) =>
      /^Show \d+ more$/.test(entry.textContent.trim()),
    );

  it('lists all where they are few', async () => {
    const fixture = await shown(crowded(12));
    expect(names(fixture)).toContain('Near 11');
    expect(more(fixture)).toBeUndefined();
  });
  it('lists the nearest of many, and the others when they are asked for', async () => {
    const fixture = await shown(crowded(70));
    const few = names(fixture);
    expect([few.length, few[0], few.includes('Near 69')]).toEqual([40, 'Near 0', false]);
    more(fixture)!.click();
    await fixture.whenStable();
    expect(names(fixture).slice(0, 40)).toEqual(few);
    expect(names(fixture)).toContain('Near 69');
    expect(more(fixture)).toBeUndefined();
  });
});
