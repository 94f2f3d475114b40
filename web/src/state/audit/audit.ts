import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { AuditCounts, PicturesShown, PlaceKind, RuleId, Standing, State, Tally, Verdict } from '@yohaku/core';

/** A failing, undecided, held or stray row as lists show it: plain data from the worker. */
export interface Row {
  readonly page: string;
  readonly place: string;
  readonly kind: PlaceKind;
  readonly label: string;
  readonly rule: RuleId | null;
  readonly verdict: Verdict | Standing;
  readonly width: number;
  readonly state: State;
  readonly found: number | null;
  readonly needed: number;
  readonly before: number | null;
  readonly tokens: readonly string[];
  readonly reason: string;
}

/** A value that the browser painted otherwise than the model has it, on one page at one width. */
export interface Difference {
  readonly page: string;
  readonly place: string;
  readonly kind: PlaceKind;
  readonly label: string;
  readonly width: number;
  readonly property: string;
  /** The value of the model, as shown. */
  readonly computed: string;
  readonly painted: string;
}

/** The effect of the last edit. */
export interface RippleReport {
  readonly label: string;
  readonly changed: number;
  readonly held: number;
  /** Of those changed, the places that changed because a rule that chooses among swatches chose another. */
  readonly anew: number;
  readonly added: number;
  readonly removed: number;
  readonly worse: number;
  readonly worseRows: readonly Row[];
  readonly changedRows: readonly Row[];
  readonly heldRows: readonly Row[];
}

/** The worker's report on the present site. */
export interface AuditReport {
  readonly tally: Tally;
  readonly counts: AuditCounts;
  readonly failing: readonly Row[];
  readonly unknown: readonly Row[];
  readonly open: Readonly<Record<string, number>>;
  /** How many places show each picture. */
  readonly shown: PicturesShown;
}

export interface AuditState {
  readonly report: AuditReport | null;
  readonly ripple: RippleReport | null;
  readonly busy: boolean;
  /**
   * Where the real rendering differs from the model, by frame; what hangs no longer, or shows another state by now, has
   * none.
   */
  readonly differences: Readonly<Record<string, readonly Difference[]>>;
  /** Progress of measuring since the last edit that can change a layout; null when all pages are measured. */
  readonly measuring: { readonly done: number; readonly of: number } | null;
  /** Headings, menus and buttons that take more lines than before the last edit, and pages that scroll sideways. */
  readonly layoutWorse: readonly Row[];
}

export const AuditActions = createActionGroup({
  source: 'Audit',
  events: {
    Busy: props<{ busy: boolean }>(),
    Report: props<{ report: AuditReport }>(),
    Ripple: props<{ ripple: RippleReport | null }>(),
    Compared: props<{ frame: string; differences: readonly Difference[] }>(),
    /** The comparison is out of date. */
    Outdated: props<{ frame: string | null }>(),
    Layout: props<{ rows: readonly Row[] }>(),
    Measuring: props<{ measuring: AuditState['measuring'] }>(),
  },
});

export const auditFeature = createFeature({
  name: 'audit',
  reducer: createReducer(
    {
      report: null,
      ripple: null,
      busy: false,
      differences: {},
      layoutWorse: [],
      measuring: { done: 0, of: 0 },
    } as AuditState,
    on(AuditActions.busy, (state, { busy }): AuditState => (state.busy === busy ? state : { ...state, busy })),
    on(AuditActions.report, (state, { report }): AuditState => ({ ...state, report, busy: false })),
    on(AuditActions.ripple, (state, { ripple }): AuditState => ({
      ...state,
      ripple,
      layoutWorse: [],
      measuring: state.measuring ?? { done: 0, of: 0 },
    })),
    on(AuditActions.measuring, (state, { measuring }): AuditState =>
      state.measuring?.done === measuring?.done &&
      state.measuring?.of === measuring?.of &&
      (state.measuring === null) === (measuring === null)
        ? state
        : { ...state, measuring },
    ),
    on(AuditActions.compared, (state, { frame, differences }): AuditState => {
      const known = state.differences[frame] ?? [];
      return known.length === 0 && differences.length === 0
        ? state
        : { ...state, differences: { ...state.differences, [frame]: differences } };
    }),
    on(AuditActions.outdated, (state, { frame }): AuditState => {
      if (Object.keys(state.differences).length === 0 || (frame !== null && !state.differences[frame])) return state;
      return {
        ...state,
        differences:
          frame === null ? {} : Object.fromEntries(Object.entries(state.differences).filter(([key]) => key !== frame)),
      };
    }),
    on(AuditActions.layout, (state, { rows }): AuditState =>
      rows.length === 0 && state.layoutWorse.length === 0 ? state : { ...state, layoutWorse: rows },
    ),
  ),
});
/** Places painted otherwise than computed: each page, place and property once, however many frames show it. */
export function differingPlaces(differences: AuditState['differences']): Difference[] {
  const found = new Map<string, Difference>();
  for (const entry of Object.values(differences).flat()) {
    const key = `${entry.page} ${entry.place}`;
    if (!found.has(key)) found.set(key, entry);
  }
  return [...found.values()];
}

export const auditReducer = auditFeature.reducer;
