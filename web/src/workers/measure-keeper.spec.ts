import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { setValue, type Measured } from '@yohaku/core';
import {
  AuditActions,
  MeasuredBefore,
  PagesRead,
  auditFeature,
  deskFeature,
  layoutHashes,
  siteFeature,
  SiteActions,
  type PageReading,
} from '../state/index.ts';
import { small } from '../testing/small.ts';
import { soon, until } from '../testing/until.ts';
import { MeasureKeeper } from './measure-keeper.ts';

const URL_OF = '/api/sites/small/measured';

describe('measurements of unchanged pages', () => {
  let store: Store;
  let http: HttpTestingController;
  let told: PageReading[];
  const measuring = () => store.selectSignal(auditFeature.selectMeasuring)();
  const current = () => store.selectSignal(siteFeature.selectCurrent)()!;
  const open = async (measured: Measured | null): Promise<void> => {
    TestBed.tick();
    for (;;) {
      const [asked] = http.match(({ method, url }) => method === 'GET' && url === URL_OF);
      if (asked) return asked.flush({ measured });
      await soon();
    }
  };
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideHttpClient(),
        provideHttpClientTesting(),
        provideStore({
          [siteFeature.name]: siteFeature.reducer,
          [deskFeature.name]: deskFeature.reducer,
          [auditFeature.name]: auditFeature.reducer,
        }),
      ],
    });
    store = TestBed.inject(Store);
    http = TestBed.inject(HttpTestingController);
    told = [];
    TestBed.inject(PagesRead).read.subscribe(({ readings }) => told.push(...readings));
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    store.dispatch(SiteActions.loaded({ site: small(), sequence: 1, pending: [], aside: [] } as never));
    TestBed.inject(MeasureKeeper);
  });

  it('are here at the opening, and nothing is said to be measured still', async () => {
    const pages = (await layoutHashes(small()))!;
    const [page] = Object.keys(pages);
    expect(measuring()).not.toBeNull();
    await open({
      pages,
      layout: [{ page: page!, place: 'header/surface', width: 390, rule: 'covered', found: 106 }],
      pixels: [],
    });
    await until(() => measuring() === null);
    expect(told.length).toBe(2 * Object.keys(pages).length);
    expect(told.find((entry) => entry.page === page && entry.width === 390)!.layout).toEqual([
      { page: page!, place: 'header/surface', width: 390, rule: 'covered', found: 106 },
    ]);
    // An edit of the layout makes them old; one of a colour does not.
    const before = TestBed.inject(MeasuredBefore);
    store.dispatch(
      SiteActions.commit({
        edit: setValue(current(), 'Name of a swatch', ['brand', 'swatches', 'ink', 'label'], 'Another'),
        id: 'edit-0001',
      } as never),
    );
    expect(current().brand.swatches['ink']!.label).toBe('Another');
    expect(before.knowsAll(current())).toBeTrue();
    store.dispatch(
      SiteActions.commit({
        edit: setValue(current(), 'Text size', ['brand', 'scale', 'large', 'base'], 20),
        id: 'edit-0002',
      } as never),
    );
    expect(current().brand.scale.large.base).toBe(20);
    expect(before.knowsAll(current())).toBeFalse();
  });

  it('are not taken for pages that have changed since: the hashes differ, whatever the order of keys', async () => {
    const pages = (await layoutHashes(small()))!;
    const turned = JSON.parse(JSON.stringify(small()), (_key, value: unknown) =>
      value && typeof value === 'object' && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).reverse())
        : value,
    ) as ReturnType<typeof small>;
    expect(await layoutHashes(turned)).toEqual(pages);
    await open({
      pages: Object.fromEntries(Object.keys(pages).map((page) => [page, '0'.repeat(64)])),
      layout: [],
      pixels: [],
    });
    await soon(200);
    expect([told.length, measuring() === null]).toEqual([0, false]);
  });

  it('are kept once everything is measured and nothing is edited', async () => {
    await open(null);
    store.dispatch(AuditActions.measuring({ measuring: null }));
    TestBed.tick();
    for (;;) {
      const [put] = http.match(({ method }) => method === 'PUT');
      if (put) {
        expect((put.request.body as Measured).pages).toEqual((await layoutHashes(small()))!);
        put.flush(null);
        break;
      }
      await soon();
    }
  });
});
