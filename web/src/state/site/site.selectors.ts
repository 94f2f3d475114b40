import { createFeature, createSelector } from '@ngrx/store';
import { siteReducer } from './site.reducer.ts';

const feature = createFeature({
  name: 'site', reducer: siteReducer,
  extraSelectors: ({ selectShown, selectLast, selectShowBefore }) => ({
    /** What the wall paints: before the last edit while the key is held. */
    selectPainted: createSelector(selectShown, selectLast, selectShowBefore, (shown, last, before) => (before && last ? last.before : shown)),
  }),
});

export const siteFeature = feature;
