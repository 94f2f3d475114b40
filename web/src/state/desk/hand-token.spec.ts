import { TestBed } from '@angular/core/testing';
import { Store, provideStore } from '@ngrx/store';
import { small } from '../../testing/small.ts';
import { deskFeature, deskReducer } from './desk.ts';
import { handToken } from './hand-token.ts';

describe('a token that is selected by its path', () => {
  it('opens the step where it is edited, with its background, role, swatch or style selected', () => {
    TestBed.configureTestingModule({ providers: [provideStore({ desk: deskReducer })] });
    const store = TestBed.inject(Store);
    const desk = store.selectSignal(deskFeature.selectDeskState);
    const site = small();
    for (const [path, step] of [
      ['background.pale.text', 'backgrounds'],
      ['background.pale.button.primary.fill.rest', 'buttons'],
      ['color.core.ink', 'colour'],
      ['scale.base', 'type'],
      ['logo.width', 'sources'],
    ] as const) {
      handToken(store, site, path);
      expect([desk().step, desk().selected]).withContext(path).toEqual([step, path]);
    }
    handToken(store, site, 'background.deep.link');
    expect([desk().ground, desk().role]).toEqual(['deep', 'link']);
  });
});
