import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { setValue } from '@yohaku/core';
import { auditFeature, deskFeature, siteFeature, SiteActions } from '../state/index.ts';
import { small } from '../testing/small.ts';
import { until } from '../testing/until.ts';
import { AuditLink } from './audit-link.ts';

describe('the worker of the check', () => {
  let store: Store;
  let link: AuditLink;
  const workers: Worker[] = [];
  const told: string[] = [];
  const report = () => store.selectSignal(auditFeature.selectReport)();
  const state = () => store.selectSignal(siteFeature.selectSiteState)();
  const corner = (value: number) => setValue(state().current!, 'Corner', ['brand', 'corners', 'button'], value)!;

  beforeEach(async () => {
    workers.length = told.length = 0;
    const post = Worker.prototype.postMessage;
    spyOn(Worker.prototype, 'postMessage').and.callFake(function (this: Worker, message: unknown, transfer: unknown) {
      if (!workers.includes(this)) workers.push(this);
      told.push(String((message as { kind: string } | null)?.kind));
      post.call(this, message, transfer as StructuredSerializeOptions);
    });
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore({
          [siteFeature.name]: siteFeature.reducer,
          [deskFeature.name]: deskFeature.reducer,
          [auditFeature.name]: auditFeature.reducer,
        }),
      ],
    });
    store = TestBed.inject(Store);
    store.dispatch(SiteActions.loaded({ site: small(), sequence: 1, pending: [], aside: [] } as never));
    link = TestBed.inject(AuditLink);
    TestBed.tick();
    await until(() => report() !== null);
  });
  afterEach(() => workers.forEach((worker) => worker.terminate()));

  it('is started again after an error: the user is told, open questions end, and the site is judged again', async () => {
    const first = report();
    // A message that no build of the desk sends makes it throw.
    workers[0]!.postMessage(null);
    const asked = link.evidence();
    await expectAsync(asked).toBeRejectedWithError(/Nothing was changed; try again/);
    expect(state().notice).toContain('was started again. Your edits are safe');
    await until(() => report() !== first);
    expect(report()!.counts.places).toBe(first!.counts.places);
    expect(workers.length).toBe(2);
    expect((await link.evidence()).layout).toEqual([]);
  });

  it('is not started for ever: after several errors in a row the user is told to reload', () => {
    for (let i = 0; i < 4; i++) workers.at(-1)!.dispatchEvent(new ErrorEvent('error', { cancelable: true }));
    expect(state().notice).toContain('reload this window');
    expect(workers.length).toBe(4);
  });

  it('gets only the changes of an edit, from this window or another one', async () => {
    store.dispatch(SiteActions.commit({ edit: corner(9), id: 'edit-0001' }));
    TestBed.tick();
    const [own] = state().pending;
    store.dispatch(
      SiteActions.arrived({
        changes: [{ sequence: 2, id: 'edit-0001', change: own!, windowId: 'mine' }],
        windowId: 'mine',
      }),
    );
    TestBed.tick();
    told.length = 0;
    const before = report();
    const change = { id: 'edit-0002', schemaVersion: own!.schemaVersion, ...corner(12) };
    store.dispatch(
      SiteActions.arrived({
        changes: [{ sequence: 3, id: 'edit-0002', change: { ...change, ops: [...change.ops] }, windowId: 'theirs' }],
        windowId: 'mine',
      }),
    );
    TestBed.tick();
    expect(state().current!.brand.corners['button' as never]).toBe(12 as never);
    expect(told).toEqual(['change']);
    await until(() => report() !== before);
  });
});
