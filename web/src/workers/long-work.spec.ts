import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { deskFeature, siteFeature, SiteActions } from '../state/index.ts';
import { small } from '../testing/small.ts';
import { LongWork } from './long-work.ts';

describe('Trials 6 and 9: what takes long', () => {
  let work: LongWork;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideStore({ [siteFeature.name]: siteFeature.reducer, [deskFeature.name]: deskFeature.reducer })],
    });
    TestBed.inject(Store).dispatch(SiteActions.loaded({ site: small(), sequence: 1, pending: [], aside: [] } as never));
    work = TestBed.inject(LongWork);
  });
  afterEach(() => work.stop());

  it('is answered beside the desk, and tells how far it is', async () => {
    const asked = work.fix([]);
    expect(work.share()).toBe(0);
    expect(await asked).toEqual(jasmine.objectContaining({ moves: [], conflicts: [] }));
    expect(work.share()).toBeNull();
    expect((await work.suggest(['ink']))!.length).toBeGreaterThan(0);
  });
  it('is answered with nothing when it is stopped, and answers again after that', async () => {
    const asked = work.suggest(['brand']);
    work.stop();
    expect(await asked).toBeNull();
    expect(work.share()).toBeNull();
    expect(await work.fix([])).not.toBeNull();
  });
  it('answers whoever asks last: an earlier question ends with nothing', async () => {
    const [first, last] = [work.suggest(['brand']), work.suggest(['ink'])];
    expect(await first).toBeNull();
    expect((await last)!.every((suggestion) => suggestion.swatches.every((swatch) => swatch.id !== 'ink'))).toBeTrue();
  });
});
