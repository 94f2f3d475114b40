import {
  applyChange,
  auditCounts,
  auditSite,
  findings,
  focusFix,
  lookBehind,
  pictureFixes,
  ripple,
  siteIndex,
  tally,
  compareAudits,
  placesAmong,
  placesChosenAnew,
  readIncoming,
  shortfall,
  SiteIssues,
  timesShown,
  whereSet,
  writePixels,
  type Audit,
  type Finding,
  type FocusPoint,
  type PixelSets,
  type Place,
  type Site,
} from '@yohaku/core';
import type { AuditReport, FoundBehind, RippleReport, Row, TextOver } from '../state/index.ts';
import type { FromAudit, ReadFile, ToAudit } from './messages.ts';
import { ReadPages } from './read-pages.ts';

/** Rows sent at most in one list; the counts are always whole. */
const MOST_ROWS = 3000;
/** Of what cannot be told: before pictures have been read that is every text over one. */
const MOST_UNKNOWN = 1000;

let site: Site | undefined;
let audit: Audit | undefined;
const read = new ReadPages();
/**
 * The text over a picture in hand, with the id of a value set to mend it; and what would lie behind its section with
 * other focus points.
 */
let selectedPlaces: { readonly text: TextOver; readonly fixId: string } | null = null;
let turned: { readonly surface: string; readonly sets: ReadonlyMap<FocusPoint, PixelSets> } | null = null;
/** Counts the sites and changes that were told. */
let step = 0;

addEventListener('message', ({ data }: MessageEvent<ToAudit>) => {
  switch (data.kind) {
    case 'site': {
      site = data.site;
      read.follow(site);
      audit = auditSite(site, undefined, undefined, read.pixels, read.layout);
      return stepped();
    }
    case 'change': {
      if (!site || !audit) return;
      const before = { site, audit };
      site = applyChange(site, data.change).site;
      read.follow(site);
      audit = auditSite(site, audit, undefined, read.pixels, read.layout);
      if (data.ripple) answer({ kind: 'ripple', ripple: rippleReport(data.change.label, before, { site, audit }) });
      return stepped();
    }
    case 'read': {
      // Of a site that is still opening pages may have been read already.
      if (!read.take(data.siteId, data.readings) || !audit || site?.id !== data.siteId) return;
      audit = auditSite(site, audit, undefined, read.pixels, read.layout);
      answer({ kind: 'report', report: report(audit) });
      return answerBehind();
    }
    case 'behind': {
      selectedPlaces = data.text && { text: data.text, fixId: data.fixId };
      return answerBehind();
    }
    case 'turned': {
      turned = data;
      return answerBehind();
    }
    case 'evidence':
      return answer({
        kind: 'answer',
        asked: data.asked,
        answer: { pixels: writePixels(read.pixels, data.most), layout: read.layout },
      });
    case 'incoming':
      return answer({ kind: 'answer', asked: data.asked, answer: readFile(data.name, data.text) });
  }
});

/** The site is another: what was found of the one before says nothing of it. */
function stepped(): void {
  step++;
  turned = null;
  answer({ kind: 'report', report: report(audit!) });
  answerBehind();
}

function answerBehind(): void {
  if (selectedPlaces && site)
    answer({
      kind: 'behind',
      step,
      fixId: selectedPlaces.fixId,
      found: foundBehind(site, selectedPlaces.text, selectedPlaces.fixId),
    });
}

function foundBehind(now: Site, text: TextOver, fixId: string): FoundBehind | null {
  const place = siteIndex(now).byAddress.get(`${text.page} ${text.place}`);
  const behind = place && lookBehind(now, read.pixels, place, text, text.hung);
  if (!behind) return null;
  const focus =
    turned && turned.surface === place.under?.id ? focusFix(now, read.pixels, place, turned.sets) : undefined;
  return { ...behind, fixes: [...pictureFixes(now, read.pixels, place, fixId), ...(focus ? [focus] : [])] };
}

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

const rowOf = (
  place: Place,
): Omit<Row, 'rule' | 'verdict' | 'width' | 'state' | 'found' | 'needed' | 'before' | 'tokens' | 'reason'> => ({
  page: place.page,
  place: place.id,
  kind: place.kind,
  label: place.label,
});

/** The worst width of each place, rule and state: what a queue shows once. */
function rows(list: readonly (Finding & { before?: number | null })[]): Row[] {
  const worst = new Map<string, Finding & { before?: number | null }>();
  for (const entry of list) {
    const key = `${entry.place.page} ${entry.place.id} ${entry.rule} ${entry.state}`;
    const known = worst.get(key);
    if (!known || shortfall(entry) > shortfall(known) + 1e-9 || (entry.width === 1280 && entry.found === known.found))
      worst.set(key, entry);
  }
  return [...worst.values()].map((entry) => ({
    ...rowOf(entry.place),
    rule: entry.rule,
    verdict: entry.verdict,
    width: entry.width,
    state: entry.state,
    found: entry.found,
    needed: entry.needed,
    before: entry.before ?? null,
    tokens: entry.tokens,
    reason: entry.reason ?? '',
  }));
}

const plainRow = (place: Place, verdict: Row['verdict'] = 'bound', reason = ''): Row => ({
  ...rowOf(place),
  rule: null,
  verdict,
  width: 1280,
  state: 'rest',
  found: null,
  needed: 0,
  before: null,
  tokens: [],
  reason,
});

function report(now: Audit): AuditReport {
  const counts = auditCounts(now);
  const failing = rows(findings(now, new Set(['fail']), MOST_ROWS));
  const unknown = rows(findings(now, new Set(['cannot-tell']), MOST_UNKNOWN));
  // A failure over an image belongs to that image, not to a background.
  const pairs = new Set(
    [...now.byGroup].flatMap(([group, judgements]) =>
      group.overPicture
        ? []
        : judgements
            .filter((judgement) => judgement.verdict === 'fail' && judgement.rule.endsWith('contrast'))
            .map((judgement) => judgement.tokens[0] ?? group),
    ),
  );
  const provisional = Object.values(now.site.brand.styles).filter((style) => style.provisional).length;
  return {
    tally: tally(now),
    counts,
    failing: failing.slice(0, MOST_ROWS),
    unknown: unknown.slice(0, MOST_ROWS),
    shown: timesShown(now.site),
    open: { backgrounds: pairs.size, type: provisional, check: counts.failed },
  };
}

function rippleReport(
  label: string,
  before: { site: Site; audit: Audit },
  after: { site: Site; audit: Audit },
): RippleReport {
  const what = ripple(before.site, after.site);
  const deeper = compareAudits(before.audit, after.audit);
  const [was, is] = [before.audit.index, after.audit.index];
  return {
    label,
    changed: is.countOf(what.changed),
    anew: is.countOf(placesChosenAnew(before.site, after.site, what.changed)),
    held: is.countOf(placesAmong(what.held)),
    added: is.countOf(what.added),
    removed: was.countOf(what.removed),
    worse: deeper.places,
    worseRows: rows(deeper.rows(MOST_ROWS)).slice(0, MOST_ROWS),
    changedRows: what.changed.slice(0, MOST_ROWS).map((place) => plainRow(place)),
    heldRows: what.held
      .slice(0, MOST_ROWS)
      .map((place) =>
        plainRow(
          place.place,
          place.by.origin === 'set' ? 'held' : 'stray',
          `${place.property} is set ${whereSet(after.site, place.place, place.by) === 'here' ? 'here' : 'everywhere'}${place.by.band ? ` on ${place.by.band}` : ''}`,
        ),
      ),
  };
}
