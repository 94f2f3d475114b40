import { createFeature, createSelector } from '@ngrx/store';
import { stressSite } from '@yohaku/core';
import { deskFeature } from '../desk/desk.ts';
import { siteReducer } from './site.reducer.ts';

const feature = createFeature({
  name: 'site',
  reducer: siteReducer,
  extraSelectors: ({ selectShown, selectLast, selectShowBefore, selectStatus, selectLatest, selectSequence }) => ({
    /** How many changes the server has that are not here yet. */
    selectBehind: createSelector(selectStatus, selectLatest, selectSequence, (status, latest, sequence) =>
      status === 'ready' ? Math.max(0, latest - sequence) : 0,
    ),
    /**
     * Selects the painted site: before the last edit while the key is held, with stress-test content while that is on.
     */
    selectPainted: createSelector(
      selectShown,
      selectLast,
      selectShowBefore,
      deskFeature.selectStress,
      (shown, last, before, stress) => {
        const site = before && last ? last.before : shown;
        return site && stress.length > 0 ? stressSite(site, new Set(stress)) : site;
      },
    ),
  }),
});

export const siteFeature = feature;
