import * as v from 'valibot';
import { LIMITS, Label, PageOrder } from '../fields/index.ts';
import {
  Asset,
  Download,
  Brand,
  Item,
  Page,
  Shared,
  Site,
  danglingIssue,
  danglingReferences,
  toIssues,
  type Dangling,
  type Issue,
  type Override,
} from '../site/index.ts';
import { doubledAddress } from '../collections/index.ts';
import { presentPath, tokenTable } from '../style/index.ts';
import { doubleIssue, doublePlaces, looseIssue, looseOverrides, type LooseOverride } from '../document/index.ts';
import { jsonEqual, valueAt, withValue } from './json.ts';
import { ChangeRefused } from './refused.ts';

/** A value that has to stand otherwise than an edit wrote it; absent: not at all. */
export interface Settled {
  readonly at: readonly string[];
  readonly value: unknown;
}

/**
 * Checks what differs between two sites: schema, references, values set on places.
 * Returns the values that differ from the site as the check has read it: names
 * without surrounding spaces, and overrides whose place or token this edit removed
 * or renamed.
 * @throws ChangeRefused (`invalid` or `in-use`) with the places of the faults
 */
export function settleTouched(before: Site, after: Site): Settled[] {
  const issues: Issue[] = [];
  const settled: Settled[] = [];
  const check = (schema: v.GenericSchema, at: readonly string[], value: unknown) => {
    const result = v.safeParse(schema, value);
    const path = at.join('.');
    if (!result.success)
      issues.push(
        ...toIssues(result.issues).map((issue) => ({ ...issue, path: issue.path ? `${path}.${issue.path}` : path })),
      );
    else settled.push(...differences(value, result.output, at));
  };
  for (const key of Object.keys(after))
    if (!Object.hasOwn(Site.entries, key)) issues.push({ path: key, message: 'is nothing a site has' });
  for (const key of ['schemaVersion', 'id', 'language'] as const)
    if (after[key] !== before[key]) issues.push({ path: key, message: 'cannot be changed' });
  if (after.name !== before.name) check(Label, ['name'], after.name);
  if (after.brand !== before.brand) check(Brand, ['brand'], after.brand);
  if (after.shared !== before.shared) check(Shared, ['shared'], after.shared);
  for (const [record, schema] of [
    ['assets', Asset],
    ['downloads', Download],
  ] as const)
    if (after[record] !== before[record]) {
      if (!isRecord(after[record])) issues.push({ path: record, message: 'must be an object' });
      else if (Object.keys(after[record]).length > LIMITS.assets)
        issues.push({ path: record, message: `must have at most ${LIMITS.assets} entries` });
      else
        for (const [id, entry] of Object.entries(after[record]))
          if (entry !== before[record][id]) checkEntry(check, issues, schema, record, id, entry);
    }
  if (after.pageOrder !== before.pageOrder) check(PageOrder, ['pageOrder'], after.pageOrder);
  if (!isRecord(after.pages)) issues.push({ path: 'pages', message: 'must be an object' });
  else
    for (const [id, page] of Object.entries(after.pages))
      if (page !== before.pages[id]) checkEntry(check, issues, Page, 'pages', id, page);
  if (after.collections !== before.collections) check(Site.entries.collections, ['collections'], after.collections);
  if (after.collectionOrder !== before.collectionOrder)
    check(Site.entries.collectionOrder, ['collectionOrder'], after.collectionOrder);
  if (after.items !== before.items) {
    if (!isRecord(after.items)) issues.push({ path: 'items', message: 'must be an object' });
    else if (Object.keys(after.items).length > LIMITS.allItems)
      issues.push({ path: 'items', message: `must have at most ${LIMITS.allItems} entries` });
    else
      for (const id in after.items)
        if (after.items[id] !== before.items[id]) checkEntry(check, issues, Item, 'items', id, after.items[id]);
  }
  if (issues.length > 0) throw invalid(issues);
  const whole = settled.reduce((site, { at, value }) => withValue(site, at, value), after);
  const dangling = danglingReferences(whole, before);
  if (dangling.length > 0) throw refusal(dangling);
  const doubled = doublePlaces(whole, before);
  if (doubled.length > 0) throw invalid(doubled.map(doubleIssue));
  const taken = doubledAddress(whole, before);
  if (taken !== undefined)
    throw new ChangeRefused(
      'invalid',
      `${taken} would be the address of a page and of an item, or of two items. Nothing was changed; choose another address.`,
      [{ path: 'pages', message: `${taken} is taken` }],
    );
  return [...settled, ...goAlong(before, whole)];
}

/** @throws ChangeRefused as `settleTouched`; for callers that only want to know */
export function checkTouched(before: Site, after: Site): void {
  settleTouched(before, after);
}

const isRecord = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value);

function checkEntry(
  check: (schema: v.GenericSchema, at: readonly string[], value: unknown) => void,
  issues: Issue[],
  schema: v.GenericSchema,
  record: 'assets' | 'downloads' | 'pages' | 'items',
  id: string,
  value: unknown,
): void {
  if ((value as { id?: unknown } | undefined)?.id !== id)
    issues.push({ path: `${record}.${id}.id`, message: `must be ${id}, its own key` });
  check(schema, [record, id], value);
}

/** Where what a schema read differs from what it was given. Nearly always nowhere. */
function differences(given: unknown, read: unknown, at: readonly string[]): Settled[] {
  if (given === read) return [];
  if (isRecord(given) && isRecord(read)) {
    const [entry, other] = [given as Record<string, unknown>, read as Record<string, unknown>];
    return [
      ...Object.keys(entry).flatMap((key) =>
        Object.hasOwn(other, key)
          ? differences(entry[key], other[key], [...at, key])
          : entry[key] === undefined
            ? []
            : [{ at: [...at, key], value: undefined }],
      ),
      ...Object.keys(other)
        .filter((key) => !Object.hasOwn(entry, key) && other[key] !== undefined)
        .map((key) => ({ at: [...at, key], value: other[key] })),
    ];
  }
  return jsonEqual(given, read) ? [] : [{ at, value: read }];
}

/** Values set on places follow their token, and go with their place; one that never had either is refused. */
function goAlong(before: Site, after: Site): Settled[] {
  const loose = looseOverrides(after, before);
  if (loose.length === 0) return [];
  // An edit that waited, or an undo, may name a token as it was called before.
  const former = ({ lacks, override: { value } }: LooseOverride) =>
    lacks === 'token' && value.kind === 'token' && tokenTable(after.brand).has(presentPath(value.path))
      ? presentPath(value.path)
      : undefined;
  const strange = loose.filter(
    (entry) => former(entry) === undefined && valueAt(before, [...entry.record, entry.override.id]) !== entry.override,
  );
  if (strange.length > 0) throw invalid(strange.map(looseIssue));
  return loose.map((entry) => {
    const { record, override, lacks } = entry;
    const path = former(entry) ?? (lacks === 'token' ? movedToken(before, after, override) : undefined);
    return path === undefined
      ? { at: [...record, override.id], value: undefined }
      : { at: [...record, override.id, 'value', 'path'], value: path };
  });
}

/** The path that the token of a value has now, found by what it is a token of. */
function movedToken(before: Site, after: Site, { value }: Override): string | undefined {
  const was = value.kind === 'token' ? tokenTable(before.brand).get(value.path) : undefined;
  if (!was?.address) return undefined;
  const [address, ending] = [was.address.join('/'), was.path.split('.').at(-1)];
  const same = [...tokenTable(after.brand).values()].filter(
    (token) => token.type === was.type && token.address?.join('/') === address,
  );
  return (same.find((token) => token.path.split('.').at(-1) === ending) ?? (same.length === 1 ? same[0] : undefined))
    ?.path;
}

function invalid(issues: readonly Issue[]): ChangeRefused {
  const [first] = issues;
  return new ChangeRefused(
    'invalid',
    `${first!.path} ${first!.message}. The last good value is kept.`,
    issues.slice(0, 20),
  );
}

function refusal(dangling: readonly Dangling[]): ChangeRefused {
  const issues = dangling.slice(0, 20).map(danglingIssue);
  const { where, kind, target } = dangling[0]!;
  if (kind === 'loop')
    return new ChangeRefused(
      'invalid',
      `A swatch cannot be derived from itself: ${target}. The last good rule is kept.`,
      issues,
    );
  if (kind === 'depth')
    return new ChangeRefused(
      'invalid',
      `${target} would be derived from more than ${LIMITS.ruleDepth} swatches in a row. The last good rule is kept; derive it from a swatch earlier in the row.`,
      issues,
    );
  if (kind === 'name')
    return new ChangeRefused('invalid', `${where} “${target}” is already used. Choose another name.`, issues);
  if (kind === 'id')
    return new ChangeRefused(
      'invalid',
      `On ${where} the id ${target} would name two things. Nothing was changed.`,
      issues,
    );
  if (kind === 'file') return new ChangeRefused('invalid', `Two pages cannot both be ${target}.`, issues);
  if (kind === 'page' && target === 'index.html')
    return new ChangeRefused(
      'in-use',
      'The home page cannot be deleted. Make another page the home page first.',
      issues,
    );
  if (kind === 'slug')
    return new ChangeRefused(
      'invalid',
      `Another item of the collection has the address ${target}. Choose another.`,
      issues,
    );
  if (kind === 'anchor')
    return new ChangeRefused(
      'invalid',
      `Another section of the page has the anchor ${target}. Choose another.`,
      issues,
    );
  if (kind === 'under')
    return new ChangeRefused(
      'invalid',
      `A page cannot be placed under ${target}: pages nest one level deep, and the home page has no parent and no subpages.`,
      issues,
    );
  if (kind === 'height')
    return new ChangeRefused(
      'invalid',
      `${target} is a percentage, which works only on single-line elements; cards and images use this corner. The last good corner is kept.`,
      issues,
    );
  if (kind === 'order')
    return new ChangeRefused(
      'invalid',
      `The order of ${where} does not fit what is there. Nothing was changed.`,
      issues,
    );
  return new ChangeRefused(
    'in-use',
    `The ${kind} ${target} is still used: ${where}${dangling.length > 1 ? ` and ${dangling.length - 1} more` : ''}. Choose a replacement.`,
    issues,
  );
}
