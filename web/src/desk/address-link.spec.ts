import { Component, provideZonelessChangeDetection } from '@angular/core';
import { Location } from '@angular/common';
import { provideLocationMocks } from '@angular/common/testing';
import { TestBed } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import { pageTree } from '@yohaku/core';
import { DeskActions, SiteActions, deskFeature, deskReducer, siteReducer } from '../state/index.ts';
import { small } from '../testing/small.ts';
import { soon, until } from '../testing/until.ts';
import { AddressLink } from './address-link.ts';

@Component({ template: '' })
class Blank {}

describe('address and desk', () => {
  let store: Store;
  let location: Location;
  /** How long a navigation is under way. */
  let slow: Promise<void> = Promise.resolve();
  const site = small();
  const [first, second] = site.pageOrder as [string, string];
  const desk = () => store.selectSignal(deskFeature.selectDeskState)();
  const place = (page: string, at: number) => ({ page, id: pageTree(site, page).places[at]!.id });
  const press = () => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'x' }));

  beforeEach(async () => {
    slow = Promise.resolve();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideLocationMocks(),
        provideStore({ site: siteReducer, desk: deskReducer }),
        provideRouter([
          {
            path: '**',
            component: Blank,
            canActivate: [async () => (await slow, true)],
            runGuardsAndResolvers: 'always',
          },
        ]),
      ],
    });
    store = TestBed.inject(Store);
    location = TestBed.inject(Location);
    TestBed.inject(Router).setUpLocationChangeListener();
    await TestBed.inject(Router).navigateByUrl(`/sites/small/pages?page=${first}`);
    TestBed.runInInjectionContext(() => TestBed.inject(AddressLink).follow());
    store.dispatch(SiteActions.loaded({ site, sequence: 0, pending: [] }));
    await until(() => desk().grown === first);
  });

  it('what is written down while somebody goes on does not take the desk back', async () => {
    let arrive!: () => void;
    slow = new Promise((done) => {
      arrive = done;
    });
    press();
    store.dispatch(DeskActions.choose({ choice: { place: place(first, 0) } }));
    const router = TestBed.inject(Router);
    await until(() => router.currentNavigation() !== null);
    store.dispatch(DeskActions.grow({ page: second }));
    await until(() => location.path().includes(`page=${second}`));
    arrive();
    await until(() => router.currentNavigation() === null);
    await soon(300);
    expect(location.path()).toContain(`page=${second}`);
    expect([desk().grown, desk().place]).toEqual([second, null] as never);
  });

  it('goes where an address leads, and back to where it was', async () => {
    press();
    store.dispatch(DeskActions.grow({ page: second }));
    await until(() => location.path().includes(`page=${second}`));
    await TestBed.inject(Router).navigateByUrl(`/sites/small/type?page=${first}`);
    await until(() => desk().step === 'type');
    expect(desk().grown).toBe(first);
    location.back();
    await until(() => desk().grown === second);
    expect(desk().step).toBe('pages');
  });
});
