import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, type TestRequest, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { setValue, type Change } from '@yohaku/core';
import { asideStore, pendingStore } from '../../api/index.ts';
import { forgetStored } from '../../testing/forget-stored.ts';
import { siteLines } from '../../testing/site-lines.ts';
import { small } from '../../testing/small.ts';
import { soon, until } from '../../testing/until.ts';
import { SiteActions } from './site.actions.ts';
import { SiteEffects } from './site.effects.ts';
import { siteReducer } from './site.reducer.ts';
import { siteFeature } from './site.selectors.ts';

const theirs = (sequence: number) => {
  const change: Change = {
    id: `their-${sequence}`,
    schemaVersion: 1,
    label: 'Theirs',
    ops: [{ op: 'set', at: ['brand', 'corners', 'card'], value: sequence % 90 }],
  };
  return { sequence, id: change.id, windowId: 'w-other', change };
};
const row = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => theirs(from + i));

describe('a window and what it may miss (items 3, 4 and 9)', () => {
  let store: Store;
  let http: HttpTestingController;
  const state = () => store.selectSignal(siteFeature.selectSiteState)();
  const corner = (value: number, id: string) =>
    store.dispatch(
      SiteActions.commit({
        edit: setValue(state().current!, `Corner ${value}`, ['brand', 'corners', 'button'], value),
        id,
      }),
    );
  const taken: TestRequest[] = [];
  const next = async (method: string, path: string): Promise<TestRequest> => {
    for (;;) {
      taken.push(...http.match((request) => request.method === method && request.url.startsWith(path)));
      const at = taken.findIndex(
        ({ request, cancelled }) =>
          !cancelled &&
          request.method === method &&
          (path === '/api/sites' ? request.url === path : request.url.startsWith(path)),
      );
      if (at >= 0) return taken.splice(at, 1)[0]!;
      await soon();
    }
  };
  const fetched = () => next('GET', '/api/sites/small/changes');
  const posted = () => next('POST', '/api/sites/small/changes');
  const idsOf = (post: TestRequest) => (post.request.body as { changes: Change[] }).changes.map((change) => change.id);
  const saveAll = (post: TestRequest, first: number) =>
    post.flush({ results: idsOf(post).map((id, i) => ({ id, sequence: first + i, repeated: false, overtook: [] })) });
  const open = async (sequence = 0) => {
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    (await next('GET', '/api/sites/small/parts')).flush(siteLines({ site: small(), sequence }));
    await until(() => state().status === 'ready');
  };
  beforeEach(async () => {
    await forgetStored('small');
    sessionStorage.clear();
    taken.length = 0;
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideHttpClient(),
        provideHttpClientTesting(),
        provideStore({ site: siteReducer }),
        provideEffects(SiteEffects),
      ],
    });
    store = TestBed.inject(Store);
    http = TestBed.inject(HttpTestingController);
    await open();
  });
  afterEach(() => forgetStored('small'));

  it('a notice that comes while changes are fetched is not lost', async () => {
    store.dispatch(SiteActions.heard({ sequence: 1 }));
    const first = await fetched();
    store.dispatch(SiteActions.heard({ sequence: 3 }));
    first.flush({ changes: row(1, 1), sequence: 1 });
    const second = await fetched();
    expect(second.request.params.get('after')).toBe('1');
    second.flush({ changes: row(2, 3), sequence: 3 });
    await until(() => state().sequence === 3);
    expect(state().current!.brand.corners.card).toBe(3);
  });

  it('2,500 changes behind it catches up whole, and says how far it is', async () => {
    store.dispatch(SiteActions.heard({ sequence: 2500 }));
    const first = await fetched();
    expect(store.selectSignal(siteFeature.selectBehind)()).toBe(2500);
    first.flush({ changes: row(1, 1000), sequence: 2500 });
    (await fetched()).flush({ changes: row(1001, 2000), sequence: 2500 });
    (await fetched()).flush({ changes: row(2001, 2500), sequence: 2500 });
    await until(() => state().sequence === 2500);
    expect([state().current!.brand.corners.card, store.selectSignal(siteFeature.selectBehind)()]).toEqual([
      2500 % 90,
      0,
    ]);
  });

  it('a fetch that fails is tried again until it comes', async () => {
    store.dispatch(SiteActions.heard({ sequence: 2 }));
    (await fetched()).error(new ProgressEvent('error'));
    await until(() => state().saving === 'waiting');
    (await fetched()).flush({ detail: 'The database does not answer.' }, { status: 503, statusText: 'x' });
    (await fetched()).flush({ changes: row(1, 2), sequence: 2 });
    await until(() => state().sequence === 2);
    expect(state().saving).toBe('saved');
  });

  it('changes that leave a gap wait for what lies between; what does not fit is read anew, and edits that wait are kept', async () => {
    store.dispatch(SiteActions.arrived({ changes: row(5, 6), windowId: 'me' }));
    expect(state().sequence).toBe(0);
    corner(9, 'edit-0001');
    const post = await posted();
    const broken = {
      ...theirs(1),
      change: { ...theirs(1).change, ops: [{ op: 'set' as const, at: ['pages', 'nowhere', 'title'], value: 'x' }] },
    };
    store.dispatch(SiteActions.arrived({ changes: [broken], windowId: 'me' }));
    (await next('GET', '/api/sites/small/parts')).flush(siteLines({ site: small(), sequence: 1 }));
    await until(() => state().status === 'ready' && state().sequence === 1);
    expect([state().pending.length, state().current!.brand.corners.button]).toEqual([1, 9]);
    if (!post.cancelled) saveAll(post, 2);
  });

  it('a batch that is refused whole is sent one by one: the guilty edit is named and set aside, the others are saved', async () => {
    corner(9, 'edit-0001');
    const first = await posted();
    corner(10, 'edit-0002');
    corner(11, 'edit-0003');
    corner(12, 'edit-0004');
    saveAll(first, 1);
    (await posted()).flush({ detail: 'The request is over 16 MB.' }, { status: 413, statusText: 'x' });
    const second = await posted();
    expect(idsOf(second)).toEqual(['edit-0002']);
    second.flush({ detail: 'This cannot be read.' }, { status: 422, statusText: 'x' });
    await until(() => state().aside.length === 1);
    expect(state().notice).toBe(
      '“Corner 10” was not saved: This cannot be read. It is kept under “not applied”; later edits were applied.',
    );
    const third = await posted();
    expect(idsOf(third)).toEqual(['edit-0003']);
    saveAll(third, 2);
    const fourth = await posted();
    expect(idsOf(fourth)).toEqual(['edit-0004']);
    saveAll(fourth, 3);
    await until(() => state().saving === 'saved');
    expect([state().current!.brand.corners.button, state().aside[0]!.change.id]).toEqual([12, 'edit-0002']);

    // Kept over a reload, tried again as a new edit, and gone from the list then.
    await until(async () => (await asideStore.all('small')).length === 1);
    // Saved edits are dropped a moment after they are reported as saved; a reload before that would send them again.
    await until(async () => (await pendingStore.all('small')).length === 0);
    await open(3);
    expect(state().aside.map((entry) => entry.change.label)).toEqual(['Corner 10']);
    store.dispatch(SiteActions.tryAside({ id: 'edit-0002', fresh: 'edit-0009' }));
    const again = await posted();
    expect(idsOf(again)).toEqual(['edit-0009']);
    saveAll(again, 4);
    await until(async () => state().saving === 'saved' && (await asideStore.all('small')).length === 0);
    expect(state().current!.brand.corners.button).toBe(10);
  });

  it('an edit that the server would not take for its size or its texts never becomes one', () => {
    const ops = Array.from({ length: 20_001 }, (_, i) => ({
      op: 'set' as const,
      at: ['brand', 'corners', 'button'],
      value: i % 50,
    }));
    store.dispatch(SiteActions.commit({ edit: { label: 'Far too much', ops }, id: 'edit-0001' }));
    expect([state().pending.length, state().notice]).toEqual([
      0,
      '“Far too much” would change 20001 things at once; 20000 is the limit. Nothing was changed; edit fewer at once.',
    ]);
    store.dispatch(
      SiteActions.commit({
        edit: setValue(state().current!, 'Title', ['pages', 'home', 'title'], ' Ho\u0000me \ud83d'),
        id: 'edit-0002',
      }),
    );
    const kept = state().pending[0]!;
    expect(state().current!.pages['home']!.title).toBe('Home');
    expect(JSON.stringify(kept)).not.toContain('u0000');
    expect(
      siteReducer(
        state(),
        SiteActions.arrived({ changes: [{ sequence: 1, id: kept.id, change: kept, windowId: 'me' }], windowId: 'me' }),
      ).current!.pages['home']!.title,
    ).toBe('Home');
  });

  it('what the server kept otherwise than it was sent is read from its log', async () => {
    corner(9, 'edit-0001');
    const post = await posted();
    const change = state().pending[0]!;
    post.flush({ results: [{ id: 'edit-0001', sequence: 1, repeated: false, overtook: [], settled: true }] });
    (await fetched()).flush({
      changes: [
        {
          sequence: 1,
          id: 'edit-0001',
          windowId: 'me',
          change: { ...change, ops: [...change.ops, { op: 'set', at: ['brand', 'corners', 'card'], value: 33 }] },
        },
      ],
      sequence: 1,
    });
    await until(() => state().sequence === 1);
    expect([state().current!.brand.corners, state().pending.length]).toEqual([
      jasmine.objectContaining({ button: 9, card: 33 }),
      0,
    ]);
  });

  it('listens again after an answer that was no stream, which no browser does by itself, and not when nobody is signed in', async () => {
    const made: EventTarget[] = [];
    class Closed extends EventTarget {
      static readonly CLOSED = 2;
      readonly readyState = 2;
      constructor() {
        super();
        made.push(this);
      }
      close(): void {}
    }
    const real = window.EventSource;
    (window as { EventSource: unknown }).EventSource = Closed;
    try {
      await open(0);
      expect(made.length).toBe(1);
      made[0]!.dispatchEvent(new Event('error'));
      (await next('GET', '/api/sites')).flush(
        { detail: 'The database does not answer.' },
        { status: 503, statusText: 'x' },
      );
      await until(() => made.length === 2);
      made[1]!.dispatchEvent(new MessageEvent('sequence', { data: '1' }));
      (await fetched()).flush({ changes: row(1, 1), sequence: 1 });
      await until(() => state().sequence === 1);
      made[1]!.dispatchEvent(new Event('error'));
      (await next('GET', '/api/sites')).flush({ detail: 'Open the address.' }, { status: 401, statusText: 'x' });
      await until(() => state().saving === 'waiting');
      expect([state().waitingWords, made.length]).toEqual([jasmine.stringContaining('You are signed out'), 2]);
    } finally {
      window.EventSource = real;
    }
  });

  it('a site that a newer Yohaku made is told as that, and what had to be taken back is said', async () => {
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    (await next('GET', '/api/sites/small/parts')).flush(
      JSON.stringify({ detail: 'The site “small” was made by a newer Yohaku. Update this one.' }),
      { status: 409, statusText: 'x' },
    );
    await until(() => state().status === 'failed');
    expect(state().notice).toBe('The site “small” was made by a newer Yohaku. Update this one.');
    store.dispatch(SiteActions.open({ siteId: 'small' }));
    (await next('GET', '/api/sites/small/parts')).flush(JSON.stringify({ detail: 'The database does not answer.' }), {
      status: 503,
      statusText: 'x',
    });
    await until(() => state().notice === 'The database does not answer.');
    expect(state().status).toBe('loading');
    (await next('GET', '/api/sites/small/parts')).flush(
      siteLines({ site: small(), sequence: 3, told: ['It was opened at its last good state.'] }),
    );
    await until(() => state().status === 'ready');
    expect(state().notice).toBe('It was opened at its last good state.');
  });

  it('two edits of one instant keep their order over a reload, with the clock set back between them', async () => {
    const clock = spyOn(Date, 'now');
    const edit = (id: string): Change => ({
      id,
      schemaVersion: 1,
      label: id,
      ops: [{ op: 'set', at: ['brand', 'corners', 'button'], value: 1 }],
    });
    for (const [at, id] of [
      [2_000_000_000_000, 'zz-first1'],
      [2_000_000_000_000, 'aa-second'],
      [1_000_000_000_000, 'mm-third1'],
      [0, 'bb-fourth'],
    ] as const) {
      clock.and.returnValue(at);
      await pendingStore.keep('small', edit(id));
    }
    expect((await pendingStore.all('small')).map((entry) => entry.id)).toEqual([
      'zz-first1',
      'aa-second',
      'mm-third1',
      'bb-fourth',
    ]);
  });
});
