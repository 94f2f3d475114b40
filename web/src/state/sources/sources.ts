import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { Source } from '@yohaku/core';
import { remember, remembered } from '../../ui/index.ts';

/**
 * A designer's choice for one colour: include or exclude it whatever its score, its name, its role in the brand, its
 * replacement.
 */
export interface RankingChoice {
  readonly keep?: boolean;
  readonly name?: string;
  readonly part?: 'core' | 'side';
  /** Id of the colour that replaces it when it goes. */ readonly replacement?: string;
}

/** A drawn design laid over a page, beside it, or shown alone: for which page width, and how much of it is seen. */
export interface Pin {
  readonly sources: string;
  readonly page: string;
  readonly width: number;
  readonly way: 'fade' | 'wipe' | 'beside' | 'alone';
  readonly amount: number;
}

export interface SourcesState {
  readonly sources: readonly Source[];
  /** Names of files that are being read. */
  readonly reading: readonly string[];
  /** The files that could not be read, with the reason. */
  readonly problems: readonly string[];
  /** Colours in hand, as hex, that count as one: their occurrences are outlined on the wall. */
  readonly hand: readonly string[];
  /** How many of the ranked colours are kept; null: all swatches there are and all up to the best trade-off. */
  readonly count: number | null;
  readonly choices: Readonly<Record<string, RankingChoice>>;
  /** Radius in px of the picture that is looked at when pointing into it. */
  readonly radius: number;
  readonly pin: Pin | null;
  /** Pieces put away in this window, last first: each can be put back. */
  readonly away: readonly Source[];
}

const START: SourcesState = {
  sources: [],
  reading: [],
  problems: [],
  hand: [],
  count: null,
  choices: {},
  radius: 4,
  pin: null,
  away: [],
};

type RememberedRanking = Pick<SourcesState, 'count' | 'choices' | 'radius' | 'pin'>;

export const SourcesActions = createActionGroup({
  source: 'Sources',
  events: {
    Listed: props<{ sources: readonly Source[]; kept: RememberedRanking | null }>(),
    Reading: props<{ name: string }>(),
    Read: props<{ name: string; sources: Source }>(),
    Refused: props<{ name: string; words: string }>(),
    'Remove source': props<{ id: string }>(),
    'Restore source': props<{ sources: Source }>(),
    Hand: props<{ hand: readonly string[] }>(),
    Count: props<{ count: number | null }>(),
    Decide: props<{ color: string; choice: RankingChoice }>(),
    Radius: props<{ radius: number }>(),
    Pin: props<{ pin: Pin | null }>(),
    Taken: props<{ colors: readonly string[] }>(),
  },
});

const without = (list: readonly string[], name: string): string[] => {
  const at = list.indexOf(name);
  return list.filter((_, i) => i !== at);
};

export const sourcesFeature = createFeature({
  name: 'sources',
  reducer: createReducer(
    START,
    on(SourcesActions.listed, (state, { sources, kept }): SourcesState => ({ ...state, ...kept, sources })),
    on(SourcesActions.reading, (state, { name }): SourcesState => ({
      ...state,
      reading: [...state.reading, name],
      problems: state.reading.length === 0 ? [] : state.problems,
    })),
    on(SourcesActions.read, (state, { name, sources }): SourcesState => ({
      ...state,
      reading: without(state.reading, name),
      sources: state.sources.some((source) => source.id === sources.id) ? state.sources : [...state.sources, sources],
    })),
    on(SourcesActions.refused, (state, { name, words }): SourcesState => ({
      ...state,
      reading: without(state.reading, name),
      problems: [...state.problems, words],
    })),
    on(SourcesActions.removeSource, (state, { id }): SourcesState => {
      const gone = state.sources.find((source) => source.id === id);
      return gone
        ? { ...state, sources: state.sources.filter((source) => source !== gone), away: [gone, ...state.away] }
        : state;
    }),
    on(SourcesActions.restoreSource, (state, { sources }): SourcesState => ({
      ...state,
      sources: [...state.sources, sources],
      away: state.away.filter((source) => source.id !== sources.id),
    })),
    on(SourcesActions.hand, (state, { hand }): SourcesState => (state.hand === hand ? state : { ...state, hand })),
    on(SourcesActions.count, (state, { count }): SourcesState => (state.count === count ? state : { ...state, count })),
    on(SourcesActions.decide, (state, { color, choice }): SourcesState => ({
      ...state,
      choices: { ...state.choices, [color]: { ...state.choices[color], ...choice } },
    })),
    on(SourcesActions.radius, (state, { radius }): SourcesState =>
      state.radius === radius ? state : { ...state, radius },
    ),
    on(SourcesActions.pin, (state, { pin }): SourcesState => (state.pin === pin ? state : { ...state, pin })),
    on(SourcesActions.taken, (state, { colors }): SourcesState => ({
      ...state,
      count: null,
      choices: Object.fromEntries(Object.entries(state.choices).filter(([id]) => !colors.includes(id))),
    })),
  ),
});
export const sourcesReducer = sourcesFeature.reducer;

const key = (site: string): string => `yohaku-sift ${site}`;

/** Remembers the choices of a ranking on this machine until its palette is applied. */
export function rememberRanking(site: string, { count, choices, radius, pin }: SourcesState): void {
  remember(key(site), JSON.stringify({ count, choices, radius, pin }));
}
export function rememberedRanking(site: string): RememberedRanking | null {
  try {
    const {
      count = null,
      choices = {},
      radius = 4,
      pin = null,
    } = JSON.parse(remembered(key(site)) ?? 'null') as Partial<SourcesState>;
    return { count, choices, radius, pin };
  } catch {
    return null;
  }
}
