import type { Override, Site, State, PaintedProperty } from '../site/index.ts';
import { AUDIT_WIDTHS, bandOf } from '../breakpoint/index.ts';
import { tokenTable, type TokenTable } from '../style/index.ts';
import { publishedPages, readsItems, structureKey, type Place } from '../page/index.ts';
import { changedTokens } from './changed.ts';
import { paintedText } from './painted.ts';
import type { Group, SiteIndex } from './group.ts';
import { siteIndex } from './site-index.ts';
import { placeKey } from './place-key.ts';

/** A place an edit did not reach although its token changed, and the value that holds it. */
export interface HeldPlace {
  readonly place: Place;
  readonly property: PaintedProperty;
  readonly by: Override;
}

/** The effect of an edit on the painted site. A place can change in one property and keep another. */
export interface Ripple {
  readonly changed: readonly Place[];
  readonly held: readonly HeldPlace[];
  readonly added: readonly Place[];
  readonly removed: readonly Place[];
}

export const NO_RIPPLE: Ripple = { changed: [], held: [], added: [], removed: [] };

/** Compares the places of two sites over all widths and states. */
export function ripple(before: Site, after: Site): Ripple {
  if (before === after) return NO_RIPPLE;
  const oldTable = tokenTable(before.brand);
  const table = tokenTable(after.brand);
  const index = siteIndex(after);
  const changed = changedTokens(oldTable, table);
  return siteIndex(before) === index
    ? tokenRipple(oldTable, table, index, changed)
    : structureRipple(before, after, oldTable, table, index, changed);
}

function tokenRipple(before: TokenTable, after: TokenTable, index: SiteIndex, changed: ReadonlySet<string>): Ripple {
  const groups = new Set<Group>();
  for (const path of changed) for (const group of index.byToken.get(path) ?? []) groups.add(group);
  const places: Place[] = [];
  const held: HeldPlace[] = [];
  for (const group of groups) {
    if (group.states.some((state) => cellsDiffer(before, after, group, group, state, changed)))
      places.push(...group.places);
    held.push(...heldIn(group, changed));
  }
  return { changed: places, held, added: [], removed: [] };
}

/** Values that kept a changed token from showing, each once a place and property. */
function heldIn(group: Group, changed: ReadonlySet<string>): HeldPlace[] {
  const seen = new Map<string, { property: PaintedProperty; by: Override }>();
  for (const cell of group.painting.cells)
    if (cell.override && cell.token && changed.has(cell.token) && cell.owner === group.painting) {
      const moves = cell.override.value.kind === 'token' && changed.has(cell.override.value.path);
      if (!moves) seen.set(`${cell.property} ${cell.override.id}`, { property: cell.property, by: cell.override });
    }
  return [...seen.values()].flatMap((entry) => group.places.map((place) => ({ place, ...entry })));
}

/** Returns true if any property that names a changed token is painted otherwise, at any width. */
function cellsDiffer(
  before: TokenTable,
  after: TokenTable,
  old: Group,
  now: Group,
  state: State,
  changed: ReadonlySet<string>,
): boolean {
  const done = new Set<string>();
  for (const cell of now.painting.cells) {
    if (cell.state !== state) continue;
    const token = cell.override ? (cell.override.value.kind === 'token' ? cell.override.value.path : null) : cell.token;
    if (!token || !changed.has(token)) continue;
    // A changed font size moves line height and letter spacing with it, but then the size itself differs as well.
    if (done.has(`${cell.property}${cell.band}`)) continue;
    done.add(`${cell.property}${cell.band}`);
    for (const width of AUDIT_WIDTHS)
      if (
        bandOf(width) === cell.band &&
        paintedText(before, old.painting, cell.property, state, width) !==
          paintedText(after, now.painting, cell.property, state, width)
      )
        return true;
  }
  return false;
}

function structureRipple(
  before: Site,
  after: Site,
  oldTable: TokenTable,
  table: TokenTable,
  index: SiteIndex,
  changedPaths: ReadonlySet<string>,
): Ripple {
  const oldIndex = siteIndex(before);
  const oldSnapshots = snapshots(oldTable);
  const newSnapshots = snapshots(table);
  const changed: Place[] = [];
  const added: Place[] = [];
  const removed: Place[] = [];
  const alike = changedPaths.size === 0 && sameStructure(before, after);
  const sameItems = before.items === after.items && before.collections === after.collections;
  const was = new Map(publishedPages(before).map((page) => [page.id, page]));
  const is = new Map(publishedPages(after).map((page) => [page.id, page]));
  // An unchanged page in an unchanged site has the same places.
  const untouched = (id: string): boolean =>
    alike && was.get(id)?.page === is.get(id)?.page && (sameItems || !readsItems(after, is.get(id)!.page));
  for (const page of is.keys()) {
    if (untouched(page)) continue;
    for (const place of index.tree(page)!.places) {
      const old = was.has(page) ? oldIndex.byAddress.get(placeKey(place)) : undefined;
      if (!old) {
        added.push(place);
        continue;
      }
      const [oldLook, look] = [oldIndex.groupOf.get(old)!, index.groupOf.get(place)!];
      const same = oldLook === look && changedPaths.size === 0;
      // Another picture, shade or focus point is seen though no token changed.
      if (
        old.label !== place.label ||
        old.asset !== place.asset ||
        old.look !== place.look ||
        (!same && oldSnapshots(oldLook) !== newSnapshots(look))
      )
        changed.push(place);
    }
  }
  for (const page of was.keys()) {
    if (is.has(page) && untouched(page)) continue;
    for (const place of oldIndex.tree(page)!.places)
      if (!is.has(page) || !index.byAddress.has(placeKey(place))) removed.push(place);
  }
  const held = changedPaths.size === 0 ? [] : [...index.groups].flatMap((group) => heldIn(group, changedPaths));
  return { changed, held, added, removed };
}

/** Returns true if two sites are the same but for their pages and their token values. */
function sameStructure(before: Site, after: Site): boolean {
  return (
    before.shared === after.shared && before.assets === after.assets && structureKey(before) === structureKey(after)
  );
}

/** Everything a group paints, as one text, remembered per group. */
function snapshots(table: TokenTable): (group: Group) => string {
  const known = new Map<Group, string>();
  return (group) => {
    let text = known.get(group);
    if (text === undefined) {
      const properties = [...new Set(group.painting.cells.map((cell) => cell.property))].sort();
      text = group.states
        .flatMap((state) =>
          AUDIT_WIDTHS.map((width) =>
            properties
              .map((property) => `${property}:${paintedText(table, group.painting, property, state, width)}`)
              .join(),
          ),
        )
        .join(';');
      known.set(group, text);
    }
    return text;
  };
}
