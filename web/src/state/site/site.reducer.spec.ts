import { SCHEMA_VERSION, applyChange, pageTree, removeSection, setValue, type Change } from '@yohaku/core';
import { brokenDocuments } from '../../../../demo/src/testing/broken.ts';
import { small } from '../../testing/small.ts';
import { SiteActions } from './site.actions.ts';
import { siteReducer } from './site.reducer.ts';
import { closedSite, type SiteState } from './site-state.ts';

const corner = (state: SiteState, value: number, which = 'button') =>
  setValue(state.current!, `Corner ${which}`, ['brand', 'corners', which], value);
const commit = (state: SiteState, value: number, id: string, which = 'button') =>
  siteReducer(state, SiteActions.commit({ edit: corner(state, value, which), id }));
const loaded = (pending: Change[] = []): SiteState =>
  siteReducer(
    { ...closedSite, status: 'loading', siteId: 'small' },
    SiteActions.loaded({ site: small(), sequence: 0, pending }),
  );
const arrive = (state: SiteState, change: Change, sequence: number, windowId = 'me') =>
  siteReducer(state, SiteActions.arrived({ changes: [{ id: change.id, sequence, change, windowId }], windowId: 'me' }));
const remote = (value: number, id: string, which = 'button'): Change => ({
  id,
  schemaVersion: 1,
  label: 'Theirs',
  ops: [{ op: 'set', at: ['brand', 'corners', which], value, was: 2 }],
});

describe('site state', () => {
  it('shows a preview without counting it as an edit, and drops it whole', () => {
    const state = loaded();
    const held = siteReducer(state, SiteActions.preview({ edit: corner(state, 30) }));
    expect(held.shown!.brand.corners.button).toBe(30);
    expect([held.current, held.pending, held.done]).toEqual([state.current, [], []] as never);
    expect(siteReducer(held, SiteActions.preview({ edit: null })).shown).toBe(state.current);
  });

  it('refuses a document broken in any one place as the server does: nothing changes, nothing is sent, and it says what is wrong', () => {
    const state = loaded();
    let count = 0;
    for (const { at, value, sure, words } of brokenDocuments(state.current as unknown as Record<string, unknown>)) {
      if (!sure) continue;
      count++;
      const after = siteReducer(
        state,
        SiteActions.commit({
          edit: { label: 'Broken', ops: [{ op: 'set', at: [...at], ...(value === undefined ? {} : { value }) }] },
          id: 'broken-1',
        }),
      );
      if (after.current !== state.current || after.pending.length > 0 || after.done.length > 0)
        fail(`${words} was taken`);
      if (after.notice.length < 10) fail(`${words}: nothing was said`);
    }
    expect(count).toBeGreaterThan(500);
  });

  it('is looked at and not edited while it opens, and says how much of it is here', () => {
    const opening = siteReducer(
      { ...closedSite, status: 'loading', siteId: 'small' },
      SiteActions.opening({ site: small(), here: 12, of: 850 }),
    );
    expect([opening.status, opening.shown]).toEqual(['opening', opening.current]);
    const later = siteReducer(opening, SiteActions.opening({ site: null, here: 400, of: 850 }));
    expect([later.shown, later.opening]).toEqual([opening.shown, { here: 400, of: 850 }]);
    const edited = commit(later, 9, 'early-1');
    expect([edited.current, edited.pending, edited.notice]).toEqual([
      later.current,
      [],
      'Corner button was not applied: the site is still opening, 400 of 850 pages are loaded. Try again when all are.',
    ] as never);
    const whole = siteReducer(later, SiteActions.loaded({ site: small(), sequence: 3, pending: [] }));
    expect([whole.status, whole.opening, commit(whole, 9, 'late-1').pending.length]).toEqual(['ready', null, 1]);
  });

  it('gives the identical state when nothing happens', () => {
    const state = loaded();
    expect(siteReducer(state, SiteActions.preview({ edit: null }))).toBe(state);
    expect(siteReducer(state, SiteActions.clearNotice())).toBe(state);
    expect(siteReducer(state, SiteActions.showBefore({ on: false }))).toBe(state);
    expect(siteReducer(state, SiteActions.arrived({ changes: [], windowId: 'me' }))).toBe(state);
    expect(siteReducer(state, SiteActions.acknowledged({ ids: ['nobody'] }))).toBe(state);
    expect(commit(state, 2, 'same-1').pending).toEqual([]);
  });

  it('keeps an edit pending until the server’s order has it, then shows the very same site', () => {
    const state = commit(loaded(), 9, 'mine-1');
    expect([state.pending.length, state.saving]).toEqual([1, 'saving']);
    const saved = arrive(state, state.pending[0]!, 1);
    expect([saved.pending.length, saved.saving, saved.sequence]).toEqual([0, 'saved', 1]);
    expect(saved.shown).toBe(state.shown);
    expect(saved.confirmed!.brand.corners.button).toBe(9);
  });

  it('lays pending edits over those of others, both staying', () => {
    const state = arrive(commit(loaded(), 9, 'mine-1'), remote(7, 'theirs-1', 'card'), 1, 'other');
    expect(state.current!.brand.corners).toEqual(jasmine.objectContaining({ button: 9, card: 7 }));
    expect(state.pending.length).toBe(1);
  });

  it('sets what was written aside when another window took away what it was for, and takes it once that is back', () => {
    const state = loaded();
    const site = state.current!;
    const words = pageTree(site, 'home').places.find(
      (place) => place.words?.[0] === 'pages' && place.words.includes('own'),
    )!.words!;
    const removed: Change = {
      id: 'theirs-1',
      schemaVersion: SCHEMA_VERSION,
      label: 'Delete',
      ops: [...removeSection(site, 'home', words[3]!)!.ops],
    };
    const without = arrive(state, removed, 1, 'other');
    const write = {
      label: 'Words of it',
      ops: [{ op: 'set' as const, at: [...words], value: [{ text: 'Written meanwhile' }] }],
    };
    const after = siteReducer(
      without,
      SiteActions.commit({ edit: write, id: 'mine-1', at: '2026-11-30T05:00:00.000Z' }),
    );
    expect([after.current, after.pending, after.done]).toEqual([without.current, [], []] as never);
    expect(after.aside.map(({ change, at }) => [change.id, at])).toEqual([['mine-1', '2026-11-30T05:00:00.000Z']]);
    expect(after.notice).toContain('with your text');
    expect(siteReducer(after, SiteActions.tryAside({ id: 'mine-1', fresh: 'mine-2' })).aside.length).toBe(1);
    const back = arrive(
      after,
      { id: 'theirs-2', schemaVersion: SCHEMA_VERSION, label: 'Undo', ops: [...applyChange(site, removed).inverse] },
      2,
      'other',
    );
    const again = siteReducer(back, SiteActions.tryAside({ id: 'mine-1', fresh: 'mine-2' }));
    expect([again.aside, again.pending.map(({ id }) => id)]).toEqual([[], ['mine-2']] as never);
    expect(JSON.stringify(again.current)).toContain('Written meanwhile');
    // An edit that only removes has nothing to keep.
    const gone = siteReducer(
      without,
      SiteActions.commit({ edit: { label: 'Delete', ops: removed.ops }, id: 'mine-3', at: '2026-11-30T05:00:00.000Z' }),
    );
    expect(gone.aside).toEqual([]);
  });

  it('tells the window whose value was overtaken, and not the one that came later', () => {
    const first = commit(loaded(), 9, 'mine-1');
    const saved = arrive(first, first.pending[0]!, 1);
    const overtaken = arrive(saved, remote(7, 'theirs-1'), 2, 'other');
    expect(overtaken.current!.brand.corners.button).toBe(7);
    expect(overtaken.notice).toContain('Corner button: changed in another window');
    // Ours is still on its way: it will be the later one and wins.
    const later = arrive(commit(loaded(), 9, 'mine-1'), remote(7, 'theirs-1'), 1, 'other');
    expect([later.current!.brand.corners.button, later.notice]).toEqual([9, '']);
  });

  it('undoes and does again as changes of their own, each naming the one it answers', () => {
    const done = commit(commit(loaded(), 9, 'mine-1'), 12, 'mine-2');
    const undone = siteReducer(done, SiteActions.undo({ id: 'undo-1' }));
    expect(undone.current!.brand.corners.button).toBe(9);
    expect(undone.pending.at(-1)).toEqual(jasmine.objectContaining({ label: 'Undo Corner button', undoes: 'mine-2' }));
    const again = siteReducer(undone, SiteActions.redo({ id: 'redo-1' }));
    expect(again.current!.brand.corners.button).toBe(12);
    expect([again.done.length, again.undone.length]).toEqual([2, 0]);
    expect(commit(undone, 20, 'mine-3').undone).toEqual([]);
  });

  it('undoes only what nobody has overtaken, and says so', () => {
    const first = commit(loaded(), 9, 'mine-1');
    const overtaken = arrive(arrive(first, first.pending[0]!, 1), remote(7, 'theirs-1'), 2, 'other');
    const undone = siteReducer(overtaken, SiteActions.undo({ id: 'undo-1' }));
    expect(undone.current!.brand.corners.button).toBe(7);
    expect(undone.notice).toContain('replaced by later edits');
  });

  it('takes back a refused edit with its reason', () => {
    const state = commit(loaded(), 9, 'mine-1');
    const refused = siteReducer(
      state,
      SiteActions.refused({ id: 'mine-1', words: 'Gone.', at: '2026-01-01T00:00:00Z' }),
    );
    expect([refused.current!.brand.corners.button, refused.notice, refused.done.length, refused.saving]).toEqual([
      2,
      '“Corner button” was not saved: Gone. It is kept under “not applied”; later edits were applied.',
      0,
      'saved',
    ]);
  });

  it('refuses what would not be right before it is sent, keeping the last good value', () => {
    const state = commit(loaded(), -4, 'mine-1');
    expect([state.pending.length, state.current!.brand.corners.button]).toEqual([0, 2]);
    expect(state.notice).toContain('kept');
  });

  it('drops a change kept from before a reload once the server says that it has it', () => {
    const kept = remote(9, 'kept-1');
    const state = loaded([kept]);
    expect([state.saving, state.current!.brand.corners.button]).toEqual(['saving', 9]);
    const known = siteReducer(state, SiteActions.acknowledged({ ids: ['kept-1'] }));
    expect([known.pending.length, known.saving]).toEqual([0, 'saved']);
  });

  it('shows the site before the last edit while asked to', () => {
    const state = commit(loaded(), 9, 'mine-1');
    expect(state.last!.before.brand.corners.button).toBe(2);
    expect(siteReducer(state, SiteActions.showBefore({ on: true })).showBefore).toBeTrue();
  });

  it('keeps what was not saved, and says when it will try again', () => {
    const waiting = siteReducer(commit(loaded(), 9, 'mine-1'), SiteActions.sendingFailed({ words: 'No answer.' }));
    expect([waiting.saving, waiting.pending.length]).toEqual(['waiting', 1]);
    expect(commit(waiting, 10, 'mine-2').saving).toBe('waiting');
    expect(siteReducer(waiting, SiteActions.sendingAgain()).saving).toBe('saving');
  });
});
