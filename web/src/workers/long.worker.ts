import { fixBrand, placesAmong, suggest, type Site } from '@yohaku/core';
import type { BrandFix, FromLong, ToLong } from './messages.ts';

let site: Site | undefined;

addEventListener('message', ({ data }: MessageEvent<ToLong>) => {
  if (data.kind === 'site') {
    site = data.site;
    return;
  }
  if (!site) return;
  const { asked } = data;
  const progress = (done: number, of: number) => answer({ kind: 'progress', asked, share: done / of });
  answer({
    kind: 'answer',
    asked,
    answer: data.kind === 'fix' ? brandFix(site, data.locked, progress) : suggest(site, new Set(data.stay), progress),
  });
});

function brandFix(of: Site, locked: readonly string[], progress: (done: number, of: number) => void): BrandFix {
  const { moves, conflicts, movement, fixed } = fixBrand(of, new Set(locked), undefined, progress);
  return {
    moves,
    movement,
    fixed,
    conflicts: conflicts.map((conflict) => ({
      words: conflict.words,
      places: placesAmong(conflict.pairs.flatMap((pair) => pair.places.map((place) => ({ place })))).length,
    })),
  };
}

function answer(message: FromLong): void {
  postMessage(message);
}
