import { createReducer, on } from '@ngrx/store';
import { ChangeRefused, applyChange, checkTouched, jsonEqual, planUndo, type Change, type Edit, type Op, type Site } from '@yohaku/core';
import { SiteActions } from './site.actions.ts';

/** An edit that can be taken back or done again. */
export interface UndoStep {
  readonly label: string;
  readonly changeId: string;
  readonly inverse: readonly Op[];
}

/** What the last edit of this window was, for the ripple: the site before it. */
export interface LastEdit {
  readonly id: string;
  readonly label: string;
  readonly before: Site;
}

export interface SiteState {
  readonly status: 'closed' | 'loading' | 'ready' | 'signed-out' | 'failed';
  readonly siteId: string;
  /** The site as the server has it, at `sequence`. */
  readonly confirmed: Site | null;
  readonly sequence: number;
  /** Done here and not yet acknowledged, in order. */
  readonly pending: readonly Change[];
  /** Confirmed and pending together. */
  readonly current: Site | null;
  /** Current with the preview of a held control; what the wall shows. */
  readonly shown: Site | null;
  readonly preview: Edit | null;
  readonly saving: 'saved' | 'saving' | 'waiting';
  readonly waitingWords: string;
  readonly notice: string;
  readonly done: readonly UndoStep[];
  readonly undone: readonly UndoStep[];
  readonly last: LastEdit | null;
  readonly showBefore: boolean;
  /** Values this window wrote, by address: so that it can say when another window overtook one. */
  readonly mine: Readonly<Record<string, { readonly value: unknown; readonly label: string }>>;
}

export const closedSite: SiteState = {
  status: 'closed', siteId: '', confirmed: null, sequence: 0, pending: [], current: null, shown: null, preview: null, saving: 'saved', waitingWords: '',
  notice: '', done: [], undone: [], last: null, showBefore: false, mine: {},
};

const UNDO_DEPTH = 200;

/** Confirmed with every pending change that still applies on top. */
function withPending(confirmed: Site, pending: readonly Change[]): Site {
  let site = confirmed;
  for (const change of pending) {
    try {
      site = applyChange(site, change).site;
    } catch {
      // The server will refuse it with its reason; until then it is simply not shown.
    }
  }
  return site;
}

function shownWith(current: Site | null, preview: Edit | null): Site | null {
  if (!current || !preview) return current;
  try {
    return applyChange(current, preview).site;
  } catch {
    return current;
  }
}

const settled = (state: SiteState): SiteState => ({ ...state, shown: shownWith(state.current, state.preview) });

function commit(state: SiteState, edit: Edit, id: string, undoes?: string): { state: SiteState; inverse: readonly Op[] } | { state: SiteState; inverse: null } {
  const cleared: SiteState = { ...state, preview: null, shown: state.current };
  if (!state.current || edit.ops.length === 0) return { state: cleared, inverse: null };
  try {
    const applied = applyChange(state.current, edit);
    if (applied.site === state.current) return { state: cleared, inverse: null };
    checkTouched(state.current, applied.site);
    const change: Change = { id, schemaVersion: 1, label: edit.label, ops: [...edit.ops], ...(undoes ? { undoes } : {}) };
    const mine = { ...state.mine };
    for (const op of edit.ops) if (op.op === 'set') mine[op.at.join('/')] = { value: op.value, label: edit.label };
    return {
      state: {
        ...cleared, pending: [...state.pending, change], current: applied.site, shown: applied.site, saving: state.saving === 'waiting' ? 'waiting' : 'saving',
        last: { id, label: edit.label, before: state.current }, notice: '', mine,
      },
      inverse: applied.inverse,
    };
  } catch (error) {
    return { state: { ...cleared, notice: error instanceof ChangeRefused ? error.message : 'This cannot be done.' }, inverse: null };
  }
}

function takeBack(state: SiteState, id: string, from: 'done' | 'undone'): SiteState {
  const step = state[from].at(-1);
  if (!step || !state.current) return state;
  const rest = state[from].slice(0, -1);
  const plan = planUndo(state.current, step.inverse);
  const overtaken = plan.overtaken.length > 0 ? ` ${plan.overtaken.length} value${plan.overtaken.length === 1 ? ' was' : 's were'} changed since and stayed.` : '';
  if (plan.ops.length === 0) return { ...state, [from]: rest, notice: `${step.label} has been overtaken by later edits; nothing was taken back.` };
  const result = commit(state, { label: from === 'done' ? `Undo ${step.label}` : step.label, ops: plan.ops }, id, step.changeId);
  if (!result.inverse) return { ...result.state, [from]: rest };
  const to = from === 'done' ? 'undone' : 'done';
  return { ...result.state, [from]: rest, [to]: [...state[to], { label: step.label, changeId: id, inverse: result.inverse }], notice: overtaken.trim() };
}

export const siteReducer = createReducer(
  closedSite,
  on(SiteActions.open, (_state, { siteId }): SiteState => ({ ...closedSite, status: 'loading', siteId, ...keptUndo(siteId) })),
  on(SiteActions.loaded, (state, { site, sequence, pending }): SiteState =>
    settled({ ...state, status: 'ready', confirmed: site, sequence, pending, current: withPending(site, pending), preview: null, saving: pending.length > 0 ? 'saving' : 'saved' })),
  on(SiteActions.loadFailed, (state, { words, signedOut }): SiteState => ({ ...state, status: signedOut ? 'signed-out' : 'failed', notice: words })),
  on(SiteActions.preview, (state, { edit }): SiteState => (edit === state.preview ? state : settled({ ...state, preview: edit }))),
  on(SiteActions.commit, (state, { edit, id }): SiteState => {
    const result = commit(state, edit, id);
    if (!result.inverse) return result.state;
    return { ...result.state, done: [...state.done, { label: edit.label, changeId: id, inverse: result.inverse }].slice(-UNDO_DEPTH), undone: [] };
  }),
  on(SiteActions.undo, (state, { id }): SiteState => takeBack(state, id, 'done')),
  on(SiteActions.redo, (state, { id }): SiteState => takeBack(state, id, 'undone')),
  on(SiteActions.showBefore, (state, { on: showBefore }): SiteState => (showBefore === state.showBefore ? state : { ...state, showBefore })),
  on(SiteActions.arrived, (state, { changes, windowId }): SiteState => {
    if (!state.confirmed) return state;
    const fresh = changes.filter((one) => one.sequence > state.sequence);
    if (fresh.length === 0) return state;
    let confirmed = state.confirmed;
    const mine = { ...state.mine };
    const overtaken = new Set<string>();
    for (const one of fresh) {
      confirmed = applyChange(confirmed, one.change).site;
      if (one.windowId === windowId) continue;
      for (const op of one.change.ops) {
        const written = op.op === 'set' ? mine[op.at.join('/')] : undefined;
        if (op.op === 'set' && written && !state.pending.some((change) => change.ops.some((own) => own.op === 'set' && own.at.join('/') === op.at.join('/')))) {
          if (!jsonEqual(written.value, op.value)) overtaken.add(written.label);
          delete mine[op.at.join('/')];
        }
      }
    }
    const ids = new Set(fresh.map((one) => one.id));
    const pending = state.pending.filter((change) => !ids.has(change.id));
    // Only ours arrived, in the order we made them: what is shown stays the very same object.
    const current = fresh.every((one) => one.windowId === windowId) && pending.length + fresh.length === state.pending.length && state.current ? state.current : withPending(confirmed, pending);
    return settled({
      ...state, confirmed: pending.length === 0 ? current : confirmed, sequence: fresh.at(-1)!.sequence, pending, current, mine,
      saving: pending.length === 0 ? 'saved' : state.saving,
      notice: overtaken.size > 0 ? `${[...overtaken].join(', ')}: changed in another window after you. What stands now is the later value.` : state.notice,
    });
  }),
  on(SiteActions.acknowledged, (state, { ids }): SiteState => {
    const pending = state.pending.filter((change) => !ids.includes(change.id));
    if (pending.length === state.pending.length) return state;
    return settled({ ...state, pending, current: state.confirmed && withPending(state.confirmed, pending), saving: pending.length === 0 ? 'saved' : state.saving });
  }),
  on(SiteActions.refused, (state, { id, words }): SiteState => {
    const pending = state.pending.filter((change) => change.id !== id);
    const done = state.done.filter((step) => step.changeId !== id);
    return settled({ ...state, pending, done, current: state.confirmed && withPending(state.confirmed, pending), saving: pending.length === 0 ? 'saved' : state.saving, notice: words });
  }),
  on(SiteActions.sendingFailed, (state, { words }): SiteState => ({ ...state, saving: 'waiting', waitingWords: words })),
  on(SiteActions.sendingAgain, (state): SiteState => (state.saving === 'waiting' ? { ...state, saving: state.pending.length > 0 ? 'saving' : 'saved', waitingWords: '' } : state)),
  on(SiteActions.clearNotice, (state): SiteState => (state.notice === '' ? state : { ...state, notice: '' })),
  on(SiteActions.notice, (state, { words }): SiteState => ({ ...state, notice: words })),
);

/** Undo stacks of this window from before a reload. */
function keptUndo(siteId: string): Pick<SiteState, 'done' | 'undone'> {
  try {
    const kept = JSON.parse(sessionStorage.getItem(`yohaku-undo-${siteId}`) ?? '{}') as Partial<Pick<SiteState, 'done' | 'undone'>>;
    return { done: kept.done ?? [], undone: kept.undone ?? [] };
  } catch {
    return { done: [], undone: [] };
  }
}
