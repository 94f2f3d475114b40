import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Change, Edit, LoadedSite, SavedChange, Site } from '@yohaku/core';
import type { SetAside } from '../../api/index.ts';
import type { SiteState } from './site-state.ts';

/** Everything that happens to the site in this window. */
export const SiteActions = createActionGroup({
  source: 'Site',
  events: {
    Open: props<{ siteId: string }>(),
    /** The site is on its way: with its first pages once those are here, then only how many there are. */
    Opening: props<{ site: Site | null; here: number; of: number }>(),
    /** The whole site, with what this browser has stored: unsent and refused edits, undo steps. */
    Loaded: props<
      LoadedSite & {
        pending: readonly Change[];
        aside?: readonly SetAside[];
        undo?: Pick<SiteState, 'done' | 'undone'>;
      }
    >(),
    'Load failed': props<{ words: string; signedOut: boolean }>(),
    /** A control is held: shown, not sent. */
    Preview: props<{ edit: Edit | null }>(),
    /**
     * An edit is done: applied, kept, sent; where what it was for is gone by then, it is set aside at this time (ISO
     * 8601).
     */
    Commit: props<{ edit: Edit; id: string; at?: string }>(),
    Undo: props<{ id: string }>(),
    Redo: props<{ id: string }>(),
    'Show before': props<{ on: boolean }>(),
    /** Changes of the server's order, ours and others'. */
    Arrived: props<{ changes: readonly SavedChange[]; windowId: string }>(),
    /** The server had these already: sent before a reload, answered again. */
    Acknowledged: props<{ ids: readonly string[] }>(),
    /** The server has this sequence, says a notice or an answer. */
    Heard: props<{ sequence: number }>(),
    /** The server will not take an edit: it is set aside, at a time (ISO 8601). */
    Refused: props<{ id: string; words: string; at: string }>(),
    /** An edit that was set aside is tried again, as a new one. */
    'Try aside': props<{ id: string; fresh: string }>(),
    'Forget aside': props<{ id: string }>(),
    'Sending failed': props<{ words: string }>(),
    'Sending again': emptyProps(),
    'Clear notice': emptyProps(),
    Notice: props<{ words: string }>(),
  },
});
