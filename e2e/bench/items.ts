import Papa from 'papaparse';
import {
  acceptChange,
  addCollection,
  addListSection,
  auditSite,
  pageHtml,
  planSheet,
  readSheet,
  setField,
  setValue,
  siteIndex,
  type SheetPlan,
  type Site,
} from '@yohaku/core';
import { timed, type Result } from './result.ts';

const KINDS = ['harbour', 'tide', 'weather'];
const sheetOf = (rows: number): string =>
  [
    'Name,Text,Day,Price,Kind',
    ...Array.from(
      { length: rows },
      (_, i) =>
        `"Notice ${i}","Boats wait, number ${i}, until the fog lifts.",2026-0${1 + (i % 9)}-1${i % 9},${i},${KINDS[i % KINDS.length]}`,
    ),
  ].join('\n');

let count = 0;
const fresh = (): string => `i${(++count).toString(36)}`;
const planned = (site: Site, text: string): SheetPlan =>
  planSheet(site, 'n', readSheet(text) as Exclude<ReturnType<typeof readSheet>, string>, fresh) as SheetPlan;

/** The site with a collection of so many items, listed on its home page; each is of one of three kinds. */
export function withItems(site: Site, rows: number): Site {
  const begun = acceptChange(site, addCollection(site, 'n', 'Soundings')).site;
  const filled = acceptChange(begun, planned(begun, sheetOf(rows)).edit!).site;
  const kind = Object.values(filled.collections['n']!.fields).find(({ label }) => label === 'Kind')!;
  const chosen = acceptChange(
    filled,
    setValue(filled, '', ['collections', 'n', 'fields', kind.id, 'kind'], 'choice'),
  ).site;
  return acceptChange(chosen, addListSection(chosen, 'home', 'n', 'bench-list')).site;
}

/** An edit of an item as the desk makes it: checked, applied, its page taken apart and written, all of it judged. */
function edits(site: Site): (run: number) => void {
  const ids = site.collections['n']!.itemOrder;
  let now = site;
  let audit = auditSite(now);
  return (run) => {
    now = acceptChange(now, setField(now, ids[run % ids.length]!, 'text', `Said anew, ${run}.`)).site;
    audit = auditSite(now, audit);
    siteIndex(now);
    pageHtml(now, 'home');
  };
}

/**
 * Items of a collection: an edit among ten thousand against one among a hundred, and a sheet of ten thousand rows
 * against reading it alone.
 */
export function benchItems(site: Site): Result[] {
  const [few, many] = [edits(withItems(site, 100)), edits(withItems(site, 10_000))];
  let turn = 0;
  const [small, large] = [timed(15, () => few(turn++)), timed(15, () => many(turn++))];
  const text = sheetOf(10_000);
  const begun = acceptChange(site, addCollection(site, 'n', 'Soundings')).site;
  const [parsed, brought] = [timed(9, () => void Papa.parse(text)), timed(9, () => void planned(begun, text))];
  const result = (name: string, median: number, reference: string, referenceMedian: number, most: number): Result => ({
    name,
    median,
    unit: 'ms',
    reference,
    referenceMedian,
    ratio: median / referenceMedian,
    bound: `at most ${most} times`,
    holds: median / referenceMedian <= most,
  });
  return [
    result(
      'an item edited among 10,000: checked, applied, judged, its page written',
      large,
      'the same among 100',
      small,
      1.5,
    ),
    result('a sheet of 10,000 rows read and planned as one edit', brought, 'papaparse alone', parsed, 4),
  ];
}
