import type { Place } from '../page/index.ts';
import { placeKey, type Group } from '../reach/index.ts';
import type { Audit, Finding } from './audit.ts';
import type { Judgement } from './outcome.ts';

/** A failing judgement that an edit brought or deepened. */
export interface Worse extends Finding {
  /** The measured value before; null if the place is new. */
  readonly before: number | null;
}

/** The places that an edit made worse: their number, and their rows. */
export interface AuditComparison {
  readonly places: number;
  /** In page order, those of so many places at most. */
  rows(most?: number): Worse[];
}

interface WorseLook {
  readonly judgement: Judgement;
  readonly before: number | null;
}
const NONE: readonly WorseLook[] = [];

/**
 * Compares two audits by look: two looks are compared once, however many places
 * have changed from one to the other. Pages are taken apart only where the
 * structure differs, and for rows that are asked for.
 */
export function compareAudits(before: Audit, after: Audit): AuditComparison {
  if (before === after || before.byGroup === after.byGroup) return { places: 0, rows: () => [] };
  const same = before.index === after.index;
  const looks = new Map<Group, Map<Group | null, readonly WorseLook[]>>();
  const ofPair = (was: Group | null, now: Group): readonly WorseLook[] => {
    const [old, fresh] = [was && before.byGroup.get(was), after.byGroup.get(now)!];
    if (old === fresh) return NONE;
    let known = looks.get(now);
    if (!known) looks.set(now, (known = new Map()));
    let list = known.get(was);
    if (!list) known.set(was, (list = worseThan(old ?? [], fresh)));
    return list;
  };
  /** Returns the earlier look of a place; null if the place is new. */
  const wasGroup = (place: Place): Group | null => {
    if (same) return after.index.groupOf.get(place)!;
    const old = before.index.byAddress.get(placeKey(place));
    return old ? before.index.groupOf.get(old)! : null;
  };
  const byPage = worseByPage(before, after);
  const ofPlace = (place: Place): readonly WorseLook[] => ofPair(wasGroup(place), after.index.groupOf.get(place)!);
  let count = 0;
  if (same)
    for (const group of after.index.groups) {
      if (ofPair(group, group).length > 0) count += group.count;
    }
  else for (const place of after.index.places) if (ofPlace(place).length > 0) count += after.index.times(place.page);
  for (const place of byPage.keys()) if (ofPlace(place).length === 0) count += after.index.times(place.page);
  return {
    places: count,
    rows(most = Infinity) {
      const list: Worse[] = [];
      let places = 0;
      if (byPage.size === 0 && looks.size === 0) return list;
      for (const place of after.index.places) {
        const [look, own] = [ofPlace(place), byPage.get(place) ?? NONE];
        if (look.length === 0 && own.length === 0) continue;
        if (++places > most) break;
        for (const { judgement, before } of [...look, ...own]) list.push({ ...judgement, place, before });
      }
      return list;
    },
  };
}

/** Failing rows of `after` that passed before, or failed with a better figure. */
export function worse(before: Audit, after: Audit): Worse[] {
  return compareAudits(before, after).rows();
}

const rowKey = (judgement: Judgement): string => `${judgement.rule} ${judgement.width} ${judgement.state}`;

function worseThan(old: readonly Judgement[], now: readonly Judgement[]): readonly WorseLook[] {
  if (!now.some((judgement) => judgement.verdict === 'fail')) return NONE;
  const was = new Map(old.map((judgement) => [rowKey(judgement), judgement]));
  const list = now.flatMap((judgement): WorseLook[] => {
    const former = was.get(rowKey(judgement));
    return judgement.verdict === 'fail' && (!former || former.verdict !== 'fail' || deeper(judgement, former))
      ? [{ judgement, before: former?.found ?? null }]
      : [];
  });
  return list.length === 0 ? NONE : list;
}

/** The same for rules that need the whole page. */
function worseByPage(before: Audit, after: Audit): Map<Place, readonly WorseLook[]> {
  const found = new Map<Place, readonly WorseLook[]>();
  if (before.byPage === after.byPage) return found;
  const failing = after.byPage.filter((judgement) => judgement.verdict === 'fail');
  if (failing.length === 0) return found;
  const was = new Map(
    before.byPage.map((judgement) => [`${placeKey(judgement.place)} ${rowKey(judgement)}`, judgement]),
  );
  for (const row of failing) {
    const former = was.get(`${placeKey(row.place)} ${rowKey(row)}`);
    if (!former || former.verdict !== 'fail' || deeper(row, former))
      found.set(row.place, [...(found.get(row.place) ?? []), { judgement: row, before: former?.found ?? null }]);
  }
  return found;
}

/** Farther from what is needed than before, by share, so that figures of all units compare. */
function deeper(now: Judgement, was: Judgement): boolean {
  if (now.found === null || was.found === null) return false;
  return now.rule === 'heading-order'
    ? now.found - now.needed > was.found - was.needed + 1e-9
    : now.found / now.needed < was.found / was.needed - 1e-9;
}

/** Distinct places among rows. */
export function placesAmong(rows: readonly { readonly place: Place }[]): Place[] {
  return [...new Set(rows.map((row) => row.place))];
}
