import { addressOfView, readAddress } from './address.ts';

describe('the address of a step', () => {
  const view = { page: null, place: null, token: null, hanging: 'all', list: 'failing' } as const;
  it('uses the word that the step shows', () => {
    expect(addressOfView('kiem', { ...view, step: 'gather', hanging: 'sources' })).toBe('/sites/kiem/sources');
    expect(addressOfView('kiem', { ...view, step: 'grounds' })).toBe('/sites/kiem/backgrounds');
  });
  it('opens the same step by its former word', () => {
    for (const [word, step] of [
      ['sources', 'gather'],
      ['gather', 'gather'],
      ['backgrounds', 'grounds'],
      ['grounds', 'grounds'],
    ] as const)
      expect(readAddress(`/sites/kiem/${word}`)?.view.step)
        .withContext(word)
        .toBe(step);
    expect(readAddress('/sites/kiem/elsewhere')?.strange).toEqual(['step “elsewhere”']);
  });
});
