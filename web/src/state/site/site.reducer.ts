import { createReducer, on } from '@ngrx/store';
import {
  ChangeRefused,
  SCHEMA_VERSION,
  acceptChange,
  applyChange,
  fitChange,
  jsonEqual,
  opsOf,
  planUndo,
  type Change,
  type Edit,
  type Op,
  type Site,
} from '@yohaku/core';
import { SiteActions } from './site.actions.ts';
import { type SiteState, closedSite } from './site-state.ts';

const UNDO_DEPTH = 200;
/** The number of this window's latest values for which it reports that another window changed them. */
const MOST_MINE = 2000;

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

function commit(
  state: SiteState,
  edit: Edit,
  id: string,
  undoes?: string,
): { state: SiteState; inverse: readonly Op[] } | { state: SiteState; inverse: null; gone?: Change } {
  let sent: Change | undefined;
  const cleared: SiteState = { ...state, preview: null, shown: state.current };
  if (state.opening)
    return {
      state: {
        ...cleared,
        notice: `${edit.label} was not applied: the site is still opening, ${state.opening.here} of ${state.opening.of} pages are loaded. Try again when all are.`,
      },
      inverse: null,
    };
  if (!state.current || edit.ops.length === 0) return { state: cleared, inverse: null };
  try {
    // An edit that the server would refuse is refused before it is applied here.
    const fit = (sent = fitChange({
      id,
      schemaVersion: SCHEMA_VERSION,
      label: edit.label.slice(0, 200),
      ops: [...edit.ops],
      ...(undoes ? { undoes } : {}),
    }));
    const applied = acceptChange(state.current, fit);
    if (applied.site === state.current) return { state: cleared, inverse: null };
    const change: Change = { ...fit, ops: [...applied.ops] };
    const mine = { ...state.mine };
    for (const op of change.ops)
      if (op.op === 'set') {
        const key = op.at.join('/');
        // The newest value is last; the oldest is deleted first.
        delete mine[key];
        mine[key] = { value: op.value, label: edit.label };
      }
    for (const key of Object.keys(mine).slice(0, -MOST_MINE)) delete mine[key];
    return {
      state: {
        ...cleared,
        pending: [...state.pending, change],
        current: applied.site,
        shown: applied.site,
        saving: state.saving === 'waiting' ? 'waiting' : 'saving',
        last: { id, label: edit.label, before: state.current, after: applied.site },
        notice: '',
        mine,
      },
      inverse: applied.inverse,
    };
  } catch (error) {
    const isGone =
      error instanceof ChangeRefused &&
      error.kind === 'gone' &&
      sent?.ops.some((op) => op.op === 'insert' || (op.op === 'set' && op.value !== undefined));
    return {
      state: { ...cleared, notice: error instanceof ChangeRefused ? error.message : 'This edit is not possible.' },
      inverse: null,
      ...(isGone ? { gone: sent! } : {}),
    };
  }
}

function takeBack(state: SiteState, id: string, from: 'done' | 'undone'): SiteState {
  const step = state[from].at(-1);
  if (!step || !state.current) return state;
  const rest = state[from].slice(0, -1);
  const plan = planUndo(state.current, opsOf(state.current, { ops: step.inverse, schemaVersion: step.schemaVersion }));
  const overtaken =
    plan.overtaken.length > 0
      ? ` ${plan.overtaken.length} value${plan.overtaken.length === 1 ? ' was' : 's were'} changed later and kept.`
      : '';
  if (plan.ops.length === 0)
    return { ...state, [from]: rest, notice: `${step.label} was replaced by later edits; nothing was undone.` };
  const result = commit(
    state,
    { label: from === 'done' ? `Undo ${step.label}` : step.label, ops: plan.ops },
    id,
    step.changeId,
  );
  if (!result.inverse) return { ...result.state, [from]: rest };
  const to = from === 'done' ? 'undone' : 'done';
  return {
    ...result.state,
    [from]: rest,
    [to]: [...state[to], { label: step.label, changeId: id, inverse: result.inverse, schemaVersion: SCHEMA_VERSION }],
    notice: overtaken.trim(),
  };
}

export const siteReducer = createReducer(
  closedSite,
  on(SiteActions.open, (_state, { siteId }): SiteState => ({
    ...closedSite,
    status: 'loading',
    siteId,
  })),
  on(SiteActions.opening, (state, { site, here, of }): SiteState =>
    settled({ ...state, status: 'opening', opening: { here, of }, current: site ?? state.current }),
  ),
  on(SiteActions.loaded, (state, { site, sequence, pending, aside = [], told = [], undo }): SiteState =>
    settled({
      ...state,
      ...undo,
      status: 'ready',
      opening: null,
      confirmed: site,
      sequence,
      latest: sequence,
      lost: false,
      aside,
      notice: told.join(' '),
      pending,
      current: withPending(site, pending),
      preview: null,
      saving: pending.length > 0 ? 'saving' : 'saved',
    }),
  ),
  on(SiteActions.loadFailed, (state, { words, signedOut }): SiteState => ({
    ...state,
    status: signedOut ? 'signed-out' : 'failed',
    notice: words,
  })),
  on(SiteActions.preview, (state, { edit }): SiteState =>
    edit === state.preview || state.opening ? state : settled({ ...state, preview: edit }),
  ),
  on(SiteActions.commit, (state, { edit, id, at }): SiteState => {
    const result = commit(state, edit, id);
    // Another window took away what somebody was writing in: what was written is not lost with it.
    if (!result.inverse && result.gone && at)
      return {
        ...result.state,
        aside: [
          ...state.aside,
          { change: result.gone, words: 'Its target was deleted. Restore the target, then try again.', at },
        ],
        notice: `“${edit.label}” was not applied: its target was deleted. The edit is kept under “not applied”, with your text.`,
      };
    if (!result.inverse) return result.state;
    return {
      ...result.state,
      done: [
        ...state.done,
        { label: edit.label, changeId: id, inverse: result.inverse, schemaVersion: SCHEMA_VERSION },
      ].slice(-UNDO_DEPTH),
      undone: [],
    };
  }),
  on(SiteActions.undo, (state, { id }): SiteState => takeBack(state, id, 'done')),
  on(SiteActions.redo, (state, { id }): SiteState => takeBack(state, id, 'undone')),
  on(SiteActions.showBefore, (state, { on: showBefore }): SiteState =>
    showBefore === state.showBefore ? state : { ...state, showBefore },
  ),
  on(SiteActions.arrived, (state, { changes, windowId }): SiteState => {
    if (!state.confirmed) return state;
    const fresh = inRow(changes, state.sequence);
    if (fresh.length === 0) return state;
    let confirmed = state.confirmed;
    const mine = { ...state.mine };
    const overtaken = new Set<string>();
    for (const entry of fresh) {
      try {
        confirmed = applyChange(confirmed, entry.change).site;
      } catch {
        return { ...state, lost: true };
      }
      if (entry.windowId === windowId) continue;
      for (const op of entry.change.ops) {
        const written = op.op === 'set' ? mine[op.at.join('/')] : undefined;
        if (
          op.op === 'set' &&
          written &&
          !state.pending.some((change) =>
            change.ops.some((own) => own.op === 'set' && own.at.join('/') === op.at.join('/')),
          )
        ) {
          if (!jsonEqual(written.value, op.value)) overtaken.add(written.label);
          delete mine[op.at.join('/')];
        }
      }
    }
    const ids = new Set(fresh.map((entry) => entry.id));
    const pending = state.pending.filter((change) => !ids.has(change.id));
    // Only ours arrived, in the order we made them: what is shown stays the very same object.
    const sent = new Map(state.pending.map((change) => [change.id, change]));
    const current =
      fresh.every((entry) => entry.windowId === windowId && isAsSent(entry.change, sent.get(entry.id))) &&
      pending.length + fresh.length === state.pending.length &&
      state.current
        ? state.current
        : withPending(confirmed, pending);
    const isAlone =
      state.pending.length === 0 && state.current !== null && current !== null && current !== state.current;
    return settled({
      ...state,
      arrived: isAlone
        ? { before: state.current!, changes: fresh.map((entry) => entry.change), after: current }
        : state.arrived,
      confirmed: pending.length === 0 ? current : confirmed,
      sequence: fresh.at(-1)!.sequence,
      latest: Math.max(state.latest, fresh.at(-1)!.sequence),
      pending,
      current,
      mine,
      saving: pending.length === 0 ? 'saved' : state.saving,
      notice:
        overtaken.size > 0
          ? `${[...overtaken].join(', ')}: changed in another window after you. The later value is used.`
          : state.notice,
    });
  }),
  on(SiteActions.acknowledged, (state, { ids }): SiteState => {
    const pending = state.pending.filter((change) => !ids.includes(change.id));
    if (pending.length === state.pending.length) return state;
    return settled({
      ...state,
      pending,
      current: state.confirmed && withPending(state.confirmed, pending),
      saving: pending.length === 0 ? 'saved' : state.saving,
    });
  }),
  on(SiteActions.heard, (state, { sequence }): SiteState =>
    sequence > state.latest ? { ...state, latest: sequence } : state,
  ),
  on(SiteActions.refused, (state, { id, words, at }): SiteState => {
    const change = state.pending.find((site) => site.id === id);
    if (!change) return state;
    const pending = state.pending.filter((site) => site.id !== id);
    const done = state.done.filter((step) => step.changeId !== id);
    return settled({
      ...state,
      pending,
      done,
      current: state.confirmed && withPending(state.confirmed, pending),
      saving: pending.length === 0 ? 'saved' : state.saving,
      aside: [...state.aside, { change, words, at }],
      notice: `“${change.label}” was not saved: ${words} It is kept under “not applied”; later edits were applied.`,
    });
  }),
  on(SiteActions.tryAside, (state, { id, fresh }): SiteState => {
    const entry = state.aside.find(({ change }) => change.id === id);
    if (!entry) return state;
    const result = commit(state, { label: entry.change.label, ops: entry.change.ops }, fresh);
    if (!result.inverse)
      return { ...result.state, notice: result.state.notice || `“${entry.change.label}” no longer changes anything.` };
    return {
      ...result.state,
      aside: state.aside.filter((other) => other !== entry),
      done: [
        ...state.done,
        { label: entry.change.label, changeId: fresh, inverse: result.inverse, schemaVersion: SCHEMA_VERSION },
      ].slice(-UNDO_DEPTH),
      undone: [],
    };
  }),
  on(SiteActions.forgetAside, (state, { id }): SiteState => ({
    ...state,
    aside: state.aside.filter(({ change }) => change.id !== id),
  })),
  on(SiteActions.sendingFailed, (state, { words }): SiteState => ({
    ...state,
    saving: 'waiting',
    waitingWords: words,
  })),
  on(SiteActions.sendingAgain, (state): SiteState =>
    state.saving === 'waiting'
      ? { ...state, saving: state.pending.length > 0 ? 'saving' : 'saved', waitingWords: '' }
      : state,
  ),
  on(SiteActions.clearNotice, (state): SiteState => (state.notice === '' ? state : { ...state, notice: '' })),
  on(SiteActions.notice, (state, { words }): SiteState => ({ ...state, notice: words })),
);

/** Those of some changes that follow a sequence without a gap, in order. */
function inRow<T extends { readonly sequence: number }>(changes: readonly T[], after: number): T[] {
  const row: T[] = [];
  for (const change of [...changes].sort((a, b) => a.sequence - b.sequence))
    if (change.sequence === after + row.length + 1) row.push(change);
  return row;
}

/** Returns true if the server kept a change as it was sent. */
const isAsSent = (kept: Change, sent: Change | undefined): boolean =>
  kept === sent || (sent !== undefined && jsonEqual(kept.ops, sent.ops));
