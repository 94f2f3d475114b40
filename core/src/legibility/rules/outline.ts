import { valueAt } from '../../change/index.ts';
import { SAYS_NOTHING, altProblem, type PageTree } from '../../page/index.ts';
import { WALL_WIDTHS } from '../../breakpoint/index.ts';
import type { Site } from '../../site/index.ts';
import type { PlacedJudgement } from './headings.ts';

/** A page has one heading of the first level, which says what it is. */
export function firstHeading({ body, places }: PageTree): PlacedJudgement[] {
  const first = places.filter(({ level }) => level === 1);
  return [
    {
      place: first[1] ?? first[0] ?? body,
      rule: 'first-heading',
      verdict: first.length === 1 ? 'pass' : 'fail',
      state: 'rest',
      width: WALL_WIDTHS.desktop,
      found: first.length,
      needed: 1,
      tokens: [],
    },
  ];
}

/** The words of a link say where it leads: whoever goes from link to link hears no more than them. */
export function linkWords({ places }: PageTree): PlacedJudgement[] {
  return places.flatMap((place): PlacedJudgement[] => {
    const words = place.kind === 'link' ? /^Link “(.*)”$/.exec(place.label)?.[1] : undefined;
    if (words === undefined) return [];
    const fails = SAYS_NOTHING.test(words.trim());
    return [
      {
        place,
        rule: 'link-words',
        verdict: fails ? 'fail' : 'pass',
        state: 'rest',
        width: WALL_WIDTHS.desktop,
        found: fails ? 0 : 1,
        needed: 1,
        tokens: [],
      },
    ];
  });
}

/**
 * Judges alternative text: not a file name, and short enough for screen readers. An empty text can be deliberate; page
 * details list it.
 */
export function alternativeText(site: Site, { places }: PageTree): PlacedJudgement[] {
  return places.flatMap((place): PlacedJudgement[] => {
    const kept = place.kind === 'picture' ? (place.item ?? place.block) : undefined;
    const alt = kept ? (valueAt(site, [...kept, 'alt']) as unknown) : undefined;
    if (typeof alt !== 'string' || alt === '') return [];
    const fails = altProblem(alt) !== '';
    return [
      {
        place,
        rule: 'alternative-text',
        verdict: fails ? 'fail' : 'pass',
        state: 'rest',
        width: WALL_WIDTHS.desktop,
        found: fails ? 0 : 1,
        needed: 1,
        tokens: [],
      },
    ];
  });
}
