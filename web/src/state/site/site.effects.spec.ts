import { HttpEventType, provideHttpClient, type HttpEvent } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { setValue } from '@yohaku/core';
import { PATIENCE, pendingStore } from '../../api/index.ts';
import { forgetStored } from '../../testing/forget-stored.ts';
import { siteLines } from '../../testing/site-lines.ts';
import { small } from '../../testing/small.ts';
import { soon, until } from '../../testing/until.ts';
import { SiteActions } from './site.actions.ts';
import { SiteEffects } from './site.effects.ts';
import { siteReducer } from './site.reducer.ts';
import { siteFeature } from './site.selectors.ts';

describe('sending edits', () => {
  let store: Store;
  let http: HttpTestingController;
  let patience: { ms: number };
  const state = () => store.selectSignal(siteFeature.selectSiteState)();
  const commit = (value: number, id: string) =>
    store.dispatch(
      SiteActions.commit({ edit: setValue(state().current!, 'Corner', ['brand', 'corners', 'button'], value), id }),
    );
  const posts = () => http.match((request) => request.method === 'POST');
  const nextPost = async () => {
    for (;;) {
      const [post] = posts();
      if (post) return post;
      await soon(20);
    }
  };

  beforeEach(async () => {
    await forgetStored('small');
    sessionStorage.clear();
    patience = { ms: 60_000 };
    TestBed.configureTestingModule({
      providers: [
        { provide: PATIENCE, useFactory: () => patience },
        provideZonelessChangeDetection(),
        provideHttpClient(),
        provideHttpClientTesting(),
        provideStore({ site: siteReducer }),
        provideEffects(SiteEffects),
      ],
    });
    store = TestBed.inject(Store);
    http = TestBed.inject(HttpTestingController);
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    http.expectOne(({ url }) => url === '/api/sites/small/parts').flush(siteLines({ site: small(), sequence: 4 }));
    await until(() => state().status === 'ready');
  });
  afterEach(() => forgetStored('small'));

  it('says saved only after the answer, and forgets what it kept', async () => {
    commit(9, 'edit-0001');
    expect(state().saving).toBe('saving');
    await until(async () => (await pendingStore.all('small')).some((entry) => entry.id === 'edit-0001'));
    const post = await nextPost();
    expect((post.request.body as { changes: { id: string }[] }).changes.map((change) => change.id)).toEqual([
      'edit-0001',
    ]);
    post.flush({ results: [{ id: 'edit-0001', sequence: 5, repeated: false, overtook: [] }] });
    expect([state().saving, state().sequence, state().pending.length]).toEqual(['saved', 5, 0] as never);
    await until(async () => (await pendingStore.all('small')).length === 0);
  });

  it('says that the browser has no room for an unsent edit, asks before the window closes, and keeps it as soon as there is room', async () => {
    // The runner takes any such event for a reload.
    const runner = window.onbeforeunload;
    window.onbeforeunload = null;
    const closes = (): boolean => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
    const full = spyOn(IDBObjectStore.prototype, 'put').and.throwError(
      new DOMException('No room', 'QuotaExceededError'),
    );
    commit(9, 'edit-0001');
    await until(() => state().notice !== '');
    expect(state().notice).toContain(
      'This browser has no room to keep 1 unsent edit. It is in this window only until the server has it',
    );
    expect(closes()).toBeTrue();
    full.and.callThrough();
    await until(async () => (await pendingStore.all('small')).some((entry) => entry.id === 'edit-0001'));
    await until(() => !closes());
    // The notice stands until the server has the edit.
    (await nextPost()).flush({ results: [{ id: 'edit-0001', sequence: 5, repeated: false, overtook: [] }] });
    await until(() => state().notice === '');
    window.onbeforeunload = runner;
    expect(state().saving).toBe('saved');
  });

  it('sends what was done meanwhile right after, in one batch and in order', async () => {
    commit(9, 'edit-0001');
    const first = await nextPost();
    commit(10, 'edit-0002');
    commit(11, 'edit-0003');
    await soon(150);
    expect(posts().length).toBe(0);
    first.flush({ results: [{ id: 'edit-0001', sequence: 5, repeated: false, overtook: [] }] });
    const second = await nextPost();
    expect((second.request.body as { changes: { id: string }[] }).changes.map((change) => change.id)).toEqual([
      'edit-0002',
      'edit-0003',
    ]);
  });

  it('waits and sends the very same again when there is no answer', async () => {
    commit(9, 'edit-0001');
    (await nextPost()).error(new ProgressEvent('error'));
    expect(state().saving).toBe('waiting');
    expect(state().waitingWords).toContain('does not answer');
    const again = await nextPost();
    expect((again.request.body as { changes: { id: string }[] }).changes.map((change) => change.id)).toEqual([
      'edit-0001',
    ]);
    again.flush({ results: [{ id: 'edit-0001', sequence: 5, repeated: false, overtook: [] }] });
    expect(state().saving).toBe('saved');
  });

  it('does not wait for ever for an answer that does not come', async () => {
    patience.ms = 100;
    commit(9, 'edit-0001');
    const never = await nextPost();
    await until(() => state().saving === 'waiting');
    patience.ms = 60_000;
    expect([never.cancelled, state().waitingWords]).toEqual([true, jasmine.stringContaining('does not answer')]);
    (await nextPost()).flush({ results: [{ id: 'edit-0001', sequence: 5, repeated: true, overtook: [] }] });
    expect(state().saving).toBe('saved');
  });

  it('says what the server said when the database is down, and keeps the edit', async () => {
    commit(9, 'edit-0001');
    (await nextPost()).flush({ detail: 'The database does not answer.' }, { status: 503, statusText: 'x' });
    expect([state().saving, state().waitingWords, state().pending.length]).toEqual([
      'waiting',
      'The database does not answer.',
      1,
    ] as never);
  });

  it('asks for what lies between when others were faster', async () => {
    commit(9, 'edit-0001');
    (await nextPost()).flush({ results: [{ id: 'edit-0001', sequence: 7, repeated: false, overtook: [] }] });
    const asked = () =>
      http.match((request) => request.url === '/api/sites/small/changes' && request.params.get('after') === '4');
    let [between] = asked();
    while (!between) {
      await soon(20);
      [between] = asked();
    }
    const theirs = (sequence: number, value: number) => ({
      sequence,
      id: `their-${sequence}`,
      windowId: 'w-other',
      change: {
        id: `their-${sequence}`,
        schemaVersion: 1,
        label: 'Theirs',
        ops: [{ op: 'set', at: ['brand', 'corners', 'card'], value, was: 4 }],
      },
    });
    between.flush({
      changes: [
        theirs(5, 6),
        theirs(6, 8),
        { sequence: 7, id: 'edit-0001', windowId: 'mine', change: state().pending[0] },
      ],
      sequence: 7,
    });
    await until(() => state().sequence === 7);
    expect(state().current!.brand.corners).toEqual(jasmine.objectContaining({ button: 9, card: 8 }));
    expect([state().sequence, state().saving]).toEqual([7, 'saved'] as never);
  });

  it('takes back what is refused, and tells why', async () => {
    commit(9, 'edit-0001');
    (await nextPost()).flush({ results: [{ id: 'edit-0001', refused: 'It is gone.', kind: 'gone', issues: [] }] });
    expect([state().current!.brand.corners.button, state().notice, state().pending.length]).toEqual([
      2,
      '“Corner” was not saved: It is gone. It is kept under “not applied”; later edits were applied.',
      0,
    ] as never);
  });

  it('drops what the server had already, kept from before a reload', async () => {
    await pendingStore.keep('small', {
      id: 'edit-0009',
      schemaVersion: 1,
      label: 'Corner',
      ops: [{ op: 'set', at: ['brand', 'corners', 'button'], value: 9, was: 2 }],
    });
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    http.expectOne(({ url }) => url === '/api/sites/small/parts').flush(siteLines({ site: small(), sequence: 9 }));
    await until(() => state().status === 'ready');
    expect(state().pending.length).toBe(1);
    (await nextPost()).flush({ results: [{ id: 'edit-0009', sequence: 6, repeated: true, overtook: [] }] });
    expect([state().pending.length, state().saving]).toEqual([0, 'saved'] as never);
  });

  it('reads a site from its start again when the connection broke in the middle of it', async () => {
    const lines = siteLines({ site: small(), sequence: 9 });
    const asked = async () => {
      for (;;) {
        const [request] = http.match(({ url }) => url === '/api/sites/small/parts');
        if (request) return request;
        await soon();
      }
    };
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    const broken = await asked();
    const half = lines.slice(0, Math.floor(lines.length / 2));
    broken.event({
      type: HttpEventType.DownloadProgress,
      loaded: half.length,
      total: lines.length,
      partialText: half,
    } as HttpEvent<unknown>);
    broken.error(new ProgressEvent('error'));
    const again = await asked();
    again.event({
      type: HttpEventType.DownloadProgress,
      loaded: half.length,
      total: lines.length,
      partialText: half,
    } as HttpEvent<unknown>);
    again.flush(lines);
    await until(() => state().status === 'ready' && state().sequence === 9);
    expect(state().current).toEqual(small());
  });

  it('says that nobody is signed in', async () => {
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    http
      .expectOne(({ url }) => url === '/api/sites/small/parts')
      .flush(JSON.stringify({ detail: 'Open the address.' }), { status: 401, statusText: 'x' });
    expect([state().status, state().notice]).toEqual(['signed-out', 'Open the address.']);
  });
});
