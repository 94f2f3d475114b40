import type { Source } from '@yohaku/core';
import { SourcesActions, sourcesReducer, rememberRanking, rememberedRanking } from './sources.ts';

const start = () => sourcesReducer(undefined, { type: 'none' });
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
    let state = sourcesReducer(
      sourcesReducer(start(), SourcesActions.reading({ name: 'a' })),
      SourcesActions.reading({ name: 'b' }),
    );
    state = sourcesReducer(
      sourcesReducer(state, SourcesActions.read({ name: 'a', sources: piece('a') })),
      SourcesActions.read({ name: 'b', sources: piece('a') }),
    );
    expect([state.sources.length, state.reading]).toEqual([1, []]);
  });
  it('says what was refused until the next is read, and keeps the rest', () => {
    let state = sourcesReducer(
      sourcesReducer(start(), SourcesActions.reading({ name: 'a' })),
      SourcesActions.refused({ name: 'a', words: 'Broken.' }),
    );
    expect([state.problems, state.reading]).toEqual([['Broken.'], []]);
    state = sourcesReducer(state, SourcesActions.reading({ name: 'b' }));
    expect(state.problems).toEqual([]);
  });
  it('puts away and back', () => {
    const listed = sourcesReducer(start(), SourcesActions.listed({ sources: [piece('a'), piece('b')], kept: null }));
    const away = sourcesReducer(listed, SourcesActions.removeSource({ id: 'a' }));
    expect([away.sources.map((source) => source.id), away.away.map((source) => source.id)]).toEqual([['b'], ['a']]);
    const back = sourcesReducer(away, SourcesActions.restoreSource({ sources: away.away[0]! }));
    expect([back.sources.map((source) => source.id), back.away]).toEqual([['b', 'a'], []]);
    expect(sourcesReducer(back, SourcesActions.removeSource({ id: 'nobody' }))).toBe(back);
  });
  it('remembers what was decided of a site, and forgets what was taken', () => {
    let state = sourcesReducer(start(), SourcesActions.decide({ color: 'x', choice: { keep: false } }));
    state = sourcesReducer(state, SourcesActions.decide({ color: 'x', choice: { name: 'Rope' } }));
    state = sourcesReducer(state, SourcesActions.count({ count: 5 }));
    const pin = { sources: 'a', page: 'home', width: 960, way: 'wipe', amount: 0.3 } as const;
    state = sourcesReducer(state, SourcesActions.pin({ pin }));
    expect(sourcesReducer(state, SourcesActions.pin({ pin }))).toBe(state);
    rememberRanking('some-site', state);
    expect(rememberedRanking('some-site')).toEqual({
      count: 5,
      choices: { x: { keep: false, name: 'Rope' } },
      radius: 4,
      pin,
    });
    localStorage.removeItem('yohaku-sift some-site');
    expect(sourcesReducer(state, SourcesActions.taken({ colors: ['x'] }))).toEqual(
      jasmine.objectContaining({ choices: {}, count: null }),
    );
  });
});
