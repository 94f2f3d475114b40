import { type Change, type Edit, type Op, type Site } from '@yohaku/core';
import { type SetAside } from '../../api/index.ts';

/** An edit that can be taken back or done again. */
export interface UndoStep {
  readonly label: string;
  readonly changeId: string;
  readonly inverse: readonly Op[];
  /** Version of the document the inverse is for. */
  readonly schemaVersion: number;
}

/** The last edit of this window, for the report: the site before it. */
export interface LastEdit {
  readonly id: string;
  readonly label: string;
  readonly before: Site;
  /** The site that it made. */
  readonly after: Site;
}

export interface SiteState {
  readonly status: 'closed' | 'loading' | 'opening' | 'ready' | 'signed-out' | 'failed';
  readonly siteId: string;
  /** How many pages of how many are here while the site opens; it is looked at and not edited until all are. */
  readonly opening: { readonly here: number; readonly of: number } | null;
  /** The site as the server has it, at `sequence`. */
  readonly confirmed: Site | null;
  readonly sequence: number;
  /** The last sequence of the server that was heard of; while it is ahead, changes are fetched. */
  readonly latest: number;
  /** A change from the server did not fit what is here: the site must be read anew. */
  readonly lost: boolean;
  /** Edits that the server refused, oldest first. */
  readonly aside: readonly SetAside[];
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
  /**
   * The last changes from other windows, with the site before and after them. Only set while this window had no unsent
   * edit.
   */
  readonly arrived: { readonly before: Site; readonly changes: readonly Change[]; readonly after: Site } | null;
  readonly showBefore: boolean;
  /** Values this window wrote, by address: so that it can say when another window overtook one. */
  readonly mine: Readonly<Record<string, { readonly value: unknown; readonly label: string }>>;
}

export const closedSite: SiteState = {
  status: 'closed',
  siteId: '',
  opening: null,
  confirmed: null,
  sequence: 0,
  latest: 0,
  lost: false,
  aside: [],
  pending: [],
  current: null,
  shown: null,
  preview: null,
  saving: 'saved',
  waitingWords: '',
  notice: '',
  done: [],
  undone: [],
  last: null,
  arrived: null,
  showBefore: false,
  mine: {},
};
