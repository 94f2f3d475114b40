import { addressOfView, readAddress } from './address.ts';

describe('the address of a step', () => {
  const view = { page: null, place: null, token: null, hanging: 'all', list: 'failing' } as const;
  it('uses the word that the step shows', () => {
    expect(addressOfView('kiem', { ...view, step: 'sources', hanging: 'sources' })).toBe('/sites/kiem/sources');
    expect(addressOfView('kiem', { ...view, step: 'backgrounds' })).toBe('/sites/kiem/backgrounds');
  });
  it('opens the same step by its former word', () => {
    for (const [word, step] of [
      ['sources', 'sources'],
      ['gather', 'sources'],
      ['backgrounds', 'backgrounds'],
      ['grounds', 'backgrounds'],
    ] as const)
      expect(readAddress(`/sites/kiem/${word}`)?.view.step)
        .withContext(word)
        .toBe(step);
    expect(readAddress('/sites/kiem/elsewhere')?.strange).toEqual(['step “elsewhere”']);
  });
});
