import { applyChange, auditCounts, auditSite, findings, ripple, tally, compareAudits, placesAmong, placesChosenAnew, readIncoming, setValues, shortfall, SiteIssues, NO_READINGS, NO_PIXELS, whereSet, type Audit, type Finding, type LayoutReading, type PixelSets, type Place, type Site } from '@yohaku/core';
import type { AuditReport, RippleReport, Row } from '../state/audit/audit.ts';
import type { FromAudit, ReadFile, ToAudit } from './messages.ts';

/** Rows sent at most in one list; the counts are always whole. */
const MOST_ROWS = 3000;
/** Of what cannot be told: before pictures have been read that is every text over one. */
const MOST_UNKNOWN = 1000;

let site: Site | undefined;
let audit: Audit | undefined;
let pixels: PixelSets = NO_PIXELS;
let layout: readonly LayoutReading[] = NO_READINGS;

addEventListener('message', ({ data }: MessageEvent<ToAudit>) => {
  if (data.kind === 'site') {
    site = data.site;
    audit = auditSite(site, undefined, undefined, pixels, layout);
    return answer({ kind: 'report', report: report(audit) });
  }
  if (data.kind === 'incoming') return answer({ kind: 'answer', asked: data.asked, answer: readFile(data.name, data.text) });
  if (data.kind === 'pixels') pixels = data.sets;
  if (data.kind === 'layout') layout = data.readings;
  if (!site || !audit) return;
  if (data.kind === 'pixels' || data.kind === 'layout') {
    audit = auditSite(site, audit, undefined, pixels, layout);
    return answer({ kind: 'report', report: report(audit) });
  }
  const before = { site, audit };
  site = applyChange(site, data.change).site;
  audit = auditSite(site, audit);
  if (data.ripple) answer({ kind: 'ripple', ripple: rippleReport(data.change.label, before, { site, audit }) });
  answer({ kind: 'report', report: report(audit) });
});

function readFile(name: string, text: string): ReadFile {
  try {
    return { incoming: readIncoming(name, text, site?.brand) };
  } catch (error) {
    if (error instanceof SiteIssues) return { problem: `${error.issues[0]!.path} ${error.issues[0]!.message}` };
    throw error;
  }
}

function answer(message: FromAudit): void {
  postMessage(message);
}

const rowOf = (place: Place): Omit<Row, 'rule' | 'verdict' | 'width' | 'state' | 'found' | 'needed' | 'before' | 'tokens' | 'reason'> =>
  ({ page: place.page, place: place.id, kind: place.kind, label: place.label });

/** The worst width of each place, rule and state: what a queue shows once. */
function rows(list: readonly (Finding & { before?: number | null })[]): Row[] {
  const worst = new Map<string, Finding & { before?: number | null }>();
  for (const one of list) {
    const key = `${one.place.page} ${one.place.id} ${one.rule} ${one.state}`;
    const known = worst.get(key);
    if (!known || shortfall(one) > shortfall(known) + 1e-9 || (one.width === 1280 && one.found === known.found)) worst.set(key, one);
  }
  return [...worst.values()].map((one) => ({
    ...rowOf(one.place), rule: one.rule, verdict: one.verdict, width: one.width, state: one.state, found: one.found, needed: one.needed,
    before: one.before ?? null, tokens: one.tokens, reason: one.reason ?? '',
  }));
}

const plainRow = (place: Place, verdict: Row['verdict'] = 'bound', reason = ''): Row =>
  ({ ...rowOf(place), rule: null, verdict, width: 1280, state: 'rest', found: null, needed: 0, before: null, tokens: [], reason });

function report(now: Audit): AuditReport {
  const counts = auditCounts(now);
  const failing = rows(findings(now, new Set(['fail']), MOST_ROWS));
  const unknown = rows(findings(now, new Set(['cannot-tell']), MOST_UNKNOWN));
  const values = setValues(now.site);
  // What fails over a picture is a matter of that picture, not of a ground.
  const pairs = new Set([...now.byGroup].flatMap(([group, judgements]) => (group.overPicture ? [] : judgements.filter((one) => one.verdict === 'fail' && one.rule.endsWith('contrast')).map((one) => one.tokens[0] ?? group))));
  const provisional = Object.values(now.site.brand.styles).filter((style) => style.provisional).length;
  return {
    tally: tally(now), counts, failing: failing.slice(0, MOST_ROWS), unknown: unknown.slice(0, MOST_ROWS),
    open: { grounds: pairs.size, type: provisional, check: counts.failed + values.filter((value) => value.standing === 'stray').length },
  };
}

function rippleReport(label: string, before: { site: Site; audit: Audit }, after: { site: Site; audit: Audit }): RippleReport {
  const what = ripple(before.site, after.site);
  const deeper = compareAudits(before.audit, after.audit);
  return {
    label,
    changed: what.changed.length, anew: placesChosenAnew(before.site, after.site, what.changed).length, held: placesAmong(what.held).length, added: what.added.length, removed: what.removed.length, worse: deeper.places,
    worseRows: rows(deeper.rows(MOST_ROWS)).slice(0, MOST_ROWS),
    changedRows: what.changed.slice(0, MOST_ROWS).map((place) => plainRow(place)),
    heldRows: what.held.slice(0, MOST_ROWS).map((one) => plainRow(one.place, one.by.origin === 'set' ? 'held' : 'stray', `${one.property} is set ${whereSet(after.site, one.place, one.by) === 'here' ? 'here' : 'wherever it is used'}${one.by.band ? ` on ${one.by.band}` : ''}`)),
  };
}
