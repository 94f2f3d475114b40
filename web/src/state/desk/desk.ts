import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import { editedPage, type StressKind, type Vision } from '@yohaku/core';
import type { Scope } from './scope.ts';
import { stepOpens, type Step } from './steps.ts';

export const SURROUNDS = ['light', 'middle', 'dark'] as const;
export const SURROUND_LABELS: Record<Surround, string> = { light: 'Light', middle: 'Middle', dark: 'Dark' };
export type Surround = (typeof SURROUNDS)[number];

/** A place in hand: by page and id. */
export interface PlaceRef {
  readonly page: string;
  readonly id: string;
}

export interface DeskState {
  readonly step: Step;
  /** Height of the desk below the steps line, px: one for all steps; null until the user drags the line. */
  readonly height: number | null;
  readonly surround: Surround;
  /** How wall and desk are looked at, and how strong a deficiency is, 0 to 1. */
  readonly seen: Vision;
  readonly severity: number;
  /**
   * How the wall hangs: all pages, only what the token in hand reaches, the places where two styles stand together, the
   * specimen, or (in Sources) the sources, the logo, or a design pinned over a page.
   */
  readonly hanging: 'all' | 'reach' | 'together' | 'specimen' | 'sources' | 'logo' | 'pin';
  /** Places that hang side by side, and what they are. */
  readonly together: { readonly label: string; readonly places: readonly PlaceRef[] } | null;
  /** Token in hand by path; stays in hand across steps. */
  readonly selected: string | null;
  /** The scope of the focused control: its places are highlighted. */
  readonly lit: Scope | null;
  /** Page grown in place to be read; null: the overview. */
  readonly grown: string | null;
  /** Page in hand: the one grown last, also while the overview hangs. */
  readonly page: string | null;
  /** Sections in hand besides the one chosen: they are changed together. */
  readonly sections: readonly string[];
  readonly swatch: string | null;
  readonly ground: string | null;
  readonly role: string | null;
  readonly style: string | null;
  readonly section: string | null;
  /** Item of a collection in hand. */
  readonly item: string | null;
  readonly place: PlaceRef | null;
  /** Places in hand besides that one, of its page: what is chosen or done is chosen and done for all. */
  readonly also: readonly PlaceRef[];
  /** A third width at which the grown page stands beside the two of the wall, px; null: none does. */
  readonly third: number | null;
  /** True if the set lines of the grounds show every role. */
  readonly unfolded: boolean;
  /** True if headings on the wall are named by level and style. */
  readonly outline: boolean;
  /** True if all pages are shown at once, small; else two or three, large enough to judge. */
  readonly fits: boolean;
  /** True if the wall pretends that no font file came, and shows what stands in. */
  readonly standIns: boolean;
  /** How hostile the copy on the wall is; empty: as it was written. */
  readonly stress: readonly StressKind[];
  readonly keysShown: boolean;
}

export const STANDARD: DeskState = {
  step: 'colour',
  height: null,
  surround: 'middle',
  seen: 'full',
  severity: 1,
  hanging: 'all',
  together: null,
  selected: null,
  lit: null,
  grown: null,
  page: null,
  sections: [],
  swatch: null,
  ground: null,
  role: null,
  style: null,
  section: null,
  item: null,
  place: null,
  also: [],
  third: null,
  unfolded: false,
  outline: false,
  fits: false,
  standIns: false,
  stress: [],
  keysShown: false,
};

export const DeskActions = createActionGroup({
  source: 'Desk',
  events: {
    Step: props<{ step: Step }>(),
    Height: props<{ height: number }>(),
    Surround: props<{ surround: Surround }>(),
    Seen: props<{ seen: Vision; severity?: number }>(),
    Hang: props<{ hanging: DeskState['hanging'] }>(),
    HangTogether: props<{ label: string; places: readonly PlaceRef[] }>(),
    Take: props<{ token: string | null }>(),
    Light: props<{ scope: Scope | null }>(),
    Grow: props<{ page: string | null }>(),
    Choose: props<{
      choice: Partial<
        Pick<DeskState, 'swatch' | 'ground' | 'role' | 'style' | 'section' | 'sections' | 'item' | 'place' | 'also'>
      >;
    }>(),
    Third: props<{ width: number | null }>(),
    Unfold: props<{ unfolded: boolean }>(),
    Stress: props<{ kinds: readonly StressKind[] }>(),
    Fit: props<{ fits: boolean }>(),
    Outline: props<{ shown: boolean }>(),
    StandIns: props<{ shown: boolean }>(),
    Keys: props<{ shown: boolean }>(),
  },
});

/** The page of a place is in hand with it; a generated page is edited on its source page. */
function pageOf(state: DeskState, place: PlaceRef | null | undefined): Partial<DeskState> {
  const page = place ? editedPage(place.page) : null;
  return page === null || page === state.page ? {} : { page, section: null, sections: [] };
}

export const deskFeature = createFeature({
  name: 'desk',
  reducer: createReducer(
    STANDARD,
    on(DeskActions.step, (state, { step }): DeskState =>
      state.step === step
        ? state
        : {
            ...state,
            step,
            place: null,
            lit: null,
            hanging:
              state.hanging === 'specimen'
                ? 'specimen'
                : stepOpens(step) !== 'all'
                  ? stepOpens(step)
                  : ['sources', 'logo', 'pin', 'together'].includes(state.hanging)
                    ? 'all'
                    : state.hanging,
          },
    ),
    on(DeskActions.height, (state, { height }): DeskState => ({ ...state, height })),
    on(DeskActions.surround, (state, { surround }): DeskState => ({ ...state, surround })),
    on(DeskActions.seen, (state, { seen, severity }): DeskState => ({
      ...state,
      seen,
      severity: severity ?? state.severity,
    })),
    on(DeskActions.hang, (state, { hanging }): DeskState => ({ ...state, hanging, place: null })),
    on(DeskActions.hangTogether, (state, { label, places }): DeskState => ({
      ...state,
      hanging: 'together',
      together: { label, places },
      place: null,
    })),
    on(DeskActions.take, (state, { token }): DeskState =>
      state.selected === token
        ? state
        : { ...state, selected: token, hanging: token === null && state.hanging === 'reach' ? 'all' : state.hanging },
    ),
    on(DeskActions.light, (state, { scope }): DeskState => (state.lit === scope ? state : { ...state, lit: scope })),
    on(DeskActions.grow, (state, { page }): DeskState => {
      // A generated page is edited on its source page.
      const edited = (page === null ? null : editedPage(page)) ?? state.page;
      return {
        ...state,
        grown: page,
        page: edited,
        hanging: 'all',
        place: null,
        ...(edited !== state.page ? { section: null, sections: [] } : {}),
      };
    }),
    // Another place in hand is in hand alone, unless others come with it.
    on(DeskActions.choose, (state, { choice }): DeskState => ({
      ...state,
      ...pageOf(state, choice.place),
      ...('place' in choice && !('also' in choice) ? { also: [] } : {}),
      ...choice,
    })),
    on(DeskActions.third, (state, { width }): DeskState => ({ ...state, third: width })),
    on(DeskActions.unfold, (state, { unfolded }): DeskState => ({ ...state, unfolded })),
    on(DeskActions.stress, (state, { kinds }): DeskState => ({ ...state, stress: kinds })),
    on(DeskActions.fit, (state, { fits }): DeskState => ({ ...state, fits, grown: null, hanging: 'all', place: null })),
    on(DeskActions.outline, (state, { shown }): DeskState => ({ ...state, outline: shown })),
    on(DeskActions.standIns, (state, { shown }): DeskState => ({ ...state, standIns: shown })),
    on(DeskActions.keys, (state, { shown }): DeskState => ({ ...state, keysShown: shown })),
  ),
});
export const deskReducer = deskFeature.reducer;
