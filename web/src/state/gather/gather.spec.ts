import type { Source } from '@yohaku/core';
import { GatherActions, gatherReducer, keepSift, keptSift } from './gather.ts';

const start = () => gatherReducer(undefined, { type: 'none' });
const piece = (id: string): Source => ({
  id,
  name: id,
  kind: 'text',
  facts: '',
  notes: [],
  size: null,
  lines: [],
  colors: [],
});

describe('gather state', () => {
  it('reads several at once, and takes the same piece once', () => {
    let state = gatherReducer(
      gatherReducer(start(), GatherActions.reading({ name: 'a' })),
      GatherActions.reading({ name: 'b' }),
    );
    state = gatherReducer(
      gatherReducer(state, GatherActions.read({ name: 'a', sources: piece('a') })),
      GatherActions.read({ name: 'b', sources: piece('a') }),
    );
    expect([state.sources.length, state.reading]).toEqual([1, []]);
  });
  it('says what was refused until the next is read, and keeps the rest', () => {
    let state = gatherReducer(
      gatherReducer(start(), GatherActions.reading({ name: 'a' })),
      GatherActions.refused({ name: 'a', words: 'Broken.' }),
    );
    expect([state.problems, state.reading]).toEqual([['Broken.'], []]);
    state = gatherReducer(state, GatherActions.reading({ name: 'b' }));
    expect(state.problems).toEqual([]);
  });
  it('puts away and back', () => {
    const listed = gatherReducer(start(), GatherActions.listed({ sources: [piece('a'), piece('b')], kept: null }));
    const away = gatherReducer(listed, GatherActions.removeSource({ id: 'a' }));
    expect([away.sources.map((source) => source.id), away.away.map((source) => source.id)]).toEqual([['b'], ['a']]);
    const back = gatherReducer(away, GatherActions.restoreSource({ sources: away.away[0]! }));
    expect([back.sources.map((source) => source.id), back.away]).toEqual([['b', 'a'], []]);
    expect(gatherReducer(back, GatherActions.removeSource({ id: 'nobody' }))).toBe(back);
  });
  it('remembers what was decided of a site, and forgets what was taken', () => {
    let state = gatherReducer(start(), GatherActions.decide({ color: 'x', choice: { keep: false } }));
    state = gatherReducer(state, GatherActions.decide({ color: 'x', choice: { name: 'Rope' } }));
    state = gatherReducer(state, GatherActions.count({ count: 5 }));
    const pin = { sources: 'a', page: 'home', width: 960, way: 'wipe', amount: 0.3 } as const;
    state = gatherReducer(state, GatherActions.pin({ pin }));
    expect(gatherReducer(state, GatherActions.pin({ pin }))).toBe(state);
    keepSift('some-site', state);
    expect(keptSift('some-site')).toEqual({ count: 5, choices: { x: { keep: false, name: 'Rope' } }, radius: 4, pin });
    localStorage.removeItem('yohaku-sift some-site');
    expect(gatherReducer(state, GatherActions.taken({ colors: ['x'] }))).toEqual(
      jasmine.objectContaining({ choices: {}, count: null }),
    );
  });
});
